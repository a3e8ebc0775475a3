import { foldTurn } from '../../numeric'
import type { Place } from '../../model'
import { degrees } from '../../units'

export const REGIONS = ['fringe', 'top', 'crown', 'temple', 'side', 'back', 'occipital', 'nape'] as const
export type Region = (typeof REGIONS)[number]

/**
 * Named region of a head-free place, as a colourist would call it. Bounds are our estimate from the landmarks:
 * the occipital bone lies about two thirds of the way from the apex to the nape hairline.
 */
export function regionAt(place: Place): Region {
  const azimuth = degrees(foldTurn(place.psi))
  if (azimuth < 40) return place.s > 0.55 ? 'fringe' : 'top'
  if (azimuth < 65) return place.s > 0.7 ? 'temple' : place.s > 0.4 ? 'side' : 'top'
  if (azimuth < 115) return place.s > 0.4 ? 'side' : 'top'
  if (place.s < 0.12) return 'top'
  if (place.s < 0.4) return 'crown'
  if (place.s < 0.62) return 'back'
  return place.s < 0.82 ? 'occipital' : 'nape'
}
