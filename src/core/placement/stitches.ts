import type { MapPoint, Take } from '../model'
import { cmFromMm } from '../units'
import type { Piece } from './foils'
import { ARC, MAP, polylineLength, positionAt, RISE, STRIDE, valueAt, type Polyline } from './polyline'

/** Outline of a piece's subsection on the map, drawn to the map's local scale. */
export const pieceOutline = (piece: Piece): MapPoint[] => ribbon(piece.line, 0, piece.width, piece.thickness)

/**
 * The picked-up stitches of a foil on the map, as closed outlines at the local scale: what looks dense is dense.
 * Bricklaid rows are shifted by half a stitch and gap. Stitches start half a gap from the end and are cut off at the other.
 */
export function pieceStitches(piece: Piece, take: Take, bricklay: boolean): MapPoint[][] {
  if (take.kind === 'slice' || take.kind === 'onScalp') return [pieceOutline(piece)]
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

/** A strip of given true thickness around a stretch of a line. */
function ribbon(line: Polyline, from: number, to: number, thickness: number): MapPoint[] {
  const total = polylineLength(line)
  const stops = [Math.min(from, total)]
  for (let at = ARC; at < line.length; at += STRIDE) if (line[at]! > from && line[at]! < to) stops.push(line[at]!)
  stops.push(Math.min(to, total))
  const above: MapPoint[] = []
  const below: MapPoint[] = []
  for (const stop of stops) {
    const position = positionAt(line, stop)
    const x = valueAt(line, position, MAP)
    const y = valueAt(line, position, MAP + 1)
    const dx = (thickness / 2) * valueAt(line, position, RISE)
    const dy = (thickness / 2) * valueAt(line, position, RISE + 1)
    above.push({ x: x + dx, y: y + dy })
    below.push({ x: x - dx, y: y - dy })
  }
  return [...above, ...below.reverse()]
}
