import type { Section } from '@/core/layout'
import {
  CONSTANTS_VERSION,
  PLAN_FORMAT,
  PLAN_SCHEMA_VERSION,
  type FaltoPlan,
  type Formula,
  type HairState,
  type HeadMeasures,
  type Layout,
  type Product,
} from '@/core/model'
import { defaultPlacement } from '@/core/placement'

/** The invented product lines a new plan starts with. */
export const STARTING_PRODUCTS: Product[] = [
  { id: 'marl', name: 'Marl powder lightener', kind: 'powderLightener', maximumMinutes: 50 },
  { id: 'skerry', name: 'Skerry on-scalp cream', kind: 'creamLightener', maximumMinutes: 60 },
  { id: 'fathom', name: 'Fathom permanent cream', kind: 'permanentColour', maximumMinutes: 45 },
  { id: 'lull', name: 'Lull liquid gloss', kind: 'gloss', maximumMinutes: 20 },
]

/** A light and a low formula that suit the natural level. */
export function startingFormulas(hair: HairState): Formula[] {
  const light = Math.min(10, Math.max(8, Math.round(hair.naturalLevel + 3)))
  const low = Math.max(1, Math.round(hair.naturalLevel) - 1)
  return [
    { id: 'A', name: 'Light', productId: 'marl', developerVol: 20, ratio: 2, level: light, tone: 'neutral' },
    { id: 'B', name: 'Low', productId: 'fathom', developerVol: 10, ratio: 1, level: low, tone: 'neutral' },
  ]
}

/** A plan with one variant of one stage, every zone with the default placement, worked in the template's order. */
export function newPlanDocument(
  name: string,
  head: HeadMeasures,
  hair: HairState,
  { layout, sections }: { layout: Layout; sections: Section[] },
  newId: () => string,
): FaltoPlan {
  const zones = sections.map((section) => ({ id: newId(), ...section, placement: defaultPlacement() }))
  const variantId = newId()
  return {
    format: PLAN_FORMAT,
    schemaVersion: PLAN_SCHEMA_VERSION,
    constantsVersion: CONSTANTS_VERSION,
    name,
    head,
    hair,
    products: STARTING_PRODUCTS,
    formulas: startingFormulas(hair),
    learned: { load: 1, seconds: 1 },
    activeVariantId: variantId,
    variants: [
      {
        id: variantId,
        name: 'First idea',
        stages: [{ id: newId(), kind: 'lighten', name: 'Lighten', layout, zones, order: zones.map(({ id }) => id) }],
      },
    ],
  }
}
