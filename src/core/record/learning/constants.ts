/** Spreads of the natural logarithm of a factor. */
export interface Spreads {
  /** Of a salon's mean about 1, before anything is known. */
  salon: number
  /** Of colourists about the mean of their salon. */
  person: number
  /** Of one job about the colourist's own mean. */
  job: number
}

/**
 * Before anything is learned. `pace`: two colourists may differ by a factor of two (common practice); `lift`: hair of
 * one kind differs by about a fifth (common practice); the others are our estimates.
 */
export const SPREADS = {
  load: { salon: 0.15, person: 0.12, job: 0.15 },
  pace: { salon: 0.2, person: 0.27, job: 0.2 },
  lift: { salon: 0.15, person: 0.08, job: 0.2 },
  mixed: { salon: 0.1, person: 0.1, job: 0.12 },
} as const satisfies Record<string, Spreads>
/** Figures that are learned from logged visits, each as a factor on what the core starts with. */
export type FactorName = keyof typeof SPREADS

/** The spread of jobs is learned too, as if this many jobs had shown the starting one. Our estimate. */
export const SPREAD_JOBS = 12

/** A job counts whole so many spreads from the mean, and beyond by this power of the distance less. Our estimate. */
export const WHOLE_WITHIN = 2.5
export const FALLS_OFF = 4

/** Rounds in which weights and means come to agree; they settle in a handful. Our choice. */
export const ROUNDS = 40

/** Half the width of an 80 % range in standard deviations (normal distribution, quantile 0.9). Published: any table. */
export const RANGE_WIDTH = 1.2816
