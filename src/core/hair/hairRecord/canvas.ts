import { LENGTH_REGION_CENTRES, type Head } from '../../scalp/head'
import { hairsPerCm2, rootLength } from '../fibre'
import {
  byId,
  COUNTS,
  LENGTH_REGIONS,
  type Band,
  type Canvas,
  type CellHair,
  type HairMap,
  type HairState,
  type LengthRegion,
  type Population,
  type RegionLengths,
  type Strand,
  type TreatmentKind,
} from '../../model'
import { fitBands, follows, strandLength, toBandEdge, virginBand } from './bands'
import { cellArea, SCALP_CELLS } from './cells'
import { HIDDEN_SHARE } from './constants'
import { directionOf } from './place'

/**
 * Merges kinds of hair within one cell: those with the same strand and the same past become one. Shares add up, white
 * is the weighted mean. Largest first.
 */
export function mergePopulations(populations: readonly Population[]): Population[] {
  const merged = new Map<string, Population>()
  for (const population of populations) {
    if (population.share <= 0) continue
    const key = `${population.strandId} ${population.sources.join()}`
    const twin = merged.get(key)
    merged.set(key, twin ? joinPopulations(twin, population) : population)
  }
  return [...merged.values()].sort((a, b) => b.share - a.share)
}

/** The first with the hair of the second: shares add up, white is the weighted mean. */
export function joinPopulations(one: Population, other: Population): Population {
  const share = one.share + other.share
  return { ...one, share, white: (one.white * one.share + other.white * other.share) / share }
}

/**
 * Leaves out strands that no cell has and makes equal ones one, so that a canvas says everything once. Of what carried
 * a kind of hair out it says the last visit: what earlier ones did is told by the bands.
 */
export function tidy(canvas: Canvas): Canvas {
  const used = new Set(canvas.cells.flatMap(({ populations }) => populations.map(({ strandId }) => strandId)))
  const byBands = new Map<string, string>()
  const names = new Map<string, string>()
  const strands: Strand[] = []
  for (const strand of canvas.strands) {
    if (!used.has(strand.id)) continue
    const key = JSON.stringify(strand.bands)
    const known = byBands.get(key)
    names.set(strand.id, known ?? strand.id)
    if (known !== undefined) continue
    byBands.set(key, strand.id)
    strands.push(strand)
  }
  const cells = canvas.cells.map(({ populations }) => ({
    populations: mergePopulations(
      populations.map(({ strandId, share, white, sources }) => ({
        strandId: names.get(strandId)!,
        share,
        white,
        sources: ofLastVisit(sources),
      })),
    ),
  }))
  return { ...canvas, strands, cells }
}

/** The sources that name the same visit as the last one, as many as may be kept. */
function ofLastVisit(sources: readonly string[]): string[] {
  const visitOf = (source: string) => source.slice(0, source.indexOf('/'))
  const last = sources.at(-1)
  return last === undefined ? [] : sources.filter((one) => visitOf(one) === visitOf(last)).slice(-COUNTS.sources)
}

/** A head of virgin hair as a record begins: one strand a length. */
export function startingCanvas(head: Head, hair: HairState, recordedOn: string): Canvas {
  const lengthAt = rootLength(head, hair)
  const strands: Strand[] = LENGTH_REGIONS.map((region) => {
    const { theta, psi } = directionOf(head, LENGTH_REGION_CENTRES[region][0]!)
    return { id: region, bands: [virginBand(hair.naturalLevel, 0, Math.max(1, toBandEdge(lengthAt(theta, psi))))] }
  })
  const cells: CellHair[] = SCALP_CELLS.map(({ region }) => ({
    populations: [{ strandId: region, share: 1, white: 0, sources: [] }],
  }))
  return tidy({ recordedOn, strands, cells })
}

/**
 * A head whose hair is the same everywhere, each region at its own length.
 * @param bands of the longest hair, root to tip
 * @param white share of white hairs, 0…1
 */
export function uniformCanvas(
  head: Head,
  hair: HairState,
  { bands, white, recordedOn }: { bands: readonly Band[] | undefined; white: number; recordedOn: string },
): Canvas {
  const virgin = startingCanvas(head, hair, recordedOn)
  return tidy({
    ...virgin,
    strands: virgin.strands.map((strand) => ({
      ...strand,
      bands: bands ? fitBands(bands, strandLength(strand.bands)) : strand.bands,
    })),
    cells: virgin.cells.map(({ populations }) => ({ populations: populations.map((one) => ({ ...one, white })) })),
  })
}

