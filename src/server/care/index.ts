import { and, asc, eq } from 'drizzle-orm'
import { careCautions, CONSENT_TEXT } from '@/core/judgement/care'
import { daysBetween, NOT_YET_COME } from '@/core/hair/hairRecord'
import type { CareRecord, Caution, OpenCare } from '@/core/model'
import { careCheck, consent, database, staff, type client } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { newestConsultation } from '../consultations'
import { latestToday, today } from '../days'
import type { CareCheckDto, ConsentDto } from '@/dto'
import { invalidAt, sentAgain } from '../errors'

/** Care checks and consents: read, and added to. Nothing is ever changed or taken away. */

export async function careRecord(member: StaffMember, clientId: string): Promise<CareRecord> {
  const [checks, consents] = await Promise.all([
    database()
      .select({
        id: careCheck.id,
        kind: careCheck.kind,
        on: careCheck.on,
        result: careCheck.result,
        product: careCheck.product,
        note: careCheck.note,
        expiresOn: careCheck.expiresOn,
        by: staff.name,
      })
      .from(careCheck)
      .innerJoin(staff, and(eq(staff.salonId, careCheck.salonId), eq(staff.id, careCheck.staffId)))
      .where(and(eq(careCheck.salonId, member.salonId), eq(careCheck.clientId, clientId)))
      .orderBy(asc(careCheck.at), asc(careCheck.id)),
    database()
      .select({
        id: consent.id,
        on: consent.on,
        textVersion: consent.textVersion,
        strokes: consent.strokes,
        typedName: consent.typedName,
        by: staff.name,
      })
      .from(consent)
      .innerJoin(staff, and(eq(staff.salonId, consent.salonId), eq(staff.id, consent.staffId)))
      .where(and(eq(consent.salonId, member.salonId), eq(consent.clientId, clientId)))
      .orderBy(asc(consent.at), asc(consent.id)),
  ])
  return {
    checks: checks.map(({ expiresOn, ...check }) => ({ ...check, ...(expiresOn !== null && { expiresOn }) })),
    consents: consents.map(({ typedName, ...rest }) => ({ ...rest, ...(typedName !== null && { typedName }) })),
  }
}

export async function openCare(member: StaffMember, clientId: string): Promise<OpenCare> {
  const owner = await findClient(member, clientId)
  return {
    client: { id: owner.id, name: owner.name },
    today: today(member),
    hair: owner.hair,
    ...(await careRecord(member, clientId)),
  }
}

/** What a client's record asks to be looked at today. Counts for every plan of the client. */
export async function careCautionsOf(
  member: StaffMember,
  { id, hair }: Pick<typeof client.$inferSelect, 'id' | 'hair'>,
): Promise<Caution[]> {
  const [record, newest] = await Promise.all([careRecord(member, id), newestConsultation(member, id)])
  return careCautions({ record, hair: newest?.hair ?? hair, canvas: newest?.canvas, on: today(member) })
}

export async function addCareCheck(member: StaffMember, clientId: string, entry: CareCheckDto): Promise<object> {
  requirePermission(member, 'acknowledge')
  await findClient(member, clientId)
  refuseFuture(entry.on)
  if (entry.expiresOn && daysBetween(entry.on, entry.expiresOn) < 0)
    throw invalidAt('expiresOn', 'It cannot run out before it was made.')
  const { id, kind, on, result, product, note, expiresOn } = entry
  const row = { clientId, kind, on, result, product, note, expiresOn: expiresOn ?? null }
  const added = await database()
    .insert(careCheck)
    .values({ salonId: member.salonId, id, ...row, staffId: member.id })
    .onConflictDoNothing()
    .returning({ id: careCheck.id })
  if (added.length > 0) return {}
  const [kept] = await database()
    .select()
    .from(careCheck)
    .where(and(eq(careCheck.salonId, member.salonId), eq(careCheck.id, id)))
  return sentAgain(row, kept)
}

export async function addConsent(member: StaffMember, clientId: string, entry: ConsentDto): Promise<object> {
  requirePermission(member, 'acknowledge')
  await findClient(member, clientId)
  refuseFuture(entry.on)
  if (entry.textVersion !== CONSENT_TEXT.version)
    throw invalidAt(
      'textVersion',
      'The text has changed meanwhile. Load the page again and let the client read the new one.',
    )
  const { id, on, textVersion, strokes, typedName = null } = entry
  const row = { clientId, on, textVersion, strokes: typedName === null ? strokes : [], typedName }
  const added = await database()
    .insert(consent)
    .values({ salonId: member.salonId, id, ...row, staffId: member.id })
    .onConflictDoNothing()
    .returning({ id: consent.id })
  if (added.length > 0) return {}
  const [kept] = await database()
    .select()
    .from(consent)
    .where(and(eq(consent.salonId, member.salonId), eq(consent.id, id)))
  return sentAgain(row, kept)
}

function refuseFuture(on: string): void {
  if (daysBetween(latestToday(), on) > 0) throw invalidAt('on', NOT_YET_COME)
}
