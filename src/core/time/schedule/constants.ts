/**
 * Fresh product over what is on takes less than the first time: partings are there and hair is wet. Our estimate.
 */
export const REAPPLY_SHARE = 0.5

/** Taking a foil out or wiping it at the chair, s. Common practice. */
export const TAKE_OUT_SECONDS = 15
/** Stripping a foil at the basin, with the rinse, s: 3–6 min a head (common practice); its share our estimate. */
export const STRIP_SECONDS = 4
export const MOST_STRIP_SECONDS = 360
/**
 * Foils that cannot reach their goal in the label's time still want so much of it before they are stripped together.
 * Our estimate: the last of them then end a quarter of a level below the first.
 */
export const SHORT_WANTS_SHARE = 0.8
/** Gown, brush through, section off, s. Our estimate. */
export const SET_UP_SECONDS = 300
/** Taking colour off the skin, rinsing and washing, s, and more on long hair, s a cm. Our estimate. */
export const RINSE_SECONDS = 360
export const RINSE_SECONDS_PER_CM = 4
/** Towel or dryer until the canvas can be judged or the next product goes on, s. Our estimate. */
export const BETWEEN_SECONDS = 300
/**
 * Work that puts nothing on, min, where the plan says nothing: a cut, a wash at the basin, colour wiped off the skin,
 * styling. Common practice for the cut; the others our estimate.
 */
export const BARE_WORK_MINUTES = { cut: 30, wash: 8, wipe: 4, style: 20 }
/** Drying, styling, looking at it together, s, and more on long hair, s a cm. Our estimate. */
export const FINISH_SECONDS = 900
export const FINISH_SECONDS_PER_CM = 20
/** How long a mixed bowl may wait before it is used, s. Our estimate. */
export const BOWL_WAITS_SECONDS = 600
/**
 * Lightener on virgin lengths leads the scalp by so long, s: the scalp is warm and catches up (common practice: 15 to
 * 25 min).
 */
export const LENGTHS_LEAD_SECONDS = 1200
/** So much at the scalp is left out meanwhile, cm. Common practice. */
export const SCALP_CM = 2.5
/** Going through a section twice takes so much of its time each time. Our estimate. */
export const TWICE_SHARE = 0.6
/** Rinsing one section at the basin while the rest stays dry, s. Our estimate. */
export const PARTIAL_RINSE_SECONDS = 180

/** A curve has so many steps and follows so many pieces of a zone. Our estimate: enough for the eye. */
export const CURVE_STEPS = 24
export const CURVE_PIECES = 5

/** A shorter break is none. Our estimate. */
export const GAP_MINUTES = 10

/** Arrivals are tried every so many minutes. Our choice. */
export const ARRIVAL_STEP = 15

/** A client may be asked to sit so much longer than alone before another time is better, min. Our estimate. */
export const BEARABLE_WAIT = 15

/** Above this the number of orders is no longer for trying out. Our choice. */
export const MOST_EXACT_TASKS = 7

/**
 * What a schedule costs beside its finish: lags longer than ideal, shorter ones, longest times that are passed. Our
 * estimate.
 */
export const LONGER_WEIGHT = 0.1
export const SHORTER_WEIGHT = 1.5
export const VIOLATION_WEIGHT = 1000

/** How often the share by which ideals give way is halved. Our estimate: an eighth of the way is minutes at most. */
export const HALVINGS = 3

/** Starts nearer than this are the same, s. Our choice. */
export const SAME_COST = 1e-6

/** Longest time that colour of another kind is taken to allow, min. Common practice: permanent colour sits up to 45. */
export const LONGER_MINUTES = [45, 60]

/** How many changes are tried. Our estimate: four times as many find less than 1 % on usual visits. */
export const SEARCH_TRIES = 2000

/** Temperature of the annealing at its beginning, as a share of the best cost; it falls to nothing. Our estimate. */
export const SEARCH_TEMPERATURE = 0.05

/**
 * How often several tasks that follow one another are moved together, and how many at most. Our estimate: it leads out
 * of dead ends that single moves do not.
 */
export const RUN_CHANCE = 0.3
export const LONGEST_RUN = 4
