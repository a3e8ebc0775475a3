import { once } from 'node:events'
import { createReadStream, createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { finished } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import { eq } from 'drizzle-orm'
import { inTransaction, salon, schemaVersion } from '@/db'
import { LRUCache } from 'lru-cache'
import { requirePermission, type StaffMember } from '../auth'
import { AppError } from '../errors'
import { rowsOf, summing, tablesOfSalon } from './tables'

/** How the file is laid out; counted up when it changes. */
export const FORMAT = 'falto-salon-1'

/** What stands at the head of the file. */
export interface Head {
  format: string
  /** Of the database that it was written from. */
  schema: number
  /** ISO 8601. */
  made: string
  salon: { id: string; name: string; demo: boolean }
}

/**
 * Writes everything of a salon, as it is at one moment: a head, then for every table its name, its rows (JSON, a line
 * each) and what they come to.
 */
async function packSalon(salonId: string, write: (text: string) => Promise<void>): Promise<void> {
  const schema = await schemaVersion()
  await inTransaction(
    async (tx) => {
      const [own] = await tx
        .select({ id: salon.id, name: salon.name, demo: salon.demo })
        .from(salon)
        .where(eq(salon.id, salonId))
      const head: Head = { format: FORMAT, schema, made: new Date().toISOString(), salon: own! }
      await write(`#head ${JSON.stringify(head)}\n`)
      for (const table of await tablesOfSalon(tx)) {
        await write(`#table ${table.name}\n`)
        const sum = summing()
        for await (const rows of rowsOf(tx, table, salonId)) {
          rows.forEach(sum.add)
          await write(`${rows.join('\n')}\n`)
        }
        await write(`#sum ${sum.close()}\n`)
      }
      await write('#end\n')
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  )
}

/** Packs a salon into a file (gzip). */
export async function packInto(file: string, salonId: string): Promise<void> {
  const zipped = createGzip()
  const out = zipped.pipe(createWriteStream(file, { mode: 0o600 }))
  const written = finished(out)
  await packSalon(salonId, async (text) => {
    if (!zipped.write(text)) await Promise.race([once(zipped, 'drain'), written])
  })
  zipped.end()
  await written
}

/** A salon is packed no more often than this by one process, ms: it reads everything. Our choice. */
const AGAIN_MS = 60_000
const packedLately = new LRUCache<string, true>({ max: 1000, ttl: AGAIN_MS })

/**
 * Everything of one's salon as one file. It is written down first, so that a slow network keeps no moment of the
 * database open.
 * @returns its name and bytes
 * @throws AppError 429 within a minute of the last one
 */
export async function fileOfSalon(member: StaffMember): Promise<{ name: string; body: ReadableStream<Uint8Array> }> {
  requirePermission(member, 'oversee')
  if (packedLately.has(member.salonId))
    throw new AppError(429, 'just-packed', 'The salon was packed a moment ago. Wait a minute before you do it again.')
  packedLately.set(member.salonId, true)
  const folder = await mkdtemp(join(tmpdir(), 'falto-salon-'))
  const leave = () => rm(folder, { recursive: true, force: true })
  const file = join(folder, 'salon.gz')
  try {
    await packInto(file, member.salonId)
  } catch (error) {
    await leave()
    throw error
  }
  const bytes = createReadStream(file)
  bytes.once('close', () => void leave())
  return {
    name: `salon-${new Date().toISOString().slice(0, 10)}.falto.gz`,
    body: Readable.toWeb(bytes) as ReadableStream<Uint8Array>,
  }
}
