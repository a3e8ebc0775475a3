import { and, asc, eq, gt, inArray, isNull, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { dayAfter } from '@/core/hair/hairRecord'
import { COUNTS, type ShelfItem, type StockLot } from '@/core/model'
import { booking, database, inTransaction, plan, product, stockLot, stockMove, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { computing, oncePerState } from '../computing'
import { today } from '../days'
import type { CountDto, DeliveryDto } from '@/dto'
import { notFound, sentAgain } from '../errors'
import { isUuid } from '../http'
import { byName } from './catalogue'

/** Stock is kept in whole tenths of a gram. */
export const tenthsOf = (grams: number): number => Math.round(grams * 10)
export const gramsOf = (tenths: number): number => tenths / 10

/** Everything on the shelf, with what booked plans ask for. */
export async function shelfOf(member: StaffMember): Promise<ShelfItem[]> {
  const [rows, lots, needs] = await Promise.all([
    database()
      .select()
      .from(product)
      .where(and(eq(product.salonId, member.salonId), isNull(product.deletedAt)))
      .limit(COUNTS.catalogue),
    database()
      .select()
      .from(stockLot)
      .where(and(eq(stockLot.salonId, member.salonId), gt(stockLot.tenths, 0)))
      .orderBy(...firstToExpire),
    needsOf(member),
  ])
  const byProduct = new Map<string, StockLot[]>()
  for (const { id, productId, lot, expiresOn, tenths } of lots) {
    const own = byProduct.get(productId)
    const one = { id, lot, expiresOn, grams: gramsOf(tenths) }
    if (own) own.push(one)
    else byProduct.set(productId, [one])
  }
  return rows
    .sort((one, other) => byName(one.item, other.item))
    .map(({ id, item, revision }) => {
      const own = byProduct.get(id) ?? []
      return {
        item,
        revision,
        lots: own,
        grams: gramsOf(own.reduce((sum, { grams }) => sum + tenthsOf(grams), 0)),
        todayG: gramsOf(tenthsOf(needs.today.get(id) ?? 0)),
        weekG: gramsOf(tenthsOf(needs.week.get(id) ?? 0)),
      }
    })
}

const firstToExpire = [sql`${stockLot.expiresOn} asc nulls last`, asc(stockLot.createdAt), asc(stockLot.id)]
const DAYS_OF_A_WEEK = 7

/** What the plans booked from today on ask for, g of each product. */
async function needsOf(member: StaffMember): Promise<{ today: Map<string, number>; week: Map<string, number> }> {
  const from = today(member)
  const until = dayAfter(from, DAYS_OF_A_WEEK)
  const booked = await database()
    .select({ on: booking.on, planId: plan.id, revision: plan.revision, document: plan.document })
    .from(booking)
    .innerJoin(plan, and(eq(plan.salonId, booking.salonId), eq(plan.id, booking.planId), isNull(plan.deletedAt)))
    .where(and(eq(booking.salonId, member.salonId), sql`${booking.on} >= ${from}`, sql`${booking.on} < ${until}`))
  const needs = { today: new Map<string, number>(), week: new Map<string, number>() }
  const wanted = await Promise.all(booked.map(needsOfPlan))
  booked.forEach(({ on }, i) => {
    for (const [productId, grams] of wanted[i]!)
      for (const map of on === from ? [needs.today, needs.week] : [needs.week])
        map.set(productId, (map.get(productId) ?? 0) + grams)
  })
  return needs
}

/** What one plan asks for. */
const needsOfPlan = oncePerState(computing.needs)

/**
 * Takes a delivery in; more of a lot that is there adds to it. One that is sent twice counts once.
 * @throws AppError 404, 409
 */
export async function receive(
  member: StaffMember,
  { id = newId(), productId, grams, lot, expiresOn }: DeliveryDto,
): Promise<object> {
  requirePermission(member, 'stock')
  const { salonId } = member
  const tenths = tenthsOf(grams)
  return inTransaction(async (tx) => {
    const [found] = await tx
      .select({ id: product.id })
      .from(product)
      .where(and(eq(product.salonId, salonId), eq(product.id, productId), isNull(product.deletedAt)))
    if (!found) throw notFound('product')
    const [{ id: lotId } = { id: '' }] = await tx
      .insert(stockLot)
      .values({ salonId, id: newId(), productId, lot, expiresOn: expiresOn ?? null, tenths: 0 })
      .onConflictDoUpdate({
        target: [stockLot.salonId, stockLot.productId, stockLot.lot],
        set: { expiresOn: sql`coalesce(excluded.expires_on, ${stockLot.expiresOn})` },
      })
      .returning({ id: stockLot.id })
    const move = { productId, lotId, tenths, reason: 'received' as const }
    const added = await tx
      .insert(stockMove)
      .values({ salonId, id, ...move, staffId: member.id })
      .onConflictDoNothing()
      .returning({ id: stockMove.id })
    if (added.length === 0) {
      const key = and(eq(stockMove.salonId, salonId), eq(stockMove.id, id))
      const [kept] = await tx.select().from(stockMove).where(key)
      return sentAgain(move, kept)
    }
    await tx
      .update(stockLot)
      .set({ tenths: sql`${stockLot.tenths} + ${tenths}` })
      .where(and(eq(stockLot.salonId, salonId), eq(stockLot.id, lotId)))
    return {}
  })
}

/** Sets a lot to what was counted on the shelf. */
export async function countLot(member: StaffMember, { lotId, grams }: CountDto): Promise<object> {
  requirePermission(member, 'stock')
  await inTransaction(async (tx) => {
    const key = and(eq(stockLot.salonId, member.salonId), eq(stockLot.id, lotId))
    const [found] = isUuid(lotId) ? await tx.select().from(stockLot).where(key).for('update') : []
    if (!found) throw notFound('lot')
    const tenths = tenthsOf(grams)
    await tx.update(stockLot).set({ tenths }).where(key)
    await tx.insert(stockMove).values({
      salonId: member.salonId,
      id: newId(),
      productId: found.productId,
      lotId,
      tenths: tenths - found.tenths,
      reason: 'counted',
      staffId: member.id,
    })
  })
  return {}
}

/**
 * Takes what a bowl used off the shelf, first to expire first. The product's row is locked first, so that two bowls of
 * one product take their turns and two of several products cannot wait for each other. What the shelf was not thought
 * to hold is noted without a lot.
 */
export async function takeOffShelf(
  tx: Transaction,
  member: StaffMember,
  mixId: string,
  used: ReadonlyMap<string, number>,
): Promise<void> {
  for (const productId of [...used.keys()].sort()) {
    let wanted = used.get(productId)!
    const [known] = await tx
      .select({ id: product.id })
      .from(product)
      .where(and(eq(product.salonId, member.salonId), eq(product.id, productId)))
      .for('update')
    if (!known || wanted <= 0) continue
    const lots = await tx
      .select()
      .from(stockLot)
      .where(and(eq(stockLot.salonId, member.salonId), eq(stockLot.productId, productId), gt(stockLot.tenths, 0)))
      .orderBy(...firstToExpire)
      .for('update')
    const move = (lotId: string | null, tenths: number) =>
      tx.insert(stockMove).values({
        salonId: member.salonId,
        id: newId(),
        productId,
        lotId,
        tenths: -tenths,
        reason: 'mixed',
        mixId,
        staffId: member.id,
      })
    for (const { id, tenths } of lots) {
      const taken = Math.min(tenths, wanted)
      if (taken === 0) break
      await tx
        .update(stockLot)
        .set({ tenths: tenths - taken })
        .where(and(eq(stockLot.salonId, member.salonId), eq(stockLot.id, id)))
      await move(id, taken)
      wanted -= taken
    }
    if (wanted > 0) await move(null, wanted)
  }
}

/**
 * Puts back what bowls took off the shelf, into the lots that it came from, or takes it again. Lots are locked in one
 * order, so that two of these cannot wait for each other.
 */
export async function returnToShelf(
  tx: Transaction,
  member: StaffMember,
  mixIds: readonly string[],
  how: 'back' | 'again',
): Promise<void> {
  if (mixIds.length === 0) return
  const taken = await tx
    .select({
      mixId: stockMove.mixId,
      productId: stockMove.productId,
      lotId: stockMove.lotId,
      tenths: sql<number>`sum(${stockMove.tenths})::int`,
    })
    .from(stockMove)
    .where(
      and(eq(stockMove.salonId, member.salonId), inArray(stockMove.mixId, [...mixIds]), eq(stockMove.reason, 'mixed')),
    )
    .groupBy(stockMove.mixId, stockMove.productId, stockMove.lotId)
    .orderBy(stockMove.productId, stockMove.lotId)
  for (const { mixId, productId, lotId, tenths } of taken) {
    const back = how === 'back' ? -tenths : tenths
    if (lotId)
      await tx
        .update(stockLot)
        .set({ tenths: sql`${stockLot.tenths} + ${back}` })
        .where(and(eq(stockLot.salonId, member.salonId), eq(stockLot.id, lotId)))
    await tx.insert(stockMove).values({
      ...{ salonId: member.salonId, id: newId(), productId, lotId, mixId, staffId: member.id },
      tenths: back,
      reason: 'returned',
    })
  }
}
