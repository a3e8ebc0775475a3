import { between } from '../../numeric'
import type { ZoneMesh, ZoneShape } from '../layout'
import type { Direction } from '../../model'
import { FIELD_LEVELS, LENGTH_TOLERANCE, STRIP_SAMPLES, RATIO_STEP, GREATEST_RATIO } from './constants'
import { partingFunction } from './direction'

/**
 * The parting field of a zone: a function whose level sets are partings, together with its scale in true distance.
 *
 * `distance` rises so that the area between two partings equals their mean width times their difference in distance:
 * dt = dA / width. Rows at equal steps of it therefore have the asked pitch as their mean, and
 * Σ row width × pitch = zone area holds whatever the zone's shape.
 */
export interface PartingField {
  mesh: ZoneMesh
  /** Value of the parting function at each vertex, and its least and greatest on each triangle. */
  values: Float64Array
  lowest: Float64Array
  highest: Float64Array
  /** Per triangle, map cm per true cm in the direction in which the field rises: (x, y) pairs. */
  rise: Float64Array
  /** Per triangle, local pitch over mean pitch. */
  localPitch: Float64Array
  /**
   * Tabulated levels, with the area below each (cm²), the parting's length (cm) and its distance from the lowest (cm).
   */
  levels: Float64Array
  areas: Float64Array
  widths: Float64Array
  distance: Float64Array
  /** Length of the zone across its partings, cm. */
  extent: number
  /** Local pitch over mean pitch: 5th and 95th percentile by area. */
  spread: { p5: number; p95: number }
}

export function createField(shape: ZoneShape, direction: Direction, angleDeg: number): PartingField {
  const { mesh } = shape
  const at = partingFunction(shape, direction, angleDeg)
  const values = new Float64Array(mesh.space.length / 3)
  for (let i = 0; i < values.length; i++)
    values[i] = at(mesh.space[3 * i]!, mesh.space[3 * i + 1]!, mesh.space[3 * i + 2]!)
  const { lowest, highest } = extremes(mesh, values)
  const levels = tabulatedLevels(lowest, highest)
  const { rise, steepness, longest } = gradients(mesh, values, lowest, highest)
  const { areas, widths } = measureLevels(mesh, values, lowest, highest, longest, levels)
  const distance = new Float64Array(levels.length)
  for (let k = 1; k < levels.length; k++) {
    const width = (widths[k - 1]! + widths[k]!) / 2
    distance[k] = distance[k - 1]! + (areas[k]! - areas[k - 1]!) / width
  }
  // Local pitch over mean pitch = (df/dt) / |∇f|.
  const localPitch = new Float64Array(steepness.length)
  for (let t = 0; t < localPitch.length; t++) {
    const k = intervalOf(levels, (lowest[t]! + highest[t]!) / 2)
    localPitch[t] = (levels[k + 1]! - levels[k]!) / (distance[k + 1]! - distance[k]!) / steepness[t]!
  }
  return {
    mesh,
    values,
    lowest,
    highest,
    rise,
    localPitch,
    levels,
    areas,
    widths,
    distance,
    extent: distance[distance.length - 1]!,
    spread: pitchSpread(mesh, localPitch),
  }
}

/**
 * The level of the row that stands for the strip between two distances: the strip's middle, so that rows lie evenly.
 * Where the parting is longer or shorter there than the strip is wide on average, the nearest place where it is as long
 * (there is one by the mean value theorem): a row at the ragged lower edge of a nape lies where there is hair for it.
 */
export function rowLevel(field: PartingField, from: number, to: number): number {
  const mean = areaBetween(field, from, to) / (to - from)
  const middle = (from + to) / 2
  const excess = (at: number) => readAt(field, field.widths, at) - mean
  let best = middle
  if (Math.abs(excess(middle)) > LENGTH_TOLERANCE * mean) {
    let nearest = Infinity
    let [one, before] = [from, excess(from)]
    for (let i = 1; i <= STRIP_SAMPLES; i++) {
      const other = from + ((to - from) * i) / STRIP_SAMPLES
      const after = excess(other)
      const root = one + ((other - one) * before) / (before - after)
      if (before * after <= 0 && before !== after && Math.abs(root - middle) < nearest) {
        nearest = Math.abs(root - middle)
        best = root
      }
      one = other
      before = after
    }
  }
  return readAt(field, field.levels, best)
}

/** Scalp between two distances from the field's lower end, cm². */
export const areaBetween = (field: PartingField, from: number, to: number): number =>
  readAt(field, field.areas, to) - readAt(field, field.areas, from)

/** True distance of a level from the zone's lowest parting, cm. */
export function distanceAt({ levels, distance }: PartingField, level: number): number {
  const k = intervalOf(levels, level)
  return between(distance[k]!, distance[k + 1]!, (level - levels[k]!) / (levels[k + 1]! - levels[k]!))
}

/** A tabulated quantity at a distance from the field's lower end. */
function readAt(field: PartingField, table: Float64Array, distance: number): number {
  const k = intervalOf(field.distance, distance)
  const t = (distance - field.distance[k]!) / (field.distance[k + 1]! - field.distance[k]!)
  return between(table[k]!, table[k + 1]!, t)
}

function extremes(mesh: ZoneMesh, values: Float64Array): { lowest: Float64Array; highest: Float64Array } {
  const count = mesh.areas.length
  const lowest = new Float64Array(count)
  const highest = new Float64Array(count)
  for (let t = 0; t < count; t++) {
    const a = values[mesh.triangles[3 * t]!]!
    const b = values[mesh.triangles[3 * t + 1]!]!
    const c = values[mesh.triangles[3 * t + 2]!]!
    lowest[t] = Math.min(a, b, c)
    highest[t] = Math.max(a, b, c)
  }
  return { lowest, highest }
}

