import { fibreLengthBetween } from '../../hair/fibre'
import { cmFromMm } from '../../units'
import {
  type Cover,
  type DropoutKind,
  type FoilSizes,
  type Placement,
  type RhythmEntry,
  type Selection,
  type Take,
} from '../../model'
import { FOLD_CM, THINNEST } from './constants'
import {
  DENSITY,
  greatestAlong,
  LENGTH,
  MAP,
  meanAlong,
  polylineLength,
  SPACE,
  STRIDE,
  type Polyline,
} from './polyline'
import { rampedFigure, rampedTake } from './ramps'
import type { Row } from './rows'
import type { Site } from './site'
import { coverOf, isStitched, saturationOf, takenShare } from './take'

/** One act of application: a foil, a painted or blocked panel, or a parting worked on the scalp. */
export interface Piece {
  /**
   * `stage/zone/row/index`: stays the same while neighbours change; `…/dropout` for what was left out of it, `…/s2` on
   * for further stretches of the same hair.
   */
  id: string
  /** The piece whose hair this one goes on too, further along the strand. */
  along?: string | undefined
  zoneId: string
  kind: 'foil' | 'open' | 'onScalp'
  cover: Cover
  row: number
  index: number
  formulaId: string
  /** Which hair of the subsection may be taken. */
  select: Selection
  line: Polyline
  /** What is picked up at the start of the line, with every ramp worked in; and at its end, where that differs. */
  take: Take
  takeAtEnd?: Take | undefined
  /** Along the parting, cm. */
  width: number
  /** Across the parting, cm. */
  thickness: number
  /** Back-to-back with its neighbours: mean distance from the parting to where the rows above and below begin, cm. */
  edges: Row['edges']
  /** Scalp the subsection covers, cm². */
  area: number
  /** Hairs rooted in the subsection, and those of them that are picked up. */
  hairs: number
  takenHairs: number
  /** Longest hair here, cm, and the length of foil to cut, cm (0 without one). */
  hairLength: number
  foilLength: number
  /** Foils it takes: none, one, or one more that covers it. */
  foils: 0 | 1 | 2
  /** How far its parting zigzags to either side, cm. */
  zigzag: number
  /** Stretch of the strand that gets product, cm from the scalp. */
  fromCm: number
  toCm: number
  /** Fibre that gets product, cm in all. */
  treatedFibre: number
}

/** Foils that pieces take. */
export const foilsOf = (pieces: readonly Piece[]): number => pieces.reduce((sum, { foils }) => sum + foils, 0)

/** A share of hair below this is none: nothing is picked for it. Our estimate. */
const NOTHING = 0.02

/** A part of a row that is worked as one piece, and where it lies in the row from the hairline end, 0…1. */
export interface RowPart {
  line: Polyline
  take: Take
  along: { from: number; to: number }
}

/** What is done with a row: its turn of the rhythm with everything the zone says in its place, and its hair. */
export interface OwnEntry {
  placement: Placement
  stretches: RhythmEntry['stretches']
  select: Selection
  site: Site
}

/** A part of a row, with all that decides what is put there. */
export interface Laid {
  entry: OwnEntry
  part: RowPart
  id: string
  zoneId: string
  row: Row
  index: number
  foils: FoilSizes
  foil: number
  turn: number
}

