import { CLOSED_LENGTH, CLOSING_OVERRUN, NEAR_THE_ENDS } from './constants'
import { crossing, type DiskPoint } from './disk'
import { distance, pointAlong } from './division'

/**
 * A line whose end comes back to its beginning, as a closed one without a repeated last place; what runs on beyond
 * where it meets itself is cut off. Nothing for a line that stays open.
 * @param reach how near its ends have to come, in the line's own measure
 */
export function closedLine(line: readonly DiskPoint[], reach: number): DiskPoint[] | undefined {
  const length = line.slice(1).reduce((sum, point, i) => sum + distance(line[i]!, point), 0)
  if (line.length < 4 || length < CLOSED_LENGTH * reach) return undefined
  return metAgain(line, reach) ?? crossedOver(line)
}

/** Up to where a line comes nearest to its beginning again, near its end. */
function metAgain(line: readonly DiskPoint[], reach: number): DiskPoint[] | undefined {
  let nearest = line.length - 1
  let left = 0
  for (let j = line.length - 1; j > line.length / 2 && left <= CLOSING_OVERRUN * reach; j--) {
    if (distance(line[0]!, line[j]!) < distance(line[0]!, line[nearest]!)) nearest = j
    left += distance(line[j]!, line[j - 1]!)
  }
  if (distance(line[0]!, line[nearest]!) > reach) return undefined
  const end = line.slice(0, nearest + 1).findLastIndex((point) => distance(line[0]!, point) > reach / 2)
  return line.slice(0, end + 1)
}

/** Up to where its end crosses its beginning. */
function crossedOver(line: readonly DiskPoint[]): DiskPoint[] | undefined {
  const near = Math.max(1, Math.floor(NEAR_THE_ENDS * line.length))
  for (let i = 0; i < near; i++)
    for (let j = line.length - 2; j >= line.length - 1 - near && j > i + 1; j--) {
      const met = crossing(line[i]!, line[i + 1]!, line[j]!, line[j + 1]!)
      if (met) return [pointAlong(line, i + met.t), ...line.slice(i + 1, j + 1)]
    }
  return undefined
}
