import { fibreLengthBetween } from '../hair'
import { LEAVE, type Placement } from '../model'
import { FOIL_USABLE_CM, FOLD_CM, NARROWEST_FOIL_CM, ONE_FOIL_ROW_CM } from './constants'
import type { VertexHair } from './contour'
import type { PartingField } from './field'
import { cutLine, DENSITY, greatestAlong, LENGTH, meanAlong, polylineLength, type Polyline } from './polyline'
import { layRows } from './rows'
import { takenShare } from './take'

/** One act of application: a foil, or a parting painted on the scalp. */
export interface Piece {
  /** `stage/zone/row/index`: stays the same while neighbours change. */
  id: string
  zoneId: string
  kind: 'foil' | 'onScalp'
  row: number
  index: number
  formulaId: string
  line: Polyline
  /** Along the parting, cm. */
  width: number
  /** Across the parting, cm. */
  thickness: number
  /** Scalp the subsection covers, cm². */
  area: number
  /** Hairs rooted in the subsection, and those of them that are picked up. */
  hairs: number
  takenHairs: number
  /** Longest hair here, cm, and the length of foil to cut, cm (0 on the scalp). */
  hairLength: number
  foilLength: number
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
  /** Asked and laid distance from row to row, cm. */
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

/** Places one zone: rows, foils or scalp partings, and what they take. */
export function placeZone(
  stageId: string,
  zoneId: string,
  field: PartingField,
  placement: Placement,
  hair: ZoneHair,
): ZonePlacement {
  const { rows, pitch, thickness } = layRows(field, placement, hair)
  const working = placement.rowOrder === 'bottomUp' ? rows : [...rows].reverse()
  const pieces: Piece[] = []
  const taken: Record<string, number> = {}
  working.forEach((row, turn) => {
    const formulaId = placement.sequence.length === 0 ? LEAVE : placement.sequence[turn % placement.sequence.length]!
    if (formulaId === LEAVE) return
    const lines = row.pieces.flatMap((line) => (placement.take.kind === 'onScalp' ? [line] : splitRow(line, row.index, placement.bricklay)))
    lines.forEach((line, index) => {
      // A piece covers its share of the strip, by length; the subsection takes its share of the pitch.
      const area = row.area * (polylineLength(line) / row.lineLength) * (thickness / pitch)
      const piece = createPiece(`${stageId}/${zoneId}/${row.index}/${index}`, zoneId, row.index, index, formulaId, line, {
        placement,
        thickness,
        area,
      })
      pieces.push(piece)
      taken[formulaId] = (taken[formulaId] ?? 0) + piece.takenHairs
    })
  })
  // Hair is counted along partings here and over the mesh there; the two differ by a fraction of a per mille.
  const whole = Math.max(hair.hairs, Object.values(taken).reduce((sum, hairs) => sum + hairs, 0))
  return {
    zoneId,
    rowCount: rows.length,
    pitch,
    thickness,
    rowWidths: rows.map((row) => row.area / pitch),
    rowLineLengths: rows.map((row) => row.lineLength),
    pieces,
    takenByFormula: Object.fromEntries(Object.entries(taken).map(([id, hairs]) => [id, hairs / whole])),
  }
}

/**
 * Splits a row into foils. Up to 14 cm goes into one; wider rows into equal foils of at most 12.5 cm. Bricklaid, every other
 * row starts and ends with half a foil, so that joints never line up.
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

function createPiece(
  id: string,
  zoneId: string,
  row: number,
  index: number,
  formulaId: string,
  line: Polyline,
  laid: { placement: Placement; thickness: number; area: number },
): Piece {
  const { take, startCm } = laid.placement
  const width = polylineLength(line)
  const hairs = laid.area * meanAlong(line, DENSITY)
  const takenHairs = hairs * takenShare(take)
  const meanLength = meanAlong(line, LENGTH)
  const hairLength = greatestAlong(line, LENGTH)
  const onScalp = take.kind === 'onScalp'
  return {
    id,
    zoneId,
    kind: onScalp ? 'onScalp' : 'foil',
    row,
    index,
    formulaId,
    line,
    width,
    thickness: laid.thickness,
    area: laid.area,
    hairs,
    takenHairs,
    hairLength,
    foilLength: onScalp ? 0 : Math.max(0, hairLength - startCm) + FOLD_CM,
    treatedFibre: takenHairs * fibreLengthBetween(meanLength, onScalp ? 0 : startCm, onScalp ? take.bandCm : meanLength),
  }
}
