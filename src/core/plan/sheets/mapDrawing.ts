import { hexFromLab, labFromLevel } from '../../hair/colour'
import { EAR_AZIMUTH, hairlineOutline, mapFromDirection, type Head } from '../../scalp/head'
import type { FaltoPlan, MapPoint, Placement } from '../../model'
import type { ComputedStages, ZoneResult } from '../../placement/quantity'
import { pieceOutline, pieceStitches, type Piece } from '../../placement/foils'
import { roundToTenth } from '../../units'
import { CORNER_TURN, LABEL_ROOM_CM } from './constants'

/**
 * The scalp map as paths to draw. Units: cm on the map; x grows to the right and y downwards, as screens and paper have
 * it.
 */
export interface MapDrawing {
  hairline: string
  /** Half the width and the extent above and below the apex, cm. */
  extent: { left: number; right: number; top: number; bottom: number }
  /** In working order. */
  zones: ZoneDrawing[]
  /** Place of each zone's first piece in the order of application of the whole plan, from 1. */
  firstTurns: Record<string, number>
  /** Crown, ears and other places to find one's way by. */
  landmarks: { name: string; x: number; y: number }[]
  /** sRGB of the hair each formula is meant to give. */
  swatches: Record<string, string>
}

export interface ZoneDrawing {
  id: string
  stageId: string
  outline: string
  label: { x: number; y: number }
  pieces: PieceDrawing[]
}

export interface PieceDrawing {
  id: string
  formulaId: string
  kind: Piece['kind']
  /** The subsection, and what is picked up from it. */
  outline: string
  stitches: string
  widthCm: number
  foilLengthCm: number
}

/**
 * How finely a map is drawn: with every stitch, or each piece as one strip wherever its stitches are not known yet,
 * while a hand still moves.
 */
export type MapDetail = 'stitches' | 'strips'

export function mapDrawing(plan: FaltoPlan, computed: ComputedStages, detail: MapDetail = 'stitches'): MapDrawing {
  const hairline = hairlineOutline(computed.head, 240)
  const placements = new Map(
    plan.variants.flatMap(({ stages }) =>
      stages.flatMap(({ zones }) => zones.map(({ id, placement }) => [id, placement])),
    ),
  )
  const firstTurns: Record<string, number> = {}
  let turn = 1
  for (const zone of computed.zones) {
    firstTurns[zone.zoneId] = turn
    turn += zone.placement.pieces.length
  }
  return {
    hairline: smoothPath(hairline),
    extent: {
      left: Math.min(...hairline.map(({ x }) => x)),
      right: Math.max(...hairline.map(({ x }) => x)),
      top: -Math.max(...hairline.map(({ y }) => y)),
      bottom: -Math.min(...hairline.map(({ y }) => y)),
    },
    zones: computed.zones.map((zone) => zoneDrawing(zone, placements.get(zone.zoneId)!, detail)),
    firstTurns,
    landmarks: landmarks(computed.head),
    swatches: swatchesOf(plan.formulas),
  }
}

/** The colour that each formula is drawn in. */
export const swatchesOf = (formulas: FaltoPlan['formulas']): Record<string, string> =>
  Object.fromEntries(formulas.map(({ id, level, tone }) => [id, hexFromLab(labFromLevel(level, tone))]))

/** Drawings by the placement they show, so that a zone that was not touched keeps its very drawing. */
const drawn: Record<MapDetail, WeakMap<ZoneResult['placement'], ZoneDrawing>> = {
  stitches: new WeakMap(),
  strips: new WeakMap(),
}

function zoneDrawing(zone: ZoneResult, { bricklay, take, sequence }: Placement, detail: MapDetail): ZoneDrawing {
  const known = drawn.stitches.get(zone.placement) ?? drawn[detail].get(zone.placement)
  if (known) return known
  const stitchesOf =
    detail === 'strips' ? () => '' : (piece: Piece) => pieceStitches(piece, bricklay).map(closedPath).join('')
  const outline = zone.shape.loops.map(smoothPath).join('')
  // A section in one block colour is drawn whole; strips of it would leave its corners bare.
  const wholeBlock =
    take.kind === 'block' && new Set(sequence).size === 1 && typeof sequence[0] === 'string' ? outline : undefined
  const drawing: ZoneDrawing = {
    id: zone.zoneId,
    stageId: zone.stageId,
    outline,
    label: labelPlace(zone),
    // What shares a foil with something nearer to the scalp lies under it.
    pieces: zone.placement.pieces
      .filter(({ along }) => along === undefined)
      .map((piece, i) => ({
        id: piece.id,
        formulaId: piece.formulaId,
        kind: piece.kind,
        outline: closedPath(pieceOutline(piece)),
        stitches: wholeBlock ? (i === 0 ? wholeBlock : '') : stitchesOf(piece),
        widthCm: roundToTenth(piece.width),
        foilLengthCm: Math.round(piece.foilLength),
      })),
  }
  drawn[detail].set(zone.placement, drawing)
  return drawing
}

