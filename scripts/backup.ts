import { createHash } from 'node:crypto'
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { createReadStream, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Client } from 'pg'

/**
 * `write FOLDER`: the database as it is at one moment, into `database.dump`, with `manifest.json` that says of every
 * table how many rows it has and what they come to, read at the same moment. `compare FOLDER`: holds the database of
 * DATABASE_URL against such a manifest.
 */

/** How a backup is laid out; counted up when it changes. */
const FORMAT = 'falto-backup-1'

interface Manifest {
  format: string
  made: string
  /** Of `database.dump`, SHA-256 in hex. */
  sha256: string
  tables: Record<string, TableSum>
}

interface TableSum {
  rows: number
  /** Sum over all rows of the first half of their MD5: the same in whatever order they lie. */
  sum: string
}

const [what = '', folder = ''] = process.argv.slice(2)
const dumpFile = join(folder, 'database.dump')
const manifestFile = join(folder, 'manifest.json')

async function sumsOf(client: Client): Promise<Record<string, TableSum>> {
  const { rows: tables } = await client.query<{ name: string }>(
    `select format('%I.%I', schemaname, tablename) as name from pg_tables
      where schemaname not in ('pg_catalog', 'information_schema') order by 1`,
  )
  const sums: Record<string, TableSum> = {}
  for (const { name } of tables) {
    const { rows } = await client.query<{ rows: string; sum: string | null }>(
      `select count(*) as rows, sum(('x' || left(md5(t::text), 16))::bit(64)::bigint::numeric) as sum from ${name} t`,
    )
    sums[name] = { rows: Number(rows[0]!.rows), sum: rows[0]!.sum ?? '0' }
  }
  return sums
}

async function sha256Of(file: string): Promise<string> {
  const hash = createHash('sha256')
  for await (const part of createReadStream(file)) hash.update(part as Buffer)
  return hash.digest('hex')
}

/** The address without its password, which goes by the environment: arguments of a program are seen by everybody. */
function forPrograms(address: string): { url: string; env: NodeJS.ProcessEnv } {
  const url = new URL(address)
  const PGPASSWORD = decodeURIComponent(url.password)
  url.password = ''
  return { url: url.toString(), env: { ...process.env, PGPASSWORD } }
}

async function write(client: Client): Promise<void> {
  // Everything below sees the database as it is now, whatever is written meanwhile.
  await client.query('begin isolation level repeatable read read only')
  const { rows } = await client.query<{ snapshot: string }>('select pg_export_snapshot() as snapshot')
  const { url, env } = forPrograms(process.env['DATABASE_URL']!)
  const dump = spawn(
    join(process.env['PG_BIN']!, 'pg_dump'),
    ['--format=custom', `--snapshot=${rows[0]!.snapshot}`, `--file=${dumpFile}`, `--dbname=${url}`],
    { env, stdio: 'inherit' },
  )
  const ended = once(dump, 'exit') as Promise<[number]>
  const [tables, [code]] = await Promise.all([sumsOf(client), ended])
  if (code !== 0) throw new Error('pg_dump failed; its words stand above.')
  const manifest: Manifest = {
    format: FORMAT,
    made: new Date().toISOString(),
    sha256: await sha256Of(dumpFile),
    tables,
  }
  writeFileSync(manifestFile, JSON.stringify(manifest, null, 1))
  const all = Object.values(tables).reduce((sum, table) => sum + table.rows, 0)
  console.log(`${all} rows in ${Object.keys(tables).length} tables`)
}

async function compare(client: Client): Promise<void> {
  const kept = JSON.parse(readFileSync(manifestFile, 'utf8')) as Manifest
  if (kept.format !== FORMAT) throw new Error(`This backup is laid out as ${kept.format}; this Falto reads ${FORMAT}.`)
  if ((await sha256Of(dumpFile)) !== kept.sha256) throw new Error('The backup was changed since it was written.')
  const found = await sumsOf(client)
  const names = [...new Set([...Object.keys(kept.tables), ...Object.keys(found)])]
  const wrong = names.filter((name) => JSON.stringify(kept.tables[name]) !== JSON.stringify(found[name]))
  if (wrong.length > 0) {
    const words = (sum: TableSum | undefined) => (sum ? `${sum.rows} rows (${sum.sum})` : 'missing')
    throw new Error(
      `These tables are not as they were:\n${wrong
        .map((name) => `  ${name}: ${words(kept.tables[name])} then, ${words(found[name])} now`)
        .join('\n')}`,
    )
  }
  console.log(`${names.length} tables are as they were on ${kept.made}`)
}

const client = new Client({ connectionString: process.env['DATABASE_URL'] })
await client.connect()
try {
  if (what === 'write') await write(client)
  else if (what === 'compare') await compare(client)
  else throw new Error(`There is no “${what}”; it is write or compare.`)
} catch (error) {
  console.error(`falto: ${(error as Error).message}`)
  process.exitCode = 1
}
await client.end()
