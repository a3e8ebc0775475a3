import { createHead, surfacePoint } from '../head'
import { bustOf, fieldAt, mannequinField, sampleField, surfaceNets, type Grid, type Mesh } from '.'

const head = createHead({ circumferenceCm: 54 })
const field = mannequinField(head)
const grid = sampleField(field)

/** Outermost point of the bust from a point outwards, cm. */
function edgeAlong(from: readonly [number, number, number], way: readonly [number, number, number]): number {
  for (let at = 30; at > 0; at -= 0.02)
    if (field(from[0] + at * way[0], from[1] + at * way[1], from[2] + at * way[2]) < 0) return at
  return 0
}

describe('the bust', () => {
  it('has the measured scalp exactly where hair grows, on any head', () => {
    for (const circumferenceCm of [50, 54, 60]) {
      const own = createHead({ circumferenceCm })
      const distance = mannequinField(own)
      for (let psi = -Math.PI; psi < Math.PI; psi += 0.1)
        for (let share = 0; share <= 1; share += 0.1) {
          const { x, y, z } = surfacePoint(own.axes, share * own.hairline(psi), psi)
          // Ears lie against it, and round into it.
          const beside = Math.abs(Math.abs(psi) - 1.66) < 0.45 && share > 0.75
          expect(Math.abs(distance(x, y, z))).toBeLessThan(beside ? 1.3 : 1e-9)
        }
    }
  })

  it('is alike on both sides, to the bit', () => {
    for (let i = 0; i < 500; i++) {
      const [x, y, z] = [(i * 7.3) % 19, ((i * 3.7) % 26) - 13, ((i * 5.9) % 42) - 28]
      expect(field(x, y, z)).toBe(field(-x, y, z))
    }
  })

  it('has a face as a face is: nose foremost, then chin and lips, eyes set back, ears at the sides', () => {
    const forwards = (x: number, z: number) => edgeAlong([x, 0, z], [0, 1, 0])
    const [nose, lips, chin, eye, brow, mouthCorner] = [
      forwards(0, -3.8),
      forwards(0, -6.6),
      forwards(0, -9.9),
      forwards(3, -0.8),
      forwards(2.6, 0.8),
      forwards(3.2, -6.6),
    ]
    expect(nose).toBeGreaterThan(lips)
    expect(lips).toBeGreaterThan(mouthCorner)
    expect(brow).toBeGreaterThan(eye)
    expect(chin).toBeGreaterThan(7)
    const sideways = (y: number, z: number) => edgeAlong([0, y, z], [1, 0, 0])
    expect(sideways(-0.9, -1.6)).toBeGreaterThan(sideways(3, -1.6) + 0.5)
    // A neck is about 11 cm broad, shoulders 32–42 (adult women, from memory).
    expect(2 * sideways(-2, -14)).toBeGreaterThan(9)
    expect(2 * sideways(-2, -14)).toBeLessThan(13)
    const shoulders = 2 * sideways(-3.5, -24)
    expect(shoulders).toBeGreaterThan(30)
    expect(shoulders).toBeLessThan(42)
  })

  it('grows in breadth with the head and keeps the height of its face', () => {
    const broader = mannequinField(createHead({ circumferenceCm: 60 }))
    expect(broader(8.1, 0, 0)).toBeLessThan(field(8.1, 0, 0))
    expect(broader(0, 0, 13.1)).toBeGreaterThan(0)
  })
})

describe('its field in a grid', () => {
  it('is what was sampled at the corners and lies between them elsewhere, near the surface within a millimetre', () => {
    const [nx, ny] = grid.size
    for (let i = 0; i < 4000; i += 97) {
      const at = (i * 31) % grid.values.length
      const place = [at % nx, Math.floor(at / nx) % ny, Math.floor(at / (nx * ny))].map(
        (index, axis) => grid.origin[axis]! + grid.step * index,
      ) as [number, number, number]
      expect(fieldAt(grid, ...place)).toBeCloseTo(grid.values[at]!, 5)
    }
    for (let psi = -3; psi < 3; psi += 0.37)
      for (const share of [0.2, 0.5, 0.7]) {
        const { x, y, z } = surfacePoint(head.axes, share * head.hairline(psi), psi)
        expect(Math.abs(fieldAt(grid, x, y, z))).toBeLessThan(0.1)
      }
  })

  it('goes on outside its box as at the edge', () => {
    expect(fieldAt(grid, 500, 0, 0)).toBe(fieldAt(grid, 19, 0, 0))
    expect(fieldAt(grid, 0, 0, 500)).toBeGreaterThan(0)
  })
})

