/** Ends of foils longer than this hang in the cold and lag behind, cm. Common practice. */
export const LONG_FOIL_CM = 45

/** Lightener in subsections thicker than this lifts patchily, mm. Common practice: usual foils are 6–10 mm. */
export const THICK_SUBSECTION_MM = 10

/** Lightener on the scalp: 6 % at most, or the label's own limit if less. Common practice. */
export const ON_SCALP_VOL = 20

/**
 * Difference in lift between first and last foil that is worth a word, levels: the smallest step that shows (common
 * practice).
 */
export const UNEVEN_LEVELS = 2

/** Hands-on work beyond this is no day's work, min. Our estimate. */
export const LONGEST_DAY_MIN = 360

/** How far a retouch may run onto what was treated before, cm. Our estimate: what a brush cannot help. */
export const OVERLAP_CM = 0.5