/** Levels from the lowest to the highest value, closer together at both ends, where rows may be short. */
function tabulatedLevels(lowest: Float64Array, highest: Float64Array): Float64Array {
  let low = Infinity
  let high = -Infinity
  for (let t = 0; t < lowest.length; t++) {
    low = Math.min(low, lowest[t]!)
    high = Math.max(high, highest[t]!)
  }
  const levels = new Float64Array(FIELD_LEVELS + 1)
  for (let k = 0; k <= FIELD_LEVELS; k++)
    levels[k] = low + ((high - low) * (1 - Math.cos((Math.PI * k) / FIELD_LEVELS))) / 2
  return levels
}

/**
 * Area of the mesh below each level, cm², and length of each level line, cm: exact for a function that is linear on
 * every triangle. On a triangle with sorted values l ≤ m ≤ h the length of a level line grows evenly from none at l to
 * its longest at m and shrinks evenly to none at h, so the area below a level goes with its square.
 */
function measureLevels(
  mesh: ZoneMesh,
  values: Float64Array,
  lowest: Float64Array,
  highest: Float64Array,
  longest: Float64Array,
  levels: Float64Array,
): { areas: Float64Array; widths: Float64Array } {
  const areas = new Float64Array(levels.length)
  // Triangles that lie wholly below, counted from their first level on.
  const whole = new Float64Array(levels.length + 1)
  const widths = new Float64Array(levels.length)
  for (let t = 0; t < mesh.areas.length; t++) {
    const low = lowest[t]!
    const high = highest[t]!
    const middle =
      values[mesh.triangles[3 * t]!]! +
      values[mesh.triangles[3 * t + 1]!]! +
      values[mesh.triangles[3 * t + 2]!]! -
      low -
      high
    const area = mesh.areas[t]!
    let k = intervalOf(levels, low) + 1
    for (; k < levels.length && levels[k]! < high; k++) {
      const level = levels[k]!
      const isUpper = level > middle
      const share = isUpper ? (high - level) / (high - middle) : (level - low) / (middle - low)
      areas[k]! += isUpper
        ? area * (1 - (share * (high - level)) / (high - low))
        : (area * share * (level - low)) / (high - low)
      widths[k]! += longest[t]! * share
    }
    whole[k]! += area
  }
  let below = 0
  for (let k = 0; k < levels.length; k++) {
    below += whole[k]!
    areas[k]! += below
  }
  return { areas, widths }
}

/**
 * Gradient of the field on every triangle: its size per true cm, the map image of one true cm along it, and the longest
 * level line, cm.
 */
function gradients(
  mesh: ZoneMesh,
  values: Float64Array,
  lowest: Float64Array,
  highest: Float64Array,
): { rise: Float64Array; steepness: Float64Array; longest: Float64Array } {
  const count = mesh.areas.length
  const rise = new Float64Array(2 * count)
  const steepness = new Float64Array(count)
  const longest = new Float64Array(count)
  for (let t = 0; t < count; t++) {
    const a = mesh.triangles[3 * t]!
    const b = mesh.triangles[3 * t + 1]!
    const c = mesh.triangles[3 * t + 2]!
    // In space: gradient = p·AB + q·AC with the metric of the two sides.
    let uu = 0
    let uv = 0
    let vv = 0
    for (let axis = 0; axis < 3; axis++) {
      const u = mesh.space[3 * b + axis]! - mesh.space[3 * a + axis]!
      const v = mesh.space[3 * c + axis]! - mesh.space[3 * a + axis]!
      uu += u * u
      uv += u * v
      vv += v * v
    }
    const du = values[b]! - values[a]!
    const dv = values[c]! - values[a]!
    const determinant = uu * vv - uv * uv
    const p = (vv * du - uv * dv) / determinant
    const q = (uu * dv - uv * du) / determinant
    const size = Math.sqrt(Math.max(p * du + q * dv, 1e-12))
    steepness[t] = size
    // The triangle's area is half its longest level line times its extent across the lines.
    longest[t] = (Math.sqrt(determinant) * size) / (highest[t]! - lowest[t]!)
    for (let axis = 0; axis < 2; axis++) {
      const u = mesh.map[2 * b + axis]! - mesh.map[2 * a + axis]!
      const v = mesh.map[2 * c + axis]! - mesh.map[2 * a + axis]!
      rise[2 * t + axis] = (p * u + q * v) / size
    }
  }
  return { rise, steepness, longest }
}

/** Local pitch over mean pitch, summarised over the zone by area. */
function pitchSpread({ areas }: ZoneMesh, localPitch: Float64Array): { p5: number; p95: number } {
  const areaByRatio = new Float64Array(GREATEST_RATIO / RATIO_STEP)
  let total = 0
  for (let t = 0; t < areas.length; t++) {
    areaByRatio[Math.min(Math.floor(localPitch[t]! / RATIO_STEP), areaByRatio.length - 1)]! += areas[t]!
    total += areas[t]!
  }
  const quantile = (share: number) => {
    let sum = 0
    return (areaByRatio.findIndex((area) => (sum += area) >= share * total) + 0.5) * RATIO_STEP
  }
  return { p5: quantile(0.05), p95: quantile(0.95) }
}

/** Index k with table[k] ≤ value < table[k + 1], kept inside the table. */
function intervalOf(table: Float64Array, value: number): number {
  let low = 0
  let high = table.length - 1
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (table[middle]! <= value) low = middle
    else high = middle
  }
  return low
}
