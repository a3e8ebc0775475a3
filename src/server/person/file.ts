import { Readable } from 'node:stream'
import { and, asc, eq, isNull } from 'drizzle-orm'
import { ZipFile } from 'yazl'
import { readIn } from '@/core/units'
import { client, database, picture, visit } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { pdfOfVisit } from '../documents'
import { notFound } from '../errors'
import { isUuid } from '../http'
import { log } from '../log'
import { readPicture } from '../pictures'
import { openVisit } from '../visits'
import { dataOfClient } from './data'

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
  const breakOff = (error: Error) => {
    log.error({ error }, 'the file of a client broke off')
    out.destroy(error)
  }
  zip.on('error', breakOff)
  for (const { path, pieces, compress } of await partsOf(member, id, found.deletedAt === null)) {
    const source = Readable.from(pieces, { objectMode: false })
    source.once('error', breakOff)
    zip.addReadStream(source, path, { compress })
  }
  zip.end()
  return { name: `client-${id}.zip`, body: Readable.toWeb(out) as ReadableStream<Uint8Array> }
}

/** One file in the file: nothing of it is made before its turn comes. */
interface Part {
  path: string
  pieces: AsyncIterable<string | Uint8Array>
  compress: boolean
}

async function partsOf(member: StaffMember, clientId: string, present: boolean): Promise<Part[]> {
  const data = { path: 'data.json', pieces: dataOfClient(member.salonId, clientId), compress: true }
  const pictures = await database()
    .select({ id: picture.id, mime: picture.mime })
    .from(picture)
    .where(and(eq(picture.salonId, member.salonId), eq(picture.clientId, clientId), isNull(picture.deletedAt)))
    .orderBy(asc(picture.at), asc(picture.id))
  const taken = pictures.map(({ id, mime }) => ({
    path: `pictures/${id}.${mime.split('/')[1]}`,
    pieces: pictureOf(member, clientId, id),
    compress: false,
  }))
  // Of who was removed nothing is laid out anew; the rows say all of it.
  if (!present) return [data, ...taken]
  const visits = await database()
    .select({ id: visit.id, on: visit.on })
    .from(visit)
    .where(and(eq(visit.salonId, member.salonId), eq(visit.clientId, clientId), isNull(visit.withdrawnAt)))
    .orderBy(asc(visit.on), asc(visit.id))
  const papers = visits.map(({ id, on }) => ({
    path: `visits/${on}-${id}.pdf`,
    pieces: paperOf(member, id),
    compress: false,
  }))
  return [data, ...taken, ...papers]
}

async function* pictureOf(member: StaffMember, clientId: string, id: string): AsyncGenerator<Uint8Array> {
  yield (await readPicture(member, clientId, id, 'full')).data
}

async function* paperOf(member: StaffMember, id: string): AsyncGenerator<Uint8Array> {
  yield await pdfOfVisit(await openVisit(member, id), (text) => readIn(member.units, text))
}
