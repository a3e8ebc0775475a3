/** What the salon charges and pays. */
import { eq } from 'drizzle-orm'
import { STARTING_RATES } from '@/core/product/money'
import type { SalonRates } from '@/core/model'
import { database, inTransaction, salonRates } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import type { SalonRatesDto } from '@/dto'
import { AppError } from '../errors'

export async function ratesOf(member: StaffMember): Promise<SalonRates> {
  const [found] = await database().select().from(salonRates).where(eq(salonRates.salonId, member.salonId))
  return found ? { rates: found.rates, revision: found.revision } : { rates: STARTING_RATES, revision: 0 }
}

/** @throws AppError 409 when they were changed meanwhile */
export async function saveRates(member: StaffMember, { rates, baseRevision }: SalonRatesDto): Promise<SalonRates> {
  requirePermission(member, 'prices')
  return inTransaction(async (tx) => {
    const [found] = await tx.select().from(salonRates).where(eq(salonRates.salonId, member.salonId)).for('update')
    if ((found?.revision ?? 0) !== baseRevision)
      throw new AppError(
        409,
        'stale',
        'Somebody else has changed the prices meanwhile. Look at them again; yours were not saved.',
      )
    const revision = baseRevision + 1
    await tx
      .insert(salonRates)
      .values({ salonId: member.salonId, rates, revision })
      .onConflictDoUpdate({ target: salonRates.salonId, set: { rates, revision } })
    return { rates, revision }
  })
}
