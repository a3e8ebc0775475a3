import { crossing, type DiskPoint } from './disk'
import { distance } from './division'

/** A closed line is at least so many times as long as the gap between its ends may be wide. Our choice. */
const LONG_ENOUGH = 4
/** Ends that cross lie within this share of the line from its begin and its end. Our choice. */
const NEAR_THE_ENDS = 0.12

/**
 * A line whose end comes back to its beginning, as a closed one without a repeated last place; what runs on beyond
 * where it meets itself is cut off. Nothing for a line that stays open.
 * @param reach how near its ends have to come, in the line's own measure
 */
export function closedLine(line: readonly DiskPoint[], reach: number): DiskPoint[] | undefined {
  const [first, last] = [line[0]!, line.at(-1)!]
  const length = line.slice(1).reduce((sum, point, i) => sum + distance(line[i]!, point), 0)
  if (line.length < 4 || length < LONG_ENOUGH * reach) return undefined
  const near = Math.max(1, Math.floor(NEAR_THE_ENDS * line.length))
  for (let i = 0; i < near; i++)
    for (let j = line.length - 2; j >= line.length - 1 - near && j > i + 1; j--) {
      const met = crossing(line[i]!, line[i + 1]!, line[j]!, line[j + 1]!)
      if (!met) continue
      const { t } = met
      const knot = {
        x: line[i]!.x + t * (line[i + 1]!.x - line[i]!.x),
        y: line[i]!.y + t * (line[i + 1]!.y - line[i]!.y),
      }
      return [knot, ...line.slice(i + 1, j + 1)]
    }
  return distance(first, last) <= reach ? line.slice(0, -1) : undefined
}
