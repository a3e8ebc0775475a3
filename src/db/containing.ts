import { sql, type SQL, type SQLWrapper } from 'drizzle-orm'

/** A pattern of SQL for texts that hold some words; signs that stand for others there are taken as they are. */
export const containing = (words: string): string => `%${words.trim().replace(/[\\%_]/g, '\\$&')}%`

/** A text of SQL without capitals and accents, as names are looked for: a function of the database's own. */
export const plainly = (text: SQLWrapper | string | null): SQL => sql`falto_plain(${text})`
