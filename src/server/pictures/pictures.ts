import { and, desc, eq, isNull } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { COUNTS, type PictureOf, type PictureSummary } from '@/core/model'
import {
  database,
  inTransaction,
  picture,
  pictureBytes,
  staff,
  visit,
  type PICTURE_SIZES,
  type Transaction,
} from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { invalidAt, notFound } from '../errors'
import { isUuid } from '../http'
import { log } from '../log'
import { bytesOf, moveOut } from './away'
import { cleaned, type CleanPictures } from './clean'
import { sha256 } from './sha256'

/** Largest upload, bytes. */
export const LARGEST_PICTURE = 10_000_000

const here = (member: StaffMember, clientId: string) =>
  and(eq(picture.salonId, member.salonId), eq(picture.clientId, clientId))

const summary = {
  id: picture.id,
  name: picture.name,
  of: picture.of,
  widthPx: picture.widthPx,
  heightPx: picture.heightPx,
  bytes: picture.bytes,
  sha256: picture.sha256,
  by: staff.name,
  at: picture.at,
}

async function summaries(member: StaffMember, clientId: string, id?: string): Promise<PictureSummary[]> {
  const rows = await database()
    .select(summary)
    .from(picture)
    .innerJoin(staff, and(eq(staff.salonId, picture.salonId), eq(staff.id, picture.staffId)))
    .where(and(here(member, clientId), isNull(picture.deletedAt), id ? eq(picture.id, id) : undefined))
    .orderBy(desc(picture.at), desc(picture.id))
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }))
}

export async function listPictures(member: StaffMember, clientId: string): Promise<PictureSummary[]> {
  await findClient(member, clientId)
  return summaries(member, clientId)
}

/**
 * Takes a picture in: decoded and written anew, so that nothing but the picture is kept. The same file sent again is
 * the picture that is there.
 * @throws AppError 422 when it is not a JPEG, PNG or WebP picture
 */
export async function takePicture(
  member: StaffMember,
  clientId: string,
  name: string,
  upload: Buffer,
  of?: PictureOf,
): Promise<PictureSummary> {
  requirePermission(member, 'write')
  await findClient(member, clientId)
  if (of) await requireVisit(member, clientId, of)
  const sourceSha256 = sha256(upload)
  const [known] = await database()
    .select({ id: picture.id, deletedAt: picture.deletedAt })
    .from(picture)
    .where(and(here(member, clientId), eq(picture.sourceSha256, sourceSha256)))
    .limit(1)
  if (known) {
    if (of)
      await database()
        .update(picture)
        .set({ of })
        .where(and(here(member, clientId), eq(picture.id, known.id)))
    if (known.deletedAt) await setPictureRemoved(member, clientId, known.id, 'present')
    return (await summaries(member, clientId, known.id))[0]!
  }
  const clean = await cleaned(upload)
  const id = await inTransaction((tx) =>
    keepPicture(tx, { salonId: member.salonId, clientId, staffId: member.id, name, of, sourceSha256 }, clean),
  )
  // Where it lies in the end is nothing to wait for; what does not go now goes within the hour.
  moveOut(member.salonId).catch((error: unknown) => log.warn({ error }, 'could not bring a picture into its store'))
  return (await summaries(member, clientId, id))[0]!
}

/** What is known of a picture beside its bytes. */
type PictureFacts = Pick<
  typeof picture.$inferInsert,
  'salonId' | 'clientId' | 'staffId' | 'name' | 'of' | 'sourceSha256' | 'at'
>

/** Keeps a picture that was cleaned, with its thumbnail. @returns its id */
export async function keepPicture(
  tx: Transaction,
  facts: PictureFacts,
  { full, thumbnail }: CleanPictures,
): Promise<string> {
  const id = newId()
  const { salonId, clientId } = facts
  await tx.insert(picture).values({
    ...facts,
    id,
    name: facts.name.slice(0, COUNTS.nameLength) || 'Picture',
    mime: full.mime,
    widthPx: full.widthPx,
    heightPx: full.heightPx,
    bytes: full.data.byteLength,
    sha256: sha256(full.data),
  })
  await tx.insert(pictureBytes).values([
    { salonId, clientId, pictureId: id, size: 'full', mime: full.mime, data: full.data },
    { salonId, clientId, pictureId: id, size: 'thumbnail', mime: thumbnail.mime, data: thumbnail.data },
  ])
  return id
}

/** @throws AppError 422 where the visit is not one of this client */
async function requireVisit(member: StaffMember, clientId: string, { visitId }: PictureOf): Promise<void> {
  const [found] = await database()
    .select({ id: visit.id })
    .from(visit)
    .where(and(eq(visit.salonId, member.salonId), eq(visit.clientId, clientId), eq(visit.id, visitId)))
  if (!found)
    throw invalidAt('visitId', 'This client has no such visit. Open the visit again and add the picture there.')
}

export async function readPicture(
  member: StaffMember,
  clientId: string,
  id: string,
  size: (typeof PICTURE_SIZES)[number],
): Promise<{ mime: string; data: Buffer; sha256: string }> {
  const [found] =
    isUuid(id) && isUuid(clientId)
      ? await database()
          .select({
            mime: pictureBytes.mime,
            data: pictureBytes.data,
            away: pictureBytes.sha256,
            sha256: picture.sha256,
          })
          .from(pictureBytes)
          .innerJoin(
            picture,
            and(
              eq(picture.salonId, pictureBytes.salonId),
              eq(picture.clientId, pictureBytes.clientId),
              eq(picture.id, pictureBytes.pictureId),
            ),
          )
          .where(
            and(here(member, clientId), eq(picture.id, id), eq(pictureBytes.size, size), isNull(picture.deletedAt)),
          )
      : []
  if (!found) throw notFound('picture')
  const { mime, data, away, sha256: asKept } = found
  const bytes = await bytesOf({ data, sha256: away }, { salonId: member.salonId, pictureId: id, size })
  return { mime, data: bytes, sha256: asKept }
}

export async function setPictureRemoved(
  member: StaffMember,
  clientId: string,
  id: string,
  removed: 'removed' | 'present',
): Promise<object> {
  requirePermission(member, 'write')
  const [changed] =
    isUuid(id) && isUuid(clientId)
      ? await database()
          .update(picture)
          .set({ deletedAt: removed === 'removed' ? new Date() : null })
          .where(and(here(member, clientId), eq(picture.id, id)))
          .returning({ id: picture.id })
      : []
  if (!changed) throw notFound('picture')
  return {}
}
