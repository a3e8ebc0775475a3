/** Buttons for gloved hands at arm's length. */
export const TALL = { minHeight: 56, fontSize: '1rem', lineHeight: 1.2 } as const
export const TALLEST = { ...TALL, minHeight: 80, fontSize: '1.4rem' } as const
