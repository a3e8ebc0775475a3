import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Pool } from 'pg'
import { v7 as newId } from 'uuid'

const FOLDER = 'src/db/migrations'
interface Journal {
  entries: { tag: string }[]
}
const journal = JSON.parse(readFileSync(join(FOLDER, 'meta/_journal.json'), 'utf8')) as Journal
const name = `migration_${process.pid}`
const elsewhere = (database: string) => {
  const address = new URL(process.env['DATABASE_URL']!)
  address.pathname = `/${database}`
  return address.toString()
}

let admin: Pool
beforeAll(async () => {
  admin = new Pool({ connectionString: elsewhere('postgres'), max: 1 })
  await admin.query(`create database ${name}`)
})
afterAll(async () => {
  await admin.query(`drop database ${name}`)
  await admin.end()
})

/** The migrations as they were when only so many of them existed. */
function releaseWith(count: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'falto-migrations-'))
  cpSync(FOLDER, folder, { recursive: true })
  writeFileSync(
    join(folder, 'meta/_journal.json'),
    JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }),
  )
  return folder
}

it('a database of the release before is brought forward with its rows, and a second time changes nothing', async () => {
  const pool = new Pool({ connectionString: elsewhere(name), max: 2 })
  const db = drizzle(pool)
  const before = releaseWith(journal.entries.length - 1)
  try {
    await migrate(db, { migrationsFolder: before })
    const [salonId, clientId] = [newId(), newId()]
    await db.execute(sql`insert into salon (id, name) values (${salonId}, 'Before')`)
    await db.execute(
      sql`insert into client (salon_id, id, name, note, head, hair) values (${salonId}, ${clientId}, 'Kept', '', '{}', '{"lengthCm": 31}')`,
    )
    for (let i = 0; i < 2; i++) await migrate(db, { migrationsFolder: FOLDER })
    const { rows } = await db.execute(sql`select name, hair->>'lengthCm' as length from client`)
    expect(rows).toEqual([{ name: 'Kept', length: '31' }])
    const { rows: applied } = await db.execute(sql`select count(*)::int as count from drizzle.__drizzle_migrations`)
    expect(applied).toEqual([{ count: journal.entries.length }])
  } finally {
    rmSync(before, { recursive: true, force: true })
    await pool.end()
  }
})
