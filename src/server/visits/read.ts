import { and, desc, eq, gt, inArray, isNull, lt, or, sql } from 'drizzle-orm'
import type { OpenVisit, Review } from '@/core/record/visit'
import { consultation, database, mix, product, staff, stockLot, stockMove, visit, visitReview } from '@/db'
import { careRecord } from '../care'
import type { StaffMember } from '../auth'
import { findClient } from '../clients'
import { listPictures } from '../pictures'
import { acknowledgementsOf } from '../plans'
import { gramsOf } from '../shelf'
import { factsOf, findVisit, type VisitRow } from './facts'
import { summaryOf } from './summary'

export async function openVisit(member: StaffMember, id: string): Promise<OpenVisit> {
  const found = await factsOf(member, await findVisit(member, id))
  const { row, facts, runId } = found
  const [client, summary, care, pictures, reviews, hair, lots, acknowledged, earlier, later] = await Promise.all([
    findClient(member, row.clientId),
    summaryOf(member, found),
    careRecord(member, row.clientId),
    listPictures(member, row.clientId),
    reviewsOf(member, id),
    hairAfter(member, row),
    lotsOf(member, row, new Set(facts.bowls.map((bowl) => bowl.id))),
    acknowledgementsOf(member, row.planId),
    neighbour(member, row, 'earlier'),
    neighbour(member, row, 'later'),
  ])
  const people = await database()
    .select({ id: staff.id, name: staff.name })
    .from(staff)
    .where(and(eq(staff.salonId, member.salonId), inArray(staff.id, [row.staffId, row.withdrawnBy ?? row.staffId])))
  const nameOf = (who: string) => people.find((one) => one.id === who)!.name
  return {
    id,
    on: row.on,
    by: nameOf(row.staffId),
    client: { id: client.id, name: client.name },
    planId: row.planId,
    runId,
    document: facts.document,
    summary,
    wasTold: row.told !== null,
    withdrawn: row.withdrawnAt && { at: row.withdrawnAt.toISOString(), by: nameOf(row.withdrawnBy!) },
    bowls: [...facts.bowls],
    lots,
    hair,
    checks: care.checks.filter(({ on }) => on <= row.on),
    consents: care.consents
      .filter(({ on }) => on <= row.on)
      .map(({ id: consentId, on, by: signedBefore, textVersion }) => ({
        id: consentId,
        on,
        by: signedBefore,
        textVersion,
      })),
    acknowledged: acknowledged.filter(({ at }) => at.slice(0, 10) <= row.on),
    // Its own, and what was taken on the very day without saying what of.
    pictures: pictures.filter(({ of, at }) => (of ? of.visitId === id : at.slice(0, 10) === row.on)),
    reviews,
    earlier,
    later,
  }
}

/** One's own review, and those that others share. */
async function reviewsOf(member: StaffMember, visitId: string): Promise<Review[]> {
  const rows = await database()
    .select({ review: visitReview, by: staff.name })
    .from(visitReview)
    .innerJoin(staff, and(eq(staff.salonId, visitReview.salonId), eq(staff.id, visitReview.staffId)))
    .where(
      and(
        eq(visitReview.salonId, member.salonId),
        eq(visitReview.visitId, visitId),
        or(eq(visitReview.staffId, member.id), eq(visitReview.shared, true)),
      ),
    )
    .orderBy(desc(visitReview.at))
  return rows.map(({ review: { worked, change, why, shared, at, staffId }, by }) => ({
    ...{ by, worked, change, why, shared },
    own: staffId === member.id,
    at: at.toISOString(),
  }))
}

async function hairAfter(member: StaffMember, { clientId, on }: VisitRow): Promise<OpenVisit['hair']> {
  const [found] = await database()
    .select({ hair: consultation.hair })
    .from(consultation)
    .where(
      and(
        eq(consultation.salonId, member.salonId),
        eq(consultation.clientId, clientId),
        eq(consultation.recordedOn, on),
        eq(consultation.kind, 'done'),
      ),
    )
    .orderBy(desc(consultation.number))
    .limit(1)
  return found?.hair ?? null
}

/** What its bowls took off the shelf. */
async function lotsOf(
  member: StaffMember,
  { planId }: VisitRow,
  mixes: ReadonlySet<string>,
): Promise<OpenVisit['lots']> {
  if (mixes.size === 0) return []
  const rows = await database()
    .select({
      mixId: stockMove.mixId,
      name: sql<string>`${product.item}->>'name'`,
      lot: stockLot.lot,
      tenths: stockMove.tenths,
    })
    .from(stockMove)
    .innerJoin(mix, and(eq(mix.salonId, stockMove.salonId), eq(mix.id, stockMove.mixId)))
    .innerJoin(product, and(eq(product.salonId, stockMove.salonId), eq(product.id, stockMove.productId)))
    .leftJoin(stockLot, and(eq(stockLot.salonId, stockMove.salonId), eq(stockLot.id, stockMove.lotId)))
    .where(and(eq(stockMove.salonId, member.salonId), eq(mix.planId, planId)))
  const sums = new Map<string, OpenVisit['lots'][number] & { tenths: number }>()
  for (const { mixId, name, lot, tenths } of rows) {
    if (!mixId || !mixes.has(mixId)) continue
    const key = `${name} ${lot ?? ''}`
    const known = sums.get(key) ?? { product: name, lot, grams: 0, tenths: 0 }
    sums.set(key, { ...known, tenths: known.tenths - tenths })
  }
  return [...sums.values()]
    .map(({ product: name, lot, tenths }) => ({ product: name, lot, grams: gramsOf(tenths) }))
    .sort((one, other) => other.grams - one.grams)
}

async function neighbour(
  member: StaffMember,
  { clientId, on, id, createdAt }: VisitRow,
  which: 'earlier' | 'later',
): Promise<string | null> {
  const beyond = which === 'earlier' ? lt : gt
  const [found] = await database()
    .select({ id: visit.id })
    .from(visit)
    .where(
      and(
        eq(visit.salonId, member.salonId),
        eq(visit.clientId, clientId),
        isNull(visit.withdrawnAt),
        or(beyond(visit.on, on), and(eq(visit.on, on), beyond(visit.createdAt, createdAt))),
        sql`${visit.id} <> ${id}`,
      ),
    )
    .orderBy(which === 'earlier' ? desc(visit.on) : visit.on)
    .limit(1)
  return found?.id ?? null
}
