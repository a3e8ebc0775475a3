import type { LengthRegion } from './consultation'

export const DENSITIES = ['low', 'medium', 'high'] as const
export const TEXTURES = ['fine', 'medium', 'coarse'] as const
export const CURLS = ['straight', 'wavy', 'curly', 'coily'] as const
export const CUT_LINES = ['oneLength', 'layered', 'graduatedForward', 'graduatedBack'] as const
export const FALLS = ['forward', 'left', 'right', 'back'] as const
export const PARTS = ['none', 'left', 'centre', 'right', 'zigzag'] as const
export const HAIRLINE_SHAPES = ['rounded', 'straight', 'peaked', 'receding'] as const
export const FRAGILE_AREAS = ['nape', 'hairline', 'temples', 'ends'] as const
export const SCALP_CONDITIONS = ['calm', 'dry', 'irritated', 'broken'] as const

export type Density = (typeof DENSITIES)[number]
export type Texture = (typeof TEXTURES)[number]
export type Curl = (typeof CURLS)[number]
export type CutLine = (typeof CUT_LINES)[number]
export type Fall = (typeof FALLS)[number]
export type Part = (typeof PARTS)[number]
export type HairlineShape = (typeof HAIRLINE_SHAPES)[number]
export type FragileArea = (typeof FRAGILE_AREAS)[number]
export type ScalpCondition = (typeof SCALP_CONDITIONS)[number]

/** What is known about the hair before work begins. */
export interface HairState {
  /** 1 (black) to 10 (lightest blonde), fractions allowed. */
  naturalLevel: number
  density: Density
  texture: Texture
  curl: Curl
  /**
   * `oneLength`: all hair ends on one horizontal line. `graduated…`: on a line that falls towards the face or the back.
   * `layered`: every root carries the same length.
   */
  cutLine: CutLine
  /** Stretched length at the crown, cm. */
  lengthCm: number
  /** Weeks since the last colour service; 0 when freshly done or unknown. */
  weeksSinceColour: number
  /** Stretched lengths as measured, cm; they come before the cut line. */
  regionLengthsCm?: RegionLengths | undefined
  /** The same hair as it is worn, cm. */
  wornLengthsCm?: RegionLengths | undefined
  /** Around a ponytail of all the hair, cm. */
  ponytailCm?: number | undefined
  growthCmPerMonth?: number | undefined
  washesPerWeek?: number | undefined
  fall?: Fall | undefined
  part?: Part | undefined
  hairlineShape?: HairlineShape | undefined
  fragile?: FragileArea[] | undefined
  scalp?: ScalpCondition | undefined
}

/** A length for each region that was measured, cm. */
export type RegionLengths = { [region in LengthRegion]?: number | undefined }

/** The hair of whom nothing is known yet. Our choice: the middle of everything. */
export const STARTING_HAIR: HairState = {
  naturalLevel: 5,
  density: 'medium',
  texture: 'medium',
  curl: 'straight',
  cutLine: 'layered',
  lengthCm: 35,
  weeksSinceColour: 0,
}

/** Ways of wearing hair that are kept apart where figures follow every edit. */
export type WearKind = 'straight' | 'waved' | 'tied'

/** For every scalp cell: how much of what is seen grows there, against how much of the hair does. */
export type SeenCells = Record<WearKind, readonly number[]>

/** Where along the stretch that gets product a strand is looked at. */
export const STRAND_SPOTS = ['scalpEnd', 'middle', 'ends'] as const
export type StrandSpot = (typeof STRAND_SPOTS)[number]
