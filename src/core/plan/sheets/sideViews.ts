import { byId, type MapPoint, type Point3, type Stage } from '../../model'
import { hairlineOutline, pointFromMap, surfacePoint, type Axes, type Head } from '../../scalp/head'
import type { ComputedStages } from '../../placement/quantity'
import { OUTLINE_POINTS } from './constants'
import type { ZoneDrawing } from './mapDrawing'

/** Sides of the head as somebody who walks round it sees them; her left is the head's own. */
export const SIDES = ['front', 'left', 'right', 'back'] as const
export type Side = (typeof SIDES)[number]

/** The head from one side in outline, cm, y downwards from ear height. */
export interface SideView {
  side: Side
  /** The head, its hairline, and what is seen of the zones' bounds, as paths. */
  outline: string
  hairline: string
  bounds: string
  /** Turns of the zones whose middle is seen. */
  numbers: { turn: number; x: number; y: number }[]
  extent: { left: number; right: number; top: number; bottom: number }
}

/** Which way each side's picture has its right, and where its viewer stands: x to her left, y to her face. */
const LOOKS: Record<Side, { right: readonly [number, number]; towards: readonly [number, number] }> = {
  front: { right: [1, 0], towards: [0, 1] },
  left: { right: [0, -1], towards: [1, 0] },
  right: { right: [0, 1], towards: [-1, 0] },
  back: { right: [-1, 0], towards: [0, -1] },
}

/**
 * A stage's zones from four sides, with the order in which they are worked.
 * @param drawn the zones of the map, for where their numbers stand
 */
export function sideViews(
  { head, zones }: ComputedStages,
  stage: Pick<Stage, 'id' | 'order'>,
  drawn: readonly Pick<ZoneDrawing, 'id' | 'label'>[],
): SideView[] {
  const own = zones.filter(({ stageId }) => stageId === stage.id)
  const hairline = closed(hairlineOutline(head, OUTLINE_POINTS)).map((at) => pointFromMap(head, at))
  const loops = own.flatMap(({ shape }) => shape.loops.map((loop) => closed(loop).map((at) => pointFromMap(head, at))))
  const middles = stage.order.map((id, i) => {
    const { x, y } = byId(drawn, id).label
    return { turn: i + 1, at: pointFromMap(head, { x, y: -y }) }
  })
  return SIDES.map((side): SideView => {
    const { right, towards } = LOOKS[side]
    const placed = ({ x, y, z }: Point3) => ({ x: x * right[0] + y * right[1], y: -z })
    const isSeen = (point: Point3) => facing(head.axes, point, towards) > 0
    const contour = contourOf(head, right).map(placed)
    const [xs, ys] = [contour.map(({ x }) => x), contour.map(({ y }) => y)]
    return {
      side,
      outline: `${pathOf(contour)}Z`,
      hairline: seenPath(hairline, isSeen, placed),
      bounds: loops.map((loop) => seenPath(loop, isSeen, placed)).join(''),
      numbers: middles.flatMap(({ turn, at }) => (isSeen(at) ? [{ turn, ...placed(at) }] : [])),
      extent: { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) },
    }
  })
}

const closed = (loop: readonly MapPoint[]): MapPoint[] => [...loop, ...loop.slice(0, 1)]

/** How far the scalp at a point faces a viewer: above 0 where it is seen. */
function facing(axes: Axes, { x, y }: Point3, [towardsX, towardsY]: readonly [number, number]): number {
  const length = y >= 0 ? axes.front : axes.back
  return (x / axes.breadth ** 2) * towardsX + (y / length ** 2) * towardsY
}

/** Where the head ends for a viewer: the plane through its axis that lies across the line of sight. */
function contourOf({ axes }: Head, [rightX, rightY]: readonly [number, number]): Point3[] {
  return Array.from({ length: OUTLINE_POINTS }, (_, i) => {
    const theta = (2 * Math.PI * i) / OUTLINE_POINTS
    const psi = Math.atan2(rightX, rightY) + (theta > Math.PI ? Math.PI : 0)
    return surfacePoint(axes, theta > Math.PI ? 2 * Math.PI - theta : theta, psi)
  })
}

const short = (value: number): number => Math.round(100 * value) / 100
const pathOf = (points: readonly MapPoint[]): string =>
  points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${short(x)} ${short(y)}`).join('')

/** The stretches of a line that are seen. */
function seenPath(
  line: readonly Point3[],
  isSeen: (point: Point3) => boolean,
  placed: (point: Point3) => MapPoint,
): string {
  const stretches: MapPoint[][] = [[]]
  for (const point of line)
    if (isSeen(point)) stretches.at(-1)!.push(placed(point))
    else if (stretches.at(-1)!.length > 0) stretches.push([])
  return stretches
    .filter((stretch) => stretch.length > 1)
    .map(pathOf)
    .join('')
}
