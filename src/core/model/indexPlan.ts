import { placementLetters, rhythmLetters, type Placement } from './placement'
import type { Formula, FaltoPlan, Stage } from './plan'
import { isLightener, type Product } from './catalogue'

/** The one of a list with this id. @throws Error when there is none: names are checked where a document comes in */
export function byId<Item extends { id: string }>(list: readonly Item[], id: Item['id']): Item {
  const item = list.find((one) => one.id === id)
  if (!item) throw new Error(`There is nothing named "${id}" among ${list.map((one) => one.id).join(', ') || 'none'}.`)
  return item
}

/** Formulas are told apart by these; a plan holds no more. */
const LETTERS = [...'ABCDEFGHIJKL']

/** The first letter that no formula has yet; none where a plan holds as many as it can. */
export const freeLetter = (formulas: readonly { id: string }[]): string | undefined =>
  LETTERS.find((letter) => !formulas.some(({ id }) => id === letter))

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

/** Letters of the formulas that lighten. */
export function lighteningLetters({ formulas, products }: Pick<FaltoPlan, 'formulas' | 'products'>): Set<string> {
  const { leadOf } = indexPlan({ products })
  return new Set(formulas.filter((formula) => isLightener(leadOf(formula).kind)).map(({ id }) => id))
}

/** Whether a placement puts lightener on somewhere. */
export function placementLightens(plan: Pick<FaltoPlan, 'formulas' | 'products'>, placement: Placement): boolean {
  const lighteners = lighteningLetters(plan)
  return rhythmLetters(placement).some((letter) => lighteners.has(letter))
}

/** What of a stage's products may stay on for the shortest time; nothing where nothing is worked with. */
export function shortestLabel({ formulas, products }: FaltoPlan, { zones }: Stage): Product | undefined {
  const letters = new Set(zones.flatMap(({ placement }) => placementLetters(placement)))
  return formulas
    .filter(({ id }) => letters.has(id))
    .flatMap(({ productId }) => products.find(({ id }) => id === productId) ?? [])
    .sort((one, other) => one.maximumMinutes - other.maximumMinutes)[0]
}
