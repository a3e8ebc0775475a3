import { and, eq } from 'drizzle-orm'
import { inTransaction, visit } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { returnToShelf } from '../shelf'
import { factsOf, findVisit } from './facts'

/**
 * Takes a visit back that was entered wrongly, or lets it count again. Nothing is erased: it stays readable, but no
 * sum, list or figure counts it, and what its bowls took goes back on the shelf by moves of its own. The hair's record
 * stays as it is.
 */
export async function setVisitWithdrawn(
  member: StaffMember,
  id: string,
  how: 'withdrawn' | 'counted',
): Promise<object> {
  requirePermission(member, 'write')
  const { facts } = await factsOf(member, await findVisit(member, id))
  const bowls = facts.bowls.map((bowl) => bowl.id)
  await inTransaction(async (tx) => {
    const [locked] = await tx
      .select({ withdrawnAt: visit.withdrawnAt })
      .from(visit)
      .where(and(eq(visit.salonId, member.salonId), eq(visit.id, id)))
      .for('update')
    // Asked twice it counts once.
    if ((locked!.withdrawnAt !== null) === (how === 'withdrawn')) return
    await tx
      .update(visit)
      .set(
        how === 'withdrawn'
          ? { withdrawnAt: new Date(), withdrawnBy: member.id }
          : { withdrawnAt: null, withdrawnBy: null },
      )
      .where(and(eq(visit.salonId, member.salonId), eq(visit.id, id)))
    await returnToShelf(tx, member, bowls, how === 'withdrawn' ? 'back' : 'again')
  })
  return {}
}
