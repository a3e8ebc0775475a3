import { radians } from '../../units'

/**
 * Half-axes of the reference head, cm: breadth, front, back, up, down. Our estimate, fitted so that the circumference
 * is 53.0 cm and length and breadth agree with adult female surveys (18.5–19 × 14.5–15 cm, from memory).
 */
export const REFERENCE_AXES = { breadth: 7.35, front: 9.3, back: 9.6, up: 13, down: 11 } as const

/** Used when nothing was measured; the middle of adult female heads (54–57 cm, from memory). */
export const DEFAULT_CIRCUMFERENCE_CM = 54

/** Polar angle of the hairline (0° apex, 90° ear height) at azimuths from the face to the nape. Our estimate. */
export const HAIRLINE_LANDMARKS: ReadonlyArray<{ name: string; psiDeg: number; thetaDeg: number }> = [
  { name: 'front centre', psiDeg: 0, thetaDeg: 55 },
  { name: 'recession', psiDeg: 30, thetaDeg: 58 },
  { name: 'temple', psiDeg: 55, thetaDeg: 75 },
  { name: 'in front of the ear', psiDeg: 75, thetaDeg: 86 },
  { name: 'above the ear', psiDeg: 95, thetaDeg: 98 },
  { name: 'behind the ear', psiDeg: 120, thetaDeg: 118 },
  { name: 'nape corner', psiDeg: 150, thetaDeg: 128 },
  { name: 'nape centre', psiDeg: 180, thetaDeg: 130 },
]

/** The crown lies about 30° behind the apex (common practice: where the ear-to-ear parting crosses the middle). */
export const CROWN_POLAR_ANGLE = radians(30)
/** Azimuth at which the ear-to-ear measure and parting meet the hairline. Our estimate. */
export const EAR_AZIMUTH = radians(95)

/** The nape hairline may come down this far and no further before we call the tape wrong. Our estimate. */
export const NAPE_POLAR_RANGE = { min: radians(108), max: radians(148) } as const
/** Height of the head above the ears against the reference that we still believe. Our estimate. */
export const UP_AXIS_RANGE = { min: 9.5, max: 17.5 } as const

/**
 * Within this of the hairline, as a share of the way to it, its fine hair begins, and hair counts as rim. Our estimate.
 */
export const RIM_FROM_S = 0.86

/** Steps of the tables: one degree around and down, to below any hairline. Our choice. */
export const AZIMUTH_STEP = radians(1)
export const POLAR_STEP = radians(1)
export const POLAR_STEPS = 155

/** Azimuths over which a shift of the front or nape hairline fades out. Our estimate. */
export const FRONT_FADE = radians(70)
export const NAPE_FADE_FROM = radians(100)
export const TABLE_ROWS = POLAR_STEPS + 1
export const TABLE_COLUMNS = Math.round(Math.PI / AZIMUTH_STEP) + 1