/**
 * The point of the zone's mesh nearest to its centre of area, with room for a label round it where there is any: inside
 * even where a zone is bent or goes round another.
 */
function labelPlace({ shape }: ZoneResult): { x: number; y: number } {
  const { map, triangles, areas } = shape.mesh
  const mean = (t: number, axis: 0 | 1) =>
    (map[2 * triangles[3 * t]! + axis]! +
      map[2 * triangles[3 * t + 1]! + axis]! +
      map[2 * triangles[3 * t + 2]! + axis]!) /
    3
  const centres = Array.from(areas, (_, t) => ({ x: mean(t, 0), y: mean(t, 1) }))
  const total = areas.reduce((sum, area) => sum + area, 0)
  const x = centres.reduce((sum, centre, t) => sum + centre.x * areas[t]!, 0) / total
  const y = centres.reduce((sum, centre, t) => sum + centre.y * areas[t]!, 0) / total
  const nearest =
    centres
      .sort((a, b) => squareBetween(a, { x, y }) - squareBetween(b, { x, y }))
      .find((centre) => hasRoom(shape, centre)) ?? centres[0]!
  return { x: round(nearest.x), y: round(-nearest.y) }
}

/** Whether a label at a place keeps clear of the zone's outline and of the islands in it. */
const hasRoom = ({ loops }: ZoneResult['shape'], place: MapPoint): boolean =>
  loops.every((loop) => loop.every((corner) => squareBetween(corner, place) > LABEL_ROOM_CM ** 2))

/** Not Math.hypot, which is many times slower. */
const squareBetween = (a: MapPoint, b: MapPoint): number => (a.x - b.x) ** 2 + (a.y - b.y) ** 2

function landmarks(head: Head): MapDrawing['landmarks'] {
  const ear = head.hairline(EAR_AZIMUTH)
  const places: [string, number, number][] = [
    ['crown', Math.PI / 6, Math.PI],
    ['left ear', ear, EAR_AZIMUTH],
    ['right ear', ear, -EAR_AZIMUTH],
    ['occipital', (95 * Math.PI) / 180, Math.PI],
  ]
  return places.map(([name, theta, psi]) => {
    const point = mapFromDirection(head, theta, psi)
    return { name, x: round(point.x), y: round(-point.y) }
  })
}

const closedPath = (points: readonly MapPoint[]): string =>
  `M${points.map(({ x, y }) => `${round(x)} ${round(-y)}`).join('L')}Z`

/** A closed outline as a curve through all its points (Catmull–Rom), with its corners kept. */
function smoothPath(points: readonly MapPoint[]): string {
  const count = points.length
  const at = (i: number) => points[(i + count) % count]!
  const turns = points.map((_, i) => Math.abs(angleBetween(at(i - 1), at(i), at(i + 1))))
  // The tangent at a point, as a sixth of the way between its neighbours; at a corner the curve sets off straight.
  const tangent = (i: number) =>
    turns[(i + count) % count]! > CORNER_TURN
      ? { x: 0, y: 0 }
      : { x: (at(i + 1).x - at(i - 1).x) / 6, y: (at(i + 1).y - at(i - 1).y) / 6 }
  const pair = (x: number, y: number) => `${round(x)} ${round(-y)}`
  let path = `M${pair(at(0).x, at(0).y)}`
  for (let i = 0; i < count; i++) {
    const [from, to] = [at(i), at(i + 1)]
    const [leaving, arriving] = [tangent(i), tangent(i + 1)]
    path += `C${pair(from.x + leaving.x, from.y + leaving.y)} ${pair(to.x - arriving.x, to.y - arriving.y)} ${pair(to.x, to.y)}`
  }
  return `${path}Z`
}

/** By how much the way from a over b to c turns at b, rad. */
function angleBetween(a: MapPoint, b: MapPoint, c: MapPoint): number {
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, c.x - b.x, c.y - b.y]
  return Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)
}

/** A hundredth of a centimetre: finer than a screen or a printer shows. */
const round = (value: number): number => Math.round(value * 100) / 100
