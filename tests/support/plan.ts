import { createLayout, defaultLayoutParameters } from '@/core/placement/layout'
import {
  CONSTANTS_VERSION,
  PLAN_FORMAT,
  PLAN_SCHEMA_VERSION,
  STARTING_HAIR,
  type FaltoPlan,
  type HairState,
  type HeadMeasures,
  type LayoutParameters,
  type LayoutTemplate,
  type Placement,
  type Take,
} from '@/core/model'
import { defaultPlacement } from '@/core/placement/foils'

export const MEDIUM_HAIR: HairState = {
  ...STARTING_HAIR,
  weeksSinceColour: 8,
}

export interface Wanted {
  template?: LayoutTemplate
  parameters?: Partial<LayoutParameters>
  head?: HeadMeasures
  hair?: Partial<HairState>
  placement?: Partial<Omit<Placement, 'take'>> & { take?: Partial<Take> }
  /** Roles that get the placement; the others are left alone. */
  only?: string[]
}

/**
 * A plan whose zone ids are the roles of their sections. Formula A is a powder lightener, B a permanent colour, C an
 * on-scalp cream.
 */
export function planWith({
  template = 'fourQuadrants',
  parameters,
  head = { circumferenceCm: 54 },
  hair,
  placement,
  only,
}: Wanted = {}): FaltoPlan {
  const { layout, sections } = createLayout(template, { ...defaultLayoutParameters(), ...parameters })
  const base = defaultPlacement()
  const zones = sections.map((section) => ({
    id: section.role,
    ...section,
    placement:
      only && !only.includes(section.role)
        ? { ...base, sequence: [] }
        : { ...base, ...placement, take: { ...base.take, ...placement?.take } },
  }))
  return {
    format: PLAN_FORMAT,
    schemaVersion: PLAN_SCHEMA_VERSION,
    constantsVersion: CONSTANTS_VERSION,
    name: 'Test',
    head,
    hair: { ...MEDIUM_HAIR, ...hair },
    products: [
      { id: 'powder', name: 'Powder', kind: 'powderLightener', maximumMinutes: 50 },
      { id: 'cream', name: 'Colour', kind: 'permanentColour', maximumMinutes: 45 },
      { id: 'scalp', name: 'Scalp cream', kind: 'creamLightener', maximumMinutes: 60 },
    ],
    formulas: [
      { id: 'A', name: 'Light', productId: 'powder', developerVol: 20, ratio: 2, level: 9, tone: 'neutral' },
      { id: 'B', name: 'Low', productId: 'cream', developerVol: 10, ratio: 1, level: 4, tone: 'neutral' },
      { id: 'C', name: 'Regrowth', productId: 'scalp', developerVol: 20, ratio: 1, level: 9, tone: 'neutral' },
    ],
    learned: { load: 1, seconds: 1 },
    activeVariantId: 'variant',
    variants: [
      {
        id: 'variant',
        name: 'Variant',
        stages: [{ id: 'stage', kind: 'lighten', name: 'Lighten', layout, zones, order: zones.map(({ id }) => id) }],
      },
    ],
  }
}

export const stageOf = (plan: FaltoPlan) => plan.variants[0]!.stages[0]!
