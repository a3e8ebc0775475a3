import { fibreLengthBetween } from '../../hair/fibre'
import { placeFromMap } from '../../scalp/head'
import { LEAVE, type Cover, type DropoutKind, type Placement, type Take } from '../../model'
import { FOIL_USABLE_CM, FOLD_CM, NARROWEST_FOIL_CM, ONE_FOIL_ROW_CM, MOST_PIECES } from './constants'
import type { VertexHair } from './contour'
import type { PartingField } from './field'
import {
  cutLine,
  DENSITY,
  greatestAlong,
  LENGTH,
  MAP,
  meanAlong,
  polylineLength,
  reversed,
  SPACE,
  STRIDE,
  type Polyline,
} from './polyline'
import { rampedFigure } from './ramps'
import { layRows, type Row } from './rows'
import type { Site } from './site'
import { coverOf, isStitched, takenShare } from './take'

/** One act of application: a foil, a painted or blocked panel, or a parting worked on the scalp. */
export interface Piece {
  /** `stage/zone/row/index`: stays the same while neighbours change; `…/dropout` for what was left out of it. */
  id: string
  zoneId: string
  kind: 'foil' | 'open' | 'onScalp'
  cover: Cover
  row: number
  index: number
  formulaId: string
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
  /** Stretch of the strand that gets product, cm from the scalp. */
  fromCm: number
  toCm: number
  /** Fibre that gets product, cm in all. */
  treatedFibre: number
}

/** Hair of a zone, at every vertex of its mesh and in all. */
export interface ZoneHair extends VertexHair {
  hairs: number
}

export interface ZonePlacement {
  zoneId: string
  rowCount: number
  /** Mean distance from row to row as laid, and mean thickness of a subsection, cm. */
  pitch: number
  thickness: number
  /** Mean width of each row's strip and length of its parting, cm, from the lower end up. */
  rowWidths: number[]
  rowLineLengths: number[]
  /** In working order. */
  pieces: Piece[]
  /** Share of the zone's hairs that each formula takes. */
  takenByFormula: Record<string, number>
}

/** A share of hair below this is none: nothing is picked for it. Our estimate. */
const NOTHING = 0.02

/** Thrown when a zone would need more foils than anybody lays; the message says what to change. */
export class TooManyPiecesError extends Error {
  override name = 'TooManyPiecesError'
}

/** Places one zone: rows, foils, panels or scalp partings, and what they take. @throws TooManyPiecesError */
export function placeZone(
  stageId: string,
  zoneId: string,
  field: PartingField,
  placement: Placement,
  hair: ZoneHair,
  site: Site,
): ZonePlacement {
  const rows = layRows(field, placement, hair)
  const pieces: Piece[] = []
  const taken: Record<string, number> = {}
  workingOrder(rows, placement, site).forEach((row, turn) => {
    const formulaId = placement.sequence.length === 0 ? LEAVE : placement.sequence[turn % placement.sequence.length]!
    if (formulaId === LEAVE) return
    rowLines(row, placement, site).forEach((stretch, index) => {
      if (pieces.length > MOST_PIECES)
        throw new TooManyPiecesError(
          'This zone would need thousands of foils. Make subsections thicker or the gaps between them wider.',
        )
      const laid: Laid = {
        stretch,
        id: `${stageId}/${zoneId}/${row.index}/${index}`,
        zoneId,
        row,
        index,
        formulaId,
        placement,
        site,
        foil: pieces.length,
        turn,
      }
      for (const piece of piecesOf(laid)) {
        pieces.push(piece)
        taken[piece.formulaId] = (taken[piece.formulaId] ?? 0) + piece.takenHairs
      }
    })
  })
  // Hair is counted along partings here and over the mesh there; the two differ by a fraction of a per mille.
  const whole = Math.max(
    hair.hairs,
    Object.values(taken).reduce((sum, hairs) => sum + hairs, 0),
  )
  return {
    zoneId,
    rowCount: rows.length,
    pitch: field.extent / rows.length,
    thickness: rows.reduce((sum, { thickness }) => sum + thickness, 0) / rows.length,
    rowWidths: rows.map((row) => row.area / row.pitch),
    rowLineLengths: rows.map((row) => row.lineLength),
    pieces,
    takenByFormula: Object.fromEntries(Object.entries(taken).map(([id, hairs]) => [id, hairs / whole])),
  }
}

