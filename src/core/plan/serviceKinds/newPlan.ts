import { otherSideFirst, type Section } from '../../placement/layout'
import {
  CONSTANTS_VERSION,
  PLAN_FORMAT,
  PLAN_SCHEMA_VERSION,
  productOf,
  type CatalogueItem,
  type FaltoPlan,
  type Formula,
  type HairMap,
  type HairState,
  type HeadMeasures,
  type Layout,
  type Product,
  type Rates,
} from '../../model'
import { defaultPlacement } from '../../placement/foils'
import { MOST_DEVELOPERS } from './constants'

const OFF_SCALP = { heat: false, onScalp: false, damp: false }

/** The invented product lines a new plan starts with, with the rules of their made-up labels. */
export const STARTING_PRODUCTS: Product[] = [
  {
    id: 'marl',
    name: 'Marl powder lightener',
    line: 'Marl',
    kind: 'powderLightener',
    maximumMinutes: 50,
    rules: {
      ...OFF_SCALP,
      heat: true,
      ratios: [1, 1.5, 2],
      developerMinVol: 5,
      developerMaxVol: 40,
      workingLifeMinutes: 35,
      minimumMinutes: 10,
      maximumLift: 8,
    },
    pack: { grams: 500, priceMinor: 2450, densityGPerMl: 0.6 },
  },
  {
    id: 'whin',
    name: 'Whin clay',
    line: 'Whin',
    kind: 'clayLightener',
    maximumMinutes: 60,
    rules: {
      ...OFF_SCALP,
      ratios: [1.5, 2, 2.5],
      developerMinVol: 10,
      developerMaxVol: 40,
      workingLifeMinutes: 45,
      minimumMinutes: 15,
      maximumLift: 6,
    },
    pack: { grams: 400, priceMinor: 2890, densityGPerMl: 0.7 },
  },
  {
    id: 'skerry',
    name: 'Skerry on-scalp cream',
    line: 'Skerry',
    kind: 'creamLightener',
    maximumMinutes: 60,
    rules: {
      ...OFF_SCALP,
      onScalp: true,
      ratios: [1, 1.5, 2],
      developerMinVol: 5,
      developerMaxVol: 20,
      workingLifeMinutes: 40,
      minimumMinutes: 10,
      maximumLift: 7,
    },
    pack: { grams: 250, priceMinor: 1980, densityGPerMl: 1 },
  },
  {
    id: 'fathom',
    name: 'Fathom permanent cream',
    line: 'Fathom',
    kind: 'permanentColour',
    maximumMinutes: 45,
    rules: {
      ...OFF_SCALP,
      onScalp: true,
      ratios: [1, 1.5],
      developerMinVol: 5,
      developerMaxVol: 40,
      workingLifeMinutes: 45,
      minimumMinutes: 30,
      maximumLift: 4,
    },
    pack: { grams: 60, priceMinor: 690, densityGPerMl: 1 },
  },
  {
    id: 'lull',
    name: 'Lull liquid gloss',
    line: 'Lull',
    kind: 'gloss',
    maximumMinutes: 20,
    rules: {
      ...OFF_SCALP,
      onScalp: true,
      damp: true,
      ratios: [1, 1.5, 2],
      developerMinVol: 5,
      developerMaxVol: 10,
      workingLifeMinutes: 45,
      minimumMinutes: 5,
      maximumLift: 0,
    },
    pack: { grams: 60, priceMinor: 720, densityGPerMl: 1 },
  },
]

const AS_IT_IS = {
  ...OFF_SCALP,
  onScalp: true,
  damp: true,
  ratios: [],
  developerMinVol: 0,
  developerMaxVol: 0,
  workingLifeMinutes: 60,
  minimumMinutes: 1,
  maximumLift: 0,
}

/** Invented products that only some kinds of service use; a plan holds those that it does. */
export const FURTHER_PRODUCTS: Product[] = [
  {
    id: 'ebb',
    name: 'Ebb remover',
    line: 'Ebb',
    kind: 'remover',
    maximumMinutes: 30,
    rules: { ...AS_IT_IS, damp: false, minimumMinutes: 10 },
    pack: { grams: 300, priceMinor: 2600, densityGPerMl: 1 },
  },
  {
    id: 'ebb-even',
    name: 'Ebb porosity equaliser',
    line: 'Ebb',
    kind: 'equaliser',
    maximumMinutes: 5,
    rules: AS_IT_IS,
    pack: { grams: 250, priceMinor: 1650, densityGPerMl: 1 },
  },
  {
    id: 'ebb-clear',
    name: 'Ebb clarifier',
    line: 'Ebb',
    kind: 'treatment',
    maximumMinutes: 10,
    rules: AS_IT_IS,
    pack: { grams: 500, priceMinor: 1400, densityGPerMl: 1 },
  },
  {
    id: 'keel-mask',
    name: 'Keel treatment',
    line: 'Keel',
    kind: 'treatment',
    maximumMinutes: 15,
    rules: { ...AS_IT_IS, heat: true },
    pack: { grams: 500, priceMinor: 2300, densityGPerMl: 1 },
  },
  {
    id: 'fathom-filler',
    name: 'Fathom filler',
    line: 'Fathom',
    kind: 'filler',
    maximumMinutes: 20,
    rules: { ...AS_IT_IS, ratios: [0, 1], developerMaxVol: 10, minimumMinutes: 10 },
    pack: { grams: 60, priceMinor: 690, densityGPerMl: 1 },
  },
]

