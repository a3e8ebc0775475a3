import { foldTurn } from '../../numeric'
import {
  CROWN_POLAR_ANGLE,
  LENGTH_REGION_CENTRES,
  placeFromDirection,
  readTable,
  surfacePoint,
  type Head,
} from '../../scalp/head'
import { LENGTH_REGIONS, type HairState, type Place, type RegionLengths } from '../../model'
import { degrees } from '../../units'
import { GRADUATION_SLOPE, HAIRLINE_DENSITY_SHARE, SHORTEST_CM, TEMPLE_DENSITY_SHARE, THINNING_FROM } from './constants'
import { fullDensity } from './fibre'

/** Hairs per cm² at a place: full in the middle of the head, thinning smoothly towards hairline and temples. */
export function hairsPerCm2(hair: HairState, place: Place): number {
  const inwards = Math.min(Math.max((place.s - THINNING_FROM) / (1 - THINNING_FROM), 0), 1)
  const azimuth = degrees(foldTurn(place.psi))
  const nearTemple = Math.max(0, 1 - Math.abs(azimuth - 55) / 25)
  const rim = HAIRLINE_DENSITY_SHARE + nearTemple * (TEMPLE_DENSITY_SHARE - HAIRLINE_DENSITY_SHARE)
  return fullDensity(hair.density) * (1 - inwards * inwards * (1 - rim))
}

/**
 * Returns the stretched length that a root in a direction (θ, ψ) carries, cm. Lengths that were measured by region come
 * first, blended between them. Otherwise the cut line says it. Layered: the same everywhere. One length: hair follows
 * its meridian down to the widest part of the head and hangs from there to the cut line, so the nape carries less than
 * the crown; graduated, the line falls towards the face or the back.
 */
export function rootLength(head: Head, hair: HairState): (theta: number, psi: number) => number {
  const cut = cutLength(head, hair)
  const measured = hair.regionLengthsCm
  if (!measured || Object.keys(measured).length === 0) return cut
  return (theta, psi) => blendedLength(placeFromDirection(head, theta, psi), measured) ?? cut(theta, psi)
}

function cutLength(head: Head, hair: HairState): (theta: number, psi: number) => number {
  if (hair.cutLine === 'layered') return () => hair.lengthCm
  const slope = { oneLength: 0, graduatedForward: GRADUATION_SLOPE, graduatedBack: -GRADUATION_SLOPE }[hair.cutLine]
  const widest = Math.PI / 2
  /** Fall from the root to ear height, and how much lower the line lies where the hair hangs, cm. */
  const fall = (theta: number, psi: number) => {
    const hanging = surfacePoint(head.axes, Math.max(theta, widest), psi)
    const down = theta >= widest ? hanging.z : readTable(head.arc, widest, psi) - readTable(head.arc, theta, psi)
    return down + slope * hanging.y
  }
  const cutBelowEar = hair.lengthCm - fall(CROWN_POLAR_ANGLE, Math.PI)
  return (theta, psi) => Math.max(SHORTEST_CM, fall(theta, psi) + cutBelowEar)
}

/**
 * Lengths measured at the regions' centres, weighted by the inverse fourth power of the distance on the disk of radius
 * s.
 */
function blendedLength(place: Place, measured: RegionLengths): number | undefined {
  const at = { x: place.s * Math.sin(place.psi), y: place.s * Math.cos(place.psi) }
  let sum = 0
  let weights = 0
  for (const region of LENGTH_REGIONS) {
    const length = measured[region]
    if (length === undefined) continue
    for (const centre of LENGTH_REGION_CENTRES[region]) {
      const distance2 = (at.x - centre.s * Math.sin(centre.psi)) ** 2 + (at.y - centre.s * Math.cos(centre.psi)) ** 2
      if (distance2 < 1e-9) return length
      const weight = 1 / (distance2 * distance2)
      sum += weight * length
      weights += weight
    }
  }
  return weights > 0 ? sum / weights : undefined
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
