import { byId, type Band, type Canvas, type CellHair, type Population, type Strand } from '../../model'
import { apparentLevel } from '../colour'
import { isVirgin, strandLength } from './bands'
import { joinPopulations, mergePopulations, tidy } from './canvas'
import { ANOTHER_HISTORY, ANOTHER_HUE, MOST_POPULATIONS, MOST_STRANDS, WHITE_FROM } from './constants'

/**
 * How unlike two strands are, levels: what is seen of them, band by band over the longer one; another hue or another
 * history adds to it, and hair that one of them does not have counts as far as it is missing.
 */
export function strandDistance(one: readonly Band[], other: readonly Band[]): number {
  const [longest, shortest] = [strandLength(one), strandLength(other)].sort((a, b) => b - a) as [number, number]
  let sum = Math.abs(longest - shortest) * ANOTHER_HISTORY
  for (const a of one)
    for (const b of other) {
      const shared = Math.min(a.toCm, b.toCm) - Math.max(a.fromCm, b.fromCm)
      if (shared > 0) sum += shared * bandDistance(a, b)
    }
  return sum / longest
}

const bandDistance = (one: Band, other: Band): number =>
  Math.abs(apparentLevel(one.level, one.hue, one.strength) - apparentLevel(other.level, other.hue, other.strength)) +
  (one.hue === other.hue ? 0 : ANOTHER_HUE * Math.max(one.strength, other.strength)) +
  (kindsOfTreatment(one) === kindsOfTreatment(other) ? 0 : ANOTHER_HISTORY)

const kindsOfTreatment = (band: Band): string =>
  isVirgin(band) ? '' : [...new Set(band.treatments.map(({ kind }) => kind))].sort().join()

/**
 * Keeps a record readable: while a cell has more kinds of hair, or the record more kinds of strand, than it may, the
 * two that look most alike become one, under the name of the commoner. White hair never joins pigmented hair.
 */
export function mergeAlike(canvas: Canvas): Canvas {
  const bandsOf = (id: string) => byId(canvas.strands, id).bands
  const crowded = canvas.cells.some(({ populations }) => populations.length > MOST_POPULATIONS)
  const thinned = crowded ? tidy({ ...canvas, cells: canvas.cells.map((cell) => thinnedCell(cell, bandsOf)) }) : canvas
  return thinned.strands.length > MOST_STRANDS ? withFewerStrands(thinned) : thinned
}

const isWhite = ({ white }: Pick<Population, 'white'>): boolean => white >= WHITE_FROM

function thinnedCell({ populations }: CellHair, bandsOf: (id: string) => readonly Band[]): CellHair {
  const kept = [...populations].sort((a, b) => b.share - a.share)
  while (kept.length > MOST_POPULATIONS) {
    const pair = closest(kept, (one, other) =>
      isWhite(one) === isWhite(other) ? strandDistance(bandsOf(one.strandId), bandsOf(other.strandId)) : Infinity,
    )
    if (!pair) break
    const [host, guest] = pair
    kept[host] = joinPopulations(kept[host]!, kept[guest]!)
    kept.splice(guest, 1)
  }
  return { populations: kept }
}

/** The two nearest of a list, the earlier one first; nothing where all are infinitely far apart. */
function closest<T>(list: readonly T[], distance: (one: T, other: T) => number): [number, number] | undefined {
  let [best, pair]: [number, [number, number] | undefined] = [Infinity, undefined]
  for (let i = 0; i < list.length; i++)
    for (let j = i + 1; j < list.length; j++) {
      const apart = distance(list[i]!, list[j]!)
      if (apart < best) [best, pair] = [apart, [i, j]]
    }
  return pair
}

/** How much hair is of a strand, and how much of that is white. */
interface Worn {
  strand: Strand
  share: number
  white: number
}

function withFewerStrands(canvas: Canvas): Canvas {
  const worn = new Map(canvas.strands.map((strand): [string, Worn] => [strand.id, { strand, share: 0, white: 0 }]))
  for (const { populations } of canvas.cells)
    for (const { strandId, share, white } of populations) {
      const one = worn.get(strandId)!
      one.share += share
      one.white += share * white
    }
  const kinds = [...worn.values()].sort((a, b) => b.share - a.share)
  const names = new Map<string, string>()
  const pairs = kinds.flatMap((host, i) =>
    kinds.slice(i + 1).map((guest) => ({ host, guest, apart: wornDistance(host, guest) })),
  )
  pairs.sort((a, b) => a.apart - b.apart)
  const nameOf = (id: string): string => (names.has(id) ? nameOf(names.get(id)!) : id)
  for (const { host, guest, apart } of pairs) {
    if (kinds.length - names.size <= MOST_STRANDS || apart === Infinity) break
    const [kept, gone] = [nameOf(host.strand.id), nameOf(guest.strand.id)]
    if (kept !== gone) names.set(gone, kept)
  }
  return tidy({
    ...canvas,
    cells: canvas.cells.map(({ populations }) => ({
      populations: mergePopulations(
        populations.map((population) => ({ ...population, strandId: nameOf(population.strandId) })),
      ),
    })),
  })
}

const wornDistance = (one: Worn, other: Worn): number =>
  one.white > WHITE_FROM * one.share === other.white > WHITE_FROM * other.share
    ? strandDistance(one.strand.bands, other.strand.bands)
    : Infinity
