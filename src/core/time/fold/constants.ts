/** How light white hair reads, level. Our estimate: the palest step of the scale, nothing of its own to lift. */
export const WHITE_LEVEL = 11

/** Levels that a remover takes of a dye where nobody knows what lies beneath. Common practice: about two. */
export const REMOVED_LEVELS = 2

/** Warmth that a filler puts back where it names no shade. Common practice: copper; the strength is our estimate. */
export const FILLER_TONE = { hue: 'copper', strength: 0.5 } as const

/** A shade so many levels lighter than the hair leaves none of its tone there; between, in proportion. Our estimate. */
export const TONE_IS_LOST_LEVELS = 3

/** Edges of what is treated are kept to this, cm: strands that differ by less are one kind of hair. Our choice. */
export const STRETCH_STEP_CM = 0.5

/** Kinds of hair that one cell tells apart while a visit is folded: five stages of two mixes each. Our estimate. */
export const MOST_LOCKS = 40

/** As unlike as that, levels, is what grows white or was taken by other stages: more than any levels. Our choice. */
export const UNLIKE_LEVELS = 20

/** A kind of hair below this share of a cell is none. Our choice: a thousandth is a hair or two. */
export const LEAST_SHARE = 1e-3

/**
 * Foils are counted along partings and cells over their area, which differ by a little: sections taken whole that come
 * to this of a cell take all of it; less is the edge of a section. Our estimate.
 */
export const WHOLLY_FROM = 0.8

/** Looks of hair that are told of what a formula goes on, and the shortest and rarest that are. Our choice. */
export const MOST_SURFACES = 6
export const SHORTEST_SURFACE_CM = 0.5
export const LEAST_SURFACE_SHARE = 0.02
