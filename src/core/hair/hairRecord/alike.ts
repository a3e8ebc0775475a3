import type { Band, Canvas, CellHair, Population } from '../../model'
import { memoised, sameElements } from '../../numeric'
import { apparentLevel } from '../colour'
import { mergeBand, strandLength } from './bands'
import { joinPopulations, tidy } from './canvas'
import {
  ANOTHER_HISTORY,
  ANOTHER_HUE,
  LEAST_POPULATION,
  MOST_BANDS,
  MOST_POPULATIONS,
  MOST_STRANDS,
  WHITE_FROM,
} from './constants'
import { bandsInShort } from './past'

/**
 * How unlike two strands are, levels: what is seen of them, band by band over the longer one; another hue or another
 * history adds to it, and hair that one of them does not have counts as far as it is missing.
 */
export function strandDistance(one: readonly Band[], other: readonly Band[]): number {
  const [length, otherLength] = [strandLength(one), strandLength(other)]
  let sum = Math.abs(length - otherLength) * ANOTHER_HISTORY
  // Both are tiled from the scalp on: whichever band ends first makes way for the next of its strand.
  let [i, j] = [0, 0]
  while (i < one.length && j < other.length) {
    const [a, b] = [one[i]!, other[j]!]
    sum += (Math.min(a.toCm, b.toCm) - Math.max(a.fromCm, b.fromCm)) * bandDistance(a, b)
    if (a.toCm <= b.toCm) i++
    if (b.toCm <= a.toCm) j++
  }
  return sum / Math.max(length, otherLength)
}

/** The same of any two out of many: each two are compared once. */
export const strandDistances = () =>
  memoised((one: readonly Band[]) => memoised((other: readonly Band[]) => strandDistance(one, other)))

const bandDistance = (one: Band, other: Band): number =>
  Math.abs(apparentLevel(one.level, one.hue, one.strength) - apparentLevel(other.level, other.hue, other.strength)) +
  (one.hue === other.hue ? 0 : ANOTHER_HUE * Math.max(one.strength, other.strength)) +
  (kindsOfTreatment(one) === kindsOfTreatment(other) ? 0 : ANOTHER_HISTORY)

/** What was done to a band, each once; said once of a band, which is compared with thousands. */
function kindsOfTreatment(band: Band): string {
  let kinds = KINDS_OF_TREATMENT.get(band)
  if (kinds === undefined) {
    kinds = [...new Set(band.treatments.map(({ kind }) => kind))].sort().join()
    KINDS_OF_TREATMENT.set(band, kinds)
  }
  return kinds
}
const KINDS_OF_TREATMENT = new WeakMap<Band, string>()

/**
 * Keeps a record readable, however many visits it tells of. Of a long past only so much is told, and of a strand so
 * many bands; hair that is rarer than anybody sees joins what looks most like it. While a cell has more kinds of hair,
 * or the record more kinds of strand, than it may, the two that look most alike become one, under the name of the
 * commoner. White hair never joins pigmented hair.
 */
export function mergeAlike(told: Canvas): Canvas {
  const canvas = tidy({ ...told, strands: told.strands.map(({ id, bands }) => ({ id, bands: inFewBands(bands) })) })
  const apart = distancesWithin(canvas)
  const cells = canvas.cells.map((cell) => thinnedCell(cell, apart))
  const thinned = sameElements(cells, canvas.cells) ? canvas : tidy({ ...canvas, cells })
  return thinned.strands.length > MOST_STRANDS ? withFewerStrands(thinned, apart) : thinned
}

/** As many bands as a record tells apart: the two neighbours that are least unlike become one, as the longer one is. */
function inFewBands(bands: readonly Band[]): Band[] {
  let kept = bandsInShort(bands)
  while (kept.length > MOST_BANDS) {
    const unlike = kept.slice(1).map((band, i) => shorterOf(band, kept[i]!) * bandDistance(band, kept[i]!))
    kept = mergeBand(kept, unlike.indexOf(Math.min(...unlike)))
  }
  return kept
}

const shorterOf = (...bands: readonly Band[]): number => Math.min(...bands.map(({ fromCm, toCm }) => toCm - fromCm))

/** How unlike two strands of a canvas are, by their ids. */
type Apart = (one: string, other: string) => number

