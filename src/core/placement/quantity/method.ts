import { isLightener, type Method, type ProductKind, type Stage } from '../../model'
import type { Piece } from '../foils'
import { LIQUID_KINDS, MASSAGED_KINDS } from './constants'

/**
 * How product of a kind goes on a piece: into the foil where it lies in one, otherwise, also under film, as the stage
 * says, or as is usual for the take and the product.
 */
export function methodOf(
  { method }: Pick<Stage, 'method'>,
  kind: ProductKind,
  { cover, take, kind: applied, toCm }: Pick<Piece, 'cover' | 'take' | 'kind' | 'toCm'>,
): Method {
  if (cover === 'foil') return 'foil'
  if (method && method !== 'foil') return method
  if (take.kind === 'painted') return 'painting'
  if (MASSAGED_KINDS.includes(kind)) return 'sprayOrMassage'
  const liquid = LIQUID_KINDS.includes(kind)
  if (applied === 'onScalp') return liquid ? 'brush' : 'brushOnScalp'
  return liquid && toCm === Infinity ? 'bottleAndComb' : isLightener(kind) ? 'painting' : 'brush'
}