/** The products of a new plan: those it starts with, and what else its formulas name. */
const productsFor = (formulas: readonly Formula[]): Product[] => [
  ...STARTING_PRODUCTS,
  ...FURTHER_PRODUCTS.filter(({ id }) => formulas.some(({ productId }) => productId === id)),
]

/** A light and a low formula that suit the natural level. */
export function startingFormulas(hair: Pick<HairState, 'naturalLevel'>): Formula[] {
  const light = Math.min(10, Math.max(8, Math.round(hair.naturalLevel + 3)))
  const low = Math.max(1, Math.round(hair.naturalLevel) - 1)
  return [
    { id: 'A', name: 'Light', productId: 'marl', developerVol: 20, ratio: 2, level: light, tone: 'neutral' },
    { id: 'B', name: 'Low', productId: 'fathom', developerVol: 10, ratio: 1, level: low, tone: 'neutral' },
  ]
}

/** Whom a plan is made for. `newId` gives ids, because the core draws no lots. */
export interface Person {
  head: HeadMeasures
  hair: HairState
  hairMap?: HairMap | undefined
  newId: () => string
}

/**
 * A plan with one variant of one stage, every zone with the default placement, worked in the template's order; a side
 * part's own side goes first, because it has less hair (common practice).
 */
export function newPlanDocument(
  name: string,
  { head, hair, hairMap, newId }: Person,
  { layout, sections }: { layout: Layout; sections: Section[] },
): FaltoPlan {
  const zones = sections.map((section) => ({ id: newId(), ...section, placement: defaultPlacement() }))
  const order = zones.map(({ id }) => id)
  return planOf(name, { head, hair, hairMap, newId }, startingFormulas(hair), [
    {
      id: newId(),
      kind: 'lighten',
      name: 'Lighten',
      layout,
      zones,
      order: hair.part === 'right' ? otherSideFirst({ layout, zones, order }) : order,
    },
  ])
}

/** A plan document around its stages. */
export function planOf(
  name: string,
  { head, hair, hairMap, newId }: Person,
  formulas: Formula[],
  stages: FaltoPlan['variants'][number]['stages'],
): FaltoPlan {
  const variantId = newId()
  return {
    format: PLAN_FORMAT,
    schemaVersion: PLAN_SCHEMA_VERSION,
    constantsVersion: CONSTANTS_VERSION,
    name,
    head,
    hair,
    ...(hairMap && { hairMap }),
    products: productsFor(formulas),
    formulas,
    learned: { load: 1, seconds: 1 },
    activeVariantId: variantId,
    variants: [{ id: variantId, name: 'First idea', stages }],
  }
}

/**
 * A plan with a salon's own products, developers and prices in it, so that it computes alone. Where the salon does not
 * have the very product, one of its own of the same kind stands in, the first by name; where it has none, the invented
 * one stays. A shade stands in for nothing: which one is wanted is chosen on the Mix page.
 */
export function onShelf(plan: FaltoPlan, catalogue: readonly CatalogueItem[], rates: Rates): FaltoPlan {
  const own = catalogue.map(productOf)
  const developers = own.filter(({ kind }) => kind === 'developer').slice(0, MOST_DEVELOPERS)
  const standIn = new Map(
    plan.products.map((product) => [
      product.id,
      own.find(({ id }) => id === product.id) ?? firstOfKind(own, product) ?? product,
    ]),
  )
  const products = [...new Map([...standIn.values()].map((product) => [product.id, product])).values()]
  return {
    ...plan,
    rates,
    products: [...products, ...developers],
    formulas: plan.formulas.map((formula) => ({ ...formula, productId: standIn.get(formula.productId)!.id })),
  }
}

const firstOfKind = (products: readonly Product[], { kind }: Product): Product | undefined =>
  products
    .filter((product) => product.kind === kind && !product.shade)
    .sort((one, other) => (one.name < other.name ? -1 : 1))[0]
