import type { TreatmentKind, Texture, Cover, Integrity, ProductKind } from '../../model'

/** Skin under product, and a usual salon, °C. From memory; common practice. */
export const SCALP_CELSIUS = 33
export const ROOM_CELSIUS = 21
/**
 * How far body heat reaches along the hair, cm: it drives the first 2–3 (common practice); its fall by e is our
 * estimate.
 */
export const BODY_HEAT_CM = 3
/**
 * Share of the warmth between room and scalp that product keeps away from the scalp under each cover. Our estimate:
 * foils lie warm on one another.
 */
export const KEPT_WARMTH: Record<Cover, number> = { foil: 0.8, film: 0.5, open: 0.2 }
/**
 * What neighbours on both sides add to it; the last foils of a head lie in cold air and lag (common practice; figure
 * our estimate).
 */
export const NEIGHBOUR_WARMTH = 0.15
/**
 * Beyond this the ends hang in the cold (common practice); the warmth kept falls by e every so many cm more. Our
 * estimate.
 */
export const HANGS_FROM_CM = 45
export const HANGING_CM = 15
/** What careful heat adds, °C. Our estimate; only where the product allows it. */
export const HEAT_CELSIUS = 8

/**
 * Time in which the moisture that drives lift falls by e, min: slow in foil, medium on the scalp, fast in open air
 * (common practice; figures our estimate).
 */
export const DRYING_MINUTES: Record<Cover | 'onScalp', number> = { foil: 150, film: 120, onScalp: 90, open: 30 }
/** Product that has lost so much of its moisture is wetted or applied again. Our estimate. */
export const DRY_AT = 0.6
/** Clay dries more slowly behind its own shell, and works more slowly in it. Common practice; figures our estimate. */
export const CLAY_DRYING_FACTOR = 2
export const CLAY_SPEED = 0.85
/** Water restores moisture and thins the peroxide by so much. Our estimate. */
export const MIST_DILUTION = 0.9
/** A mix loses strength from mixing on: a fifth over its working life. Our estimate. */
export const STRENGTH_AT_LIFE_END = 0.8
/**
 * Working life of a lightener whose label is not asked, and age of a bowl that has just been mixed, min. Our estimate.
 */
export const USUAL_LIFE_MINUTES = 45
export const FRESH_BOWL_MINUTES = 5

/**
 * Levels a lightener lifts at most where its label is not known, and the lightest that hair becomes. Common practice.
 */
export const USUAL_MAXIMUM_LIFT = 8
export const LIGHTEST_LEVEL = 10.5
/** Coefficient of variation of the speed of lift from head to head, and from strand to strand on one. Our estimate. */
export const RATE_VARIATION = 0.2
/** How near to the goal is there, levels: less is not seen. Common practice. */
export const NEAR_ENOUGH = 0.25

/** Fine hair at the hairline lifts fastest, nape and back slowest. Common practice; figures our estimate. */
export const HAIRLINE_RATE = 1.2
export const TEMPLE_RATE = 1.15
export const BACK_RATE = 0.95
export const NAPE_RATE = 0.9

/**
 * How much peroxide a band stands, % · min at 33 °C in fresh, wet product, by what it is like; where it was lightened
 * before every % counts half as much again. Our estimate.
 */
export const STRAIN_BUDGET: Record<Integrity, number> = { sound: 400, worn: 250, fragile: 120, breaking: 1 }
export const OVERLAP_STRAIN = 1.5

/**
 * How long colour and care sit where the label does not say, min: gloss 20, permanent 30–45, removers 30 (common
 * practice); the others our estimate.
 */
export const USUAL_MINUTES: Partial<Record<ProductKind, number>> = {
  permanentColour: 35,
  demiColour: 20,
  gloss: 20,
  directDye: 20,
  clear: 20,
  filler: 15,
  remover: 30,
  equaliser: 3,
  primer: 5,
  acidSealer: 5,
  treatment: 10,
}
/** Lightener stays at least so long, min. Our estimate. */
export const LEAST_LIGHTENER_MINUTES = 10
/**
 * Time constant of the lift that permanent colour gives, min: most of it comes in the first half of its time. Our
 * estimate.
 */
export const COLOUR_LIFT_MINUTES = 15

/** Steps in which moisture and warmth count as constant, min. Our estimate: finer ones change nothing that is shown. */
export const COURSE_STEP = 0.5

/**
 * How fast lightener works on hair with a history, against virgin hair. Artificial pigment is slower, box dye slowest;
 * porous lightened hair is faster (common practice; figures our estimate). Over metallic salts there is no lightening
 * at all.
 */
export const HISTORY_RATE: Record<TreatmentKind, number> = {
  lightened: 1.05,
  sun: 1.05,
  mineral: 0.9,
  demi: 0.8,
  permanent: 0.75,
  unknown: 0.5,
  boxDye: 0.5,
  henna: 0.45,
  metallic: 0,
}

/**
 * How much slower each further layer of dye makes it, up to so many: ends that were dyed again and again hold the most
 * pigment (common practice; figures our estimate).
 */
export const BUILD_UP = 0.85
export const MOST_BUILD_UP = 3

/**
 * Lightest level that lightener can be trusted to reach over a history. Our estimate; what is not named can reach what
 * any hair can.
 */
export const LIGHTEST_OVER: Partial<Record<TreatmentKind, number>> = {
  permanent: 9,
  boxDye: 8.5,
  henna: 8,
  unknown: 7.5,
}
/**
 * How uncertain the speed is over what nobody knows, against virgin hair (common practice: promise nothing over box
 * dye; twice is our estimate).
 */
export const UNSURE_OVER: Partial<Record<TreatmentKind, number>> = { boxDye: 2, unknown: 2, henna: 2 }

/** Fine hair lifts faster, coarse hair more slowly (common practice; figures our estimate). */
export const TEXTURE_RATE: Record<Texture, number> = { fine: 1.15, medium: 1, coarse: 0.85 }

/**
 * Lightener's rate at 33 °C, levels a minute, on virgin medium hair, and how it follows peroxide (% in the mix), share
 * of lightener in the mix and warmth (times ten degrees). Our estimate: set, together with the warmth kept by covers
 * and the speeds over histories, on every fact that is known (scripts/calibrate.ts prints how far each is missed).
 */
export const RATE_LEVELS_PER_MIN = 0.12
export const REFERENCE_PEROXIDE = 4
export const REFERENCE_SHARE = 1 / 3
export const STRENGTH_EXPONENT = 0.5
export const SHARE_EXPONENT = 0.5
export const Q10 = 2
export const REFERENCE_CELSIUS = 33

/** Foils with hair left between them lie half as warm as foil on foil. Our estimate. */
export const LOOSE_INSULATION = 0.5
