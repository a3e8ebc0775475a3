import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { Client } from 'pg'

/**
 * Brings the database named by DATABASE_LISTEN_URL or DATABASE_URL to the newest schema: one process after the other,
 * and never one that is older than its database.
 */

/** Name of the lock under which it is done; any number that nothing else takes. */
const MIGRATING_LOCK = 431_014

const folder = resolve('src/db/migrations')
const { entries } = JSON.parse(readFileSync(`${folder}/meta/_journal.json`, 'utf8')) as { entries: unknown[] }

const client = new Client({ connectionString: process.env['DATABASE_LISTEN_URL'] ?? process.env['DATABASE_URL'] })
await client.connect()
await client.query('select pg_advisory_lock($1)', [MIGRATING_LOCK])
const applied = await appliedIn(client)
if (applied > entries.length) {
  console.error(
    `falto: this database was brought to schema ${applied} by a newer Falto; this one knows ${entries.length}. Start the newer one, or restore a backup from before.`,
  )
  process.exitCode = 1
} else await migrate(drizzle(client), { migrationsFolder: folder })
await client.end()

/** How many migrations a database has seen. */
async function appliedIn(db: Client): Promise<number> {
  const { rows: there } = await db.query("select to_regclass('drizzle.__drizzle_migrations') is not null as made")
  if (!(there[0] as { made: boolean }).made) return 0
  const { rows } = await db.query('select count(*)::int as applied from drizzle.__drizzle_migrations')
  return (rows[0] as { applied: number }).applied
}
