import { sameElements } from '../../numeric'
import type { Band, Treatment, TreatmentKind } from '../../model'
import { mergeBand, readTheSame } from './bands'
import { MOST_TREATMENTS } from './constants'

/** Dyes that build up (common practice). Of all else it counts whether it was done, and in what order. */
export const BUILDS_UP: ReadonlySet<TreatmentKind> = new Set<TreatmentKind>(['permanent', 'boxDye', 'unknown', 'henna'])

/**
 * A past as a card tells it. Of what does not build up the first and the last stay, which is what lift and fading ask
 * for, and of two in a row the later; of more than a record tells, what was done once more in between goes, the oldest
 * first.
 */
export function pastInShort(treatments: Treatment[]): Treatment[] {
  const told = treatments
    .filter((one, i) => BUILDS_UP.has(one.kind) || !isBetween(treatments, i))
    .filter(({ kind }, i, all) => BUILDS_UP.has(kind) || all[i + 1]?.kind !== kind)
  while (told.length > MOST_TREATMENTS) {
    const between = told.findIndex((_, i) => isBetween(told, i))
    if (between < 0) break
    told.splice(between, 1)
  }
  return told.length < treatments.length ? told : treatments
}

/** Whether the same was done before it and after it. */
const isBetween = (treatments: readonly Treatment[], i: number): boolean => {
  const isSame = ({ kind }: Treatment) => kind === treatments[i]!.kind
  return treatments.findIndex(isSame) < i && treatments.findLastIndex(isSame) > i
}

export const bandInShort = (band: Band): Band => ({ ...band, treatments: pastInShort(band.treatments) })

/** Bands with their pasts in short; neighbours of which the same is told become one, as the longer one is. */
export function bandsInShort(bands: readonly Band[]): Band[] {
  let told = bands.map(bandInShort)
  for (let i = told.length - 2; i >= 0; i--) if (isToldTheSame(told[i]!, told[i + 1]!)) told = mergeBand(told, i)
  return told
}

const isToldTheSame = (one: Band, other: Band): boolean =>
  readTheSame(one, other) &&
  sameElements(
    one.treatments.map(({ kind }) => kind),
    other.treatments.map(({ kind }) => kind),
  )
