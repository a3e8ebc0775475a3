import { pointFromMap, surfacePoint, type Head } from '../../scalp/head'
import type { ComputedStages } from '../../placement/quantity'
import { pieceOutline } from '../../placement/foils'
import { MODEL_SPOKES, MODEL_RINGS, MODEL_LOWEST, STAND_OFF } from './constants'

/** Triangles to be shown in space. Positions are x, y, z in cm. */
export interface Triangles {
  positions: Float32Array
  indices: Uint32Array
}

/** The head and its foils in space. */
export interface HeadModel {
  surface: Triangles
  hairline: Float32Array
  pieces: { formulaId: string; zoneId: string; triangles: Triangles }[]
}

export function headModel(computed: ComputedStages): HeadModel {
  return {
    surface: surfaceOf(computed.head),
    hairline: hairlineOf(computed.head),
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
          formulaId: piece.formulaId,
          zoneId: zone.zoneId,
          triangles: {
            positions: Float32Array.from(
              outline.flatMap(({ x, y, z }) => [x * STAND_OFF, y * STAND_OFF, z * STAND_OFF]),
            ),
            indices: Uint32Array.from(indices),
          },
        }
      }),
    ),
  }
}

function surfaceOf(head: Head): Triangles {
  const positions: number[] = []
  const indices: number[] = []
  for (let ring = 0; ring <= MODEL_RINGS; ring++)
    for (let spoke = 0; spoke < MODEL_SPOKES; spoke++) {
      const { x, y, z } = surfacePoint(
        head.axes,
        (MODEL_LOWEST * ring) / MODEL_RINGS,
        (2 * Math.PI * spoke) / MODEL_SPOKES,
      )
      positions.push(x, y, z)
    }
  for (let ring = 0; ring < MODEL_RINGS; ring++)
    for (let spoke = 0; spoke < MODEL_SPOKES; spoke++) {
      const a = ring * MODEL_SPOKES + spoke
      const b = ring * MODEL_SPOKES + ((spoke + 1) % MODEL_SPOKES)
      indices.push(a, a + MODEL_SPOKES, b, b, a + MODEL_SPOKES, b + MODEL_SPOKES)
    }
  return { positions: Float32Array.from(positions), indices: Uint32Array.from(indices) }
}

function hairlineOf(head: Head): Float32Array {
  const points = Array.from({ length: 181 }, (_, i) => {
    const psi = (2 * Math.PI * i) / 180
    const { x, y, z } = surfacePoint(head.axes, head.hairline(psi), psi)
    return [x * STAND_OFF, y * STAND_OFF, z * STAND_OFF]
  })
  return Float32Array.from(points.flat())
}
