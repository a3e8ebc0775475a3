import { isDeepStrictEqual } from 'node:util'
import { v7 as newId } from 'uuid'
import { daysBetween, NOT_YET_COME, predictCanvas, startingCanvas } from '@/core/hair/hairRecord'
import { createHead } from '@/core/scalp/head'
import { startingGoal } from '@/core/judgement/feasibility'
import type { Canvas, Consultation, FaltoPlan, HairState } from '@/core/model'
import type { ToldVisit } from '@/core/record/visit'
import type { FoldOptions } from '@/core/time/fold'
import { consultation, inTransaction, visit, type plan, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { computing } from '../computing'
import { latestToday } from '../days'
import type { DoneDto } from '@/dto'
import { invalidAt } from '../errors'
import { addVersion, findPlan, lockPlan } from '../plans'
import { inTurn } from './inTurn'
import { newestConsultation, newestConsultations } from './read'
import { keepHairInShort, lockClient } from './save'

/** A plan that was carried out, as it was then. */
export interface CarriedOut {
  plan: Pick<typeof plan.$inferSelect, 'id' | 'document'>
  clientId: string
  on: string
  /** What came of it otherwise than meant. */
  came?: FoldOptions['came']
  /** Told afterwards; then it may lie before the newest record, which knows the hair better and stays. */
  told?: ToldVisit
  /** The hair after it, where that was worked out before anything was locked. */
  foreseen?: Foreseen | undefined
}

/** What the hair after a visit follows from. */
interface Causes {
  document: FaltoPlan
  on: string
  came: FoldOptions['came'] | undefined
  /** The hair that the visit finds. */
  today: Canvas
  /** It in short, as the record will say. */
  hair: HairState
}

/** A record of the hair as far as the next one follows from it. */
type HairRecord = Pick<Consultation, 'recordedOn' | 'hair' | 'canvas'>

/** The record that a visit will leave. */
export interface Foreseen {
  visitId: string
  causes: Causes
  left: HairRecord
}

/**
 * Records that a plan was carried out: pins its version as a visit, and predicts the hair after it from the newest
 * record.
 * @throws AppError 422 when the day lies in the future or before the newest record
 */
export async function markDone(member: StaffMember, planId: string, { on }: DoneDto): Promise<{ visitId: string }> {
  requirePermission(member, 'write')
  const { clientId, document } = await findPlan(member, planId)
  refuseDayToCome(on)
  return inTurn(clientId, async () => {
    const foreseen = await foresee(member, { document, clientId, on })
    return inTransaction(async (tx) => {
      const plan = await lockPlan(tx, member, planId)
      return { visitId: await recordDone(tx, member, { plan, clientId, on, foreseen }) }
    })
  })
}

/** @throws AppError 422 for a day that has begun nowhere yet */
export function refuseDayToCome(on: string): void {
  if (daysBetween(latestToday(), on) > 0) throw invalidAt('on', NOT_YET_COME)
}

type ToForesee = Pick<CarriedOut, 'clientId' | 'on' | 'came'> & { document: FaltoPlan }

/**
 * Works out the hair after a visit before {@link recordDone} locks anything, as it takes a worker's time. If something
 * of it changes in between, that is noticed there.
 * @param before the record that a visit before it will leave, where that is not kept yet
 * @returns undefined where the visit leaves no record of the hair
 */
export async function foresee(
  member: StaffMember,
  { document, clientId, on, came }: ToForesee,
  before?: HairRecord,
): Promise<Foreseen | undefined> {
  const owner = await findClient(member, clientId)
  const newest = before ?? (await newestConsultation(member, owner.id))
  if (newest && isBefore(on, newest)) return undefined
  return workOut({ document, on, came, ...hairOn(on, newest, owner) }, newId())
}

/** The same for visits that will be kept one after the other. */
export async function foreseeInOrder(
  member: StaffMember,
  visits: readonly ToForesee[],
): Promise<(Foreseen | undefined)[]> {
  const left = new Map<string, HairRecord>()
  const foreseen: (Foreseen | undefined)[] = []
  for (const visit of visits) {
    const one = await foresee(member, visit, left.get(visit.clientId))
    if (one) left.set(visit.clientId, one.left)
    foreseen.push(one)
  }
  return foreseen
}

async function workOut(causes: Causes, visitId: string): Promise<Foreseen> {
  const { document, on, came, today, hair } = causes
  const canvas = await computing.after(document, { canvas: today, visitId, on, came })
  return { visitId, causes, left: { recordedOn: on, hair, canvas } }
}

type Owner = Awaited<ReturnType<typeof findClient>>

const isBefore = (on: string, { recordedOn }: HairRecord): boolean => daysBetween(recordedOn, on) < 0

/** The hair as a visit finds it: as it was recorded last, grown and faded since. */
const hairOn = (on: string, newest: HairRecord | undefined, owner: Owner): Pick<Causes, 'today' | 'hair'> => ({
  today: newest
    ? predictCanvas(newest.canvas, newest.hair, { on })
    : startingCanvas(createHead(owner.head), owner.hair, on),
  hair: { ...(newest?.hair ?? owner.hair), weeksSinceColour: 0 },
})

/** As {@link markDone}, within a transaction that has locked the plan. @returns id of the visit */
export async function recordDone(
  tx: Transaction,
  member: StaffMember,
  { plan, clientId, on, came, told, foreseen }: CarriedOut,
): Promise<string> {
  refuseDayToCome(on)
  const owner = await findClient(member, clientId, tx)
  const visitId = foreseen?.visitId ?? newId()
  await lockClient(tx, member, owner.id)
  const [newest] = await newestConsultations(tx, member, owner.id, 1)
  const isOlder = newest !== undefined && isBefore(on, newest)
  if (isOlder && !told)
    throw invalidAt('on', `The newest record is of ${newest.recordedOn}. Use that day or a later one.`)
  const planVersion = await addVersion(tx, member, plan, `Done on ${on}`)
  await tx.insert(visit).values({
    salonId: member.salonId,
    clientId: owner.id,
    id: visitId,
    planId: plan.id,
    planVersion,
    on,
    staffId: member.id,
    told,
  })
  if (isOlder) return visitId
  const causes: Causes = { document: plan.document, on, came, ...hairOn(on, newest, owner) }
  const isAsForeseen = isDeepStrictEqual(foreseen?.causes, causes)
  const { left } = isAsForeseen ? foreseen! : await workOut(causes, visitId)
  await tx.insert(consultation).values({
    salonId: member.salonId,
    clientId: owner.id,
    number: (newest?.number ?? 0) + 1,
    kind: 'done',
    ...left,
    goal: newest?.goal ?? startingGoal(owner.hair),
    trimmedCm: 0,
    corrections: [],
    staffId: member.id,
  })
  await keepHairInShort(tx, member, owner.id, left)
  return visitId
}
