import { AZIMUTH_STEP, POLAR_STEP, POLAR_STEPS } from './constants'
import { metricAt, type Axes } from './surface'

/**
 * A quantity that grows along every meridian, tabulated with its derivative and read back by cubic Hermite interpolation
 * down the meridian and linear interpolation around. The head is left-right symmetric, so azimuths 0…π suffice.
 *
 * Layout: column-major, one column per azimuth: value[column · rows + row], row = polar angle / POLAR_STEP.
 */
export interface MeridianTable {
  value: Float64Array
  slope: Float64Array
}

const ROWS = POLAR_STEPS + 1
const COLUMNS = Math.round(Math.PI / AZIMUTH_STEP) + 1

const emptyTable = (): MeridianTable => ({ value: new Float64Array(ROWS * COLUMNS), slope: new Float64Array(ROWS * COLUMNS) })

/**
 * Integrates down every meridian by Simpson's rule, exact to about 1e-11 on these smooth surfaces:
 * `area` is ∫₀^θ J dθ', cm² per radian of azimuth, half the square of the map radius; `arc` the length from the apex, cm.
 */
export function meridianTables(axes: Axes): { area: MeridianTable; arc: MeridianTable } {
  const area = emptyTable()
  const arc = emptyTable()
  for (let column = 0; column < COLUMNS; column++) {
    const psi = column * AZIMUTH_STEP
    let above = metricAt(axes, 0, psi)
    area.slope[column * ROWS] = above.area
    arc.slope[column * ROWS] = above.polar
    for (let row = 1; row < ROWS; row++) {
      const index = column * ROWS + row
      const theta = row * POLAR_STEP
      const between = metricAt(axes, theta - POLAR_STEP / 2, psi)
      const below = metricAt(axes, theta, psi)
      area.slope[index] = below.area
      arc.slope[index] = below.polar
      area.value[index] = area.value[index - 1]! + (POLAR_STEP / 6) * (above.area + 4 * between.area + below.area)
      arc.value[index] = arc.value[index - 1]! + (POLAR_STEP / 6) * (above.polar + 4 * between.polar + below.polar)
      above = below
    }
  }
  return { area, arc }
}

/** Folds an azimuth into 0…π and finds its columns. */
function columnsAt(psi: number): { left: number; right: number; share: number } {
  const turns = psi / (2 * Math.PI)
  const folded = Math.abs(psi - 2 * Math.PI * Math.round(turns))
  const position = Math.min(folded / AZIMUTH_STEP, COLUMNS - 1)
  const left = Math.min(Math.floor(position), COLUMNS - 2)
  return { left: left * ROWS, right: (left + 1) * ROWS, share: position - left }
}

/** Value at (θ, ψ). Beyond the table the last cell is continued. */
export function readTable(table: MeridianTable, theta: number, psi: number): number {
  const { left, right, share } = columnsAt(psi)
  const row = Math.min(Math.max(Math.floor(theta / POLAR_STEP), 0), ROWS - 2)
  const t = theta / POLAR_STEP - row
  return (1 - share) * hermite(table, left + row, t) + share * hermite(table, right + row, t)
}

/** The θ at which the table reads `target` on the meridian ψ: the exact inverse of {@link readTable}. */
export function solveTable(table: MeridianTable, target: number, psi: number): number {
  const { left, right, share } = columnsAt(psi)
  const at = (row: number) => (1 - share) * table.value[left + row]! + share * table.value[right + row]!
  let low = 0
  let high = ROWS - 1
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (at(middle) <= target) low = middle
    else high = middle
  }
  // Newton inside the cell, where the cubic is monotone; bisection guards the flat start at the apex.
  let a = 0
  let b = 1
  let t = (target - at(low)) / (at(low + 1) - at(low))
  for (let step = 0; step < 60; step++) {
    const error = (1 - share) * hermite(table, left + low, t) + share * hermite(table, right + low, t) - target
    if (error > 0) b = Math.min(b, t)
    else a = Math.max(a, t)
    const slope = (1 - share) * hermiteSlope(table, left + low, t) + share * hermiteSlope(table, right + low, t)
    const next = t - error / slope
    const moved = next > a && next < b ? next : (a + b) / 2
    const done = Math.abs(moved - t) < 1e-12
    t = moved
    if (done) break
  }
  return (low + t) * POLAR_STEP
}

function hermite(table: MeridianTable, index: number, t: number): number {
  const v0 = table.value[index]!
  const v1 = table.value[index + 1]!
  const m0 = table.slope[index]! * POLAR_STEP
  const m1 = table.slope[index + 1]! * POLAR_STEP
  const u = 1 - t
  return v0 * (1 + 2 * t) * u * u + m0 * t * u * u + v1 * t * t * (3 - 2 * t) - m1 * t * t * u
}

function hermiteSlope(table: MeridianTable, index: number, t: number): number {
  const rise = table.value[index + 1]! - table.value[index]!
  const m0 = table.slope[index]! * POLAR_STEP
  const m1 = table.slope[index + 1]! * POLAR_STEP
  return 6 * t * (1 - t) * rise + m0 * (1 - t) * (1 - 3 * t) + m1 * t * (3 * t - 2)
}
