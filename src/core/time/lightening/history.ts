import type { Band, Texture, TreatmentKind } from '../../model'

/**
 * How fast lightener works on hair with a history, against virgin hair. Artificial pigment is slower, box dye slowest;
 * porous lightened hair is faster (common practice; figures our estimate). Over metallic salts there is no lightening
 * at all.
 */
const HISTORY_RATE: Record<TreatmentKind, number> = {
  lightened: 1.2,
  sun: 1.1,
  mineral: 0.9,
  demi: 0.8,
  permanent: 0.65,
  unknown: 0.5,
  boxDye: 0.5,
  henna: 0.45,
  metallic: 0,
}
/** Fine hair lifts faster, coarse hair more slowly (common practice; figures our estimate). */
const TEXTURE_RATE: Record<Texture, number> = { fine: 1.15, medium: 1, coarse: 0.85 }

/** Speed of lift on a band: the slowest thing in its history decides; without anything slow, the fastest. */
export function historyRate({ treatments }: Pick<Band, 'treatments'>, texture: Texture): number {
  const rates = treatments.map(({ kind }) => HISTORY_RATE[kind])
  const slowest = Math.min(1, ...rates)
  return TEXTURE_RATE[texture] * (slowest < 1 ? slowest : Math.max(1, ...rates))
}
