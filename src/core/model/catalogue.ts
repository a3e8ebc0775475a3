import type { ToneHue } from './consultation'

export const PRODUCT_KINDS = [
  'powderLightener',
  'clayLightener',
  'creamLightener',
  'permanentColour',
  'demiColour',
  'gloss',
  'directDye',
  'clear',
  'filler',
  'bondAdditive',
  'remover',
  'equaliser',
  'primer',
  'acidSealer',
  'developer',
  'treatment',
] as const
export type ProductKind = (typeof PRODUCT_KINDS)[number]

/** What goes into a bowl beside something else and never alone. */
export const COMPANION_KINDS = ['bondAdditive', 'developer'] as const satisfies readonly ProductKind[]
/** What lifts natural pigment and leaves nothing. */
export const LIGHTENER_KINDS = [
  'powderLightener',
  'clayLightener',
  'creamLightener',
] as const satisfies readonly ProductKind[]
/** What leaves colour. */
export const COLOUR_KINDS = [
  'permanentColour',
  'demiColour',
  'gloss',
  'directDye',
] as const satisfies readonly ProductKind[]

const among =
  (kinds: readonly ProductKind[]) =>
  (kind: ProductKind): boolean =>
    kinds.includes(kind)
export const isLightener = among(LIGHTENER_KINDS)
export const isCompanion = among(COMPANION_KINDS)
export const isColour = among(COLOUR_KINDS)

export const BASES = ['natural', 'toned', 'none'] as const
/** `natural`: a natural base all through, `toned`: some of it under the tone, `none`: tone alone. */
export type Base = (typeof BASES)[number]

/** What a shade is. */
export interface ProductShade {
  level: number
  hue: ToneHue
  /** How strongly the tone shows, 0…1. */
  strength: number
  base: Base
  /** Of white hair, by the label, %. */
  whiteCoverPercent: number
  /** Its swatch, CIE Lab under D65, where it was measured. */
  swatch?: Swatch | undefined
}

export interface Swatch {
  l: number
  a: number
  b: number
}

/** What the label allows. */
export interface ProductRules {
  /** Parts of developer to one of product; empty: used as it is. */
  ratios: number[]
  developerMinVol: number
  developerMaxVol: number
  /** How long a mixed bowl is good. */
  workingLifeMinutes: number
  minimumMinutes: number
  /** Levels it lifts at most; 0 for what does not lift. */
  maximumLift: number
  heat: boolean
  onScalp: boolean
  damp: boolean
}

/** What an additive does to a mix. */
export interface ProductAdditive {
  /** Of the shades' or lightener's mass, as the label says and at most, %. */
  percent: number
  maximumPercent: number
  /** Factors on speed of lift and on the time it needs. */
  liftFactor: number
  timeFactor: number
}

/** How it is bought. */
export interface ProductPack {
  grams: number
  /** In the smallest unit of the salon's money. */
  priceMinor: number
  densityGPerMl: number
}

/** A catalogue item as it was when the plan was made. What is left out is not known. */
export interface Product {
  id: string
  name: string
  kind: ProductKind
  /** The label's longest processing time, minutes. */
  maximumMinutes: number
  line?: string | undefined
  shade?: ProductShade | undefined
  rules?: ProductRules | undefined
  additive?: ProductAdditive | undefined
  /** Of a developer. */
  developerVol?: number | undefined
  pack?: ProductPack | undefined
}

/** A product as the salon keeps it: everything is known but what does not apply. */
export interface CatalogueItem extends Product {
  line: string
  rules: ProductRules
  pack: ProductPack
  /** Order more when less than this is left, g. */
  reorderG: number
}

/** A catalogue item as plans hold it. */
export const productOf = ({ reorderG: _shelfOnly, ...product }: CatalogueItem): Product => product
