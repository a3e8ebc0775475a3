import type { Band, Texture } from '../../model'
import { HISTORY_RATE, TEXTURE_RATE } from './constants'

/** Speed of lift on a band: the slowest thing in its history decides; without anything slow, the fastest. */
export function historyRate({ treatments }: Pick<Band, 'treatments'>, texture: Texture): number {
  const rates = treatments.map(({ kind }) => HISTORY_RATE[kind])
  const slowest = Math.min(1, ...rates)
  return TEXTURE_RATE[texture] * (slowest < 1 ? slowest : Math.max(1, ...rates))
}
