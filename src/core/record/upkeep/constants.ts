/** How the root was done, which decides when it shows. Common practice. */
export const ROOT_DESIGNS = ['toScalp', 'rooted', 'soft'] as const
export type RootDesign = (typeof ROOT_DESIGNS)[number]

/** Weeks until the next full visit, by the root. Common practice. */
export const FULL_WEEKS: Record<RootDesign, { from: number; to: number }> = {
  toScalp: { from: 3, to: 4 },
  rooted: { from: 6, to: 8 },
  soft: { from: 8, to: 12 },
}

/** A tone is freshened after so many weeks, between full visits. Our estimate: half of a cool tone has gone by then. */
export const GLOSS_WEEKS = { from: 4, to: 6 } as const

/** Nearer than this product lies on the root, cm; from the second on it grows out without a line. Our estimates. */
export const AT_ROOT_CM = 0.5
export const SOFT_FROM_CM = 3

/** So much of a section taken to the scalp shows as a line when it grows; less of it is broken up. Our estimate. */
export const SOLID_SHARE = 0.75

/** From this level on yellow shows as a tone goes. Common practice. */
export const YELLOW_FROM_LEVEL = 8
