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

/** The field between the corners of its cube, trilinear; outside the box as at its edge. cm */
export function fieldAt({ step, origin, size, values }: Grid, x: number, y: number, z: number): number {
  const [u, i] = cornerOf((x - origin[0]) / step, size[0])
  const [v, j] = cornerOf((y - origin[1]) / step, size[1])
  const [w, k] = cornerOf((z - origin[2]) / step, size[2])
  const at = i + size[0] * (j + size[1] * k)
  const along = (from: number) => values[from]! + u * (values[from + 1]! - values[from]!)
  const across = (from: number) => along(from) + v * (along(from + size[0]) - along(from))
  return across(at) + w * (across(at + size[0] * size[1]) - across(at))
}

function cornerOf(position: number, count: number): [share: number, corner: number] {
  const inside = Math.min(count - 1, Math.max(0, position))
  const corner = Math.min(count - 2, Math.floor(inside))
  return [inside - corner, corner]
}
