import { eq } from 'drizzle-orm'
import { database, salon } from '@/db'
import type { StaffMember } from '../auth'
import { findClient } from '../clients'
import { pdfOfAfterCare } from '../documents'
import { factsOf, findVisit } from './facts'
import { summaryOf } from './summary'

/** The sheet of a visit that its client takes home. */
export async function afterCareOf(
  member: StaffMember,
  visitId: string,
): Promise<{ body: Buffer<ArrayBuffer>; on: string }> {
  const found = await factsOf(member, await findVisit(member, visitId))
  const [owner, summary, [home]] = await Promise.all([
    findClient(member, found.row.clientId),
    summaryOf(member, found),
    database().select({ name: salon.name }).from(salon).where(eq(salon.id, member.salonId)),
  ])
  const { on } = found.row
  const { name: visit, upkeep } = summary
  return { on, body: await pdfOfAfterCare({ salon: home!.name, client: owner.name, visit, on, upkeep }) }
}
