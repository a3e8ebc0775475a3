import type { Formula } from '../../model'
import { percentFromVolume } from '../../units'

/** Thrown when a wanted strength cannot be blended; the message says what could. */
export class BlendError extends Error {
  override name = 'BlendError'
}

/** A developer of a blend and its share of the blend's mass, 0…1. */
export interface BlendPart {
  vol: number
  share: number
}

/**
 * Blends a developer of a wanted strength from what is on the shelf: the one of that strength if there is one, else the
 * nearest weaker and the nearest stronger one, in masses (s − b) : (a − s). Water (0 vol) counts only where it is on
 * the list.
 * @param wanted vol @param shelf strengths at hand, vol
 * @throws BlendError when it lies outside what the shelf reaches
 * @example blendDeveloper(25, [10, 30]) // [{ vol: 10, share: 0.25 }, { vol: 30, share: 0.75 }]
 */
export function blendDeveloper(wanted: number, shelf: readonly number[]): BlendPart[] {
  const same = shelf.find((vol) => vol === wanted)
  if (same !== undefined) return [{ vol: same, share: 1 }]
  const weaker = Math.max(...shelf.filter((vol) => vol < wanted))
  const stronger = Math.min(...shelf.filter((vol) => vol > wanted))
  if (!Number.isFinite(weaker) || !Number.isFinite(stronger)) {
    const reach =
      shelf.length > 0
        ? `The shelf reaches from ${Math.min(...shelf)} to ${Math.max(...shelf)} vol.`
        : 'There is no developer on the shelf.'
    throw new BlendError(`${wanted} vol cannot be blended. ${reach}`)
  }
  const share = (stronger - wanted) / (stronger - weaker)
  return [
    { vol: weaker, share },
    { vol: stronger, share: 1 - share },
  ]
}

/**
 * Hydrogen peroxide in a whole mix.
 * @param vol strength of the developer @param ratio parts of developer to one part of product @returns % (w/w)
 * @example peroxideInMix(20, 1) // 3
 */
export const peroxideInMix = (vol: number, ratio: number): number => (percentFromVolume(vol) * ratio) / (1 + ratio)

/** A mix to which more developer is added. */
export interface Thinned {
  ratio: number
  vol: number
  peroxidePercent: number
}

/**
 * Adds developer to a bowl that has thickened: ratio and strength change, and have to be recorded.
 * @param bowl g of product and of developer of one strength in it @param added g of developer of a strength
 */
export function addDeveloper(
  bowl: { productG: number; developerG: number; vol: number },
  added: { g: number; vol: number },
): Thinned {
  const developerG = bowl.developerG + added.g
  const vol = (bowl.developerG * bowl.vol + added.g * added.vol) / developerG
  const ratio = developerG / bowl.productG
  return { ratio, vol, peroxidePercent: peroxideInMix(vol, ratio) }
}

/** Strengths are blended in whole volumes. Common practice. */
const wholeVol = (vol: number): number => Math.round(vol)

/**
 * Weaker first bowls rise evenly to the formula's strength, so that the first foils do not overtake the last; or the
 * first one alone is weaker.
 */
export function bowlVol({ developerVol, firstBowlVol, firstBowlOnly }: Formula, number: number, of: number): number {
  if (firstBowlVol === undefined || of === 1) return developerVol
  if (firstBowlOnly) return number === 1 ? firstBowlVol : developerVol
  return number === of
    ? developerVol
    : wholeVol(firstBowlVol + ((developerVol - firstBowlVol) * (number - 1)) / (of - 1))
}
