import type { Paint } from '../paint'
import type { Camera } from './camera'
import { swing, type Strands } from '../strands'
import { DIFFERS, FILL_LIGHT, GLOSS, HAIR_LIGHT, KEY_LIGHT, ROOT_SHADE, SCALP, UNDER, WALL_LIGHT } from './constants'
import { eighthOf, isSkin, lightOf, pointOf, scalpOf, type Exposure } from './exposure'

/** A finished picture: rows from the top, red, green, blue, opacity 0…255 a pixel. */
export interface Picture {
  width: number
  height: number
  rgba: Uint8ClampedArray
}

/** Steps in which linear light is turned into sRGB. Our choice: finer than 8 bits can tell. */
const LIGHT_STEPS = 4096
const TO_SRGB = Uint8Array.from({ length: LIGHT_STEPS + 1 }, (_, i) => {
  const light = i / LIGHT_STEPS
  return Math.round(255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055))
})

/**
 * Puts colour and light on what was exposed; what was exposed at twice the size is averaged down. @param fine 1 or 2
 */
export function develop(
  exposure: Exposure,
  strands: Strands,
  paint: Paint,
  { fine, seed }: { fine: 1 | 2; seed: number },
): Picture {
  const { width, height } = exposure.camera
  const light = lightAtPixels(exposure, litPoints(exposure, strands, paint, seed), paint)
  if (fine === 1) return { width, height, rgba: inBytes(light) }
  return { width: width / 2, height: height / 2, rgba: inBytes(averagedDown(light, width)) }
}

/** Four neighbours become one. @param width of the rows of `light`, pixels */
function averagedDown(light: Float32Array, width: number): Float32Array {
  const averaged = new Float32Array(light.length / 4)
  const row = 3 * width
  for (let from = 0, to = 0; from < light.length; from += row)
    for (const end = from + row; from < end; from += 3)
      for (const next = from + 3; from < next; from++, to++)
        averaged[to] = (light[from]! + light[from + 3]! + light[from + row]! + light[from + row + 3]!) / 4
  return averaged
}

function inBytes(light: Float32Array): Uint8ClampedArray {
  const rgba = new Uint8ClampedArray((light.length / 3) * 4).fill(255)
  for (let from = 0, to = 0; from < light.length; from += 3, to += 4) {
    rgba[to] = TO_SRGB[Math.min(LIGHT_STEPS, (light[from]! * LIGHT_STEPS) | 0)]!
    rgba[to + 1] = TO_SRGB[Math.min(LIGHT_STEPS, (light[from + 1]! * LIGHT_STEPS) | 0)]!
    rgba[to + 2] = TO_SRGB[Math.min(LIGHT_STEPS, (light[from + 2]! * LIGHT_STEPS) | 0)]!
  }
  return rgba
}

/** Linear light of every exposed pixel: red, green, blue. */
function lightAtPixels({ camera, pixels, depth }: Exposure, lit: LitPoints, { roots }: Paint): Float32Array {
  const { width, height } = camera
  const { rgb } = lit
  const reach = Math.max(1, Math.round(UNDER.reachCm * camera.scale))
  const light = new Float32Array(3 * pixels.length)
  for (let index = 0, to = 0; index < pixels.length; index++, to += 3) {
    const value = pixels[index]!
    if (value === 0) {
      light[to] = WALL_LIGHT[0]
      light[to + 1] = WALL_LIGHT[1]
      light[to + 2] = WALL_LIGHT[2]
    } else if (isSkin(value)) {
      const shade = lightOf(value) / 255
      const scalp = scalpOf(value)
      const hair = scalp === 0 ? 0 : SCALP.share
      for (let k = 0; k < 3; k++)
        light[to + k] = shade * (1 - hair) + (hair && hair * SCALP.light * roots[3 * (scalp - 1) + k]!)
    } else {
      const point = pointOf(value)
      lit.look(point)
      lit.look(point + 1)
      const under = 1 - UNDER.shade * hidden(index)
      const next = (under * (eighthOf(value) + 0.5)) / 8
      const own = under - next
      const at = 3 * point
      light[to] = own * rgb[at]! + next * rgb[at + 3]!
      light[to + 1] = own * rgb[at + 1]! + next * rgb[at + 4]!
      light[to + 2] = own * rgb[at + 2]! + next * rgb[at + 5]!
    }
  }
  return light

  /** How deep a pixel lies under what is around it, 0…1. */
  function hidden(index: number): number {
    const own = depth[index]! + UNDER.fromCm
    const column = index % width
    let deep = 0
    if (index >= reach * width) deep += within(depth[index - reach * width]! - own)
    if (index < (height - reach) * width) deep += within(depth[index + reach * width]! - own)
    if (column >= reach) deep += within(depth[index - reach]! - own)
    if (column + reach < width) deep += within(depth[index + reach]! - own)
    return deep / 4
  }
}

