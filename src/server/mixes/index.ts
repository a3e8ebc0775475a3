/** Bowls while they are weighed: a log of what was poured, and what it takes off the shelf when a bowl is done. */
import { and, asc, desc, eq, inArray, max, sql } from 'drizzle-orm'
import { inBowl } from '@/core/product/bowls'
import type { MixRecord } from '@/core/model'
import { database, inTransaction, mix, mixEvent, staff, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import type { NewMixDto, PourEventsDto } from '@/dto'
import { AppError, notFound } from '../errors'
import { isUuid } from '../http'
import { findPlan } from '../plans'
import { gramsOf, takeOffShelf, tenthsOf } from '../shelf'

/** Bowls of a plan, newest first. */
export async function mixesOf(member: StaffMember, planId: string): Promise<MixRecord[]> {
  await findPlan(member, planId)
  const rows = await database()
    .select({ record: mix, by: staff.name })
    .from(mix)
    .innerJoin(staff, and(eq(staff.salonId, mix.salonId), eq(staff.id, mix.staffId)))
    .where(and(eq(mix.salonId, member.salonId), eq(mix.planId, planId)))
    .orderBy(desc(mix.startedAt), desc(mix.id))
  if (rows.length === 0) return []
  const events = await database()
    .select({ event: mixEvent, by: staff.name })
    .from(mixEvent)
    .innerJoin(staff, and(eq(staff.salonId, mixEvent.salonId), eq(staff.id, mixEvent.staffId)))
    .where(
      and(
        eq(mixEvent.salonId, member.salonId),
        inArray(
          mixEvent.mixId,
          rows.map(({ record }) => record.id),
        ),
      ),
    )
    .orderBy(asc(mixEvent.mixId), asc(mixEvent.seq))
  return rows.map(({ record: { id, formulaId, bowl, planned, state, startedAt }, by }) => ({
    id,
    formulaId,
    bowl,
    planned,
    state,
    by,
    startedAt: startedAt.toISOString(),
    events: events.flatMap(({ event, by: who }) =>
      event.mixId === id
        ? [
            {
              id: event.id,
              kind: event.kind,
              line: event.line,
              grams: gramsOf(event.tenths),
              source: event.source,
              by: who,
              at: event.at.toISOString(),
            },
          ]
        : [],
    ),
  }))
}

/**
 * Begins a bowl. Sent twice it counts once.
 * @throws AppError 422 for a formula or a product that the plan does not have
 */
export async function beginMix(
  member: StaffMember,
  planId: string,
  { id, formulaId, bowl, planned }: NewMixDto,
): Promise<{ id: string }> {
  requirePermission(member, 'mix')
  const found = await findPlan(member, planId)
  if (!found.document.formulas.some((formula) => formula.id === formulaId))
    throw new AppError(422, 'invalid', `This plan has no formula ${formulaId} any more.`, {
      problems: [{ path: 'formulaId', message: 'is not in the plan' }],
    })
  // What is weighed leaves the shelf, so that only what this plan mixes may be named.
  const own = new Set(found.document.products.map((product) => product.id))
  const foreign = planned.findIndex(({ productId }) => productId !== null && !own.has(productId))
  if (foreign >= 0)
    throw new AppError(422, 'invalid', `This plan does not mix ${planned[foreign]!.name} any more. Open it again.`, {
      problems: [{ path: `planned[${foreign}].productId`, message: 'is not in the plan' }],
    })
  await database()
    .insert(mix)
    .values({ salonId: member.salonId, id, planId, formulaId, bowl, planned, staffId: member.id })
    .onConflictDoNothing()
  return { id }
}

/** Adds to a bowl's log and, where asked, ends it. Sent twice it counts once; a bowl that was ended stays as it is. */
export async function logPours(
  member: StaffMember,
  mixId: string,
  { events, end }: PourEventsDto,
): Promise<{ state: MixRecord['state'] }> {
  requirePermission(member, 'mix')
  return inTransaction(async (tx) => {
    const key = and(eq(mix.salonId, member.salonId), eq(mix.id, mixId))
    const [found] = isUuid(mixId) ? await tx.select().from(mix).where(key).for('update') : []
    if (!found) throw notFound('bowl')
    if (found.state !== 'weighing') return { state: found.state }
    if (events.some(({ line }) => line >= found.planned.length))
      throw new AppError(422, 'invalid', 'This bowl has no such line.')
    await addEvents(tx, member, mixId, events)
    if (!end) return { state: found.state }
    if (end === 'done') await takeOffShelf(tx, member, mixId, await usedIn(tx, member, found))
    await tx.update(mix).set({ state: end, endedAt: new Date() }).where(key)
    return { state: end }
  })
}

async function addEvents(
  tx: Transaction,
  member: StaffMember,
  mixId: string,
  events: PourEventsDto['events'],
): Promise<void> {
  if (events.length === 0) return
  const [last] = await tx
    .select({ seq: max(mixEvent.seq) })
    .from(mixEvent)
    .where(and(eq(mixEvent.salonId, member.salonId), eq(mixEvent.mixId, mixId)))
  const known = new Set(
    (
      await tx
        .select({ id: mixEvent.id })
        .from(mixEvent)
        .where(
          and(
            eq(mixEvent.salonId, member.salonId),
            inArray(
              mixEvent.id,
              events.map(({ id }) => id),
            ),
          ),
        )
    ).map(({ id }) => id),
  )
  const fresh = events.filter(({ id }, i) => !known.has(id) && events.findIndex((other) => other.id === id) === i)
  if (fresh.length === 0) return
  await tx.insert(mixEvent).values(
    fresh.map(({ id, kind, line, grams, source }, i) => ({
      salonId: member.salonId,
      mixId,
      seq: (last?.seq ?? 0) + i + 1,
      id,
      kind,
      line,
      tenths: tenthsOf(grams),
      source,
      staffId: member.id,
    })),
  )
}

/** What is in the bowl, tenths of a gram of each product. */
async function usedIn(
  tx: Transaction,
  member: StaffMember,
  { id, planned }: typeof mix.$inferSelect,
): Promise<Map<string, number>> {
  const log = await tx
    .select()
    .from(mixEvent)
    .where(and(eq(mixEvent.salonId, member.salonId), eq(mixEvent.mixId, id)))
    .orderBy(asc(sql`${mixEvent.seq}`))
  const lines = inBowl(
    planned.length,
    log.map(({ kind, line, tenths }) => ({ kind, line, amount: tenths })),
  )
  const used = new Map<string, number>()
  planned.forEach(({ productId }, i) => {
    if (productId) used.set(productId, (used.get(productId) ?? 0) + lines[i]!)
  })
  return used
}
