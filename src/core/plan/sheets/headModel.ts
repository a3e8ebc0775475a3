import type { Point3 } from '../../model'
import { pointFromMap, surfacePoint, type Head } from '../../scalp/head'
import { bustOf } from '../../scalp/mannequin'
import type { ComputedStages } from '../../placement/quantity'
import { pieceOutline } from '../../placement/foils'
import { STAND_OFF } from './constants'

/** Triangles to be shown in space. Positions are x, y, z in cm. */
export interface Triangles {
  positions: Float32Array
  indices: Uint32Array
}

/** A bust around the client's head, and her foils on it. */
export interface HeadModel {
  bust: Triangles
  hairline: Float32Array
  /** Outlines of the zones, x, y, z of one corner after another. */
  zones: { zoneId: string; stageId: string; outlines: Float32Array[] }[]
  pieces: { pieceId: string; formulaId: string; zoneId: string; stageId: string; triangles: Triangles }[]
}

export function headModel(computed: ComputedStages): HeadModel {
  return {
    bust: bustOf(computed.head).mesh,
    hairline: hairlineOf(computed.head),
    zones: computed.zones.map(({ zoneId, stageId, shape }) => ({
      zoneId,
      stageId,
      outlines: shape.loops.map((loop) =>
        Float32Array.from(loop.flatMap((point) => offTheScalp(pointFromMap(computed.head, point)))),
      ),
    })),
    pieces: computed.zones.flatMap((zone) =>
      zone.placement.pieces.map((piece) => {
        // The outline runs along one side and back along the other, so point i faces point n − 1 − i.
        const outline = pieceOutline(piece).map((point) => pointFromMap(computed.head, point))
        const half = outline.length / 2
        const indices: number[] = []
        for (let i = 0; i < half - 1; i++) {
          const facing = outline.length - 1 - i
          indices.push(i, i + 1, facing, i + 1, facing - 1, facing)
        }
        return {
          pieceId: piece.id,
          formulaId: piece.formulaId,
          zoneId: zone.zoneId,
          stageId: zone.stageId,
          triangles: {
            positions: Float32Array.from(outline.flatMap(offTheScalp)),
            indices: Uint32Array.from(indices),
          },
        }
      }),
    ),
  }
}

/** A little off the scalp, so that nothing of the skin comes through. */
const offTheScalp = ({ x, y, z }: Point3): number[] => [x * STAND_OFF, y * STAND_OFF, z * STAND_OFF]

function hairlineOf(head: Head): Float32Array {
  const points = Array.from({ length: 181 }, (_, i) => {
    const psi = (2 * Math.PI * i) / 180
    return offTheScalp(surfacePoint(head.axes, head.hairline(psi), psi))
  })
  return Float32Array.from(points.flat())
}