function distancesWithin({ strands }: Canvas): Apart {
  const bandsOf = new Map(strands.map(({ id, bands }) => [id, bands]))
  const distances = strandDistances()
  return (one, other) => distances(bandsOf.get(one)!)(bandsOf.get(other)!)
}

const isWhite = ({ white }: Pick<Population, 'white'>): boolean => white >= WHITE_FROM

/** A cell, its commonest hair first, without what is too rare to be seen, in no more kinds of hair than it may have. */
function thinnedCell(cell: CellHair, apart: Apart): CellHair {
  const { populations } = cell
  if (populations.length <= MOST_POPULATIONS && populations.every(({ share }) => share >= LEAST_POPULATION)) return cell
  const kept = withoutRare(populations, apart)
  return { populations: kept.length > MOST_POPULATIONS ? withFewerKinds(kept, apart) : kept }
}

function withFewerKinds(populations: readonly Population[], apart: Apart): Population[] {
  const kept = [...populations]
  const joins = joinsDownTo(MOST_POPULATIONS, kept, isWhite, apart)
  for (const [guest, host] of joins) kept[host] = joinPopulations(kept[host]!, kept[guest]!)
  return kept.filter((_, i) => !joins.has(i))
}

/** What is too rare joins what looks most like it, the rarest first; the only white hair stays, however rare. */
function withoutRare(populations: readonly Population[], apart: Apart): Population[] {
  const kept = [...populations]
  for (let i = kept.length - 1; i >= 0; i--) {
    const rare = kept[i]!
    if (rare.share >= LEAST_POPULATION) continue
    const distances = kept.map((one) =>
      one !== rare && isWhite(one) === isWhite(rare) ? apart(one.strandId, rare.strandId) : Infinity,
    )
    const nearest = Math.min(...distances)
    if (nearest === Infinity) continue
    const host = distances.indexOf(nearest)
    kept[host] = joinPopulations(kept[host]!, rare)
    kept.splice(i, 1)
  }
  return kept
}

/**
 * Which of a list join which, by their places in it, until so many are left: the rarer one the commoner one that comes
 * before it, the most alike first. What has joined another is compared no more, so that a long row of which each is
 * like the next does not become one.
 */
function joinsDownTo<T extends { strandId: string }>(
  most: number,
  list: readonly T[],
  white: (one: T) => boolean,
  apart: Apart,
): Map<number, number> {
  const pairs: { host: number; guest: number; distance: number }[] = []
  list.forEach((one, host) => {
    for (let guest = host + 1; guest < list.length; guest++) {
      const other = list[guest]!
      if (white(one) === white(other)) pairs.push({ host, guest, distance: apart(one.strandId, other.strandId) })
    }
  })
  const joins = new Map<number, number>()
  for (const { host, guest } of pairs.sort((a, b) => a.distance - b.distance)) {
    if (list.length - joins.size <= most) break
    if (!joins.has(host) && !joins.has(guest)) joins.set(guest, host)
  }
  return joins
}

/** How much hair is of a strand, and how much of that is white. */
interface Worn {
  strandId: string
  share: number
  white: number
}

function withFewerStrands(canvas: Canvas, apart: Apart): Canvas {
  const worn = new Map(canvas.strands.map(({ id }): [string, Worn] => [id, { strandId: id, share: 0, white: 0 }]))
  for (const { populations } of canvas.cells)
    for (const { strandId, share, white } of populations) {
      const one = worn.get(strandId)!
      one.share += share
      one.white += share * white
    }
  const kinds = [...worn.values()].sort((a, b) => b.share - a.share)
  const joins = joinsDownTo(MOST_STRANDS, kinds, isWornWhite, apart)
  const names = new Map([...joins].map(([guest, host]) => [kinds[guest]!.strandId, kinds[host]!.strandId]))
  const nameOf = (id: string): string => (names.has(id) ? nameOf(names.get(id)!) : id)
  return tidy({
    ...canvas,
    cells: canvas.cells.map(({ populations }) => ({
      populations: populations.map((population) => ({ ...population, strandId: nameOf(population.strandId) })),
    })),
  })
}

/** Whether most of the hair that is of a strand is white. */
const isWornWhite = ({ share, white }: Worn): boolean => white > WHITE_FROM * share
