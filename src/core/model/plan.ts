import type { HairState } from './hair'
import type { HeadMeasures } from './head'
import type { BoundaryStep, Layout } from './layout'
import type { Placement } from './placement'

export const PLAN_FORMAT = 'falto-plan'
export const PLAN_SCHEMA_VERSION = 1
/** Changes whenever a constant of the core changes; a document remembers under which it was made. */
export const CONSTANTS_VERSION = '2026.11'

export const PRODUCT_KINDS = ['powderLightener', 'creamLightener', 'permanentColour', 'gloss'] as const
export const TONES = ['cool', 'neutral', 'warm'] as const
export const STAGE_KINDS = ['prepare', 'base', 'lighten', 'dropoutPaint', 'primer', 'shadowRoot', 'melt', 'gloss', 'blockTone', 'treat'] as const
export const WORKS_ON = ['everything', 'took', 'dropped'] as const

export type ProductKind = (typeof PRODUCT_KINDS)[number]
export const isLightener = (kind: ProductKind): boolean => kind === 'powderLightener' || kind === 'creamLightener'
export type Tone = (typeof TONES)[number]
export type StageKind = (typeof STAGE_KINDS)[number]

/** A catalogue item as it was when the plan was made. */
export interface Product {
  id: string
  name: string
  kind: ProductKind
  /** The label's longest processing time, minutes. */
  maximumMinutes: number
}

/** A mix, told apart by its letter. */
export interface Formula {
  /** One capital letter. */
  id: string
  name: string
  productId: string
  /** Strength of the developer, vol. */
  developerVol: number
  /** Parts of developer to one part of product. */
  ratio: number
  /** Level the hair is meant to show. */
  level: number
  tone: Tone
}

/** What was learned from this colourist's own figures; 1 is the starting value. */
export interface LearnedFactors {
  load: number
  seconds: number
}

export interface Zone {
  id: string
  /** Which section of the template this is; lets a change of parameters keep the zone. */
  role: string
  name: string
  boundary: BoundaryStep[]
  placement: Placement
}

/** Which hair a stage works on: everything, what an earlier stage took, or what it dropped. */
export interface WorksOn {
  kind: (typeof WORKS_ON)[number]
  stageId?: string | undefined
}

/** What is known about hair place by place, %, in the fixed order of the core's scalp cells. */
export interface HairMap {
  whitePercent: number[]
  /** Of the hair, what carries an earlier treatment. */
  earlierPercent: number[]
}

export interface Stage {
  id: string
  kind: StageKind
  name: string
  worksOn?: WorksOn | undefined
  layout: Layout
  zones: Zone[]
  /** Zone ids in the order of application. */
  order: string[]
}

export interface Variant {
  id: string
  name: string
  stages: Stage[]
}

/** The plan document `falto-plan` v1: everything that is needed to compute it. */
export interface FaltoPlan {
  format: typeof PLAN_FORMAT
  schemaVersion: typeof PLAN_SCHEMA_VERSION
  constantsVersion: string
  name: string
  head: HeadMeasures
  hair: HairState
  hairMap?: HairMap | undefined
  products: Product[]
  formulas: Formula[]
  learned: LearnedFactors
  /** Why the plan was proposed as it was, choice by choice. */
  proposal?: string[] | undefined
  activeVariantId: string
  variants: Variant[]
}
