import { and, eq, isNull } from 'drizzle-orm'
import { database, plan, type Reader, type Transaction } from '@/db'
import type { StaffMember } from '../auth'
import { notFound } from '../errors'
import { isUuid } from '../http'

const present = (member: StaffMember, id: string) =>
  and(eq(plan.salonId, member.salonId), eq(plan.id, id), isNull(plan.deletedAt))

/** @throws AppError 404 */
export async function findPlan(member: StaffMember, id: string, reader: Reader = database()) {
  const [found] = isUuid(id) ? await reader.select().from(plan).where(present(member, id)) : []
  if (!found) throw notFound('plan')
  return found
}

/** A plan that nobody else changes until the transaction ends. @throws AppError 404 */
export async function lockPlan(tx: Transaction, member: StaffMember, id: string) {
  const [found] = isUuid(id) ? await tx.select().from(plan).where(present(member, id)).for('no key update') : []
  if (!found) throw notFound('plan')
  return found
}
