import type { Band, Treatment } from '../../model'
import { EDGE_STEP_CM, SHORTEST_BAND_CM } from './constants'

/** Thrown when bands cannot be changed as asked; the message says what would work. */
export class BandError extends Error {
  override name = 'BandError'
}

/** Kept to the tenth of a centimetre. */
export const toBandEdge = (cm: number): number => Math.round(cm / EDGE_STEP_CM) / Math.round(1 / EDGE_STEP_CM)
/** Levels are read in quarter steps. */
export const toQuarterLevel = (level: number): number => Math.round(level * 4) / 4

export const strandLength = (bands: readonly Band[]): number => bands[bands.length - 1]!.toCm
export const isVirgin = ({ treatments }: { treatments: readonly Treatment[] }): boolean => treatments.length === 0
export const virginBand = (naturalLevel: number, fromCm: number, toCm: number): Band => ({
  fromCm,
  toCm,
  level: naturalLevel,
  hue: 'neutral',
  strength: 0,
  treatments: [],
  porosity: 'normal',
  integrity: 'sound',
})

/** What can be told of a band beside where it lies and what was done to it. */
const READ_OF_A_BAND = ['level', 'hue', 'strength', 'beneathLevel', 'porosity', 'integrity'] as const

/** Whether the same is read of two bands, wherever they lie and whatever was done to them. */
export const readTheSame = (one: Band, other: Band): boolean =>
  READ_OF_A_BAND.every((figure) => one[figure] === other[figure])

const isSameBand = (one: Band, other: Band): boolean =>
  one.fromCm === other.fromCm &&
  one.toCm === other.toCm &&
  readTheSame(one, other) &&
  one.treatments.length === other.treatments.length &&
  one.treatments.every(({ kind, on }, i) => kind === other.treatments[i]!.kind && on === other.treatments[i]!.on)

/** Whether a strand has the bands of a longer one as far as it reaches. */
export function follows(bands: readonly Band[], longer: readonly Band[]): boolean {
  // Most strands are told apart at the root.
  if (!readTheSame(bands[0]!, longer[0]!)) return false
  const reached = fitBands(longer, strandLength(bands))
  return reached.length === bands.length && reached.every((band, i) => isSameBand(band, bands[i]!))
}

/** What keeps bands from tiling a strand from the scalp to its tip: the first fault with its band, or nothing. */
export function bandFault(
  bands: readonly Band[],
): { index: number; field: 'fromCm' | 'toCm'; message: string } | undefined {
  for (const [index, band] of bands.entries()) {
    const before = index === 0 ? 0 : bands[index - 1]!.toCm
    if (Math.abs(band.fromCm - before) > 1e-9)
      return {
        index,
        field: 'fromCm',
        message:
          index === 0
            ? `The first band has to begin at the scalp (0 cm), not at ${band.fromCm} cm.`
            : band.fromCm < before
              ? `This band begins at ${band.fromCm} cm, inside the one before it, which ends at ${before} cm. Begin it at ${before} cm.`
              : `Between ${before} and ${band.fromCm} cm nothing is recorded. Begin this band at ${before} cm.`,
      }
    if (band.toCm - band.fromCm < SHORTEST_BAND_CM - 1e-9)
      return {
        index,
        field: 'toCm',
        message: `A band is at least ${SHORTEST_BAND_CM} cm long. Move its end or merge it with its neighbour.`,
      }
  }
  return undefined
}

/** Moves the edge after band `index` as far as its neighbours let it. @param cm wanted distance from the scalp */
export function moveEdge(bands: readonly Band[], index: number, cm: number): Band[] {
  const upper = bands[index]!
  const lower = bands[index + 1]!
  const at = toBandEdge(Math.min(Math.max(cm, upper.fromCm + SHORTEST_BAND_CM), lower.toCm - SHORTEST_BAND_CM))
  return bands.map((band, i) =>
    i === index ? { ...band, toCm: at } : i === index + 1 ? { ...band, fromCm: at } : band,
  )
}

/** Cuts a band in two with the same history. @throws BandError when it is too short */
export function splitBand(bands: readonly Band[], index: number): Band[] {
  const band = bands[index]!
  if (band.toCm - band.fromCm < 2 * SHORTEST_BAND_CM)
    throw new BandError(`This band is too short to split; it would have to be ${2 * SHORTEST_BAND_CM} cm long.`)
  const at = toBandEdge((band.fromCm + band.toCm) / 2)
  return [...bands.slice(0, index), { ...band, toCm: at }, { ...band, fromCm: at }, ...bands.slice(index + 1)]
}

/** Joins a band with the next; the longer one's history is kept. @throws BandError at the tip */
export function mergeBand(bands: readonly Band[], index: number): Band[] {
  const one = bands[index]!
  const other = bands[index + 1]
  if (!other) throw new BandError('There is no band after this one to merge with.')
  const longer = one.toCm - one.fromCm >= other.toCm - other.fromCm ? one : other
  return [...bands.slice(0, index), { ...longer, fromCm: one.fromCm, toCm: other.toCm }, ...bands.slice(index + 2)]
}

/**
 * The same bands on a strand of another length: cut at the tip, or the last one longer.
 * @param lengthCm at least one band's least length
 */
export function fitBands(bands: readonly Band[], lengthCm: number): Band[] {
  const length = toBandEdge(Math.max(lengthCm, SHORTEST_BAND_CM))
  const kept = bands.filter((band, i) => i === 0 || band.fromCm + SHORTEST_BAND_CM <= length + 1e-9)
  return kept.map((band, i) => (i === kept.length - 1 ? { ...band, toCm: length } : band))
}

/** New growth at the scalp: longer virgin roots, or a band of them before the first treated one. */
export function growBands(bands: readonly Band[], cm: number, naturalLevel: number): Band[] {
  const grown = toBandEdge(cm)
  const first = bands[0]!
  if (grown <= 0) return [...bands]
  const moved = bands.map((band) => ({
    ...band,
    fromCm: toBandEdge(band.fromCm + grown),
    toCm: toBandEdge(band.toCm + grown),
  }))
  if (isVirgin(first)) return moved.map((band, i) => (i === 0 ? { ...band, fromCm: 0 } : band))
  // Less than the shortest band cannot be told from the band it grows out of.
  if (grown < SHORTEST_BAND_CM) return moved.map((band, i) => (i === 0 ? { ...band, fromCm: 0 } : band))
  return [virginBand(naturalLevel, 0, grown), ...moved]
}

/** Cut at the tip. @throws BandError when nothing would be left */
export function trimBands(bands: readonly Band[], cm: number): Band[] {
  const length = toBandEdge(strandLength(bands) - cm)
  if (length < SHORTEST_BAND_CM)
    throw new BandError(`Cutting ${cm} cm off ${strandLength(bands)} cm leaves no hair. Enter what was really cut.`)
  return cm <= 0 ? [...bands] : fitBands(bands, length)
}