function workingOrder(rows: readonly Row[], { rowOrder }: Placement, { partX }: Site): readonly Row[] {
  switch (rowOrder) {
    case 'bottomUp':
      return rows
    case 'topDown':
      return [...rows].reverse()
    case 'fromPart':
      return [...rows].sort((a, b) => fromPart(a, partX) - fromPart(b, partX) || a.index - b.index)
  }
}

/** Nearest that a row comes to the part, cm. */
function fromPart({ pieces }: Row, partX: number): number {
  let nearest = Infinity
  for (const line of pieces)
    for (let at = SPACE; at < line.length; at += STRIDE) nearest = Math.min(nearest, Math.abs(line[at]! - partX))
  return nearest
}

/** A stretch of a row that is worked as one piece, and where it lies in the row from the hairline end, 0…1. */
interface Stretch {
  line: Polyline
  take: Take
  along: { from: number; to: number }
}

/** What of a row is worked as one piece each: its hairline panel, then the rest in foils. */
function rowLines(row: Row, placement: Placement, { head }: Site): Stretch[] {
  const { take, panel, bricklay, ramps = [] } = placement
  const directed = panel !== undefined || ramps.some(({ way }) => way === 'alongRow')
  return row.pieces.flatMap((whole) => {
    const width = polylineLength(whole)
    const line = !directed || startsAtHairline(whole, head) ? whole : reversed(whole)
    if (!panel || width <= NARROWEST_FOIL_CM) return foils(line, take, 0, width)
    const edge = Math.min(width, panel.widthCm)
    const atHairline = {
      line: edge < width ? cutLine(line, 0, edge) : line,
      take: panel.take === 'slice' ? { ...take, kind: 'slice' as const } : take,
      along: { from: 0, to: edge / width },
    }
    return panel.rest === 'leave' || width - edge < NARROWEST_FOIL_CM
      ? [atHairline]
      : [atHairline, ...foils(cutLine(line, edge, width), take, edge, width)]
  })

  function foils(line: Polyline, one: Take, start: number, width: number): Stretch[] {
    let at = start
    return (one.kind === 'onScalp' ? [line] : splitRow(line, row.index, bricklay)).map((part) => {
      const from = at
      at += polylineLength(part)
      return { line: part, take: one, along: { from: from / width, to: at / width } }
    })
  }
}

function startsAtHairline(line: Polyline, head: Site['head']): boolean {
  const s = (at: number) => placeFromMap(head, { x: line[at + MAP]!, y: line[at + MAP + 1]! }).s
  return s(0) > s(line.length - STRIDE)
}

/**
 * Splits a row into foils. Up to 14 cm goes into one; wider rows into equal foils of at most 12.5 cm. Bricklaid, every
 * other row starts and ends with half a foil, so that joints never line up.
 */
export function splitRow(line: Polyline, row: number, bricklay: boolean): Polyline[] {
  const width = polylineLength(line)
  if (width < NARROWEST_FOIL_CM) return []
  if (width <= ONE_FOIL_ROW_CM) return [line]
  const count = Math.ceil(width / FOIL_USABLE_CM)
  const foil = width / count
  const joints = bricklay && row % 2 === 1 ? halves(count) : whole(count)
  return joints.slice(1).map((joint, i) => cutLine(line, joints[i]! * foil, joint * foil))
}

const whole = (count: number): number[] => Array.from({ length: count + 1 }, (_, i) => i)
const halves = (count: number): number[] => [0, ...Array.from({ length: count }, (_, i) => i + 0.5), count]

interface Laid {
  stretch: Stretch
  id: string
  zoneId: string
  row: Row
  index: number
  formulaId: string
  placement: Placement
  site: Site
  foil: number
  turn: number
}

