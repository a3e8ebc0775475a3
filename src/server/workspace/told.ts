import { v7 as newId } from 'uuid'
import { productOf, type CatalogueItem, type FaltoPlan, type Formula } from '@/core/model'
import { planFromService, SERVICES } from '@/core/plan/serviceKinds'
import type { ToldVisit } from '@/core/record/visit'
import { inTransaction, type Transaction } from '@/db'
import type { ToldVisitDto } from '@/dto'
import { requirePermission, type StaffMember } from '../auth'
import { foresee, inTurn, recordDone, refuseDayToCome, type Foreseen } from '../consultations'
import { invalidAt } from '../errors'
import { insertPlanIn } from '../plans'
import { saveReviewIn } from '../visits'
import { onOwnShelf, personOf } from './start'

/** Formulas that a kind of service would be mixed from here, to be corrected to what was. */
export async function draftToldVisit(
  member: StaffMember,
  clientId: string,
  service: string,
): Promise<{ formulas: Formula[]; products: { id: string; name: string }[] }> {
  const { plan } = await startOf(member, clientId, service)
  return { formulas: plan.formulas, products: plan.products.map(({ id, name }) => ({ id, name })) }
}

/**
 * Enters a visit that was done without Falto: a plan of its kind of service on this client's hair, with what was mixed
 * and how long it took as they are told. Whole or not at all.
 * @throws AppError 422 at the field
 */
export async function enterToldVisit(
  member: StaffMember,
  clientId: string,
  entry: ToldVisitDto,
): Promise<{ visitId: string }> {
  requirePermission(member, 'write')
  const prepared = await prepareTold(member, clientId, entry)
  return inTurn(clientId, async () => {
    const foreseen = await foresee(member, prepared)
    return inTransaction((tx) => keepTold(tx, member, prepared, foreseen))
  })
}

/** A visit as it was told, laid out and not yet kept. */
export interface PreparedVisit {
  clientId: string
  on: string
  document: FaltoPlan
  told: ToldVisit
  change: string
}

/** @throws AppError 422 at the field */
export async function prepareTold(
  member: StaffMember,
  clientId: string,
  { on, service, name, minutes, formulas, change }: ToldVisitDto,
): Promise<PreparedVisit> {
  refuseDayToCome(on)
  const { plan, catalogue } = await startOf(member, clientId, service)
  const document = formulas.reduce((kept, formula, i) => withFormula(kept, i, formula, catalogue), { ...plan, name })
  const told: ToldVisit = {
    minutes: minutes ?? null,
    bowls: formulas.flatMap(({ grams, left }, i) =>
      grams === undefined
        ? []
        : [
            {
              ...{ id: newId(), formulaId: document.formulas[i]!.id, by: member.name },
              ...{ planned: grams, weighed: grams, left: left ?? null },
            },
          ],
    ),
  }
  return { clientId, on, document, told, change }
}

export async function keepTold(
  tx: Transaction,
  member: StaffMember,
  { clientId, on, document, told, change }: PreparedVisit,
  foreseen: Foreseen | undefined,
): Promise<{ visitId: string }> {
  const { id } = await insertPlanIn(tx, member, clientId, document, 'Entered afterwards')
  const visitId = await recordDone(tx, member, { plan: { id, document }, clientId, on, told, foreseen })
  if (change.trim() !== '') await saveReviewIn(tx, member, visitId, { worked: '', change, why: '', shared: false })
  return { visitId }
}

async function startOf(member: StaffMember, clientId: string, service: string): ReturnType<typeof onOwnShelf> {
  if (!SERVICES.some(({ id }) => id === service)) throw invalidAt('service', 'is not a kind of service')
  const { person } = await personOf(member, clientId)
  return onOwnShelf(member, planFromService(service, person))
}

/** A plan whose formula at a place is as it was told. */
function withFormula(
  plan: FaltoPlan,
  at: number,
  { productId, developerVol, level, tone, left, grams }: ToldVisitDto['formulas'][number],
  catalogue: readonly CatalogueItem[],
): FaltoPlan {
  const formula = plan.formulas[at]
  if (!formula) throw invalidAt(`formulas[${at}]`, 'This kind of service has no such formula.')
  if (left !== undefined && left > (grams ?? 0)) throw invalidAt(`formulas[${at}].left`, 'More is left than was mixed.')
  const item = catalogue.find(({ id }) => id === productId)
  const known = plan.products.find(({ id }) => id === productId)
  const used = known ?? (item && productOf(item))
  if (!used) throw invalidAt(`formulas[${at}].productId`, 'is not on the shelf')
  return {
    ...plan,
    products: known ? plan.products : [...plan.products, used],
    formulas: plan.formulas.map((one, i) => (i === at ? { ...one, productId, developerVol, level, tone } : one)),
  }
}
