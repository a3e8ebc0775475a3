import { directionFromMap, hairlineRadius, surfacePoint, type Head } from '../../scalp/head'
import { LATTICE_SPACING, LATTICE_ROW_HEIGHT, LATTICE_LOCATED, REACH_STEP } from './constants'

/** Every other row lies half a step aside, cm. */
export const rowShift = (row: number): number => (row % 2 === 0 ? 0 : LATTICE_SPACING / 2)

/** Writes where a map point lies on a head. @param x @param y cm on the map */
export function locate(head: Head, x: number, y: number, into: Float64Array, at: number): void {
  const { theta, psi } = directionFromMap(head, { x, y })
  const point = surfacePoint(head.axes, theta, psi)
  into[at] = x
  into[at + 1] = y
  into[at + 2] = point.x
  into[at + 3] = point.y
  into[at + 4] = point.z
  into[at + 5] = theta
  into[at + 6] = psi
  into[at + 7] = Math.sqrt(x * x + y * y) / hairlineRadius(head, psi)
}

/**
 * The hexagonal grid from which meshes take their inner points. It is fixed to the map, so that small edits move
 * little, and each of its points is located once a head, when it is first asked for.
 */
export interface Lattice {
  /** Where in `located` a point stands. */
  index: (row: number, column: number) => number
  located: Float64Array
}

const lattices = new WeakMap<Head, Lattice>()

export function latticeOf(head: Head): Lattice {
  const known = lattices.get(head)
  if (known) return known
  let reach = 0
  for (let psi = 0; psi < Math.PI; psi += REACH_STEP) reach = Math.max(reach, hairlineRadius(head, psi))
  const half = Math.ceil(reach / LATTICE_ROW_HEIGHT) + 1
  const located = new Float64Array((2 * half + 1) ** 2 * LATTICE_LOCATED).fill(NaN)
  const index = (row: number, column: number) => {
    const at = ((row + half) * (2 * half + 1) + column + half) * LATTICE_LOCATED
    if (Number.isNaN(located[at]!))
      locate(head, column * LATTICE_SPACING + rowShift(row), row * LATTICE_ROW_HEIGHT, located, at)
    return at
  }
  const lattice = { index, located }
  lattices.set(head, lattice)
  return lattice
}
