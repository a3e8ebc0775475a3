import { v7 as newId } from 'uuid'
import { hairMapOf } from '@/core/hair/hairRecord'
import type { CatalogueItem, Consultation, FaltoPlan } from '@/core/model'
import { onShelf, type Person } from '@/core/plan/serviceKinds'
import type { StaffMember } from '../auth'
import { findClient } from '../clients'
import { newestConsultation } from '../consultations'
import { ratesOf } from '../money'
import { catalogueOf } from '../shelf'

/** Whom a plan is made for: a client as her record has her. */
export async function personOf(
  member: StaffMember,
  clientId: string,
): Promise<{ person: Person; newest: Consultation | undefined }> {
  const { head, hair } = await findClient(member, clientId)
  const newest = await newestConsultation(member, clientId)
  return { person: { head, hair, hairMap: newest && hairMapOf(newest.canvas), newId }, newest }
}

/** A plan with the salon's own products and prices in it, and all the products that there are. */
export async function onOwnShelf(
  member: StaffMember,
  plan: FaltoPlan,
): Promise<{ plan: FaltoPlan; catalogue: CatalogueItem[] }> {
  const [catalogue, { rates }] = await Promise.all([catalogueOf(member), ratesOf(member)])
  return { plan: onShelf(plan, catalogue, rates), catalogue }
}
