import { Readable } from 'node:stream'
import { and, asc, eq, isNull } from 'drizzle-orm'
import { ZipFile } from 'yazl'
import { readIn } from '@/core/units'
import { client, database, picture, staff, visit } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { pdfOfVisit } from '../documents'
import { notFound } from '../errors'
import { isUuid } from '../http'
import { log } from '../log'
import { readPicture } from '../pictures'
import { openVisit } from '../visits'
import { PERSON_PARTS } from './parts'
import { bound } from './rows'

/** How the file is laid out; counted up when it changes. */
const FORMAT = 'falto-person-1'

/**
 * Everything that is kept of a client as one file (ZIP): `data.json` with the rows of every table as they are kept,
 * pictures as they were taken in, and her visits on paper. It goes out while it is made.
 * @returns its name and bytes
 */
export async function fileOfClient(
  member: StaffMember,
  id: string,
): Promise<{ name: string; body: ReadableStream<Uint8Array> }> {
  requirePermission(member, 'oversee')
  const [found] = isUuid(id)
    ? await database()
        .select({ deletedAt: client.deletedAt })
        .from(client)
        .where(and(eq(client.salonId, member.salonId), eq(client.id, id)))
    : []
  if (!found) throw notFound('client')
  const zip = new ZipFile()
  const out = zip.outputStream as Readable
  fill(zip, member, id, found.deletedAt === null).then(
    () => zip.end(),
    (error: unknown) => {
      log.error({ error }, 'the file of a client broke off')
      out.destroy(error as Error)
    },
  )
  return { name: `client-${id}.zip`, body: Readable.toWeb(out) as ReadableStream<Uint8Array> }
}

async function fill(zip: ZipFile, member: StaffMember, clientId: string, present: boolean): Promise<void> {
  zip.addBuffer(Buffer.from(JSON.stringify(await dataOf(member, clientId), null, 1)), 'data.json')
  const pictures = await database()
    .select({ id: picture.id })
    .from(picture)
    .where(and(eq(picture.salonId, member.salonId), eq(picture.clientId, clientId), isNull(picture.deletedAt)))
    .orderBy(asc(picture.at), asc(picture.id))
  for (const { id } of pictures) {
    const { mime, data } = await readPicture(member, clientId, id, 'full')
    zip.addBuffer(data, `pictures/${id}.${mime.split('/')[1]}`, { compress: false })
  }
  // Of who was removed nothing is laid out anew; the rows say all of it.
  if (!present) return
  const visits = await database()
    .select({ id: visit.id, on: visit.on })
    .from(visit)
    .where(and(eq(visit.salonId, member.salonId), eq(visit.clientId, clientId), isNull(visit.withdrawnAt)))
    .orderBy(asc(visit.on), asc(visit.id))
  for (const { id, on } of visits) {
    const paper = await pdfOfVisit(await openVisit(member, id), (text) => readIn(member.units, text))
    zip.addBuffer(paper, `visits/${on}-${id}.pdf`, { compress: false })
  }
}

/** Rows of every table that are hers, and the names of who works here by their ids. */
async function dataOf(member: StaffMember, clientId: string): Promise<object> {
  const tables: Record<string, unknown[]> = {}
  for (const { table, rows, apart = [] } of PERSON_PARTS) {
    const without = apart.map((column) => ` - '${column}'`).join('')
    const found = await database().execute<{ row: unknown }>(
      bound(
        `select to_jsonb(t)${without} as row from ${table} t where salon_id = $1 and ${rows}`,
        member.salonId,
        clientId,
      ),
    )
    tables[table] = found.rows.map(({ row }) => row)
  }
  const people = await database()
    .select({ id: staff.id, name: staff.name })
    .from(staff)
    .where(eq(staff.salonId, member.salonId))
  return {
    format: FORMAT,
    made: new Date().toISOString(),
    staff: Object.fromEntries(people.map(({ id, name }) => [id, name])),
    tables,
  }
}
