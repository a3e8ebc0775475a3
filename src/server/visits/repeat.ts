import { daysBetween, hairMapOf, predictCanvas } from '@/core/hair/hairRecord'
import { repeatVisit } from '@/core/record/visit'
import { requirePermission, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { newestConsultation } from '../consultations'
import { today } from '../days'
import { insertPlan } from '../plans'
import { factsOf, findVisit } from './facts'

const DAYS_A_WEEK = 7

/** A plan for today from a visit: same map and formulas, on today's hair, the growth alone where that is meant. */
export async function repeatPlan(member: StaffMember, visitId: string): Promise<{ id: string }> {
  requirePermission(member, 'write')
  const row = await findVisit(member, visitId)
  const { facts } = await factsOf(member, row)
  const owner = await findClient(member, row.clientId)
  const newest = await newestConsultation(member, row.clientId)
  const on = today(member)
  const canvas = newest && predictCanvas(newest.canvas, newest.hair, { on })
  const weeks = Math.max(0, daysBetween(row.on, on)) / DAYS_A_WEEK
  const { plan } = repeatVisit(
    facts.document,
    { head: owner.head, hair: owner.hair, hairMap: canvas && hairMapOf(canvas) },
    weeks,
  )
  return insertPlan(member, row.clientId, plan, `Repeated from ${row.on}`)
}
