/** A pattern of SQL for texts that hold some words; signs that stand for others there are taken as they are. */
export const containing = (words: string): string => `%${words.trim().replace(/[\\%_]/g, '\\$&')}%`