/** A strand's share of a region's hair (by cells; of the whole head for `all`), largest first. */
export function strandsOf(
  canvas: Canvas,
  region: LengthRegion | 'all',
): { strand: Strand; share: number; white: number }[] {
  const sums = new Map<string, { share: number; white: number }>()
  let cells = 0
  canvas.cells.forEach(({ populations }, i) => {
    if (region !== 'all' && SCALP_CELLS[i]!.region !== region) return
    cells++
    for (const { strandId, share, white } of populations) {
      const sum = sums.get(strandId) ?? { share: 0, white: 0 }
      sums.set(strandId, { share: sum.share + share, white: sum.white + share * white })
    }
  })
  return canvas.strands
    .flatMap((strand) => {
      const sum = sums.get(strand.id)
      return sum ? [{ strand, share: sum.share / cells, white: sum.white / sum.share }] : []
    })
    .sort((a, b) => b.share - a.share)
}

/**
 * Kinds of hair in a region that differ by more than length: strands that have the same bands as far as they reach
 * count as one, told by the longest of them. Largest share first.
 */
export function kindsOf(
  canvas: Canvas,
  region: LengthRegion | 'all',
): { strand: Strand; share: number; white: number }[] {
  const kinds: { strand: Strand; share: number; white: number }[] = []
  for (const one of strandsOf(canvas, region).sort(
    (a, b) => strandLength(b.strand.bands) - strandLength(a.strand.bands),
  )) {
    const kin = kinds.find(({ strand }) => follows(one.strand.bands, strand.bands))
    if (!kin) kinds.push({ ...one })
    else {
      kin.white = (kin.white * kin.share + one.white * one.share) / (kin.share + one.share)
      kin.share += one.share
    }
  }
  return kinds.sort((a, b) => b.share - a.share)
}

/** Which strand a region's record is about first: the one most of its hair has. */
export const mainStrand = (canvas: Canvas, region: LengthRegion | 'all'): Strand => strandsOf(canvas, region)[0]!.strand

/** A name that no strand has yet. */
export function freshStrandId(used: ReadonlySet<string>): string {
  let n = used.size + 1
  while (used.has(`strand-${n}`)) n++
  return `strand-${n}`
}

/**
 * Gives a strand new bands. For the whole head, strands of other lengths that had the same bands as far as they reach
 * follow. For one region, the strand is told apart from the same strand elsewhere.
 */
export function setBands(canvas: Canvas, region: LengthRegion | 'all', strandId: string, bands: Band[]): Canvas {
  const old = byId(canvas.strands, strandId).bands
  if (region === 'all') {
    const strands = canvas.strands.map((strand) => {
      if (strand.id === strandId) return { ...strand, bands }
      return follows(strand.bands, old) ? { ...strand, bands: fitBands(bands, strandLength(strand.bands)) } : strand
    })
    return tidy({ ...canvas, strands })
  }
  const elsewhere = canvas.cells.some(
    ({ populations }, i) =>
      SCALP_CELLS[i]!.region !== region && populations.some((population) => population.strandId === strandId),
  )
  if (elsewhere) return tidy(withFork(canvas, region, strandId, bands))
  return tidy({
    ...canvas,
    strands: canvas.strands.map((strand) => (strand.id === strandId ? { ...strand, bands } : strand)),
  })
}

function withFork(canvas: Canvas, region: LengthRegion, strandId: string, bands: Band[]): Canvas {
  const id = freshStrandId(new Set(canvas.strands.map((strand) => strand.id)))
  return {
    ...canvas,
    strands: [...canvas.strands, { id, bands }],
    cells: canvas.cells.map((cell, i) =>
      SCALP_CELLS[i]!.region === region
        ? {
            populations: cell.populations.map((population) =>
              population.strandId === strandId ? { ...population, strandId: id } : population,
            ),
          }
        : cell,
    ),
  }
}

/** Brings the bands of one region's main strand to other regions, each at its own length. */
export function copyBands(canvas: Canvas, from: LengthRegion | 'all', to: readonly LengthRegion[]): Canvas {
  const { bands } = mainStrand(canvas, from)
  return to.reduce<Canvas>((result, region) => {
    const main = mainStrand(result, region)
    return setBands(result, region, main.id, fitBands(bands, strandLength(main.bands)))
  }, canvas)
}

/** Gives all hair of a region (or of the head) another stretched length. @param lengthCm cm */
export function setLength(canvas: Canvas, region: LengthRegion | 'all', lengthCm: number): Canvas {
  const regions: readonly LengthRegion[] = region === 'all' ? LENGTH_REGIONS : [region]
  return regions.reduce<Canvas>(
    (result, one) =>
      strandsOf(result, one).reduce(
        (inner, { strand }) => setBands(inner, one, strand.id, fitBands(strand.bands, lengthCm)),
        result,
      ),
    canvas,
  )
}

/** Paints the share of white hair on cells. @param white 0…1 */
export function paintWhite(canvas: Canvas, cells: ReadonlySet<number>, white: number): Canvas {
  return {
    ...canvas,
    cells: canvas.cells.map((cell, i) =>
      cells.has(i) ? { populations: cell.populations.map((population) => ({ ...population, white })) } : cell,
    ),
  }
}

