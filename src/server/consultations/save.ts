import { and, eq } from 'drizzle-orm'
import {
  checkCanvas,
  correctionsOf,
  daysBetween,
  hairFromCanvas,
  NOT_YET_COME,
  predictCanvas,
} from '@/core/hair/hairRecord'
import { checkGoal } from '@/core/judgement/feasibility'
import type { Consultation, ConsultationBase, ConsultationEntry } from '@/core/model'
import { client, consultation, inTransaction, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { latestToday } from '../days'
import { describeProblems, type ConsultationDto, type FieldProblem } from '@/dto'
import { AppError } from '../errors'
import { newestConsultations } from './read'

/**
 * Keeps what a colourist found and what is wished. A record of the same day is changed; a new day is a new record, and
 * what the eye changed of the prediction is kept with it.
 * @throws AppError 409 when someone else has saved since, 422 at the field
 */
export async function saveConsultation(
  member: StaffMember,
  clientId: string,
  { base, ...entry }: ConsultationDto,
): Promise<ConsultationBase> {
  requirePermission(member, 'write')
  await findClient(member, clientId)
  refuse(problemsOf(entry))
  return inTransaction(async (tx) => {
    await lockClient(tx, member, clientId)
    const [newest, before] = await newestConsultations(tx, member, clientId, 2)
    if ((newest?.number ?? 0) !== (base?.number ?? 0) || (newest?.revision ?? 0) !== (base?.revision ?? 0))
      throw new AppError(
        409,
        'stale',
        `${newest?.by ?? 'Someone else'} changed this record meanwhile. Load it again; what you entered stays on this device until then.`,
      )
    if (newest && daysBetween(newest.recordedOn, entry.recordedOn) < 0)
      refuse([
        { path: 'recordedOn', message: `The newest record is of ${newest.recordedOn}. Use that day or a later one.` },
      ])
    const again = newest?.kind === 'seen' && newest.recordedOn === entry.recordedOn
    const number = again ? newest.number : (newest?.number ?? 0) + 1
    const revision = again ? newest.revision + 1 : 1
    const row = {
      ...entry,
      corrections: correctionsSince(again ? before : newest, entry),
      staffId: member.id,
      at: new Date(),
      revision,
    }
    if (again)
      await tx
        .update(consultation)
        .set(row)
        .where(
          and(
            eq(consultation.salonId, member.salonId),
            eq(consultation.clientId, clientId),
            eq(consultation.number, number),
          ),
        )
    else await tx.insert(consultation).values({ ...row, salonId: member.salonId, clientId, number, kind: 'seen' })
    await keepHairInShort(tx, member, clientId, entry)
    return { number, revision }
  })
}

function problemsOf(entry: ConsultationEntry): FieldProblem[] {
  const last = latestToday()
  return [
    ...(daysBetween(last, entry.recordedOn) > 0 ? [{ path: 'recordedOn', message: NOT_YET_COME }] : []),
    ...checkCanvas(entry.canvas, last).map(({ path, message }) => ({ path: `canvas.${path}`, message })),
    ...checkGoal(entry.goal).map(({ path, message }) => ({ path: `goal.${path}`, message })),
  ]
}

function refuse(problems: FieldProblem[]): void {
  if (problems.length > 0) throw new AppError(422, 'invalid', describeProblems(problems), { problems })
}

const correctionsSince = (before: Consultation | undefined, entry: ConsultationEntry) =>
  before
    ? correctionsOf(
        predictCanvas(before.canvas, before.hair, { on: entry.recordedOn, trimmedCm: entry.trimmedCm }),
        entry.canvas,
      )
    : []

/**
 * One after the other for a client. Not as if she were to be removed: whoever has just added something of hers holds
 * her already, and two of them would wait for each other.
 */
export async function lockClient(tx: Transaction, member: StaffMember, clientId: string): Promise<void> {
  await tx
    .select({ id: client.id })
    .from(client)
    .where(and(eq(client.salonId, member.salonId), eq(client.id, clientId)))
    .for('no key update')
}

/** The client list and new plans use the hair in short. */
export async function keepHairInShort(
  tx: Transaction,
  member: StaffMember,
  clientId: string,
  { hair, canvas }: Pick<ConsultationEntry, 'hair' | 'canvas'>,
): Promise<void> {
  await tx
    .update(client)
    .set({ hair: hairFromCanvas(hair, canvas), updatedAt: new Date() })
    .where(and(eq(client.salonId, member.salonId), eq(client.id, clientId)))
}
