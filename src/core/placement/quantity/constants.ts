import type { Consistency, Method, ProductKind, TakeKind } from '../../model'

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

/** Products that are thin enough to run: combed through from a bottle. Common practice. */
export const LIQUID_KINDS: readonly ProductKind[] = ['gloss', 'clear', 'demiColour', 'directDye']
/** Products that go on with the hands or from a spray. Common practice. */
export const MASSAGED_KINDS: readonly ProductKind[] = ['treatment', 'equaliser', 'primer', 'acidSealer']

/**
 * Film on the scalp by method, g of mix per cm²: lightener is worked through thin partings, colour spread, a shadow
 * combed thin, what is poured only wets the skin. Our estimate from whole-head retouches of about 100 g, root colours
 * of 60–100 g and shadow roots of 30–60 g (common practice).
 */
export const LIGHTENER_FILM_G_PER_CM2 = 0.15
export const FILM_G_PER_CM2: Record<Method, number> = {
  brushOnScalp: 0.11,
  brush: 0.04,
  bottleAndComb: 0.02,
  sprayOrMassage: 0.02,
  painting: 0,
  foil: 0,
}
/**
 * Product that hair takes by method, against its load: what is combed through wets less than what is brushed on. Our
 * estimate from glosses of 90–120 g on shoulder-length hair (common practice).
 */
export const METHOD_LOAD: Record<Method, number> = {
  foil: 1,
  brushOnScalp: 1,
  brush: 1,
  bottleAndComb: 0.75,
  sprayOrMassage: 0.75,
  painting: 1,
}
/** What a mix weighs on hair and skin by how thick it is, against a cream. Our estimate. */
export const CONSISTENCY_LOAD: Record<Consistency, number> = { liquid: 0.85, cream: 1, thick: 1.15 }
/**
 * Product coats the fibre's surface, and a gram of coarse hair has less of it than a gram of fine: load goes with
 * 1/diameter (mathematics: a cylinder), 1 at this diameter, µm: medium hair.
 */
export const COATED_AT_UM = 70
/**
 * Brushed onto the bare foil or panel between what was picked up, g per cm² of it. Our estimate: a woven foil takes
 * 2–4 g.
 */
export const BARE_FOIL_G_PER_CM2 = 0.003
/** Clay laid on the surface of a painted panel, g per cm² of what is painted. Our estimate: 100–250 g a long head. */
export const PAINT_FILM_G_PER_CM2 = 0.012

/** Left on each foil's edges, and left in each bowl, g. Our estimate. */
export const EDGE_LOSS_G = 0.3
export const BOWL_RESIDUE_G = 4
/**
 * Less than this is not mixed, g: shades and developer of a few grams cannot be weighed against each other. Our
 * estimate; common practice mixes more for a few rows of gloss.
 */
export const LEAST_MIX_G = 20
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

/**
 * Seconds for one foil by its take: laying, picking, painting and folding, with what each centimetre of width adds.
 * Common practice for an experienced hand: 30 s a slice, 40–45 a weave, 55–65 a babylight, ten more when it is teased.
 */
export const FOIL_SECONDS: Record<TakeKind, { each: number; perCm: number }> = {
  slice: { each: 12, perCm: 1.7 },
  weave: { each: 15, perCm: 2.4 },
  babylight: { each: 20, perCm: 3.6 },
  teased: { each: 22, perCm: 1.7 },
  painted: { each: 15, perCm: 2 },
  block: { each: 12, perCm: 1.7 },
  onScalp: { each: 12, perCm: 1.7 },
}
/** Back-combing before another take, and a parting drawn in a zigzag against a straight one. Our estimate. */
export const TEASED_SECONDS = 10
export const ZIGZAG_SLOWNESS = 1.15
/** One more formula in a foil: the brush is changed, the join is pressed. Our estimate. */
export const STRETCH_SECONDS = { each: 8, perCm: 0.8 }
/** A painted panel, open: 45–90 s (common practice). */
export const PAINTING_SECONDS = { each: 25, perCm: 4 }
/** Brushed onto the scalp parting by parting: 20–30 min a head in 3 mm partings (common practice). */
export const SCALP_SECONDS_PER_CM = 0.7
/**
 * By brush, by bottle and comb, by spray or hand, s per cm² of scalp worked: a shadow root takes 8–15 min, block shapes
 * 10–20, a gloss 5–10, a spray 1–3 (common practice for a whole head of about 650 cm²).
 */
export const AREA_SECONDS_PER_CM2: Record<'brush' | 'bottleAndComb' | 'sprayOrMassage', number> = {
  brush: 1.05,
  bottleAndComb: 0.65,
  sprayOrMassage: 0.2,
}
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
