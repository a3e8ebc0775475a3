import type { TreatmentKind } from '../../model'

/**
 * Rings of scalp cells; ring k has 3(2k + 1) of them, so that all have the same area on the disk of radius s. 192 in
 * all. Our choice.
 */
export const CELL_RINGS = 8
/**
 * Steps in which the hairline is tabulated from face to nape, on either side alike; radii are right to 1e-4 cm. Our
 * choice.
 */
export const RIM_STEPS = 720
/** Kinds of hair that one cell can tell apart: five stages of a visit on white and pigmented hair. Our estimate. */
export const MOST_POPULATIONS = 24
/** Rarer hair of a cell is told of no more: of its five hundred hairs or so, two or three. Our choice. */
export const LEAST_POPULATION = 0.005
/** How unlike another hue at full strength, or another history, makes two bands, levels. Our estimate. */
export const ANOTHER_HUE = 1
export const ANOTHER_HISTORY = 1
/** From this share of white hairs on a kind of hair is white hair. Our choice. */
export const WHITE_FROM = 0.5
/** A band shorter than this cannot be treated on its own, cm. Our estimate. */
export const SHORTEST_BAND_CM = 0.3
/** Edges of bands are kept to this, cm: finer than a hand measures. Our choice. */
export const EDGE_STEP_CM = 0.1

/**
 * Washes after which half of a dye's tone has gone. Demi-permanent colour is commonly said to last about 24 washes (two
 * of these: a quarter is left); permanent and box dye lose their tone several times slower. Common practice; figures
 * our estimate.
 */
export const HALF_LIFE_WASHES: Partial<Record<TreatmentKind, number>> = {
  demi: 12,
  permanent: 40,
  boxDye: 50,
  henna: 200,
  unknown: 60,
  metallic: 200,
}
/** Cool tones leave first (common practice): share of the half-life they last. Our estimate. */
export const COOL_HALF_LIFE_SHARE = 0.6
/** Depth goes more slowly than tone. Our estimate. */
export const DEPTH_HALF_LIFE_FACTOR = 2
/** Below this a tone no longer reads, and the warmth beneath comes back. Our estimate. */
export const READABLE_STRENGTH = 0.15
/** Strength with which exposed warmth then shows. Our estimate. */
export const EXPOSED_WARMTH = 0.3
/** Washes a week where nothing is recorded. Our estimate. */
export const USUAL_WASHES_PER_WEEK = 3
/** Kinds of strand that one record can tell apart. Our estimate: more is no longer read by anyone. */
export const MOST_STRANDS = 100

/**
 * Bands of one strand, and things done to one band, that a record tells apart after a visit; fewer than may be entered,
 * so that there is room for new growth and for what a hand adds. Our choice.
 */
export const MOST_BANDS = 20
export const MOST_TREATMENTS = 8

/** Steps of arc in which a cell is measured and drawn. Our choice. */
export const ARC_STEPS = 6

/** The part of a strand that lies under other hair: its first third. Our estimate. */
export const HIDDEN_SHARE = 1 / 3