/** A piece and, where what it leaves is worked too, its dropout. */
function piecesOf(laid: Laid): Piece[] {
  const { row, placement, site, foil, turn } = laid
  const { line, take: taken, along } = laid.stretch
  const { ramps = [] } = placement
  const placeAt = (share: number) => ({
    height: row.height,
    turn,
    foil,
    along: along.from + share * (along.to - along.from),
  })
  const takeAt = (share: number): Take =>
    ramps.length === 0
      ? taken
      : {
          ...taken,
          stitchMm: rampedFigure(placement, 'stitchMm', placeAt(share)),
          stitchGapMm: rampedFigure(placement, 'stitchGapMm', placeAt(share)),
        }
  const varies =
    isStitched(taken) &&
    ramps.some(({ way, figure }) => way === 'alongRow' && (figure === 'stitchMm' || figure === 'stitchGapMm'))
  const take = takeAt(0)
  // A piece covers its share of the strip, by length; the subsection takes its share of the pitch.
  const area = row.area * (polylineLength(line) / row.lineLength) * (row.thickness / row.pitch)
  const hairs = area * meanAlong(line, DENSITY)
  const open = meanOver(line, site.open)
  const share = site.white ? Math.min(1, meanOver(line, site.white)) : varies ? meanShare(takeAt) : takenShare(take)
  if (open < NOTHING || share < NOTHING) return []
  const startCm =
    Math.max(0, rampedFigure(placement, 'startCm', placeAt(0.5)) - faceLift(take, line)) + (placement.bufferCm ?? 0)
  const main = createPiece(laid, site.white ? thinnedTo(take, share) : take, {
    area,
    hairs,
    takenHairs: hairs * open * share,
    startCm,
    formulaId: laid.formulaId,
    id: laid.id,
    ...appliedAs(take, coverOf(placement)),
  })
  if (varies && !site.white) main.takeAtEnd = takeAt(1)
  const { dropout } = placement
  const left = hairs * open * (1 - share)
  if (!dropout || !isStitched(take) || left <= 0) return [main]
  const dropped = {
    area,
    hairs,
    takenHairs: left,
    startCm: dropout.kind === 'base' ? 0 : startCm,
    formulaId: dropout.formulaId,
    id: `${laid.id}/dropout`,
    ...DROPPED[dropout.kind],
  }
  return [main, createPiece(laid, dropout.kind === 'base' ? { ...take, kind: 'onScalp' } : take, dropped)]
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

interface Amount {
  id: string
  kind: Piece['kind']
  cover: Cover
  formulaId: string
  area: number
  hairs: number
  takenHairs: number
  startCm: number
}

/** Painted hair is soaked more or less: product on it against a fully saturated strand. Our estimate. */
const soaked = ({ kind, saturation = 1 }: Take): number => (kind === 'painted' ? 0.5 + saturation : 1)

function createPiece(
  { zoneId, row, index, placement, stretch: { line } }: Laid,
  take: Take,
  { id, kind, cover, formulaId, area, hairs, takenHairs, startCm }: Amount,
): Piece {
  const meanLength = meanAlong(line, LENGTH)
  const hairLength = greatestAlong(line, LENGTH)
  const onScalp = take.kind === 'onScalp'
  const fromCm = onScalp ? 0 : startCm
  const { upToCm = Infinity, stopBeforeEndsCm = 0 } = placement
  const toCm = onScalp ? take.bandCm : Math.max(fromCm, Math.min(upToCm, meanLength - stopBeforeEndsCm))
  return {
    id,
    zoneId,
    kind,
    cover,
    row: row.index,
    index,
    formulaId,
    line,
    take,
    width: polylineLength(line),
    thickness: row.thickness,
    edges: row.edges,
    area,
    hairs,
    takenHairs,
    hairLength,
    foilLength: kind === 'foil' ? Math.max(0, Math.min(upToCm, hairLength) - startCm) + FOLD_CM : 0,
    fromCm,
    toCm: onScalp || stopBeforeEndsCm > 0 || upToCm < meanLength ? toCm : Infinity,
    treatedFibre: takenHairs * fibreLengthBetween(meanLength, fromCm, toCm) * soaked(take),
  }
}
