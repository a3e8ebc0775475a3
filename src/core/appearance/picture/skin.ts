import { cellAt } from '../../hair/hairRecord'
import { placeFromDirection, radiusAt, type Head } from '../../scalp/head'
import type { Mesh } from '../../scalp/mannequin'
import { project, type Camera } from './camera'
import { inSpace } from './develop'
import { FADES, FILL_LIGHT, KEY_LIGHT, SKIN_LIGHT, TORSO_TO_Z, WALL_LIGHT } from './constants'
import { skinPixel, type Exposure } from './exposure'

/** The skin of a bust, ready to be drawn from anywhere. */
export interface Skin {
  mesh: Mesh
  /** Outward direction at every corner. */
  normals: Float32Array
  /** 0 off the scalp, else scalp cell + 1. */
  scalp: Uint16Array
}

/** So near to the scalp's surface a corner of the mesh is scalp, cm; ears stand off it. Our choice. */
const ON_SCALP_CM = 0.2
const BELOW_HAIR_CM = 0.15

/** Looks where on the mesh hair grows, and which way its corners face. */
export function skinOf(head: Head, bust: Mesh): Skin {
  const mesh = withTorso(bust)
  const { positions } = mesh
  const scalp = new Uint16Array(positions.length / 3)
  for (let i = 0; i < scalp.length; i++) {
    const [x, y, z] = [positions[3 * i]!, positions[3 * i + 1]!, positions[3 * i + 2]!]
    const theta = Math.atan2(Math.sqrt(x * x + y * y), z)
    const psi = Math.atan2(x, y)
    if (theta >= head.hairline(psi)) continue
    if (Math.abs(Math.sqrt(x * x + y * y + z * z) - radiusAt(head.axes, theta, psi)) > ON_SCALP_CM) continue
    scalp[i] = 1 + cellAt(placeFromDirection(head, theta, psi))
  }
  const normals = normalsOf(mesh)
  // A little below its hair, because the mesh only comes near to the scalp that roots stand on.
  for (let i = 0; i < scalp.length; i++)
    if (scalp[i]! > 0) for (let at = 3 * i; at < 3 * i + 3; at++) positions[at]! -= BELOW_HAIR_CM * normals[at]!
  return { mesh, normals, scalp }
}

/** The bust with its open lower rim drawn straight down, so that nothing is seen through it. */
function withTorso({ positions, indices }: Mesh): Mesh {
  const corners = positions.length / 3
  const loose = new Map<number, readonly [number, number]>()
  for (let t = 0; t < indices.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [indices[t + k]!, indices[t + ((k + 1) % 3)]!]
      if (!loose.delete(b * corners + a)) loose.set(a * corners + b, [a, b])
    }
  const lower = new Map<number, number>()
  const more: number[] = []
  const down = (corner: number): number => {
    const known = lower.get(corner) ?? corners + lower.size
    lower.set(corner, known)
    return known
  }
  for (const [a, b] of loose.values()) more.push(a, down(a), b, b, down(a), down(b))
  const added = [...lower.keys()].flatMap((corner) => [positions[3 * corner]!, positions[3 * corner + 1]!, TORSO_TO_Z])
  const whole = {
    positions: new Float32Array(positions.length + added.length),
    indices: new Uint32Array(indices.length + more.length),
  }
  whole.positions.set(positions)
  whole.positions.set(added, positions.length)
  whole.indices.set(indices)
  whole.indices.set(more, indices.length)
  return whole
}

