import { BOX, GRID_STEP } from './constants'
import type { Field } from './field'

/** A field sampled once: values at the corners of cubes of one step, x running fastest, then y, then z. cm */
export interface Grid {
  step: number
  origin: readonly [number, number, number]
  size: readonly [number, number, number]
  values: Float32Array
}

/** Samples a field that is alike on both sides over the box of the bust. */
export function sampleField(field: Field, step = GRID_STEP): Grid {
  const { from, to } = BOX
  const half = Math.ceil(to.x / step)
  const size = [2 * half + 1, Math.ceil((to.y - from.y) / step) + 1, Math.ceil((to.z - from.z) / step) + 1] as const
  const origin = [-half * step, from.y, from.z] as const
  const values = new Float32Array(size[0] * size[1] * size[2])
  let row = 0
  for (let k = 0; k < size[2]; k++)
    for (let j = 0; j < size[1]; j++, row += size[0])
      for (let i = 0; i <= half; i++) {
        const value = field(i * step, origin[1] + j * step, origin[2] + k * step)
        values[row + half + i] = value
        values[row + half - i] = value
      }
  return { step, origin, size, values }
}

/** What {@link fieldAt} probes into. */
const probed = new Float64Array(4)

/** The field between the corners of its cube, trilinear; outside the box as at its edge. cm */
export function fieldAt(grid: Grid, x: number, y: number, z: number): number {
  probeField(grid, x, y, z, probed)
  return probed[0]!
}

/**
 * The field and where it grows at a point, trilinear, without an object for each: value (cm), then its gradient x, y, z
 * (pure number) into `out`. Outside the box as at its edge.
 */
export function probeField({ step, origin, size, values }: Grid, x: number, y: number, z: number, out: Float64Array) {
  const px = Math.min(size[0] - 1, Math.max(0, (x - origin[0]) / step))
  const py = Math.min(size[1] - 1, Math.max(0, (y - origin[1]) / step))
  const pz = Math.min(size[2] - 1, Math.max(0, (z - origin[2]) / step))
  const i = Math.min(size[0] - 2, px | 0)
  const j = Math.min(size[1] - 2, py | 0)
  const k = Math.min(size[2] - 2, pz | 0)
  const u = px - i
  const v = py - j
  const w = pz - k
  const row = size[0]
  const layer = size[0] * size[1]
  const at = i + row * j + layer * k
  const c000 = values[at]!
  const c100 = values[at + 1]!
  const c010 = values[at + row]!
  const c110 = values[at + row + 1]!
  const c001 = values[at + layer]!
  const c101 = values[at + layer + 1]!
  const c011 = values[at + layer + row]!
  const c111 = values[at + layer + row + 1]!
  const x00 = c000 + u * (c100 - c000)
  const x10 = c010 + u * (c110 - c010)
  const x01 = c001 + u * (c101 - c001)
  const x11 = c011 + u * (c111 - c011)
  const y0 = x00 + v * (x10 - x00)
  const y1 = x01 + v * (x11 - x01)
  out[0] = y0 + w * (y1 - y0)
  out[1] =
    ((1 - w) * ((1 - v) * (c100 - c000) + v * (c110 - c010)) + w * ((1 - v) * (c101 - c001) + v * (c111 - c011))) / step
  out[2] = ((1 - w) * (x10 - x00) + w * (x11 - x01)) / step
  out[3] = (y1 - y0) / step
}
