import { hexFromLab, labFromLevel } from '../colour'
import { hairlineOutline, mapFromDirection, type Head } from '../head'
import type { FaltoPlan, MapPoint } from '../model'
import type { ComputedStages, ZoneResult } from '../result'
import { pieceOutline, pieceStitches, type Piece } from '../placement'

/**
 * The scalp map as paths to draw. Units: cm on the map; x grows to the right and y downwards, as screens and paper have it.
 */
export interface MapDrawing {
  hairline: string
  /** Half the width and the extent above and below the apex, cm. */
  extent: { left: number; right: number; top: number; bottom: number }
  zones: ZoneDrawing[]
  /** Crown, ears and other places to find one's way by. */
  landmarks: { name: string; x: number; y: number }[]
  /** sRGB of the hair each formula is meant to give, and of the hair as it is. */
  swatches: Record<string, string>
  naturalSwatch: string
}

export interface ZoneDrawing {
  id: string
  outline: string
  label: { x: number; y: number }
  pieces: PieceDrawing[]
}

export interface PieceDrawing {
  id: string
  formulaId: string
  kind: Piece['kind']
  /** Place in the order of application of the whole plan, from 1. */
  turn: number
  /** The subsection, and what is picked up from it. */
  outline: string
  stitches: string
  widthCm: number
  foilLengthCm: number
}

export function mapDrawing(plan: FaltoPlan, computed: ComputedStages): MapDrawing {
  const hairline = hairlineOutline(computed.head, 240)
  let turn = 0
  return {
    hairline: closedPath(hairline),
    extent: {
      left: Math.min(...hairline.map(({ x }) => x)),
      right: Math.max(...hairline.map(({ x }) => x)),
      top: -Math.max(...hairline.map(({ y }) => y)),
      bottom: -Math.min(...hairline.map(({ y }) => y)),
    },
    zones: computed.zones.map((zone) => {
      const placement = plan.variants.flatMap(({ stages }) => stages.flatMap(({ zones }) => zones)).find(({ id }) => id === zone.zoneId)!.placement
      return {
        id: zone.zoneId,
        outline: closedPath(zone.shape.outline),
        label: labelPlace(zone),
        pieces: zone.placement.pieces.map((piece) => ({
          id: piece.id,
          formulaId: piece.formulaId,
          kind: piece.kind,
          turn: ++turn,
          outline: closedPath(pieceOutline(piece)),
          stitches: pieceStitches(piece, placement.take, placement.bricklay).map(closedPath).join(''),
          widthCm: Math.round(piece.width * 10) / 10,
          foilLengthCm: Math.round(piece.foilLength),
        })),
      }
    }),
    landmarks: landmarks(computed.head),
    swatches: Object.fromEntries(plan.formulas.map(({ id, level, tone }) => [id, hexFromLab(labFromLevel(level, tone))])),
    naturalSwatch: hexFromLab(labFromLevel(plan.hair.naturalLevel, 'neutral')),
  }
}

/** The point of the zone's mesh nearest to its centre of area: inside even where a zone is bent. */
function labelPlace({ shape }: ZoneResult): { x: number; y: number } {
  const { map, triangles, areas } = shape.mesh
  const centres = Array.from(areas, (_, t) => ({
    x: (map[2 * triangles[3 * t]!]! + map[2 * triangles[3 * t + 1]!]! + map[2 * triangles[3 * t + 2]!]!) / 3,
    y: (map[2 * triangles[3 * t]! + 1]! + map[2 * triangles[3 * t + 1]! + 1]! + map[2 * triangles[3 * t + 2]! + 1]!) / 3,
  }))
  const total = areas.reduce((sum, area) => sum + area, 0)
  const x = centres.reduce((sum, centre, t) => sum + centre.x * areas[t]!, 0) / total
  const y = centres.reduce((sum, centre, t) => sum + centre.y * areas[t]!, 0) / total
  const nearest = centres.reduce((best, centre) => (Math.hypot(centre.x - x, centre.y - y) < Math.hypot(best.x - x, best.y - y) ? centre : best))
  return { x: round(nearest.x), y: round(-nearest.y) }
}

function landmarks(head: Head): MapDrawing['landmarks'] {
  const ear = head.hairline(Math.PI / 2)
  const places: [string, number, number][] = [
    ['crown', Math.PI / 6, Math.PI],
    ['left ear', ear, Math.PI / 2],
    ['right ear', ear, -Math.PI / 2],
    ['occipital', (95 * Math.PI) / 180, Math.PI],
  ]
  return places.map(([name, theta, psi]) => {
    const point = mapFromDirection(head, theta, psi)
    return { name, x: round(point.x), y: round(-point.y) }
  })
}

const closedPath = (points: readonly MapPoint[]): string => `M${points.map(({ x, y }) => `${round(x)} ${round(-y)}`).join('L')}Z`
/** A hundredth of a centimetre: finer than a screen or a printer shows. */
const round = (value: number): number => Math.round(value * 100) / 100
