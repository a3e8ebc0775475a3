import { foldTurn } from '../../numeric'
import { AZIMUTH_STEP, POLAR_STEP, TABLE_ROWS, TABLE_COLUMNS } from './constants'
import { metricOf, type Axes } from './surface'

/**
 * A quantity that grows along every meridian, tabulated with its derivative and read back by cubic Hermite
 * interpolation down the meridian and linear interpolation around. The head is left-right symmetric, so azimuths 0…π
 * suffice.
 *
 * Layout: column-major, one column per azimuth: value[column · rows + row], row = polar angle / POLAR_STEP.
 */
export interface MeridianTable {
  value: Float64Array
  slope: Float64Array
}

const emptyTable = (): MeridianTable => ({
  value: new Float64Array(TABLE_ROWS * TABLE_COLUMNS),
  slope: new Float64Array(TABLE_ROWS * TABLE_COLUMNS),
})

/** Sines and cosines of every row and of the middle before the next one. */
const HALF_ROWS = Array.from({ length: 2 * TABLE_ROWS - 1 }, (_, half) =>
  half % 2 === 0 ? (half / 2) * POLAR_STEP : ((half + 1) / 2) * POLAR_STEP - POLAR_STEP / 2,
)
const SIN = Float64Array.from(HALF_ROWS, Math.sin)
const COS = Float64Array.from(HALF_ROWS, Math.cos)

/**
 * Integrates down every meridian by Simpson's rule, exact to about 1e-11 on these smooth surfaces:
 * `area` is ∫₀^θ J dθ', cm² per radian of azimuth, half the square of the map radius; `arc` the length from the apex,
 * cm.
 */
export function meridianTables(axes: Axes): { area: MeridianTable; arc: MeridianTable } {
  const area = emptyTable()
  const arc = emptyTable()
  for (let column = 0; column < TABLE_COLUMNS; column++) {
    const psi = column * AZIMUTH_STEP
    const [sinPsi, cosPsi] = [Math.sin(psi), Math.cos(psi)]
    const metricAtHalf = (half: number) => metricOf(axes, SIN[half]!, COS[half]!, sinPsi, cosPsi)
    let above = metricAtHalf(0)
    area.slope[column * TABLE_ROWS] = above.area
    arc.slope[column * TABLE_ROWS] = above.polar
    for (let row = 1; row < TABLE_ROWS; row++) {
      const index = column * TABLE_ROWS + row
      const between = metricAtHalf(2 * row - 1)
      const below = metricAtHalf(2 * row)
      area.slope[index] = below.area
      arc.slope[index] = below.polar
      area.value[index] = area.value[index - 1]! + (POLAR_STEP / 6) * (above.area + 4 * between.area + below.area)
      arc.value[index] = arc.value[index - 1]! + (POLAR_STEP / 6) * (above.polar + 4 * between.polar + below.polar)
      above = below
    }
  }
  return { area, arc }
}

/** Where an azimuth, folded into 0…π, lies among the columns. */
function columnAt(psi: number): number {
  return Math.min(foldTurn(psi) / AZIMUTH_STEP, TABLE_COLUMNS - 1)
}
/** The column at or before such a place, with another one after it. */
const columnBefore = (position: number): number => Math.min(Math.floor(position), TABLE_COLUMNS - 2)

/**
 * A tabulated quantity at a row, between two columns: Hermite interpolation is linear in what it interpolates, so the
 * columns are blended first.
 */
const blended = (quantity: Float64Array, index: number, share: number): number =>
  (1 - share) * quantity[index]! + share * quantity[index + TABLE_ROWS]!

/** Value at (θ, ψ). Beyond the table the last cell is continued. */
export function readTable({ value, slope }: MeridianTable, theta: number, psi: number): number {
  const row = Math.min(Math.max(Math.floor(theta / POLAR_STEP), 0), TABLE_ROWS - 2)
  const position = columnAt(psi)
  const column = columnBefore(position)
  const share = position - column
  const at = column * TABLE_ROWS + row
  return hermite(
    blended(value, at, share),
    blended(value, at + 1, share),
    blended(slope, at, share) * POLAR_STEP,
    blended(slope, at + 1, share) * POLAR_STEP,
    theta / POLAR_STEP - row,
  )
}

/** The θ at which the table reads `target` on the meridian ψ: the exact inverse of {@link readTable}. */
export function solveTable({ value, slope }: MeridianTable, target: number, psi: number): number {
  const position = columnAt(psi)
  const column = columnBefore(position)
  const share = position - column
  let low = column * TABLE_ROWS
  let high = low + TABLE_ROWS - 1
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (blended(value, middle, share) <= target) low = middle
    else high = middle
  }
  const v0 = blended(value, low, share)
  const v1 = blended(value, low + 1, share)
  const m0 = blended(slope, low, share) * POLAR_STEP
  const m1 = blended(slope, low + 1, share) * POLAR_STEP
  // Newton inside the cell, where the cubic is monotone; bisection guards the flat start at the apex.
  let a = 0
  let b = 1
  let t = (target - v0) / (v1 - v0)
  for (let step = 0; step < 60; step++) {
    const error = hermite(v0, v1, m0, m1, t) - target
    if (error > 0) b = Math.min(b, t)
    else a = Math.max(a, t)
    const next = t - error / hermiteSlope(v0, v1, m0, m1, t)
    const moved = next > a && next < b ? next : (a + b) / 2
    const done = Math.abs(moved - t) < 1e-12
    t = moved
    if (done) break
  }
  return (low - column * TABLE_ROWS + t) * POLAR_STEP
}

/** The cubic with the values v0 and v1 and the derivatives m0 and m1 at 0 and 1, and its own derivative. */
function hermite(v0: number, v1: number, m0: number, m1: number, t: number): number {
  const u = 1 - t
  return v0 * (1 + 2 * t) * u * u + m0 * t * u * u + v1 * t * t * (3 - 2 * t) - m1 * t * t * u
}

const hermiteSlope = (v0: number, v1: number, m0: number, m1: number, t: number): number =>
  6 * t * (1 - t) * (v1 - v0) + m0 * (1 - t) * (1 - 3 * t) + m1 * t * (3 * t - 2)