function normalsOf({ positions, indices }: Mesh): Float32Array {
  const normals = new Float32Array(positions.length)
  for (let t = 0; t < indices.length; t += 3) {
    const a = 3 * indices[t]!
    const b = 3 * indices[t + 1]!
    const c = 3 * indices[t + 2]!
    for (let axis = 0; axis < 3; axis++) {
      const one = (axis + 1) % 3
      const other = (axis + 2) % 3
      const across =
        (positions[b + one]! - positions[a + one]!) * (positions[c + other]! - positions[a + other]!) -
        (positions[b + other]! - positions[a + other]!) * (positions[c + one]! - positions[a + one]!)
      normals[a + axis]! += across
      normals[b + axis]! += across
      normals[c + axis]! += across
    }
  }
  for (let at = 0; at < normals.length; at += 3) {
    const [x, y, z] = [normals[at]!, normals[at + 1]!, normals[at + 2]!]
    const length = Math.sqrt(x * x + y * y + z * z) || 1
    normals[at] = x / length
    normals[at + 1] = y / length
    normals[at + 2] = z / length
  }
  return normals
}

/** Draws the skin behind what is in a picture already. */
export function exposeSkin(exposure: Exposure, { mesh, normals, scalp }: Skin): void {
  const seen = project(exposure.camera, mesh.positions)
  const light = lightOn(normals, mesh.positions, exposure.camera)
  const { indices } = mesh
  const { camera, pixels, depth } = exposure
  for (let t = 0; t < indices.length; t += 3) drawTriangle(indices[t]!, indices[t + 1]!, indices[t + 2]!)

  function drawTriangle(a: number, b: number, c: number): void {
    const ax = seen[3 * a]!
    const ay = seen[3 * a + 1]!
    const bx = seen[3 * b]! - ax
    const by = seen[3 * b + 1]! - ay
    const cx = seen[3 * c]! - ax
    const cy = seen[3 * c + 1]! - ay
    const area = bx * cy - cx * by
    // What faces away lies behind what does not.
    if (area <= 0) return
    const top = Math.max(0, Math.ceil(ay + Math.min(0, by, cy) - 0.5))
    const bottom = Math.min(camera.height - 1, Math.floor(ay + Math.max(0, by, cy) - 0.5))
    const left = Math.max(0, Math.ceil(ax + Math.min(0, bx, cx) - 0.5))
    const right = Math.min(camera.width - 1, Math.floor(ax + Math.max(0, bx, cx) - 0.5))
    const az = seen[3 * a + 2]!
    const bz = seen[3 * b + 2]! - az
    const cz = seen[3 * c + 2]! - az
    const shade = 255 * light[a]!
    const toB = 255 * light[b]! - shade
    const toC = 255 * light[c]! - shade
    for (let row = top; row <= bottom; row++)
      for (let column = left; column <= right; column++) {
        const x = column + 0.5 - ax
        const y = row + 0.5 - ay
        const u = (x * cy - cx * y) / area
        const v = (bx * y - x * by) / area
        if (u < 0 || v < 0 || u + v > 1) continue
        const near = az + u * bz + v * cz
        const index = row * camera.width + column
        if (near <= depth[index]!) continue
        depth[index] = near
        const nearest = u > 0.5 ? b : v > 0.5 ? c : a
        pixels[index] = skinPixel(scalp[nearest]!, Math.min(255, shade + u * toB + v * toC))
      }
  }
}
/** Light on every corner; where the bust ends it goes over into the wall. */
function lightOn(normals: Float32Array, positions: Float32Array, camera: Camera): Float32Array {
  const [key, fill] = [inSpace(camera, KEY_LIGHT), inSpace(camera, FILL_LIGHT)]
  const light = new Float32Array(normals.length / 3)
  const on = (at: number, [x, y, z]: readonly [number, number, number]) =>
    Math.max(0, normals[at]! * x + normals[at + 1]! * y + normals[at + 2]! * z)
  for (let i = 0; i < light.length; i++) {
    const lit = SKIN_LIGHT.ambient + SKIN_LIGHT.key * on(3 * i, key) + SKIN_LIGHT.fill * on(3 * i, fill)
    const gone = Math.min(1, Math.max(0, (FADES.from - positions[3 * i + 2]!) / (FADES.from - FADES.to)))
    light[i] = lit + gone * (WALL_LIGHT[0] - lit)
  }
  return light
}
