import { and, eq, isNull } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { client, erasedVisit, inTransaction, plan, run, visit, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { AppError, invalidAt, notFound } from '../errors'
import { isUuid } from '../http'
import { log } from '../log'
import { letGo, removePictureBytes } from '../pictures'
import { PERSON_PARTS } from './parts'
import { bound } from './rows'

/**
 * Takes away everything that is kept of a client, also where she was removed before. Of her visits their figures stay,
 * without her and by month only, so that the salon's sums go on being true. It cannot be taken back.
 * @param name hers, as typed by who asks for it
 * @throws AppError 404, 409 while a visit of hers is going on, 422 where the name is another
 */
export async function eraseClient(member: StaffMember, id: string, name: string): Promise<object> {
  requirePermission(member, 'oversee')
  if (!isUuid(id)) throw notFound('client')
  const { salonId } = member
  await inTransaction(async (tx) => {
    const [found] = await tx
      .select({ name: client.name })
      .from(client)
      .where(and(eq(client.salonId, salonId), eq(client.id, id)))
      .for('update')
    if (!found) throw notFound('client')
    if (found.name.trim() !== name.trim()) throw invalidAt('name', 'is not the name of this client')
    await refuseWhileVisited(tx, member, id)
    await keepFigures(tx, member, id)
    // Rows that are only ever added to let go of themselves for this transaction alone.
    await tx.execute(bound("select set_config('falto.erasing', 'yes', true)"))
    await removePictureBytes(tx, salonId, id)
    for (const { table, rows } of PERSON_PARTS)
      await tx.execute(bound(`delete from ${table} where salon_id = $1 and ${rows}`, salonId, id))
  })
  // What is left in the store of pictures is tried again by the hour.
  await letGo().catch((error: unknown) => log.warn({ error }, 'could not take pictures out of their store'))
  return {}
}

async function refuseWhileVisited(tx: Transaction, { salonId }: StaffMember, clientId: string): Promise<void> {
  const [going] = await tx
    .select({ id: run.id })
    .from(run)
    .innerJoin(plan, and(eq(plan.salonId, run.salonId), eq(plan.id, run.planId)))
    .where(and(eq(run.salonId, salonId), eq(plan.clientId, clientId), isNull(run.endedAt)))
    .limit(1)
  if (going) throw new AppError(409, 'going-on', 'A visit of hers is going on. End it at the chair first.')
}

async function keepFigures(tx: Transaction, { salonId }: StaffMember, clientId: string): Promise<void> {
  const visits = await tx
    .select({ on: visit.on, staffId: visit.staffId, figures: visit.figures })
    .from(visit)
    .where(and(eq(visit.salonId, salonId), eq(visit.clientId, clientId), isNull(visit.withdrawnAt)))
  const kept = visits.flatMap(({ on, staffId, figures }) => {
    if (!figures) return []
    const { due: _due, ...rest } = figures
    return [{ salonId, id: newId(), on: `${on.slice(0, 7)}-01`, staffId, figures: rest }]
  })
  if (kept.length > 0) await tx.insert(erasedVisit).values(kept)
}
