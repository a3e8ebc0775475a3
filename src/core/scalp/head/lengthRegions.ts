import { foldTurn } from '../../numeric'
import type { LengthRegion, Place } from '../../model'
import { degrees, radians } from '../../units'

/** Azimuth from the face, degrees, 0…180 on either side. */
const azimuth = ({ psi }: Place): number => degrees(foldTurn(psi))

/**
 * Region whose length a root has when a colourist measures six lengths on a head. Bounds are our estimate from the
 * landmarks.
 */
export function lengthRegionAt(place: Place): LengthRegion {
  const from = azimuth(place)
  if (from < 40) return place.s > 0.75 ? 'fringe' : place.s > 0.25 ? 'front' : 'crown'
  if (from < 65) return place.s > 0.7 ? 'sides' : place.s > 0.25 ? 'front' : 'crown'
  if (from < 115) return place.s > 0.4 ? 'sides' : 'crown'
  if (place.s < 0.4) return 'crown'
  return place.s < 0.82 ? 'back' : 'nape'
}

const centre = (psiDeg: number, s: number): Place => ({ psi: radians(psiDeg), s })

/** Where each region is measured, on both sides where there are two. Our estimate. */
export const LENGTH_REGION_CENTRES: Record<LengthRegion, readonly Place[]> = {
  fringe: [centre(0, 0.9)],
  front: [centre(30, 0.5), centre(-30, 0.5)],
  sides: [centre(85, 0.75), centre(-85, 0.75)],
  crown: [centre(180, 0.2)],
  back: [centre(180, 0.6), centre(130, 0.6), centre(-130, 0.6)],
  nape: [centre(180, 0.92), centre(145, 0.92), centre(-145, 0.92)],
}
