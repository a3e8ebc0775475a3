import type { ProductKind, Porosity, ToneHue, Base, ProductShade } from '../../model'
import type { Absorbance, Lab } from '../../hair/colour'

/** From this difference on dark colour that is rinsed out shows on the light beside it. Our estimate. */
export const RUNS_FROM_LEVELS = 3

/**
 * Share of a shade's pigment that hair takes up by the end of the label's time. Our estimate: permanent colour fullest,
 * a gloss sheerest.
 */
export const UPTAKE: Partial<Record<ProductKind, number>> = {
  permanentColour: 0.95,
  demiColour: 0.85,
  gloss: 0.75,
  directDye: 0.8,
  filler: 0.6,
  clear: 0,
}

/** Porous hair takes more, resistant hair less. Common practice; figures our estimate. */
export const POROSITY_UPTAKE: Record<Porosity, number> = { low: 0.85, normal: 1, high: 1.1 }

/**
 * Clear makes a mix sheerer: uptake × depth^0.6, so that 1 : 1 is soft (two thirds) and 1 : 4 sheer (two fifths). Our
 * estimate.
 */
export const DEPTH_EXPONENT = 0.6

/**
 * Rounding of the corner where a shade is as deep as the hair already, in absorbance: it then goes a little deeper
 * still. Our estimate.
 */
export const SOFTNESS = 0.06

/**
 * What a tone takes away in red, green and blue, per unit of its shade's depth at full strength. Each is the complement
 * of what it calms (colour theory: blue–orange, violet–yellow, green–red): blue takes red before green and so turns
 * yellow to green, violet takes green before red and does not. Sizes are our estimate, set so that a shade at its usual
 * strength shows its own colour on a canvas one level lighter.
 */
export const TONE_TAKES: Record<ToneHue, Absorbance> = {
  neutral: [0, 0, 0],
  ash: [0.5, 0.2, 0],
  green: [0.45, 0, 0.08],
  violet: [0.32, 0.42, 0],
  pearl: [0.25, 0.38, 0],
  silver: [0.45, 0.36, 0],
  beige: [0.12, 0.2, 0.12],
  gold: [0, 0.08, 0.35],
  copper: [0, 0.3, 0.45],
  red: [0, 0.45, 0.25],
}

/** How much of its depth a shade brings by its base. Our estimate. */
export const BASE_DEPTH: Record<Base, number> = { natural: 1, toned: 0.85, none: 0.6 }

/**
 * Lift from which on colour exposes as much warmth as lightener does at that level; less lift exposes its share. Our
 * estimate.
 */
export const FULL_WARMTH_LIFT = 4

// Figures in the rules: common practice, unless it says otherwise.
/** Peroxide in any developer, % and vol. Regulation (EC) 1223/2009 Annex III (from memory): 12 %. */
export const STRONGEST_VOL = 40

/** Lightener on the scalp takes 6 % at most, or what its label says, if less. Common practice. */
export const STRONGEST_LIGHTENER_ON_SCALP_VOL = 20
export const STRONGEST_GLOSS_VOL = 10

/** White is covered by shades up to about here. Common practice. */
export const COVERS_WHITE_TO_LEVEL = 7.5
export const COVERING_VOL = 20
export const COVERING_BASE = 0.5

/** Enough white to matter. Our estimate. */
export const WHITE_MATTERS = 0.2
export const ASH_NEEDS_LEVEL = 8

/** From this canvas on the warmth left is yellow, and blue turns it green. Common practice. */
export const YELLOW_FROM_LEVEL = 8.5

/** Lightened this far there is hardly any warm pigment left to go darker on. Common practice. */
export const BARE_FROM_LEVEL = 9
export const DARKER_WITHOUT_WARMTH = 1.5
export const DARKER_NEEDS_FILLER = 3

/** A tone that shows in the mix. Our estimate. */
export const SHOWS = 0.1

/**
 * Chroma left below which warmth no longer reads, CIE Lab. Our estimate: natural dark blonde has about 25, an ash one
 * 12.
 */
export const NO_LONGER_WARM = 14
export const MUTED_TO = 0.85

/**
 * How quickly the tone of a shade is lost on hair deeper than itself: by this power of their depths. Set on an ash 5 on
 * natural 3, which stays about 3 (common practice). Our estimate.
 */
export const LIGHT_SHADE_EXPONENT = 2

/** A dash is what one adds by eye: about 1 g to a 60 g bowl mixed 1 : 1. Our estimate. */
export const DASH_SHARE = 1 / 30

/** Strengths on a usual shelf, vol, where the plan names no developers. Common practice. */
export const USUAL_SHELF = [5, 10, 20, 30, 40] as const

/** Of a toned shade's mass, what is natural base. Our estimate. */
export const BASE_SHARE: Record<ProductShade['base'], number> = { natural: 1, toned: 0.5, none: 0 }

/** Developer and cream weigh about as much as water; what a label does not say. Common practice. */
export const USUAL_DENSITY_G_PER_ML = 1

/** The finest step a bowl scale shows, g. Common practice. */
export const SCALE_STEP_G = 0.1

/** Parts that are tried for two and for three shades. Common practice: simple ones. */
export const SHADE_PAIRS = [
  [1, 1],
  [2, 1],
  [1, 2],
  [3, 1],
  [1, 3],
] as const
export const THIRD_SHADES = [0.25, 0.5, 1] as const

/**
 * How many stay in the search at a time, and how many are looked at closely. Our estimate; tests hold the search
 * against trying everything.
 */
export const KEPT_PAIRS = 60
export const LOOKED_AT = 400
export const LOOKED_AT_SINGLES = 20
export const SUGGESTIONS = 5

/**
 * What a finding costs, in ΔE₀₀; a stop is never suggested. Our estimate: a fault that is seen is worth as much as a
 * clear difference.
 */
export const CAUTION_COST = 6
export const NOTE_COST = 0.25

/**
 * Just noticeable side by side, ΔE₀₀: what one more shade has to gain, because it makes a bowl that is harder to
 * repeat. Common practice.
 */
export const NOTICEABLE = 1

/** A tone that leads. Our estimate. */
export const LEADING_SHARES = 0.08

/**
 * Shades of one line no further apart than this go into one bowl; clear goes with all of them. Common practice; the
 * figure is our estimate.
 */
export const MIXED_LEVELS = 3

/** White hair, unpigmented: our estimate, between the palest blonde and paper. */
export const WHITE_HAIR: Lab = { l: 88, a: 0, b: 7 }

/**
 * What dyes cover of white hair where a formula names no shade yet, %: permanent colour all of it, sheer ones stain it.
 * Common practice; the figures are our estimate.
 */
export const USUAL_WHITE_COVER: Partial<Record<ProductKind, number>> = {
  permanentColour: 100,
  demiColour: 60,
  gloss: 25,
  directDye: 40,
}
