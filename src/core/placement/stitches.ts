import type { MapPoint, PaintShape } from '../model'
import { cmFromMm } from '../units'
import type { Piece } from './foils'
import { isStitched, TEASED_SHARE } from './take'
import { ARC, MAP, polylineLength, positionAt, RISE, STRIDE, valueAt, type Polyline } from './polyline'

/** Outline of a piece's subsection on the map, drawn to the map's local scale. */
export const pieceOutline = (piece: Piece): MapPoint[] => ribbon(piece.line, 0, piece.width, piece.thickness)

/**
 * The picked-up stitches of a foil on the map, as closed outlines at the local scale: what looks dense is dense.
 * Bricklaid rows are shifted by half a stitch and gap. Stitches start half a gap from the end and are cut off at the other.
 */
export function pieceStitches(piece: Piece, bricklay: boolean): MapPoint[][] {
  const { take } = piece
  if (piece.id.endsWith('/dropout')) return []
  if (take.kind === 'painted') return paintedShapes(piece, take.shape ?? 'v')
  if (take.kind === 'teased') return [ribbon(piece.line, 0, piece.width, piece.thickness * TEASED_SHARE)]
  if (!isStitched(take)) return [pieceOutline(piece)]
  const stitch = cmFromMm(take.stitchMm)
  const period = stitch + cmFromMm(take.stitchGapMm)
  const shift = bricklay && piece.row % 2 === 1 ? period / 2 : 0
  const stitches: MapPoint[][] = []
  for (let at = cmFromMm(take.stitchGapMm) / 2 - shift; at < piece.width; at += period) {
    const from = Math.max(0, at)
    const to = Math.min(piece.width, at + stitch)
    if (to > from) stitches.push(ribbon(piece.line, from, to, piece.thickness * take.depthShare))
  }
  return stitches
}

/** A painted panel is drawn as strokes of about this width along the parting, cm. Our estimate of what a brush makes. */
const STROKE_CM = 2.4
/** Corners of one stroke: along it (0…1) and across the subsection (−1 below, 1 above). */
const STROKES: Record<PaintShape, readonly (readonly [number, number])[][]> = {
  v: [[[0, 1], [1, 1], [0.5, -1]]],
  w: [[[0, 1], [0.55, 1], [0.275, -1]], [[0.45, 1], [1, 1], [0.725, -1]]],
  diagonal: [[[0, -1], [0.5, -1], [1, 1], [0.5, 1]]],
  check: [[[0, -0.2], [0.25, -1], [1, 1], [0.75, 1], [0.28, -0.1]]],
}

function paintedShapes({ line, width, thickness }: Piece, shape: PaintShape): MapPoint[][] {
  const count = Math.max(1, Math.round(width / STROKE_CM))
  const step = width / count
  return Array.from({ length: count }, (_, i) => STROKES[shape].map((corners) => corners.map(([along, across]) => beside(line, (i + 0.06 + 0.88 * along) * step, (across * thickness) / 2)))).flat()
}

/** A point of the map beside a line: so far along it and so far across, true cm. */
function beside(line: Polyline, along: number, across: number): MapPoint {
  const position = positionAt(line, along)
  return {
    x: valueAt(line, position, MAP) + across * valueAt(line, position, RISE),
    y: valueAt(line, position, MAP + 1) + across * valueAt(line, position, RISE + 1),
  }
}

/** A strip of given true thickness around a stretch of a line. */
function ribbon(line: Polyline, from: number, to: number, thickness: number): MapPoint[] {
  const total = polylineLength(line)
  const stops = [Math.min(from, total)]
  for (let at = ARC; at < line.length; at += STRIDE) if (line[at]! > from && line[at]! < to) stops.push(line[at]!)
  stops.push(Math.min(to, total))
  const above: MapPoint[] = []
  const below: MapPoint[] = []
  for (const stop of stops) {
    above.push(beside(line, stop, thickness / 2))
    below.push(beside(line, stop, -thickness / 2))
  }
  return [...above, ...below.reverse()]
}
