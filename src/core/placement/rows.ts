import type { Placement } from '../model'
import { cmFromMm } from '../units'
import { traceContour, type VertexHair } from './contour'
import { areaBetween, rowLevel, type PartingField } from './field'
import { polylineLength, reversed, SPACE, STRIDE, type Polyline } from './polyline'

/** One row of a zone: a strip of scalp one pitch wide, and the parting that stands for it, in as many pieces as the zone's
 * shape asks for. */
export interface Row {
  /** Counted from the lower end of the field, from 0. */
  index: number
  pieces: Polyline[]
  /** Length of the parting, all pieces together, cm. */
  lineLength: number
  /** Scalp in the strip, cm². */
  area: number
}

export interface Rows {
  rows: Row[]
  /** Distance from row to row as laid, cm; differs from the asked pitch so that rows fit the zone evenly. */
  pitch: number
  /** Thickness of a subsection, cm. */
  thickness: number
}

/**
 * Lays rows into a field. The asked pitch (subsection + gap) is stretched or squeezed so that a whole number of rows fills
 * the zone; the gap takes up the difference, and with no gap the subsections do.
 */
export function layRows(field: PartingField, placement: Placement, hair: VertexHair): Rows {
  const subsection = cmFromMm(placement.subsectionMm)
  const asked = subsection + cmFromMm(placement.rowGapMm)
  const count = Math.max(1, Math.round(field.extent / asked))
  const pitch = field.extent / count
  const thickness = placement.rowGapMm === 0 ? pitch : Math.min(subsection, pitch)
  const rows: Row[] = []
  for (let index = 0; index < count; index++) {
    const from = index * pitch
    const to = from + pitch
    const pieces = traceContour(field, rowLevel(field, from, to), hair)
      .map(oriented)
      .sort((one, other) => startKey(one) - startKey(other))
    rows.push({
      index,
      pieces,
      lineLength: pieces.reduce((sum, piece) => sum + polylineLength(piece), 0),
      area: areaBetween(field, from, to),
    })
  }
  return { rows, pitch, thickness }
}

/** Walks a line the way a hand does: upright ones from below, level ones from the middle of the head outwards or, across the
 * middle, from the client's left. Mirrored lines are walked mirrored. */
function oriented(line: Polyline): Polyline {
  const last = line.length - STRIDE + SPACE
  const dx = line[last]! - line[SPACE]!
  const dy = line[last + 1]! - line[SPACE + 1]!
  const dz = line[last + 2]! - line[SPACE + 2]!
  const upright = Math.abs(dz) > Math.hypot(dx, dy)
  const acrossMiddle = line[SPACE]! * line[last]! < 0
  const outwards = Math.abs(line[last]!) - Math.abs(line[SPACE]!)
  const keep = upright ? dz > 0 : acrossMiddle ? dx < 0 : Math.abs(outwards) > 1e-6 ? outwards > 0 : dy < 0
  return keep ? line : reversed(line)
}

const startKey = (line: Polyline): number => Math.abs(line[SPACE]!) * 1000 + line[SPACE + 2]!
