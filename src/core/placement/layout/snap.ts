import type { MapPoint } from '../../model'
import { nearestOnSegment } from './disk'

/** What a hand's point was drawn to. */
export type SnapKind = 'corner' | 'landmark' | 'mirror' | 'hairline' | 'parting' | 'middle'

export interface Snap {
  point: MapPoint
  to: SnapKind | undefined
}

/** What a point can be drawn to, on the map. */
export interface SnapTargets {
  corners: readonly MapPoint[]
  landmarks: readonly MapPoint[]
  /** Drawn lines, each a row of points. */
  partings: readonly (readonly MapPoint[])[]
  hairline: readonly MapPoint[]
}

/**
 * Draws a point to what lies within reach. Points go before lines: a corner, a landmark, a corner's mirror image across
 * the middle; then the hairline, a parting, the middle.
 * @param reach cm of the map
 */
export function snapPoint(
  point: MapPoint,
  { corners, landmarks, partings, hairline }: SnapTargets,
  reach: number,
): Snap {
  const points: [SnapKind, readonly MapPoint[]][] = [
    ['corner', corners],
    ['landmark', landmarks],
    ['mirror', corners.map(({ x, y }) => ({ x: -x, y }))],
  ]
  for (const [to, candidates] of points) {
    const nearest = nearestOf(point, candidates)
    if (nearest && distance(point, nearest) < reach) return { point: nearest, to }
  }
  const lines: [SnapKind, readonly (readonly MapPoint[])[]][] = [
    ['hairline', [hairline]],
    ['parting', partings],
  ]
  for (const [to, candidates] of lines) {
    const nearest = nearestOf(
      point,
      candidates.flatMap((line) => line.slice(1).map((end, i) => nearestOnSegment(point, line[i]!, end))),
    )
    if (nearest && distance(point, nearest) < reach) return { point: nearest, to }
  }
  return Math.abs(point.x) < reach ? { point: { x: 0, y: point.y }, to: 'middle' } : { point, to: undefined }
}

const distance = (a: MapPoint, b: MapPoint): number => Math.hypot(a.x - b.x, a.y - b.y)

function nearestOf(point: MapPoint, candidates: readonly MapPoint[]): MapPoint | undefined {
  let best: MapPoint | undefined
  for (const candidate of candidates) if (!best || distance(point, candidate) < distance(point, best)) best = candidate
  return best
}
