/** Units that a salon reads in. */
import { eq } from 'drizzle-orm'
import type { ReadingUnits } from '@/core/units'
import { database, salon } from '@/db'
import { forget, requirePermission, type StaffMember } from '../auth'
import type { ReadingUnitsDto } from '@/dto'

/** For everybody in the salon, from the next page on. */
export async function saveUnits(
  member: StaffMember,
  { mass, length, developer, clock }: ReadingUnitsDto,
): Promise<ReadingUnits> {
  requirePermission(member, 'units')
  const units = { mass, length, developer, clock }
  await database().update(salon).set({ units }).where(eq(salon.id, member.salonId))
  forget('salon', member.salonId)
  return units
}
