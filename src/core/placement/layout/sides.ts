import { byId, type Layout, type Stage } from '../../model'
import { zoneOutline, type Bounded } from './division'
import { MIDDLE } from './constants'

/** The role that a zone has on the other side; roles without a side stay. */
export const mirrorRole = (role: string): string =>
  /left/i.test(role)
    ? role.replace('left', 'right').replace('Left', 'Right')
    : role.replace('right', 'left').replace('Right', 'Left')

/** On which side of the client a zone lies: 1 left, −1 right, 0 on the middle. */
function sideOf({ vertices, edges }: Pick<Layout, 'vertices' | 'edges'>, zone: Bounded): -1 | 0 | 1 {
  const outline = zoneOutline({ vertices, edges, zones: [] }, zone)
  const x = outline.reduce((sum, point) => sum + point.x, 0) / outline.length
  return Math.abs(x) < MIDDLE ? 0 : x > 0 ? 1 : -1
}

/** The side on which a stage is begun: 1 the client's left, −1 the right, 0 where no zone lies to one side. */
export function sideBegun({ layout, zones, order }: Pick<Stage, 'layout' | 'zones' | 'order'>): -1 | 0 | 1 {
  const side = (id: string) => sideOf(layout, byId(zones, id))
  const first = order.find((id) => side(id) !== 0)
  return first === undefined ? 0 : side(first)
}

/**
 * The order of application begun on the other side: the first zone on the left and the first on the right change turns,
 * then the second ones, and so on.
 */
export function otherSideFirst({ layout, zones, order }: Pick<Stage, 'layout' | 'zones' | 'order'>): string[] {
  const on = (side: -1 | 1) => order.filter((id) => sideOf(layout, byId(zones, id)) === side)
  const [left, right] = [on(1), on(-1)]
  const other = new Map(
    left.slice(0, right.length).flatMap((id, i) => [
      [id, right[i]!],
      [right[i]!, id],
    ]),
  )
  return order.map((id) => other.get(id) ?? id)
}
