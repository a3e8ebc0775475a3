import { and, asc, eq, gt, inArray, max, or } from 'drizzle-orm'
import { sameness, type KeptRunEvent, type RunEvent } from '@/core/model'
import { database, run, runEvent, runEventTold, staff, type Reader, type Transaction } from '@/db'
import type { StaffMember } from '../auth'
import { unfold } from '../folding'

const ofRun = (member: StaffMember, runId: string) =>
  and(eq(runEventTold.salonId, member.salonId), eq(runEventTold.runId, runId))

/** The log from a place on, in its order. */
export async function eventsAfter(
  member: StaffMember,
  runId: string,
  after: number,
  reader: Reader = database(),
): Promise<KeptRunEvent[]> {
  const rows = await reader
    .select({ seq: runEventTold.seq, event: runEventTold.event, by: staff.name })
    .from(runEventTold)
    .innerJoin(staff, and(eq(staff.salonId, runEventTold.salonId), eq(staff.id, runEventTold.staffId)))
    .where(and(ofRun(member, runId), gt(runEventTold.seq, after)))
    .orderBy(asc(runEventTold.seq))
  return rows.map(({ seq, event, by }) => ({ ...event, runSeq: seq, by }))
}

/** The place of a run's newest event; 0 where there is none. */
export async function lastPlace(member: StaffMember, runId: string): Promise<number> {
  const [found] = await database()
    .select({ last: max(runEventTold.seq) })
    .from(runEventTold)
    .where(ofRun(member, runId))
  return found?.last ?? 0
}

/** What was added to a visit, also where it was taken back since; nothing else of its log is read. */
export async function amendingEvents(tx: Transaction, member: StaffMember, runId: string): Promise<RunEvent[]> {
  const rows = await tx
    .select({ event: runEventTold.event })
    .from(runEventTold)
    .where(and(ofRun(member, runId), eq(runEventTold.kind, 'amended')))
  return rows.map(({ event }) => event)
}

/** What the log holds already of that which somebody sends; the rest of it is not read. */
interface Known {
  ids: Set<string>
  undone: Set<string>
  /** Who told a thing last that counts once, and how often it was told. */
  told: Map<string, { id: string; turns: number }>
}

async function knownOf(
  tx: Transaction,
  member: StaffMember,
  runId: string,
  events: readonly RunEvent[],
): Promise<Known> {
  const ids = events.flatMap(({ id, undoes }) => (undoes ? [id, undoes] : [id]))
  const alike = events.flatMap((event) => sameness(event) ?? [])
  const found = await tx
    .select({ id: runEventTold.id, same: runEventTold.same })
    .from(runEventTold)
    .where(and(ofRun(member, runId), or(inArray(runEventTold.id, ids), inArray(runEventTold.same, alike))))
    .orderBy(asc(runEventTold.seq))
  const takenBack =
    found.length === 0
      ? []
      : await tx
          .select({ event: runEventTold.event })
          .from(runEventTold)
          .where(
            and(
              ofRun(member, runId),
              inArray(
                runEventTold.same,
                found.map(({ id }) => `undone/${id}`),
              ),
            ),
          )
  const known: Known = { ids: new Set(), undone: new Set(), told: new Map() }
  for (const { id, same } of found) note(known, id, same ?? undefined)
  for (const { event } of takenBack) if (event.undoes) known.undone.add(event.undoes)
  return known
}

function note({ ids, told }: Known, id: string, same: string | undefined): void {
  ids.add(id)
  if (same !== undefined) told.set(same, { id, turns: (told.get(same)?.turns ?? 0) + 1 })
}

/**
 * Adds what is new to the log of a run that is locked: what was sent before counts once, and so does what two devices
 * told of the same step, as long as it was not taken back.
 * @returns how many were added
 */
export async function addEvents(
  tx: Transaction,
  member: StaffMember,
  { id: runId, folded }: Pick<typeof run.$inferSelect, 'id' | 'folded'>,
  events: readonly RunEvent[],
): Promise<number> {
  if (events.length === 0) return 0
  const known = await knownOf(tx, member, runId, events)
  const fresh: { event: RunEvent; same: string | undefined; turn: number }[] = []
  for (const event of events) {
    const same = sameness(event)
    const before = same === undefined ? undefined : known.told.get(same)
    const twice = known.ids.has(event.id) || (before !== undefined && !known.undone.has(before.id))
    // What was never kept, because another device told the same, cannot be taken back.
    if (twice || (event.kind === 'undone' && !known.ids.has(event.undoes ?? ''))) continue
    fresh.push({ event, same, turn: before?.turns ?? 0 })
    note(known, event.id, same)
    if (event.kind === 'undone' && event.undoes) known.undone.add(event.undoes)
  }
  if (fresh.length === 0) return 0
  if (folded) await unfold(tx, 'run', member.salonId, runId)
  const [last] = await tx
    .select({ seq: max(runEventTold.seq) })
    .from(runEventTold)
    .where(ofRun(member, runId))
  await tx.insert(runEvent).values(
    fresh.map(({ event, same, turn }, i) => ({
      salonId: member.salonId,
      runId,
      seq: (last?.seq ?? 0) + i + 1,
      id: event.id,
      kind: event.kind,
      event: { ...event },
      same,
      turn,
      staffId: member.id,
    })),
  )
  const ends = fresh.find(({ event: { kind } }) => kind === 'ended')?.event
  if (ends)
    await tx
      .update(run)
      .set({ endedAt: new Date(ends.deviceTime + ends.offsetMs) })
      .where(and(eq(run.salonId, member.salonId), eq(run.id, runId)))
  return fresh.length
}