/** The pieces of a part: one for every stretch along the strand and, where what is left is worked too, its dropout. */
export function piecesOf(laid: Laid): Piece[] {
  const { row, foil, turn } = laid
  const { placement, site } = laid.entry
  const { line, take: taken, along } = laid.part
  const placeAt = (share: number) => ({
    height: row.height,
    turn,
    foil,
    along: along.from + share * (along.to - along.from),
  })
  const takeAt = (share: number): Take => rampedTake(placement, taken, placeAt(share))
  const varies =
    isStitched(taken) &&
    placement.ramps?.some(
      ({ way, figure }) => way === 'alongRow' && (figure === 'stitchMm' || figure === 'stitchGapMm'),
    )
  const take = takeAt(0)
  // A piece covers its share of the strip, by length; the subsection takes its share of the pitch.
  const area = row.area * (polylineLength(line) / row.lineLength) * (row.thickness / row.pitch)
  const hairs = area * meanAlong(line, DENSITY)
  const open = meanOver(line, site.open)
  const share = site.white ? Math.min(1, meanOver(line, site.white)) : varies ? meanShare(takeAt) : takenShare(take)
  if (open < NOTHING || share < NOTHING) return []
  const middle = placeAt(0.5)
  const startCm =
    Math.max(0, rampedFigure(placement, 'startCm', middle) - faceLift(take, line)) + (placement.bufferCm ?? 0)
  const reach: Reach = {
    startCm,
    upToCm: rampedFigure(placement, 'upToCm', middle) ?? Infinity,
    stopBeforeEndsCm: rampedFigure(placement, 'stopBeforeEndsCm', middle, 0) ?? 0,
  }
  const bulk = { area, hairs, takenHairs: hairs * open * share }
  const mains = stretchPieces(laid, site.white ? thinnedTo(take, share) : take, bulk, reach)
  if (varies && !site.white) mains[0]!.takeAtEnd = takeAt(1)
  const { dropout } = placement
  const left = hairs * open * (1 - share)
  if (!dropout || !isStitched(take) || left <= 0) return mains
  const base = dropout.kind === 'base'
  const worked: Take = base ? { ...take, kind: 'onScalp' } : take
  const dropped = createPiece(laid, worked, {
    bulk: { area, hairs, takenHairs: left },
    extent: extentOf(laid, worked, { ...reach, startCm: base ? 0 : startCm }),
    formulaId: dropout.formulaId,
    id: `${laid.id}/dropout`,
    ...DROPPED[dropout.kind],
  })
  return [mains[0]!, dropped, ...mains.slice(1)]
}

/** How far product of a zone may reach along the strand, cm. */
interface Reach {
  startCm: number
  upToCm: number
  stopBeforeEndsCm: number
}

/** Where product begins and ends on a strand, cm from the scalp; to the tip is endless. */
interface Extent {
  fromCm: number
  toCm: number
}

function extentOf({ part: { line } }: Laid, take: Take, { startCm, upToCm, stopBeforeEndsCm }: Reach): Extent {
  if (take.kind === 'onScalp') return { fromCm: 0, toCm: take.bandCm }
  const meanLength = meanAlong(line, LENGTH)
  if (stopBeforeEndsCm === 0 && upToCm >= meanLength) return { fromCm: startCm, toCm: Infinity }
  return { fromCm: startCm, toCm: Math.max(startCm, Math.min(upToCm, meanLength - stopBeforeEndsCm)) }
}

/** One piece for each stretch of an entry; all but the first go on hair that the first holds already. */
function stretchPieces(laid: Laid, take: Take, bulk: Bulk, reach: Reach): Piece[] {
  const { id } = laid
  const { stretches, placement } = laid.entry
  const whole = extentOf(laid, take, reach)
  const applied = appliedAs(take, coverOf(placement))
  return stretches.map(({ formulaId, fromCm, toCm }, i) => {
    const before = stretches[i - 1]
    const next = stretches[i + 1]
    const further = i > 0
    return createPiece(laid, take, {
      bulk,
      extent: { fromCm: fromCm ?? before?.toCm ?? whole.fromCm, toCm: toCm ?? next?.fromCm ?? whole.toCm },
      formulaId,
      id: further ? `${id}/s${i + 1}` : id,
      along: further ? id : undefined,
      kind: further ? 'open' : applied.kind,
      cover: applied.cover,
    })
  })
}

/** Mean share along a stretch whose stitches change (Simpson's rule). */
const meanShare = (takeAt: (share: number) => Take): number =>
  (takenShare(takeAt(0)) + 4 * takenShare(takeAt(0.5)) + takenShare(takeAt(1))) / 6

