import { and, asc, desc, eq, gt, sql } from 'drizzle-orm'
import { sameness, type FaltoPlan, type KeptRunEvent, type OpenRun, type RunEvent, type RunFormula } from '@/core/model'
import { computeStages } from '@/core/pipeline'
import { foldRun, leftOut, scriptFor, type RunScript } from '@/core/run'
import { helpersFor, withHelp } from '@/core/schedule'
import { mapDrawing, swatchesOf } from '@/core/sheet'
import { database, run, runEvent, staff, type Transaction } from '@/db'
import { isDemo, require, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { newestConsultation, recordDone } from '../consultations'
import type { NewRunDto, RunEventsDto, RunHairDto } from '../dto'
import { AppError, notFound } from '../errors'
import { isUuid } from '../http'
import { findPlan } from '../plans'
import { RUN_CHANNEL } from './channel'

/** Begins a visit: pins the plan's clock as it is now. Sent twice it counts once. */
export async function beginRun(
  member: StaffMember,
  planId: string,
  { id, helping, order, celsius, assistantFrom, assistantTo }: NewRunDto,
): Promise<{ id: string }> {
  require(member, 'mix')
  const { document, revision, clientId } = await findPlan(member, planId)
  const newest = await newestConsultation(member, clientId)
  const script = scriptFor(document, computeStages(document), {
    crew: withHelp(helpersFor(helping, { from: assistantFrom, to: assistantTo })),
    canvas: newest?.canvas,
    order,
    roomCelsius: celsius,
  })
  if (script.zones.length === 0)
    throw new AppError(
      422,
      'invalid',
      'Nothing is placed in this plan yet, so there is nothing to carry out. Lay foils on the Map page first.',
    )
  await database()
    .insert(run)
    .values({ salonId: member.salonId, id, planId, planRevision: revision, script, document, staffId: member.id })
    .onConflictDoNothing()
  return { id }
}

/** Visits of a plan, newest first. */
export async function runsOf(
  member: StaffMember,
  planId: string,
): Promise<{ id: string; startedAt: string; ended: boolean }[]> {
  await findPlan(member, planId)
  const rows = await database()
    .select({ id: run.id, startedAt: run.startedAt, endedAt: run.endedAt })
    .from(run)
    .where(and(eq(run.salonId, member.salonId), eq(run.planId, planId)))
    .orderBy(desc(run.startedAt), desc(run.id))
  return rows.map(({ id, startedAt, endedAt }) => ({ id, startedAt: startedAt.toISOString(), ended: endedAt !== null }))
}

/** A run; within a transaction it is locked until that ends. @throws AppError 404 */
export async function findRun(member: StaffMember, id: string, tx?: Transaction): Promise<typeof run.$inferSelect> {
  const query = (tx ?? database())
    .select()
    .from(run)
    .where(and(eq(run.salonId, member.salonId), eq(run.id, id)))
  const [found] = isUuid(id) ? await (tx ? query.for('update') : query) : []
  if (!found) throw notFound('visit')
  return found
}

export async function openRun(member: StaffMember, id: string): Promise<OpenRun<RunScript>> {
  const { planId, script, document, visitId } = await findRun(member, id)
  const { clientId } = await findPlan(member, planId)
  const { name } = await findClient(member, clientId)
  const { hairline, extent, zones } = mapDrawing(document, computeStages(document), 'strips')
  return {
    id,
    planId,
    planName: document.name,
    client: { id: clientId, name },
    script,
    map: {
      hairline,
      extent,
      zones: zones.map(({ id: zoneId, stageId, outline, label }) => ({ zoneId, stageId, outline, label })),
    },
    formulas: formulasOf(document),
    events: await eventsAfter(member, id, 0),
    now: Date.now(),
    demo: isDemo(),
    recorded: visitId !== null,
  }
}

function formulasOf({ formulas, products }: FaltoPlan): RunFormula[] {
  const swatches = swatchesOf(formulas)
  return formulas.map(({ id, productId, developerVol }) => {
    const { name, rules } = products.find((product) => product.id === productId)!
    return {
      id,
      product: name,
      workingLifeMinutes: rules?.workingLifeMinutes ?? null,
      developerVol,
      swatch: swatches[id]!,
    }
  })
}

/**
 * Puts what the hair came to at a visit, as the eye confirmed it, into the client's record. Once a visit.
 * @throws AppError 409 the second time
 */
export async function recordHair(
  member: StaffMember,
  runId: string,
  { on, levels }: RunHairDto,
): Promise<{ visitId: string }> {
  require(member, 'write')
  return database().transaction(async (tx) => {
    const { planId, script, document, visitId: known, endedAt } = await findRun(member, runId, tx)
    if (!endedAt) throw new AppError(422, 'invalid', 'This visit is not over yet. End it at the chair first.')
    if (known) throw new AppError(409, 'stale', 'This visit is in the record already. Correct the hair there.')
    const { clientId } = await findPlan(member, planId)
    const state = foldRun(await eventsAfter(member, runId, 0))
    const visitId = await recordDone(tx, member, {
      plan: { id: planId, document },
      clientId,
      on,
      came: { levels, leftOut: leftOut(script, state) },
    })
    await tx
      .update(run)
      .set({ visitId })
      .where(and(eq(run.salonId, member.salonId), eq(run.id, runId)))
    return { visitId }
  })
}

/** The log from a place on, in its order. */
export async function eventsAfter(member: StaffMember, runId: string, after: number): Promise<KeptRunEvent[]> {
  const rows = await database()
    .select({ seq: runEvent.seq, event: runEvent.event, by: staff.name })
    .from(runEvent)
    .innerJoin(staff, and(eq(staff.salonId, runEvent.salonId), eq(staff.id, runEvent.staffId)))
    .where(and(eq(runEvent.salonId, member.salonId), eq(runEvent.runId, runId), gt(runEvent.seq, after)))
    .orderBy(asc(runEvent.seq))
  return rows.map(({ seq, event, by }) => ({ ...event, runSeq: seq, by }))
}

/**
 * Adds to the log. One sent twice counts once, and so does what two devices told of the same step, as long as it was
 * not taken back. Answers with everything after `after` and the server's clock.
 */
export async function logEvents(
  member: StaffMember,
  runId: string,
  { events, after }: RunEventsDto,
): Promise<{ events: KeptRunEvent[]; now: number }> {
  require(member, 'mix')
  await database().transaction(async (tx) => {
    const locked = await findRun(member, runId, tx)
    if (!isDemo() && events.some(({ kind }) => kind === 'pace'))
      throw new AppError(403, 'forbidden', 'Only the demo’s clock can run faster.')
    const steps = new Set(locked.script.steps.map(({ id }) => id))
    const lost = events.findIndex(
      ({ stepId, steps: rest = [] }) =>
        (stepId !== undefined && !steps.has(stepId)) || rest.some((one) => !steps.has(one.stepId)),
    )
    if (lost >= 0)
      throw new AppError(422, 'invalid', 'This visit has no such step.', {
        problems: [{ path: `events[${lost}].stepId`, message: 'is not in the visit' }],
      })
    await addEvents(tx, member, runId, events)
  })
  return { events: await eventsAfter(member, runId, after), now: Date.now() }
}

async function addEvents(
  tx: Transaction,
  member: StaffMember,
  runId: string,
  events: readonly RunEvent[],
): Promise<void> {
  const log = await tx
    .select({ seq: runEvent.seq, event: runEvent.event })
    .from(runEvent)
    .where(and(eq(runEvent.salonId, member.salonId), eq(runEvent.runId, runId)))
    .orderBy(asc(runEvent.seq))
  const known = log.map(({ event }) => event)
  const undone = new Set(known.flatMap(({ kind, undoes }) => (kind === 'undone' && undoes ? [undoes] : [])))
  const fresh: RunEvent[] = []
  for (const event of events) {
    const same = sameness(event)
    const twice = known.some(
      (other) => other.id === event.id || (same !== undefined && sameness(other) === same && !undone.has(other.id)),
    )
    // What was never kept, because another device told the same, cannot be taken back.
    if (twice || (event.kind === 'undone' && !known.some(({ id }) => id === event.undoes))) continue
    known.push(event)
    fresh.push(event)
    if (event.kind === 'undone' && event.undoes) undone.add(event.undoes)
  }
  if (fresh.length === 0) return
  const last = log.at(-1)?.seq ?? 0
  await tx.insert(runEvent).values(
    fresh.map((event, i) => ({
      salonId: member.salonId,
      runId,
      seq: last + i + 1,
      id: event.id,
      kind: event.kind,
      event: { ...event },
      staffId: member.id,
    })),
  )
  const ends = fresh.find(({ kind }) => kind === 'ended')
  if (ends)
    await tx
      .update(run)
      .set({ endedAt: new Date(ends.deviceTime + ends.offsetMs) })
      .where(and(eq(run.salonId, member.salonId), eq(run.id, runId)))
  await tx.execute(sql`select pg_notify(${RUN_CHANNEL}, ${`${member.salonId}/${runId}`})`)
}
