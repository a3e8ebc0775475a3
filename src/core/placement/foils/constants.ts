import type { PaintShape } from '../../model'
/**
 * Widest row that still goes into one foil, and the usable width of a foil, cm. Common practice: foils are 12–13 cm
 * wide.
 */
export const ONE_FOIL_ROW_CM = 14
export const FOIL_USABLE_CM = 12.5

/** A remainder narrower than this is left to its neighbour instead of getting a foil of its own, cm. Our estimate. */
export const NARROWEST_FOIL_CM = 1

/** Folding allowance at the far end of a foil, cm. Our estimate: folded in thirds so that nothing runs out. */
export const FOLD_CM = 2

/** A zone whose mean normal lies within 40° of straight up is a top zone. Our estimate. */
export const TOP_ZONE_COSINE = Math.cos((40 * Math.PI) / 180)

/** Levels at which a field's area and row length are tabulated. Our choice. */
export const FIELD_LEVELS = 48

/**
 * How much longer or shorter than its strip is wide a parting in the strip's middle may be. Our estimate: less is not
 * seen.
 */
export const LENGTH_TOLERANCE = 0.03
export const STRIP_SAMPLES = 8

/** The spread is told to a hundredth; nothing is laid more than four times too wide. Our choice. */
export const RATIO_STEP = 0.01
export const GREATEST_RATIO = 4

/** More of a zone than this many pieces is a slip of the comb. Our estimate. */
export const MOST_PIECES = 2500

/** Points along a drawn line at which is looked which zone lies under it. Our choice. */
export const RAMP_SAMPLES = 60

/** Rows beyond this are no plan but a slip. Our estimate: a head of 1 mm partings. */
export const MOST_ROWS = 400

/**
 * A painted panel is drawn as strokes of about this width along the parting, cm. Our estimate of what a brush makes.
 */
export const STROKE_CM = 2.4

/** Corners of one stroke: along it (0…1) and across the subsection (−1 below, 1 above). Our choice. */
export const STROKES: Record<PaintShape, readonly (readonly [number, number])[][]> = {
  v: [
    [
      [0, 1],
      [1, 1],
      [0.5, -1],
    ],
  ],
  w: [
    [
      [0, 1],
      [0.55, 1],
      [0.275, -1],
    ],
    [
      [0.45, 1],
      [1, 1],
      [0.725, -1],
    ],
  ],
  diagonal: [
    [
      [0, -1],
      [0.5, -1],
      [1, 1],
      [0.5, 1],
    ],
  ],
  check: [
    [
      [0, -0.2],
      [0.25, -1],
      [1, 1],
      [0.75, 1],
      [0.28, -0.1],
    ],
  ],
}

/**
 * Share of a panel that a painted shape covers, fully soaked. Our estimate: a V leaves its two flanks, a check mark
 * more.
 */
export const PAINTED_SHARE: Record<PaintShape, number> = { v: 0.5, w: 0.65, diagonal: 0.5, check: 0.4 }

/** What is left in the hand when a slice has been back-combed towards the scalp. Our estimate. */
export const TEASED_SHARE = 0.6

/** Product that begins nearer than this to the scalp and lies in no foil gets onto the skin, cm. Our estimate. */
export const ON_SKIN_CM = 0.5

/** Saturation that takes the usual grams, the middle of its scale; and paint's, where nothing is said. Our estimate. */
export const USUAL_SATURATION = 0.5
export const PAINT_SATURATION = 1
/** What the least saturation takes of the usual grams; the most takes as much more. Our estimate. */
export const THINNEST = 0.5
