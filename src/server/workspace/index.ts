import { layoutFor, LayoutParameterError } from '@/core/placement/layout'
import type { Consultation, FaltoPlan, OpenPlan } from '@/core/model'
import { ownFactors } from '../visits'
import { newPlanDocument, planFromService, type Person } from '@/core/plan/serviceKinds'
import { requirePermission, type StaffMember } from '../auth'
import { bookingOf } from '../bookings'
import { careCautionsOf } from '../care'
import { findClient, visitsOf } from '../clients'
import { computing, seenOf } from '../computing'
import { lastVisitOf, newestConsultation } from '../consultations'
import { PROPOSED, type NewPlanDto } from '@/dto'
import { AppError, invalidAt } from '../errors'
import { mixesOf } from '../mixes'
import { ratesOf } from '../money'
import { insertPlan, openPlan } from '../plans'
import { catalogueOf } from '../shelf'
import { onOwnShelf, personOf } from './start'

export { importVisits } from './table'
export { draftToldVisit, enterToldVisit } from './told'

/**
 * A new plan from a client's record: a kind of service, or an empty one on a layout.
 * @throws AppError 422 at the field
 */
export async function createPlan(
  member: StaffMember,
  clientId: string,
  { id, name, template, parameters, service, ownFigures }: NewPlanDto,
): Promise<{ id: string }> {
  requirePermission(member, 'write')
  const { person, newest } = await personOf(member, clientId)
  try {
    const document = service
      ? { ...(service === PROPOSED ? await proposed(person, newest) : planFromService(service, person)), name }
      : newPlanDocument(name, person, layoutFor(template, person.hair, parameters))
    const learned = ownFigures ? { ...document.learned, factors: await ownFactors(member) } : document.learned
    const { plan } = await onOwnShelf(member, { ...document, learned })
    return await insertPlan(member, clientId, plan, 'Made', id)
  } catch (error) {
    if (!(error instanceof LayoutParameterError)) throw error
    throw invalidAt(`parameters.${error.field}`, error.message)
  }
}

/** @throws AppError 422 without a consultation to propose from */
function proposed({ head, hair, hairMap }: Person, newest: Consultation | undefined): Promise<FaltoPlan> {
  if (!newest)
    throw new AppError(
      422,
      'invalid',
      'There is no consultation to propose from yet. Record hair and wish first, or start from a kind of service.',
      { problems: [{ path: 'service', message: 'Record hair and wish first.' }] },
    )
  return computing.proposal({ head, hair, hairMap }, newest)
}

/** Words of earlier visits that a plan shows. Our choice. */
const SHOWN_CHANGES = 3

/** An open plan joined with what its client's record adds to it, and with what its figures would take long to count. */
export async function openWorkspace(member: StaffMember, id: string): Promise<OpenPlan> {
  const open = await openJoined(member, id)
  return { ...open, seen: seenOf(open.document.hair) }
}

async function openJoined(member: StaffMember, id: string): Promise<Omit<OpenPlan, 'seen'>> {
  const open = await openPlan(member, id)
  const owner = await findClient(member, open.client.id)
  const [careCautions, lastVisit, newest, visits] = await Promise.all([
    careCautionsOf(member, owner),
    lastVisitOf(member, owner.id),
    newestConsultation(member, owner.id),
    visitsOf(member, owner.id),
  ])
  const nextTime = visits.filter(({ change }) => change !== '').slice(0, SHOWN_CHANGES)
  return { ...open, careCautions, lastVisit, nextTime, canvas: newest?.canvas ?? null, goal: newest?.goal ?? null }
}

/** An open plan with what the salon has to mix it from. */
export async function openMixing(member: StaffMember, id: string) {
  const open = await openWorkspace(member, id)
  const [catalogue, newest, rates, mixes, booking] = await Promise.all([
    catalogueOf(member),
    newestConsultation(member, open.client.id),
    ratesOf(member),
    mixesOf(member, id),
    bookingOf(member, id),
  ])
  return {
    open,
    catalogue,
    goal: newest?.goal ?? null,
    rates,
    mixes,
    bookedOn: booking?.on ?? null,
  }
}

/** An open plan with what its clock depends on beside it. */
export async function openClock(member: StaffMember, id: string) {
  const open = await openJoined(member, id)
  // A clock tells nothing of what is seen.
  return { open: { ...open, seen: null }, booking: await bookingOf(member, id) }
}
