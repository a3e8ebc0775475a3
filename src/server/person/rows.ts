import { sql, type SQL } from 'drizzle-orm'

/** A statement of ours in which `$1`, `$2` … stand for values that somebody else says. */
export function bound(words: string, ...values: string[]): SQL {
  const parts = words.split(/\$(\d)/)
  return sql.join(
    parts.map((part, i) => (i % 2 === 0 ? sql.raw(part) : sql`${values[Number(part) - 1]}`)),
    sql.raw(''),
  )
}
