import { BUILDS_UP } from '../../hair/hairRecord'
import type { Band, Texture, Treatment } from '../../model'
import {
  BUILD_UP,
  HISTORY_RATE,
  LIGHTEST_LEVEL,
  LIGHTEST_OVER,
  MOST_BUILD_UP,
  TEXTURE_RATE,
  UNSURE_OVER,
} from './constants'

/**
 * Speed of lift on a band: the slowest thing in its history decides, slower for every further time that it was dyed;
 * without anything slow, the fastest. Dye over lightened hair sits in open cuticles and goes as fast as the hair.
 */
export function historyRate({ treatments }: Pick<Band, 'treatments'>, texture: Texture): number {
  const opened = treatments.findIndex(({ kind }) => kind === 'lightened')
  const counts = treatments.filter(({ kind }, i) => opened < 0 || i < opened || !OVER_LIGHT.has(kind))
  const rates = counts.map(({ kind }) => HISTORY_RATE[kind])
  const slowest = Math.min(1, ...rates)
  const dyed = counts.filter(({ kind }) => BUILDS_UP.has(kind)).length
  const pace =
    slowest < 1 ? slowest * BUILD_UP ** Math.min(MOST_BUILD_UP, Math.max(0, dyed - 1)) : Math.max(1, ...rates)
  return TEXTURE_RATE[texture] * pace
}

/** Salon colour, which is no obstacle where the hair was lightened before it. */
const OVER_LIGHT = new Set<Treatment['kind']>(['demi', 'permanent'])

/**
 * What is left of a history once a remover has taken the dye out: it opens the hair, as lightener does;
 * metal and henna it leaves where they are.
 */
export function softened(treatments: readonly Treatment[]): Treatment[] {
  const left = treatments.filter(({ kind }) => STAYS.has(kind))
  return [...left, { kind: 'lightened', on: treatments.at(-1)?.on }]
}
const STAYS = new Set<Treatment['kind']>(['lightened', 'sun', 'mineral', 'metallic', 'henna'])

/** Lightest level that a band can be trusted to come to, whatever lightens it. */
export const lightestOf = ({ treatments }: Pick<Band, 'treatments'>): number =>
  Math.min(LIGHTEST_LEVEL, ...treatments.map(({ kind }) => LIGHTEST_OVER[kind] ?? LIGHTEST_LEVEL))

/** How uncertain the speed on a band is, × of virgin hair's. */
export const uncertaintyOf = ({ treatments }: Pick<Band, 'treatments'>): number =>
  Math.max(1, ...treatments.map(({ kind }) => UNSURE_OVER[kind] ?? 1))
