/**
 * Colour does not begin on every strand at the same place: so far to either side, cm, by how softly the take begins.
 * Our estimate.
 */
export const SOFTNESS_CM = { foil: 0.35, soft: 2.2 } as const
export const SOFT_TAKES: readonly string[] = ['teased', 'painted']

/**
 * A root that lies this far beside a section worked whole still belongs to it, cm: rows leave corners. Our estimate.
 */
export const BESIDE_CM = 1.6

/**
 * Step in which colour along a strand is tabulated, and the way over which one band goes over into the next, cm. Our
 * choice.
 */
export const TABLE_STEP_CM = 0.5

/** White hair that nothing was done to: what tone it shows, and how strongly. Our estimate. */
export const WHITE_TONE = { hue: 'silver', strength: 0.6 } as const

/** Least size of the squares of the map in which pieces are looked up, cm. Our choice. */
export const SQUARE_CM = 0.8

/** The ends of a parting take hair so far beyond them, in lengths of their last stretch. Our estimate. */
export const LINE_ENDS = 0.2