/** Share of white hair in a cell, 0…1. */
export const whiteOfCell = ({ populations }: CellHair): number =>
  populations.reduce((sum, { share, white }) => sum + share * white, 0)

/** Share of white hair on the whole head or a region, weighted by how many hairs grow where, 0…1. */
export function meanWhite(head: Head, hair: HairState, canvas: Canvas, region: LengthRegion | 'all' = 'all'): number {
  let hairs = 0
  let white = 0
  for (const cell of SCALP_CELLS) {
    if (region !== 'all' && cell.region !== region) continue
    const here = cellArea(head, cell) * hairsPerCm2(hair, cell.centre)
    hairs += here
    white += here * whiteOfCell(canvas.cells[cell.index]!)
  }
  return white / hairs
}

/** Mean level of new growth, and of what is worn of the hair; white hair counts as it grows. */
export function meanLevels({ strands, cells }: Canvas): { root: number; lengths: number } {
  const levels = new Map(strands.map(({ id, bands }) => [id, { root: bands[0]!.level, lengths: wornLevel(bands) }]))
  const sum = { root: 0, lengths: 0 }
  for (const { populations } of cells)
    for (const { strandId, share } of populations) {
      const { root, lengths } = levels.get(strandId)!
      sum.root += (share * root) / cells.length
      sum.lengths += (share * lengths) / cells.length
    }
  return sum
}

/** Least share of all hair that one history needs to be the lengths' own, 0…1. Our estimate. */
const OWN_HISTORY_SHARE = 0.3

/** What most lengths carry: the last dye or lightener, demi colour aside; nothing on virgin hair. */
export function lengthsHistory({ strands, cells }: Canvas): TreatmentKind | undefined {
  const kinds = new Map(strands.map(({ id, bands }) => [id, historyAt(bands, strandLength(bands) * HIDDEN_SHARE)]))
  const shares = new Map<TreatmentKind, number>()
  for (const { populations } of cells)
    for (const { strandId, share } of populations) {
      const kind = kinds.get(strandId)
      if (kind) shares.set(kind, (shares.get(kind) ?? 0) + share / cells.length)
    }
  const [most] = [...shares].sort(([, one], [, other]) => other - one)
  return most && most[1] >= OWN_HISTORY_SHARE ? most[0] : undefined
}

function historyAt(bands: readonly Band[], cm: number): TreatmentKind | undefined {
  const { treatments } = bands.find(({ toCm }) => toCm > cm) ?? bands.at(-1)!
  return treatments.findLast(({ kind }) => kind !== 'demi')?.kind
}

/**
 * Mean level of what is worn of a strand: all of it beyond what lies hidden.
 * @param levelOf how light a band looks
 */
export function wornLevel(bands: readonly Band[], levelOf = ({ level }: Band): number => level): number {
  const hidden = strandLength(bands) * HIDDEN_SHARE
  let [sum, length] = [0, 0]
  for (const band of bands) {
    const cm = Math.max(0, band.toCm - Math.max(band.fromCm, hidden))
    sum += cm * levelOf(band)
    length += cm
  }
  return sum / length
}

/** Length of a region's main strand, cm, for every region. */
export const regionLengths = (canvas: Canvas): RegionLengths =>
  Object.fromEntries(LENGTH_REGIONS.map((region) => [region, strandLength(mainStrand(canvas, region).bands)]))

/**
 * The hair in short, as far as the canvas says it: lengths by region, the longest stretch at the crown, the roots'
 * level.
 */
export function hairFromCanvas(hair: HairState, canvas: Canvas): HairState {
  const regionLengthsCm = regionLengths(canvas)
  const root = mainStrand(canvas, 'all').bands[0]!
  return {
    ...hair,
    regionLengthsCm,
    lengthCm: Math.max(2, regionLengthsCm.crown!),
    naturalLevel: root.treatments.length === 0 ? Math.min(10, root.level) : hair.naturalLevel,
  }
}

/** Whether hair carries earlier work: a visit of our own, or light that the record knows by its bands. */
export const carriesWork = (sources: readonly string[], bands: readonly Band[]): boolean =>
  sources.length > 0 || bands.some(({ treatments }) => treatments.some(({ kind }) => kind === 'lightened'))

/** What a plan needs of a canvas place by place: white hair, and hair that carries earlier work, in whole percent. */
export function hairMapOf({ strands, cells }: Canvas): HairMap {
  const bandsOf = new Map(strands.map(({ id, bands }) => [id, bands]))
  const worked = ({ strandId, sources }: Population) => carriesWork(sources, bandsOf.get(strandId)!)
  return {
    whitePercent: cells.map((cell) => Math.round(100 * whiteOfCell(cell))),
    earlierPercent: cells.map(({ populations }) =>
      Math.round(100 * populations.reduce((sum, one) => sum + (worked(one) ? one.share : 0), 0)),
    ),
  }
}
