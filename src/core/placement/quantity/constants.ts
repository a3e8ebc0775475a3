import type { ProductKind } from '../../model'

/**
 * Grams of mix per gram of hair, by kind of product; 0 for what is only mixed into others. Starting values: common
 * practice and our estimate.
 */
export const LOAD: Record<ProductKind, number> = {
  powderLightener: 2.0,
  clayLightener: 1.6,
  creamLightener: 2.0,
  permanentColour: 1.15,
  demiColour: 1.0,
  gloss: 0.6,
  directDye: 1.0,
  clear: 0.6,
  filler: 0.8,
  remover: 2.0,
  equaliser: 0.4,
  primer: 0.4,
  acidSealer: 0.6,
  treatment: 0.8,
  bondAdditive: 0,
  developer: 0,
}

/**
 * Hair longer than this takes up less per gram, because strands lie on one another in the foil: load × (45 /
 * length)^0.35. Our estimate, set so that very long dense hair needs about twice the mix of shoulder-length hair
 * (common practice).
 */
export const LONG_HAIR_CM = 45
export const LONG_HAIR_EXPONENT = 0.35

/**
 * Film on the scalp of a standard root retouch, g of mix per cm². Our estimate from whole-head retouches of about 100
 * g.
 */
export const SCALP_FILM_G_PER_CM2 = 0.15

/** Left on each foil's edges, and left in each bowl, g. Our estimate. */
export const EDGE_LOSS_G = 0.3
export const BOWL_RESIDUE_G = 4
/** Mix that one bowl holds, g, and from this length on a double one. Common practice; the length is our estimate. */
export const BOWL_G = 120
export const LONG_BOWL_G = 220
export const LONG_BOWL_FROM_CM = 60
/**
 * How long a bowl is good where its label is not known, min: powder mixes swell and lose strength. Common practice;
 * colour our estimate.
 */
export const LIGHTENER_LIFE_MINUTES = 30
export const COLOUR_LIFE_MINUTES = 45
/** Walking to the dispensary, mixing and coming back, min. Our estimate. */
export const MIXING_MINUTES = 3

/** Coefficients of variation of what makes hair take more or less, shared by the whole head. Our estimate. */
export const GRAMS_VARIATION = { density: 0.15, fibre: 0.16, load: 0.15, length: 0.05 } as const
/**
 * Coefficient of variation of what stays on foil edges and in bowls: a hand's habit, the same all over the head. Our
 * estimate.
 */
export const WASTE_VARIATION = 0.3

/** Seconds of work. Starting values: common practice, to be replaced by what is learned from each colourist. */
export const FOIL_SECONDS = 15
export const FOIL_SECONDS_PER_CM = 3
/** Back-combing a subsection before it is foiled. Common practice. */
export const TEASED_SECONDS = 8
/** Painting a panel without a foil: no folding, more brush. Our estimate. */
export const OPEN_SECONDS = 8
export const OPEN_SECONDS_PER_CM = 3.5
export const SCALP_SECONDS_PER_CM = 0.7
export const ZONE_SECONDS = 45
/** Long hair is slower to lay into foils: +1 % a cm beyond 30 cm, at most +50 %. Our estimate. */
export const SLOW_FROM_CM = 30
export const SLOWER_PER_CM = 0.01
export const SLOWEST = 1.5
/** Coefficient of variation of the hands. Our estimate. */
export const SECONDS_VARIATION = 0.13

/** Quantile of the normal distribution for p10 and p90. Mathematics. */
export const P90 = 1.2815515655446004

/** How even bowls have to be, g. Our estimate: less is not weighed apart. */
export const EVEN_TO_G = 0.25
