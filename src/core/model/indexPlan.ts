import type { Formula, FaltoPlan } from './plan'
import type { Product } from './catalogue'

/** The one of a list with this id. @throws Error when there is none: names are checked where a document comes in */
export function byId<Item extends { id: string }>(list: readonly Item[], id: Item['id']): Item {
  const item = list.find((one) => one.id === id)
  if (!item) throw new Error(`There is nothing named "${id}" among ${list.map((one) => one.id).join(', ') || 'none'}.`)
  return item
}

/** Look-ups in what a plan mixes. */
export interface PlanIndex {
  formula(id: string): Formula
  product(id: string): Product
  /** The product that leads a formula. */
  leadOf(formula: Pick<Formula, 'productId'>): Product
}

/** What a plan names by id, found. */
export const indexPlan = ({
  formulas = [],
  products,
}: Partial<Pick<FaltoPlan, 'formulas'>> & Pick<FaltoPlan, 'products'>): PlanIndex => ({
  formula: (id) => byId(formulas, id),
  product: (id) => byId(products, id),
  leadOf: ({ productId }) => byId(products, productId),
})