/** Stitches as far apart as makes their share the one that is copied, so that what looks dense is dense. */
const thinnedTo = (take: Take, share: number): Take => ({ ...take, stitchGapMm: (take.stitchMm * (1 - share)) / share })

const appliedAs = ({ kind }: Take, cover: Cover): Pick<Piece, 'kind' | 'cover'> => ({
  kind: kind === 'onScalp' ? 'onScalp' : cover === 'foil' ? 'foil' : 'open',
  cover,
})

/**
 * How what was not picked up is worked; in the same foil it is laid on like open work, and warm and moist like what it
 * lies with.
 */
const DROPPED: Record<DropoutKind, Pick<Piece, 'kind' | 'cover'>> = {
  lowlight: { kind: 'foil', cover: 'foil' },
  sameFoil: { kind: 'open', cover: 'foil' },
  paint: { kind: 'open', cover: 'open' },
  base: { kind: 'onScalp', cover: 'open' },
}

/**
 * How much higher paint starts here than at the back of the head, cm: all of the lift at the face, none at the nape.
 */
function faceLift({ kind, faceLiftCm = 0 }: Take, line: Polyline): number {
  if (kind !== 'painted' || faceLiftCm === 0) return 0
  const middle = STRIDE * Math.floor(line.length / STRIDE / 2) + SPACE
  const towardsFace = line[middle + 1]! / Math.hypot(line[middle]!, line[middle + 1]!, line[middle + 2]!)
  return (faceLiftCm * (1 + towardsFace)) / 2
}

function meanOver(line: Polyline, value: (x: number, y: number) => number): number {
  let sum = 0
  let count = 0
  // Every other point is enough: lines have one about every half centimetre, cells are two wide.
  for (let at = 0; at < line.length; at += 2 * STRIDE) {
    sum += value(line[at + MAP]!, line[at + MAP + 1]!)
    count++
  }
  return sum / count
}

/** Scalp of a subsection, cm², its hairs, and those of them that are picked up. */
interface Bulk {
  area: number
  hairs: number
  takenHairs: number
}

interface Amount {
  bulk: Bulk
  extent: Extent
  id: string
  along?: string | undefined
  kind: Piece['kind']
  cover: Cover
  formulaId: string
}

/** Product on hair against the usual. */
const soaked = (take: Take): number => THINNEST + saturationOf(take)

function createPiece(
  { zoneId, row, index, entry: { placement, select }, foils, part: { line } }: Laid,
  take: Take,
  { id, along, kind, cover, formulaId, bulk: { area, hairs, takenHairs }, extent: { fromCm, toCm } }: Amount,
): Piece {
  const meanLength = meanAlong(line, LENGTH)
  const hairLength = greatestAlong(line, LENGTH)
  const inFoil =
    kind === 'foil' ? foilFor(Math.max(0, Math.min(placement.upToCm ?? Infinity, hairLength) - fromCm), foils) : 0
  const longest = foils.lengthsCm.at(-1) ?? Infinity
  return {
    id,
    along,
    zoneId,
    kind,
    cover,
    row: row.index,
    index,
    formulaId,
    select,
    line,
    take,
    width: polylineLength(line),
    thickness: row.thickness,
    edges: row.edges,
    area,
    hairs,
    takenHairs,
    hairLength,
    foilLength: Math.min(inFoil, longest),
    foils: kind !== 'foil' ? 0 : placement.secondFoil || inFoil > longest ? 2 : 1,
    zigzag: cmFromMm(placement.zigzagMm ?? 0),
    fromCm,
    toCm,
    treatedFibre: takenHairs * fibreLengthBetween(meanLength, fromCm, Math.min(toCm, meanLength)) * soaked(take),
  }
}

/** Length of foil for so much hair, cm: cut to measure, or the shortest ready one that is long enough. */
function foilFor(hairCm: number, { lengthsCm }: FoilSizes): number {
  const needed = hairCm + FOLD_CM
  return lengthsCm.find((length) => length >= needed) ?? needed
}