describe('a mesh', () => {
  /** A field over cubes of a quarter of a centimetre from (−2, −3, −4) on. */
  const sampled = (field: (x: number, y: number, z: number) => number): Grid => {
    const [step, origin, size] = [0.25, [-2, -3, -4], [17, 25, 33]] as const
    const values = new Float32Array(size[0] * size[1] * size[2])
    for (let at = 0; at < values.length; at++) {
      const [i, j, k] = [at % size[0], Math.floor(at / size[0]) % size[1], Math.floor(at / (size[0] * size[1]))]
      values[at] = field(origin[0] + step * i, origin[1] + step * j, origin[2] + step * k)
    }
    return { step, origin, size, values }
  }
  const corner = ({ positions }: Mesh, vertex: number) => [...positions.subarray(3 * vertex, 3 * vertex + 3)]

  it('of a ball is closed, of its volume, and everywhere as far from its middle (law of closed surfaces: V − E + F = 2)', () => {
    const [radius, middle] = [1.3, [0.1, -0.2, 0.3]] as const
    const mesh = surfaceNets(sampled((...at) => Math.hypot(...at.map((one, axis) => one - middle[axis]!)) - radius))
    const [vertices, triangles] = [mesh.positions.length / 3, mesh.indices.length / 3]
    expect(vertices - (3 * triangles) / 2 + triangles).toBe(2)
    const away = (vertex: number) => corner(mesh, vertex).map((one, axis) => one - middle[axis]!)
    for (let vertex = 0; vertex < vertices; vertex++)
      expect(Math.abs(Math.hypot(...away(vertex)) - radius)).toBeLessThan(0.04)
    let volume = 0
    for (let t = 0; t < mesh.indices.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => away(mesh.indices[t + k]!)) as [number[], number[], number[]]
      // Six times a tetrahedron to the middle; positive where the triangle is seen from outside.
      const six = [0, 1, 2].reduce((sum, x) => {
        const [y, z] = [(x + 1) % 3, (x + 2) % 3]
        return sum + a[x]! * (b[y]! * c[z]! - b[z]! * c[y]!)
      }, 0)
      expect(six).toBeGreaterThan(-1e-6)
      volume += six / 6
    }
    expect(volume / ((4 / 3) * Math.PI * radius ** 3)).toBeGreaterThan(0.93)
    expect(volume / ((4 / 3) * Math.PI * radius ** 3)).toBeLessThan(1)
  })

  it.each([0, 1, 2])('of a plane across axis %i lies on it, one vertex a cube that it cuts', (axis) => {
    const mesh = surfaceNets(sampled((...at) => at[axis]! + 0.35))
    const size = [16, 24, 32]
    expect(mesh.positions.length / 3).toBe((16 * 24 * 32) / size[axis]!)
    const others = [0, 1, 2].filter((one) => one !== axis)
    expect(mesh.indices.length / 6).toBe(others.reduce((product, one) => product * (size[one]! - 1), 1))
    for (let vertex = 0; vertex < mesh.positions.length / 3; vertex++) {
      const at = corner(mesh, vertex)
      expect(at[axis]).toBeCloseTo(-0.35, 5)
      for (const other of others) expect(4 * at[other]! - 0.5).toBeCloseTo(Math.round(4 * at[other]! - 0.5), 5)
    }
  })

  it('of a bust is one closed skin but for where it is cut off', () => {
    const { positions, indices } = surfaceNets(grid)
    const edges = new Map<string, number>()
    for (let t = 0; t < indices.length; t += 3)
      for (let k = 0; k < 3; k++) {
        const [a, b] = [indices[t + k]!, indices[t + ((k + 1) % 3)]!]
        edges.set(`${a} ${b}`, (edges.get(`${a} ${b}`) ?? 0) + 1)
      }
    const open = [...edges].filter(([key, count]) => {
      const [a, b] = key.split(' ')
      return count !== 1 || !edges.has(`${b} ${a}`)
    })
    for (const [key] of open)
      for (const vertex of key.split(' ')) expect(positions[3 * Number(vertex) + 2]!).toBeLessThan(-27)
  })

  it('of a bust lies on its field and is seen from outside', () => {
    const { positions, indices } = surfaceNets(grid)
    for (let at = 0; at < positions.length; at += 3 * 17)
      expect(Math.abs(field(positions[at]!, positions[at + 1]!, positions[at + 2]!))).toBeLessThan(0.2)
    let outside = 0
    for (let t = 0; t < indices.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => 3 * indices[t + k]!) as [number, number, number]
      const side = (from: number, to: number, axis: number) => positions[to + axis]! - positions[from + axis]!
      const normal = [0, 1, 2].map(
        (axis) =>
          side(a, b, (axis + 1) % 3) * side(a, c, (axis + 2) % 3) -
          side(a, b, (axis + 2) % 3) * side(a, c, (axis + 1) % 3),
      ) as [number, number, number]
      const length = Math.hypot(...normal)
      if (length < 1e-9) continue
      const [x, y, z] = [0, 1, 2].map((axis) => positions[a + axis]! + (0.1 * normal[axis]!) / length) as [
        number,
        number,
        number,
      ]
      if (field(x, y, z) > field(positions[a]!, positions[a + 1]!, positions[a + 2]!)) outside++
    }
    expect(outside / (indices.length / 3)).toBeGreaterThan(0.99)
  })

  it('is made once for a head', () => {
    expect(bustOf(head)).toBe(bustOf(head))
    expect(bustOf(head).mesh).toEqual(surfaceNets(grid))
  })
})
