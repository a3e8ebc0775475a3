import type { MapPoint, PaintShape } from '../../model'
import { cmFromMm } from '../../units'
import type { Piece } from './pieces'
import { isStitched } from './take'
import { TEASED_SHARE, STROKE_CM, STROKES } from './constants'
import { ARC, MAP, PITCH, polylineLength, positionAt, RISE, STRIDE, valueAt } from './polyline'

/** Outline of a piece's subsection on the map, drawn to the map's local scale. */
export const pieceOutline = (piece: Piece): MapPoint[] => ribbon(piece, 0, piece.width, 1)

/**
 * The picked-up stitches of a foil on the map, as closed outlines at the local scale: what looks dense is dense.
 * Bricklaid rows are shifted by half a stitch and gap.
 */
export function pieceStitches(piece: Piece, bricklay: boolean): MapPoint[][] {
  const { take } = piece
  if (piece.along || piece.id.endsWith('/dropout')) return []
  if (take.kind === 'painted') return paintedShapes(piece, take.shape ?? 'v')
  if (take.kind === 'teased') return [ribbon(piece, 0, piece.width, TEASED_SHARE)]
  if (!isStitched(take)) return [pieceOutline(piece)]
  return stitchSpans(piece, bricklay).map(([from, to]) => ribbon(piece, from, to, take.depthShare))
}

/** Where the stitches of a piece that has them begin and end along its parting, cm. @param bricklay of its zone */
export const stitchSpans = (piece: Piece, bricklay: boolean): [from: number, to: number][] =>
  spread(piece, bricklay && piece.row % 2 === 1 ? 'between' : 'inLine')

/**
 * Where stitches begin and end along a piece: as many whole ones as come nearest, evened out over its width, as a hand
 * does.
 */
function spread({ take, takeAtEnd = take, width }: Piece, rows: 'inLine' | 'between'): [from: number, to: number][] {
  const steps: { stitch: number; gap: number }[] = []
  let filled = 0
  for (;;) {
    const share = Math.min(1, filled / width)
    const stitch = cmFromMm(take.stitchMm + share * (takeAtEnd.stitchMm - take.stitchMm))
    const gap = cmFromMm(take.stitchGapMm + share * (takeAtEnd.stitchGapMm - take.stitchGapMm))
    if (steps.length > 0 && filled + (stitch + gap) / 2 > width) break
    steps.push({ stitch, gap })
    filled += stitch + gap
  }
  const fit = width / filled
  // Offset rows begin and end with half a stitch, where the row before has its gap.
  const first = steps[0]!
  let at = rows === 'between' ? -(first.stitch + first.gap) / 2 : 0
  const stitches: [number, number][] = []
  for (const { stitch, gap } of rows === 'between' ? [...steps, steps[steps.length - 1]!] : steps) {
    const from = (at + gap / 2) * fit
    stitches.push([Math.max(0, from), Math.min(width, from + stitch * fit)])
    at += stitch + gap
  }
  return stitches.filter(([from, to]) => to > from)
}

function paintedShapes(piece: Piece, shape: PaintShape): MapPoint[][] {
  const { width } = piece
  const count = Math.max(1, Math.round(width / STROKE_CM))
  const step = width / count
  return Array.from({ length: count }, (_, i) =>
    STROKES[shape].map((corners) =>
      corners.map(([along, across]) => beside(piece, (i + 0.06 + 0.88 * along) * step, across)),
    ),
  ).flat()
}

/**
 * A point of the map beside a piece's parting: so far along it, true cm, and so far across, from −1 at the subsection's
 * lower edge to 1 at its upper one.
 */
function beside({ line, thickness, edges }: Piece, along: number, across: number): MapPoint {
  const position = positionAt(line, along)
  const off =
    across * (edges ? (across > 0 ? edges.above : edges.below) * valueAt(line, position, PITCH) : thickness / 2)
  return {
    x: valueAt(line, position, MAP) + off * valueAt(line, position, RISE),
    y: valueAt(line, position, MAP + 1) + off * valueAt(line, position, RISE + 1),
  }
}

/** A strip around a stretch of a piece's parting. @param share of the subsection's thickness */
function ribbon(piece: Piece, from: number, to: number, share: number): MapPoint[] {
  const { line } = piece
  const total = polylineLength(line)
  if (piece.zigzag > 0) return zigzagRibbon(piece, Math.min(from, total), Math.min(to, total), share)
  const stops = [Math.min(from, total)]
  for (let at = ARC; at < line.length; at += STRIDE) if (line[at]! > from && line[at]! < to) stops.push(line[at]!)
  stops.push(Math.min(to, total))
  const above: MapPoint[] = []
  const below: MapPoint[] = []
  for (const stop of stops) {
    above.push(beside(piece, stop, share))
    below.push(beside(piece, stop, -share))
  }
  return [...above, ...below.reverse()]
}

/** The same strip between two zigzag partings: teeth as deep as they are wide. */
function zigzagRibbon(piece: Piece, from: number, to: number, share: number): MapPoint[] {
  const teeth = Math.max(1, Math.round((to - from) / (2 * piece.zigzag)))
  const half = piece.thickness / 2
  const side = (edge: number) =>
    Array.from({ length: teeth + 1 }, (_, i) =>
      beside(piece, from + (i / teeth) * (to - from), edge * share + ((i % 2 === 0 ? 1 : -1) * piece.zigzag) / half),
    )
  return [...side(1), ...side(-1).reverse()]
}
