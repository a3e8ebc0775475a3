import { foldTurn } from '../../numeric'
import { radians } from '../../units'
import { HAIRLINE_LANDMARKS, FRONT_FADE, NAPE_FADE_FROM } from './constants'

/** Polar angle of the hairline as a smooth, even, periodic function of azimuth. */
export type Hairline = (psi: number) => number

/**
 * Hairline through the landmarks, with the front shifted and the nape brought to a given polar angle.
 * Monotone cubic interpolation (Fritsch & Carlson 1980), so that no landmark is overshot.
 * @param frontShift rad, positive moves the front hairline down the face
 * @param napeTheta polar angle at the nape centre, rad
 */
export function createHairline(frontShift: number, napeTheta: number): Hairline {
  const psis = HAIRLINE_LANDMARKS.map((landmark) => radians(landmark.psiDeg))
  const standard = HAIRLINE_LANDMARKS.map((landmark) => radians(landmark.thetaDeg))
  const napeShift = napeTheta - standard[standard.length - 1]!
  const thetas = standard.map(
    (theta, i) =>
      theta +
      frontShift * fade(psis[i]! / FRONT_FADE) +
      napeShift * fade((Math.PI - psis[i]!) / (Math.PI - NAPE_FADE_FROM)),
  )
  return monotoneCubic(psis, thetas)
}

/** 1 at 0, 0 from 1 on, smooth between. */
const fade = (t: number): number => (t >= 1 ? 0 : (1 + Math.cos(Math.PI * t)) / 2)

function monotoneCubic(xs: number[], ys: number[]): Hairline {
  const count = xs.length
  const steps = xs.slice(1).map((x, i) => x - xs[i]!)
  const secants = steps.map((step, i) => (ys[i + 1]! - ys[i]!) / step)
  const slopes = xs.map(() => 0) // flat at both ends: the curve is even about the face and the nape
  for (let i = 1; i < count - 1; i++) {
    const before = secants[i - 1]!
    const after = secants[i]!
    if (before * after <= 0) continue
    const w1 = 2 * steps[i]! + steps[i - 1]!
    const w2 = steps[i]! + 2 * steps[i - 1]!
    slopes[i] = (w1 + w2) / (w1 / before + w2 / after)
  }
  return (psi) => {
    const x = foldTurn(psi)
    let i = 0
    while (i < count - 2 && x > xs[i + 1]!) i++
    const h = steps[i]!
    const t = Math.min((x - xs[i]!) / h, 1)
    const u = 1 - t
    return (
      ys[i]! * (1 + 2 * t) * u * u +
      slopes[i]! * h * t * u * u +
      ys[i + 1]! * t * t * (3 - 2 * t) -
      slopes[i + 1]! * h * t * t * u
    )
  }
}
