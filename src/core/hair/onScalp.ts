import { CROWN_POLAR_ANGLE, readTable, surfacePoint, type Head } from '../head'
import type { HairState, Place } from '../model'
import { degrees } from '../units'
import { HAIRLINE_DENSITY_SHARE, SHORTEST_CM, TEMPLE_DENSITY_SHARE, THINNING_FROM } from './constants'
import { fullDensity } from './fibre'

/** Hairs per cm² at a place: full in the middle of the head, thinning smoothly towards hairline and temples. */
export function hairsPerCm2(hair: HairState, place: Place): number {
  const inwards = Math.min(Math.max((place.s - THINNING_FROM) / (1 - THINNING_FROM), 0), 1)
  const azimuth = Math.abs(degrees(place.psi - 2 * Math.PI * Math.round(place.psi / (2 * Math.PI))))
  const nearTemple = Math.max(0, 1 - Math.abs(azimuth - 55) / 25)
  const rim = HAIRLINE_DENSITY_SHARE + nearTemple * (TEMPLE_DENSITY_SHARE - HAIRLINE_DENSITY_SHARE)
  return fullDensity(hair.density) * (1 - inwards * inwards * (1 - rim))
}

/**
 * Returns the stretched length that a root in a direction (θ, ψ) carries, cm. Layered hair: the same everywhere. One length: hair follows its meridian
 * down to the widest part of the head and hangs from there to the cut line, so the nape carries less than the crown.
 */
export function rootLength(head: Head, hair: HairState): (theta: number, psi: number) => number {
  if (hair.cutLine === 'layered') return () => hair.lengthCm
  const fall = (theta: number, psi: number) => {
    const widest = Math.PI / 2
    if (theta >= widest) return surfacePoint(head.axes, theta, psi).z
    return readTable(head.arc, widest, psi) - readTable(head.arc, theta, psi)
  }
  const cutBelowEar = hair.lengthCm - fall(CROWN_POLAR_ANGLE, Math.PI)
  return (theta, psi) => Math.max(SHORTEST_CM, fall(theta, psi) + cutBelowEar)
}

/** Number of hairs on the head: ∬ density dA over a grid of equal s-rings. */
export function hairsOnHead(head: Head, hair: HairState): number {
  const rings = 60
  const spokes = 72
  let sum = 0
  for (let i = 0; i < rings; i++) {
    const s = (i + 0.5) / rings
    for (let j = 0; j < spokes; j++) {
      const psi = (2 * Math.PI * j) / spokes
      const rho2 = 2 * readTable(head.area, head.hairline(psi), psi)
      sum += hairsPerCm2(hair, { psi, s }) * s * rho2 * (1 / rings) * ((2 * Math.PI) / spokes)
    }
  }
  return sum
}
