/**
 * A connected piece of a parting as one packed array, STRIDE numbers a point:
 *
 *   0 1    map x, y                         cm on the map
 *   2 3 4  space x, y, z                    cm
 *   5 6    rise x, y                        map cm per true cm across the parting, towards higher partings
 *   7      arc                              true length from the start, cm
 *   8      density                          hairs per cm²
 *   9      length                           stretched length of the hair, cm
 *   10     pitch                            local distance from row to row over the mean
 */
export type Polyline = Float64Array

export const STRIDE = 11
export const MAP = 0
export const SPACE = 2
export const RISE = 5
export const ARC = 7
export const DENSITY = 8
export const LENGTH = 9
export const PITCH = 10

/**
 * Lines are cut from blocks, because an allocation of its own for each of some hundred short lines costs more than
 * filling them.
 */
const BLOCK = 32_768
let block = new Float64Array(BLOCK)
let used = 0

/** An empty line of so many points. */
export function emptyLine(points: number): Polyline {
  const size = STRIDE * points
  if (size > BLOCK) return new Float64Array(size)
  if (used + size > BLOCK) {
    block = new Float64Array(BLOCK)
    used = 0
  }
  return block.subarray(used, (used += size))
}

export const pointCount = (line: Polyline): number => line.length / STRIDE

/** True length, cm. */
export const polylineLength = (line: Polyline): number => line[line.length - STRIDE + ARC]!

/** The same line walked the other way. */
export function reversed(line: Polyline): Polyline {
  const flipped = emptyLine(pointCount(line))
  const total = polylineLength(line)
  for (let at = 0, from = line.length - STRIDE; from >= 0; at += STRIDE, from -= STRIDE) {
    for (let k = 0; k < STRIDE; k++) flipped[at + k] = line[from + k]!
    flipped[at + ARC] = total - line[from + ARC]!
  }
  return flipped
}

/** Segment (by its first point) and share of it at an arc length. */
export function positionAt(line: Polyline, arc: number): { segment: number; share: number } {
  let low = 0
  let high = pointCount(line) - 1
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (line[STRIDE * middle + ARC]! <= arc) low = middle
    else high = middle
  }
  const start = line[STRIDE * low + ARC]!
  const span = line[STRIDE * high + ARC]! - start
  return { segment: low, share: span > 0 ? Math.min(Math.max((arc - start) / span, 0), 1) : 0 }
}

/** One of a point's numbers, interpolated within a segment. */
export function valueAt(line: Polyline, { segment, share }: { segment: number; share: number }, field: number): number {
  const a = line[STRIDE * segment + field]!
  return a + share * (line[STRIDE * (segment + 1) + field]! - a)
}

/** The stretch of a line between two arc lengths, cm. */
export function cutLine(line: Polyline, from: number, to: number): Polyline {
  const start = positionAt(line, from)
  const end = positionAt(line, to)
  const first = start.segment + (start.share > 1 - 1e-9 ? 2 : 1)
  const last = end.segment - (end.share < 1e-9 ? 1 : 0)
  const inner = Math.max(0, last - first + 1)
  const stretch = emptyLine(inner + 2)
  for (let at = 0, from = STRIDE * first; at < STRIDE * inner; at++) stretch[STRIDE + at] = line[from + at]!
  for (let k = 0; k < STRIDE; k++) {
    stretch[k] = valueAt(line, start, k)
    stretch[STRIDE * (inner + 1) + k] = valueAt(line, end, k)
  }
  for (let at = ARC; at < stretch.length; at += STRIDE) stretch[at]! -= from
  return stretch
}

/** Mean of one of the points' numbers by arc length. */
export function meanAlong(line: Polyline, field: number): number {
  let sum = 0
  for (let at = STRIDE; at < line.length; at += STRIDE)
    sum += ((line[at + field]! + line[at - STRIDE + field]!) / 2) * (line[at + ARC]! - line[at - STRIDE + ARC]!)
  return sum / polylineLength(line)
}

/** Greatest of one of the points' numbers. */
export function greatestAlong(line: Polyline, field: number): number {
  let greatest = -Infinity
  for (let at = field; at < line.length; at += STRIDE) greatest = Math.max(greatest, line[at]!)
  return greatest
}
