import { and, desc, eq, sql } from 'drizzle-orm'
import { byId, type Caution, type FaltoPlan, type KeptRunEvent, type OpenRun, type RunFormula } from '@/core/model'
import { foldRun, leftOut, pastLabels, type RunScript } from '@/core/time/run'
import { helpersFor, withHelp } from '@/core/time/schedule'
import { swatchesOf } from '@/core/plan/sheets'
import { database, inTransaction, run, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { keepAcknowledgement, waitingCautions } from '../cautions'
import { findClient } from '../clients'
import { computing } from '../computing'
import { newestConsultation, recordDone } from '../consultations'
import type { NewRunDto, RunEventsDto, RunHairDto } from '@/dto'
import { AppError, notFound } from '../errors'
import { isUuid } from '../http'
import { findPlan, lockPlan } from '../plans'
import { RUN_CHANNEL } from './channel'
import { addEvents, eventsAfter } from './log'

/**
 * Begins a visit: pins the plan's clock as it is now. Sent twice it counts once.
 * @throws AppError 422 `unacknowledged` with the cautions that nobody has looked at by name yet
 */
export async function beginRun(
  member: StaffMember,
  planId: string,
  { id, helping, order, celsius, assistantFrom, assistantTo, acknowledged = [] }: NewRunDto,
): Promise<{ id: string }> {
  requirePermission(member, 'mix')
  const found = await findPlan(member, planId)
  const { document, revision, clientId } = found
  const newest = await newestConsultation(member, clientId)
  const script = await computing.script(document, {
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
  const past = pastLabels(script, document)
  if (past.length > 0) requirePermission(member, 'acknowledge')
  const waiting = [...past, ...(await waitingCautions(member, found))]
  const looked = waiting.flatMap((caution) => {
    const told = acknowledged.find(({ cautionId }) => cautionId === caution.id)
    return told ? [{ caution, reason: told.reason }] : []
  })
  const unexplained = looked.some(({ caution, reason }) => past.includes(caution) && reason.trim() === '')
  if (looked.length < waiting.length || unexplained) throw unacknowledged(waiting, past)
  await inTransaction(async (tx) => {
    for (const { caution, reason } of looked) await keepAcknowledgement(tx, member, found, caution, reason)
    await tx
      .insert(run)
      .values({ salonId: member.salonId, id, planId, planRevision: revision, script, document, staffId: member.id })
      .onConflictDoNothing()
  })
  return { id }
}

/** @param past those that only go ahead with a reason */
const unacknowledged = (cautions: readonly Caution[], past: readonly Caution[]): AppError =>
  new AppError(
    422,
    'unacknowledged',
    'Before this visit begins, somebody has to have looked at its cautions by name.',
    {
      cautions: cautions.map((one) => ({
        id: one.id,
        text: one.text,
        remedy: one.remedy,
        needsReason: past.includes(one),
      })),
    },
  )

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
  return {
    id,
    planId,
    planName: document.name,
    client: { id: clientId, name },
    script,
    map: await computing.outlines(document),
    formulas: formulasOf(document),
    events: await eventsAfter(member, id, 0),
    now: Date.now(),
    demo: member.demo,
    recorded: visitId !== null,
  }
}

function formulasOf({ formulas, products }: FaltoPlan): RunFormula[] {
  const swatches = swatchesOf(formulas)
  return formulas.map(({ id, productId, developerVol }) => {
    const { name, rules } = byId(products, productId)
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
  requirePermission(member, 'write')
  return inTransaction(async (tx) => {
    const { planId, script, document, visitId: known, endedAt } = await findRun(member, runId, tx)
    if (!endedAt) throw new AppError(422, 'invalid', 'This visit is not over yet. End it at the chair first.')
    if (known) throw new AppError(409, 'stale', 'This visit is in the record already. Correct the hair there.')
    const { clientId } = await lockPlan(tx, member, planId)
    const state = foldRun(await eventsAfter(member, runId, 0, tx))
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

/**
 * Adds to the log. One sent twice counts once, and so does what two devices told of the same step, as long as it was
 * not taken back. Answers with everything after `after` and the server's clock.
 */
export async function logEvents(
  member: StaffMember,
  runId: string,
  { events, after }: RunEventsDto,
): Promise<{ events: KeptRunEvent[]; now: number }> {
  requirePermission(member, 'mix')
  const added = await inTransaction(async (tx) => {
    const locked = await findRun(member, runId, tx)
    if (!member.demo && events.some(({ kind }) => kind === 'pace'))
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
    return addEvents(tx, member, runId, events)
  })
  // Told after the commit: a notice sent inside a transaction makes all commits of the database wait for one another.
  if (added > 0) await database().execute(sql`select pg_notify(${RUN_CHANNEL}, ${`${member.salonId}/${runId}`})`)
  return { events: await eventsAfter(member, runId, after), now: Date.now() }
}
