import type { Section } from '../layout'
import {
  CONSTANTS_VERSION,
  PLAN_FORMAT,
  PLAN_SCHEMA_VERSION,
  type FaltoPlan,
  type Formula,
  type HairMap,
  type HairState,
  type HeadMeasures,
  type Layout,
  type Product,
} from '../model'
import { defaultPlacement } from '../placement'

/** The invented product lines a new plan starts with. */
export const STARTING_PRODUCTS: Product[] = [
  { id: 'marl', name: 'Marl powder lightener', kind: 'powderLightener', maximumMinutes: 50 },
  { id: 'whin', name: 'Whin clay', kind: 'powderLightener', maximumMinutes: 60 },
  { id: 'skerry', name: 'Skerry on-scalp cream', kind: 'creamLightener', maximumMinutes: 60 },
  { id: 'fathom', name: 'Fathom permanent cream', kind: 'permanentColour', maximumMinutes: 45 },
  { id: 'lull', name: 'Lull liquid gloss', kind: 'gloss', maximumMinutes: 20 },
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

/** A plan with one variant of one stage, every zone with the default placement, worked in the template's order. */
export function newPlanDocument(name: string, { head, hair, hairMap, newId }: Person, { layout, sections }: { layout: Layout; sections: Section[] }): FaltoPlan {
  const zones = sections.map((section) => ({ id: newId(), ...section, placement: defaultPlacement() }))
  return planOf(name, { head, hair, hairMap, newId }, startingFormulas(hair), [{ id: newId(), kind: 'lighten', name: 'Lighten', layout, zones, order: zones.map(({ id }) => id) }])
}

/** A plan document around its stages. */
export function planOf(name: string, { head, hair, hairMap, newId }: Person, formulas: Formula[], stages: FaltoPlan['variants'][number]['stages']): FaltoPlan {
  const variantId = newId()
  return {
    format: PLAN_FORMAT,
    schemaVersion: PLAN_SCHEMA_VERSION,
    constantsVersion: CONSTANTS_VERSION,
    name,
    head,
    hair,
    ...(hairMap && { hairMap }),
    products: STARTING_PRODUCTS,
    formulas,
    learned: { load: 1, seconds: 1 },
    activeVariantId: variantId,
    variants: [{ id: variantId, name: 'First idea', stages }],
  }
}
