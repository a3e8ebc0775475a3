import type { Integrity, Porosity, RootWish, School, Texture, ToneHue, TreatmentKind } from '../../model'

/**
 * Level the lightened canvas has to reach before a tone reads on it. Ash, cool and neutral browns 8, golden 7–8, silver
 * 10 (common practice); the others our estimate between them.
 */
export const TONE_CANVAS: Record<ToneHue, number> = {
  neutral: 8,
  ash: 8,
  green: 8,
  violet: 9,
  pearl: 9,
  silver: 10,
  beige: 7.5,
  gold: 7,
  copper: 5.5,
  red: 4,
}
/** How much lower the canvas may stay where warmth is accepted, levels. Our estimate. */
export const WARMTH_ALLOWANCE = { none: 0, some: 0.5, welcome: 1 } as const

/** A difference that nobody sees, levels. Our estimate. */
export const UNSEEN_LEVELS = 0.25

/** Lightest level that is promised. Our estimate: palest yellow. */
export const LIGHTEST_AT_ALL = 10

/** Lightener in foil for 40–50 min at 29–33 °C (30–60 min is common practice; the range within it our estimate). */
export const ONE_VISIT = { slow: { minutes: 40, celsius: 29 }, fast: { minutes: 50, celsius: 33 } } as const
/** A moist product in a closed foil from a fresh bowl, able to lift eight levels. Our estimate. */
export const IN_FOIL = { ratio: 2, moist: 0.9, fresh: 0.95, maximumLift: 8 } as const

/**
 * The two schools on developer strength: one holds that it only sets the speed and keeps it low, the other steps up for
 * more lift in a visit. Common practice; the toll on the hair per level, against the first, is our estimate.
 */
export const SCHOOL_MEANS: Record<School, { name: string; developerVol: number; toll: number; words: string }> = {
  lowAndSlow: {
    name: 'Low and slow',
    developerVol: 20,
    toll: 1,
    words: 'Strength only sets the speed: 20 vol throughout, more visits if need be.',
  },
  stepUp: {
    name: 'Step up',
    developerVol: 30,
    toll: 1.3,
    words: 'More strength for more lift in one visit: up to 30 vol in foil, at a higher toll on the hair.',
  },
}

/** Artificial pigment that a remover shrinks, and what it gains, levels. Common practice; figures our estimate. */
export const REMOVABLE: readonly TreatmentKind[] = ['permanent', 'boxDye', 'unknown']
export const REMOVER_LEVELS = { low: 1, high: 2 } as const
/** Need from which a remover comes first, levels. Our estimate. */
export const REMOVER_FROM = 3

/**
 * Damage budget: what a band stands, and what each level of lift takes from it. Our estimate, in shares of sound hair's
 * budget.
 */
export const BUDGET: Record<Integrity, number> = { sound: 0.9, worn: 0.5, fragile: 0.22, breaking: 0 }
export const TOLL_PER_LEVEL = 0.08
export const POROSITY_TOLL: Record<Porosity, number> = { low: 1, normal: 1, high: 1.4 }
export const TEXTURE_TOLL: Record<Texture, number> = { fine: 1.25, medium: 1, coarse: 0.9 }

/** Permanent colour covers white up to about this level; above, it stains (7–8 is common practice). */
export const COVERS_WHITE_TO = 7.5
/**
 * Weeks that a root design carries. Retouch to the scalp 3–4, rooted and glossed 6–8, soft rooted 8–12: common
 * practice.
 */
export const UPKEEP_WEEKS: Record<RootWish, { low: number; high: number }> = {
  toScalp: { low: 3, high: 4 },
  rooted: { low: 6, high: 8 },
  melt: { low: 8, high: 12 },
}
/** Levels between the light pieces and the rest: 2–3 subtle, 3–4 clear, 5 and more bold. Common practice. */
export const CONTRAST_LEVELS = {
  subtle: { low: 2, high: 3 },
  clear: { low: 3, high: 4 },
  bold: { low: 5, high: 9 },
} as const
/** Heads differ: weeks until a tone is gone, as factors about the expected. Our estimate. */
export const FADE_SPREAD = { low: 0.7, high: 1.4 } as const
/** Share of white hair from which it has a say in the plan. Our estimate. */
export const WHITE_MATTERS = 0.1
/** More than this many visits is no plan but a hope. Corrections take 2–5 visits (common practice). */
export const MOST_VISITS = 6
