import { and, count, eq, gt, isNull } from 'drizzle-orm'
import { client, database, plan, product, salon, salonRates, staff } from '@/db'
import { requirePermission, type StaffMember } from '../auth'

/** What a new salon has so far of what its first plan needs. */
export async function firstStepsOf(member: StaffMember): Promise<{
  name: string
  products: number
  prices: boolean
  clients: number
  plans: number
  people: number
}> {
  requirePermission(member, 'team')
  const { salonId } = member
  const counted = async (table: typeof product | typeof client | typeof plan | typeof staff): Promise<number> => {
    const present = 'deletedAt' in table ? isNull(table.deletedAt) : isNull(table.deactivatedAt)
    const [row] = await database()
      .select({ rows: count() })
      .from(table)
      .where(and(eq(table.salonId, salonId), present))
    return row!.rows
  }
  const [[own], prices, products, clients, plans, people] = await Promise.all([
    database().select({ name: salon.name }).from(salon).where(eq(salon.id, salonId)),
    database()
      .select({ revision: salonRates.revision })
      .from(salonRates)
      .where(and(eq(salonRates.salonId, salonId), gt(salonRates.revision, 1))),
    counted(product),
    counted(client),
    counted(plan),
    counted(staff),
  ])
  return { name: own!.name, products, prices: prices.length > 0, clients, plans, people }
}
