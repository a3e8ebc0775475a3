import { and, desc, eq, sql } from 'drizzle-orm'
import {
  byId,
  type Caution,
  type FaltoPlan,
  type KeptRunEvent,
  type OpenRun,
  type RunEvent,
  type RunFormula,
} from '@/core/model'
import {
  amendedPlan,
  amendmentsIn,
  foldRun,
  leftOut,
  pastLabels,
  personOf,
  type Amendment,
  type RunScript,
} from '@/core/time/run'
import { helpersFor, withHelp, type Crew } from '@/core/time/schedule'
import { swatchesOf } from '@/core/plan/sheets'
import { database, inTransaction, run, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { keepAcknowledgement, waitingCautions } from '../cautions'
import { findClient } from '../clients'
import { computing } from '../computing'
import { foresee, inTurn, newestConsultation, recordDone } from '../consultations'
import type { MoreDto, NewRunDto, RunEventsDto, RunHairDto } from '@/dto'
import { AppError, notFound } from '../errors'
import { isUuid } from '../http'
import type { Channel } from '../listening'
import { findPlan, lockPlan } from '../plans'
import { addEvents, amendingEvents, eventsAfter } from './log'

/**
 * Begins a visit: pins the plan's clock as it is now. Sent twice it counts once.
 * @throws AppError 422 `unacknowledged` with the cautions that nobody has looked at by name yet
 */
export async function beginRun(
  member: StaffMember,
  planId: string,
  { id, helping, order, foils, celsius, assistantFrom, assistantTo, assistantMay, acknowledged = [] }: NewRunDto,
): Promise<{ id: string }> {
  requirePermission(member, 'mix')
  const found = await findPlan(member, planId)
  const { document, revision, clientId } = found
  const newest = await newestConsultation(member, clientId)
  const script = await computing.script(document, {
    crew: withHelp(helpersFor(helping, { from: assistantFrom, to: assistantTo, may: assistantMay })),
    canvas: newest?.canvas,
    order,
    foils,
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
    // Looked at together, so at one time.
    const at = new Date()
    for (const { caution, reason } of looked) await keepAcknowledgement(tx, member, found, caution, reason, at)
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
    formulas: chairFormulas(document),
    events: await eventsAfter(member, id, 0),
    now: Date.now(),
    demo: member.demo,
    recorded: visitId !== null,
  }
}

/** Formulas of a plan, as far as the chair has to know them. */
export function chairFormulas({ formulas, products }: FaltoPlan): RunFormula[] {
  const swatches = swatchesOf(formulas)
  return formulas.map(({ id, productId, developerVol, level, tone }) => {
    const { name, kind, rules } = byId(products, productId)
    return {
      id,
      product: name,
      kind,
      level,
      tone,
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
  const { planId, ...outcome } = await outcomeOf(member, runId, levels)
  const { clientId } = await findPlan(member, planId)
  return inTurn(clientId, async () => {
    const foreseen = await foresee(member, { ...outcome, clientId, on })
    return inTransaction(async (tx) => {
      const { document, came } = await outcomeOf(member, runId, levels, tx)
      await lockPlan(tx, member, planId)
      const plan = { id: planId, document }
      const visitId = await recordDone(tx, member, { plan, clientId, on, came, foreseen })
      await tx
        .update(run)
        .set({ visitId })
        .where(and(eq(run.salonId, member.salonId), eq(run.id, runId)))
      return { visitId }
    })
  })
}

/**
 * What a visit that is over was in the end, and came to. Within a transaction nobody else changes it meanwhile.
 * @throws AppError 422 while it goes on, 409 once it is in the record
 */
async function outcomeOf(member: StaffMember, runId: string, levels: RunHairDto['levels'], tx?: Transaction) {
  const { planId, script, document, visitId, endedAt } = await findRun(member, runId, tx)
  if (!endedAt) throw new AppError(422, 'invalid', 'This visit is not over yet. End it at the chair first.')
  if (visitId) throw new AppError(409, 'stale', 'This visit is in the record already. Correct the hair there.')
  const events = await eventsAfter(member, runId, 0, tx)
  const amendments = amendmentsIn(events)
  return {
    planId,
    document: amendedPlan(document, amendments),
    came: { levels, leftOut: leftOut(amendments.at(-1)?.script ?? script, foldRun(events)) },
  }
}

/** The first event that names a step the visit does not have, by its place; −1 where there is none. */
async function lostIn(
  tx: Transaction,
  member: StaffMember,
  { id, script }: typeof run.$inferSelect,
  events: readonly RunEvent[],
): Promise<number> {
  const lostAmong = (steps: ReadonlySet<string>) =>
    events.findIndex(
      ({ stepId, steps: rest = [] }) =>
        (stepId !== undefined && !steps.has(stepId)) || rest.some((one) => !steps.has(one.stepId)),
    )
  const namesOf = ({ steps }: RunScript) => steps.map((step) => step.id)
  const pinned = new Set(namesOf(script))
  if (lostAmong(pinned) < 0) return -1
  // Steps of what was added at the chair, also where that was taken back since.
  const scripts = (await amendingEvents(tx, member, id)).map(({ amends }) => (amends as Amendment).script)
  return lostAmong(new Set([...pinned, ...scripts.flatMap(namesOf)]))
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
    if (events.some(({ kind }) => kind === 'amended'))
      throw new AppError(422, 'invalid', 'Something is added to a visit by its own request.')
    const lost = await lostIn(tx, member, locked, events)
    if (lost >= 0)
      throw new AppError(422, 'invalid', 'This visit has no such step.', {
        problems: [{ path: `events[${lost}].stepId`, message: 'is not in the visit' }],
      })
    return addEvents(tx, member, locked, events)
  })
  if (added > 0) await tellOf(member, runId)
  return { events: await eventsAfter(member, runId, after), now: Date.now() }
}

/**
 * Adds a stage to a visit that goes on: its hair is worked out with it, its steps come after what is begun, and the log
 * holds both. Sent twice it counts once.
 * @throws AppError 422 for what cannot be added, 409 where the visit was changed meanwhile
 */
export async function addToRun(
  member: StaffMember,
  runId: string,
  { id, deviceId, ...more }: MoreDto,
): Promise<{ events: KeptRunEvent[]; now: number }> {
  requirePermission(member, 'mix')
  const { planId, script, document, endedAt } = await findRun(member, runId)
  if (endedAt) throw new AppError(422, 'invalid', 'This visit is over. Plan what is to follow as a visit of its own.')
  const log = await eventsAfter(member, runId, 0)
  const amendments = amendmentsIn(log)
  const now = amendments.at(-1)?.script ?? script
  const begun = begunIn(log, now)
  const plan = amendedPlan(document, amendments)
  const { clientId } = await findPlan(member, planId)
  const newest = await newestConsultation(member, clientId)
  const added = await computing.more(plan, more, begun.stages, {
    crew: crewOf(script),
    canvas: newest?.canvas,
    ...script.worked,
  })
  const kept = new Set(added.script.steps.map((step) => step.id))
  if (begun.steps.some((step) => !kept.has(step)))
    throw new AppError(422, 'invalid', 'What is done so far does not fit a visit with that in it. Carry on as planned.')
  const amended = amendedPlan(plan, [added])
  const amends: Amendment = {
    stage: added.stage,
    at: added.at,
    formula: added.formula,
    script: added.script,
    shown: {
      formula: chairFormulas(amended).at(-1)!,
      zones: added.zones.filter(({ stageId }) => stageId === added.stage.id),
    },
  }
  const told = { id, kind: 'amended' as const, amends, deviceId, deviceSeq: 0, deviceTime: Date.now(), offsetMs: 0 }
  await inTransaction(async (tx) => {
    const locked = await findRun(member, runId, tx)
    // What was added meanwhile is not in what was worked out here.
    const since = await eventsAfter(member, runId, log.at(-1)?.runSeq ?? 0, tx)
    if (since.some((event) => event.id !== id && (event.kind === 'amended' || event.kind === 'undone')))
      throw new AppError(409, 'stale', 'Somebody else has just changed this visit. Look at it, then add it again.')
    await addEvents(tx, member, locked, [told])
  })
  await tellOf(member, runId)
  return { events: await eventsAfter(member, runId, log.at(-1)?.runSeq ?? 0), now: Date.now() }
}

/** Steps that are begun, and the stages they are of. */
function begunIn(log: readonly KeptRunEvent[], { steps, zones }: RunScript): { steps: string[]; stages: string[] } {
  const states = foldRun(log).steps
  const begun = steps.filter(({ id }) => (states.get(id)?.status ?? 'waiting') !== 'waiting').map(({ id }) => id)
  const stages = [...new Set(zones.map(({ stageId }) => stageId))]
  return { steps: begun, stages: stages.filter((stage) => begun.some((id) => id.split('/').includes(stage))) }
}

/** Who was there when the visit was pinned. */
const crewOf = ({ people }: RunScript): Crew => withHelp(people.slice(1).map(personOf))

/** Told after the commit: a notice sent inside a transaction makes all commits of the database wait for one another. */
const tellOf = (member: StaffMember, runId: string) =>
  database().execute(sql`select pg_notify(${'falto_run' satisfies Channel}, ${`${member.salonId}/${runId}`})`)
