import { entryOf, type FoilSizes, type Placement, type RowEntry, type Selection } from '../../model'
import { placeFromMap } from '../../scalp/head'
import { FOIL_USABLE_CM, MOST_PIECES, NARROWEST_FOIL_CM, ONE_FOIL_ROW_CM } from './constants'
import type { VertexHair } from './contour'
import type { PartingField } from './field'
import { piecesOf, type OwnEntry, type Piece, type RowPart } from './pieces'
import { cutLine, MAP, polylineLength, reversed, SPACE, STRIDE, type Polyline } from './polyline'
import { layRows, type Row } from './rows'
import type { Site } from './site'
import { coverOf } from './take'

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
  /** Share of the zone's hairs that is taken, whatever goes on it; and that each formula goes on. */
  takenShare: number
  takenByFormula: Record<string, number>
}

/** Thrown when a zone would need more foils than anybody lays; the message says what to change. */
export class TooManyPiecesError extends Error {
  override name = 'TooManyPiecesError'
}

/** What a salon's foils are where it says nothing: any length, cut to measure. */
export const USUAL_FOILS: FoilSizes = { widthCm: FOIL_USABLE_CM, lengthsCm: [] }

/** What a zone's placement leans on besides its own figures. */
export interface Surroundings {
  hair: ZoneHair
  /** What may be taken, by selection. */
  siteOf: (select: Selection) => Site
  foils?: FoilSizes | undefined
}

/** Places one zone: rows, foils, panels or scalp partings, and what they take. @throws TooManyPiecesError */
export function placeZone(
  stageId: string,
  zoneId: string,
  field: PartingField,
  placement: Placement,
  { hair, siteOf, foils = USUAL_FOILS }: Surroundings,
): ZonePlacement {
  const rows = layRows(field, placement, hair)
  const pieces: Piece[] = []
  const entries = placement.sequence.map((entry) => inFull(placement, entry, siteOf))
  workingOrder(rows, placement, siteOf('all')).forEach((row, turn) => {
    const entry = entries[turn % entries.length]
    if (!entry || entry.stretches.length === 0) return
    rowParts(row, entry, foils).forEach((part, index) => {
      if (pieces.length > MOST_PIECES)
        throw new TooManyPiecesError(
          'This zone would need thousands of foils. Make subsections thicker or the gaps between them wider.',
        )
      const id = `${stageId}/${zoneId}/${row.index}/${index}`
      pieces.push(...piecesOf({ entry, part, id, zoneId, row, index, foils, foil: pieces.length, turn }))
    })
  })
  const takenHairs = pieces.reduce((sum, piece) => sum + (piece.along ? 0 : piece.takenHairs), 0)
  // Hair is counted along partings here and over the mesh there; the two differ by a fraction of a per mille.
  const whole = Math.max(hair.hairs, takenHairs)
  const taken: Record<string, number> = {}
  const met = new Set<string>()
  for (const { id, along = id, formulaId, takenHairs } of pieces) {
    // A formula that comes twice along the same strands goes on the same hair.
    if (met.has(`${along} ${formulaId}`)) continue
    met.add(`${along} ${formulaId}`)
    taken[formulaId] = (taken[formulaId] ?? 0) + takenHairs
  }
  return {
    zoneId,
    rowCount: rows.length,
    pitch: field.extent / rows.length,
    thickness: rows.reduce((sum, { thickness }) => sum + thickness, 0) / rows.length,
    rowWidths: rows.map((row) => row.area / row.pitch),
    rowLineLengths: rows.map((row) => row.lineLength),
    pieces,
    takenShare: takenHairs / whole,
    takenByFormula: Object.fromEntries(Object.entries(taken).map(([id, hairs]) => [id, hairs / whole])),
  }
}

function inFull(zone: Placement, entry: RowEntry, siteOf: Surroundings['siteOf']): OwnEntry {
  const { stretches, ...own } = entryOf(entry)
  const placement = { ...zone, ...definedOf(own) }
  const { select = 'all' } = placement
  return { placement, stretches, select, site: siteOf(select) }
}

/** Only what is there: a field that is left out takes nothing from the zone's. */
const definedOf = <T extends object>(own: T): Partial<T> =>
  Object.fromEntries(Object.entries(own).filter(([, value]) => value !== undefined)) as Partial<T>

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

/** What of a row is worked as one piece each: its hairline end, then the rest in foils. */
function rowParts(row: Row, { placement, site }: OwnEntry, foils: FoilSizes): RowPart[] {
  const { take, panel, ramps = [] } = placement
  const directed = panel !== undefined || ramps.some(({ way }) => way === 'alongRow')
  return row.pieces.flatMap((whole) => {
    const width = polylineLength(whole)
    const line = !directed || startsAtHairline(whole, site.head) ? whole : reversed(whole)
    if (!panel || width <= NARROWEST_FOIL_CM) return split(line, 0, width)
    const edge = Math.min(width, panel.widthCm)
    const hairlineEnd: RowPart[] =
      panel.take === 'leave'
        ? []
        : [
            {
              line: edge < width ? cutLine(line, 0, edge) : line,
              take: panel.take === 'slice' ? { ...take, kind: 'slice' } : take,
              along: { from: 0, to: edge / width },
            },
          ]
    return panel.rest === 'leave' || width - edge < NARROWEST_FOIL_CM
      ? hairlineEnd
      : [...hairlineEnd, ...split(cutLine(line, edge, width), edge, width)]
  })

  function split(line: Polyline, start: number, width: number): RowPart[] {
    let at = start
    // What lies in no foil is worked along the whole row.
    const whole = take.kind === 'onScalp' || coverOf(placement) === 'open'
    return (whole ? [line] : splitRow(line, row.index, placement.bricklay, foils.widthCm)).map((part) => {
      const from = at
      at += polylineLength(part)
      return { line: part, take, along: { from: from / width, to: at / width } }
    })
  }
}

function startsAtHairline(line: Polyline, head: Site['head']): boolean {
  const s = (at: number) => placeFromMap(head, { x: line[at + MAP]!, y: line[at + MAP + 1]! }).s
  return s(0) > s(line.length - STRIDE)
}

/**
 * Splits a row into foils. Up to 14 cm goes into one of usual width; wider rows into equal foils of at most 12.5 cm.
 * Bricklaid, every other row starts and ends with half a foil, so that joints never line up.
 */
export function splitRow(line: Polyline, row: number, bricklay: boolean, foilCm = FOIL_USABLE_CM): Polyline[] {
  const width = polylineLength(line)
  if (width < NARROWEST_FOIL_CM) return []
  if (width <= rowOfOneFoil(foilCm)) return [line]
  const count = Math.ceil(width / foilCm)
  const foil = width / count
  const joints = bricklay && row % 2 === 1 ? halves(count) : whole(count)
  return joints.slice(1).map((joint, i) => cutLine(line, joints[i]! * foil, joint * foil))
}

/** The widest row that still goes into one foil of a width, cm. */
export const rowOfOneFoil = (foilCm: number): number => foilCm * (ONE_FOIL_ROW_CM / FOIL_USABLE_CM)

const whole = (count: number): number[] => Array.from({ length: count + 1 }, (_, i) => i)
const halves = (count: number): number[] => [0, ...Array.from({ length: count }, (_, i) => i + 0.5), count]
