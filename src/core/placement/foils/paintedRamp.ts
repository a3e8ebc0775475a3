import type { MapPoint } from '../../model'
import { insidePolygon, type ZoneShape } from '../layout'
import { distanceAt, type PartingField } from './field'
import { RAMP_SAMPLES } from './constants'

/** A figure that is to change along a line drawn over the map, from one value at its start to another at its end. */
export interface PaintedRamp {
  line: readonly [MapPoint, MapPoint]
  from: number
  to: number
}

/** What a zone's figure becomes at its lower and at its upper edge. */
export interface ZoneRamp {
  zoneId: string
  lower: number
  upper: number
}

/**
 * Works a drawn ramp into the zones under the line, or into those named: beyond the line's ends its values hold on, and
 * in every zone the straight ramp from edge to edge is taken that comes nearest to it (least squares over the zone's
 * mesh).
 * @param zones with their parting fields @param only ids of the zones to work into; all that the line crosses where
 * empty
 */
export function paintRamp(
  zones: readonly { zoneId: string; shape: ZoneShape; field: PartingField }[],
  { line: [start, end], from, to }: PaintedRamp,
  only: readonly string[],
): ZoneRamp[] {
  const dx = end.x - start.x
  const dy = end.y - start.y
  const length2 = dx * dx + dy * dy
  if (length2 === 0) return []
  const value = (x: number, y: number) =>
    from + (to - from) * Math.min(1, Math.max(0, ((x - start.x) * dx + (y - start.y) * dy) / length2))
  const crossed = ({ outline }: ZoneShape) =>
    Array.from({ length: RAMP_SAMPLES + 1 }, (_, i) => ({
      x: start.x + (i / RAMP_SAMPLES) * dx,
      y: start.y + (i / RAMP_SAMPLES) * dy,
    })).some((point) => insidePolygon(point, outline))
  return zones
    .filter(({ zoneId, shape }) => (only.length > 0 ? only.includes(zoneId) : crossed(shape)))
    .map(({ zoneId, field }) => {
      const { map } = field.mesh
      const heights = Array.from(field.values, (one) => distanceAt(field, one) / field.extent)
      const wanted = heights.map((_, i) => value(map[2 * i]!, map[2 * i + 1]!))
      const meanHeight = mean(heights)
      const meanWanted = mean(wanted)
      const slope =
        heights.reduce((sum, height, i) => sum + (height - meanHeight) * (wanted[i]! - meanWanted), 0) /
        heights.reduce((sum, height) => sum + (height - meanHeight) ** 2, 0)
      const within = (one: number) => Math.min(Math.max(from, to), Math.max(Math.min(from, to), one))
      return {
        zoneId,
        lower: within(meanWanted - slope * meanHeight),
        upper: within(meanWanted + slope * (1 - meanHeight)),
      }
    })
}

const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length