const within = (cm: number): number => (cm <= 0 ? 0 : cm >= UNDER.wholeCm ? 1 : cm / UNDER.wholeCm)

/** Light that the points of strands give back: linear sRGB of point p at 3p once `look(p)` was called. */
interface LitPoints {
  rgb: Float32Array
  look: (point: number) => void
}

/**
 * Light on strands after Kajiya & Kay 1989: brightest across the light, glossy between light and eye. Only what is
 * looked at is worked out.
 */
function litPoints({ camera }: Exposure, strands: Strands, { rgb }: Paint, seed: number): LitPoints {
  const { positions, along, first, owner, roots } = strands
  const lit = new Float32Array(positions.length)
  const done = new Uint8Array(owner.length)
  const key = inSpace(camera, KEY_LIGHT)
  const fill = inSpace(camera, FILL_LIGHT)
  const between = inSpace(camera, [KEY_LIGHT[0], KEY_LIGHT[1], KEY_LIGHT[2] + 1])
  const differs = Float32Array.from(
    { length: roots.count },
    (_, i) =>
      (1 + DIFFERS.strand * swing(seed, i >> 1, 50)) * (1 + DIFFERS.clump * swing(seed, roots.clump[i]! >> 1, 51)),
  )
  return { rgb: lit, look }

  function look(point: number): void {
    if (done[point] === 1) return
    done[point] = 1
    const strand = owner[point]!
    const before = point > first[strand]! ? 3 * point - 3 : 3 * point
    const after = point < first[strand + 1]! - 1 ? 3 * point + 3 : 3 * point
    const dx = positions[after]! - positions[before]!
    const dy = positions[after + 1]! - positions[before + 1]!
    const dz = positions[after + 2]! - positions[before + 2]!
    const length2 = dx * dx + dy * dy + dz * dz || 1
    const root = 1 - ROOT_SHADE.share * Math.max(0, 1 - along[point]! / ROOT_SHADE.cm)
    const onKey = HAIR_LIGHT.key * across(dx, dy, dz, length2, key)
    const onFill = HAIR_LIGHT.fill * across(dx, dy, dz, length2, fill)
    const diffuse = differs[strand]! * root * (HAIR_LIGHT.ambient + onKey + onFill)
    let gloss = across(dx, dy, dz, length2, between)
    for (let n = 0; n < HAIR_LIGHT.sharpness; n++) gloss *= gloss
    gloss *= HAIR_LIGHT.gloss * root
    for (let at = 3 * point; at < 3 * point + 3; at++)
      lit[at] = rgb[at]! * (diffuse + GLOSS.coloured * gloss) + GLOSS.white * gloss
  }
}

type Direction = readonly [x: number, y: number, z: number]

/** A direction of light, given against the viewer, in space. */
export function inSpace({ right, up, towards }: Camera, light: Direction): Direction {
  const along = (k: 0 | 1 | 2) => light[0] * right[k] + light[1] * up[k] + light[2] * towards[k]
  const length = Math.sqrt(light[0] ** 2 + light[1] ** 2 + light[2] ** 2)
  return [along(0) / length, along(1) / length, along(2) / length]
}

/** How far across a light a piece of hair lies: the sine of the angle between them. */
function across(dx: number, dy: number, dz: number, length2: number, light: Direction): number {
  const cosine = dx * light[0] + dy * light[1] + dz * light[2]
  return Math.sqrt(Math.max(0, 1 - (cosine * cosine) / length2))
}
