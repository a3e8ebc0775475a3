import type { Grid } from './grid'

/** Triangles in space: positions x, y, z in cm, three corners a triangle, seen from outside anticlockwise. */
export interface Mesh {
  positions: Float32Array
  indices: Uint32Array
}

/** Corners of a cube by their offset (bit 0 x, bit 1 y, bit 2 z), and its twelve edges. */
const EDGES: readonly (readonly [number, number])[] = [0, 1, 2, 3, 4, 5, 6, 7].flatMap((corner) =>
  [1, 2, 4].flatMap((axis) => (corner & axis ? [] : [[corner, corner | axis] as const])),
)

/**
 * The surface where a sampled field is 0, by surface nets (Gibson 1998): one vertex in every cube that the surface
 * passes, at the mean of where it crosses the cube's edges, joined across every edge that it crosses. Closed as far as
 * the surface is within the grid.
 */
export function surfaceNets({ step, origin, size, values }: Grid): Mesh {
  const [nx, ny, nz] = size
  const [sx, sy, sz] = [1, nx, nx * ny]
  const offset = (corner: number) => (corner & 1 ? sx : 0) + (corner & 2 ? sy : 0) + (corner & 4 ? sz : 0)
  const edges = EDGES.map(([a, b]) => ({ a, b, from: offset(a), to: offset(b) }))
  const vertexOf = new Int32Array(values.length).fill(-1)
  const positions: number[] = []
  const indices: number[] = []
  const isIn = (at: number) => values[at]! < 0
  const corners = [0, 1, 2, 3, 4, 5, 6, 7].map(offset)
  // Nearly every cube lies within the surface or without: they are told by their corners, quicker than by their edges.
  const isOnOneSide = (at: number): boolean => {
    const first = isIn(at)
    for (let corner = 1; corner < 8; corner++) if (isIn(at + corners[corner]!) !== first) return false
    return true
  }
  for (let k = 0; k < nz - 1; k++)
    for (let j = 0; j < ny - 1; j++)
      for (let i = 0; i < nx - 1; i++) {
        const at = i + sy * j + sz * k
        if (isOnOneSide(at)) continue
        let [x, y, z, count] = [0, 0, 0, 0]
        for (const { a, b, from, to } of edges) {
          const va = values[at + from]!
          const vb = values[at + to]!
          if (va < 0 === vb < 0) continue
          const share = va / (va - vb)
          x += (a & 1) + share * ((b & 1) - (a & 1))
          y += ((a & 2) + share * ((b & 2) - (a & 2))) / 2
          z += ((a & 4) + share * ((b & 4) - (a & 4))) / 4
          count++
        }
        vertexOf[at] = positions.length / 3
        positions.push(
          origin[0] + step * (i + x / count),
          origin[1] + step * (j + y / count),
          origin[2] + step * (k + z / count),
        )
        // Across each edge that leaves this corner lie four cubes, this one and the three before it.
        if (j > 0 && k > 0 && isIn(at) !== isIn(at + sx)) quad(at, sy, sz, isIn(at))
        if (i > 0 && k > 0 && isIn(at) !== isIn(at + sy)) quad(at, sz, sx, isIn(at))
        if (i > 0 && j > 0 && isIn(at) !== isIn(at + sz)) quad(at, sx, sy, isIn(at))
      }
  return { positions: Float32Array.from(positions), indices: Uint32Array.from(indices) }

  function quad(at: number, one: number, other: number, outwards: boolean): void {
    const [a, b, c, d] = [at, at - one, at - one - other, at - other].map((cube) => vertexOf[cube]!) as [
      number,
      number,
      number,
      number,
    ]
    if (outwards) indices.push(a, b, c, a, c, d)
    else indices.push(a, c, b, a, d, c)
  }
}
