import { checkStage, type DiskPoint, type Division, type edgeDrawer } from '@/core/placement/layout'
import type { Head } from '@/core/scalp/head'
import type { MapPoint, Stage, Zone } from '@/core/model'

/** The sections of a stage as partings and what lies between them. */
export const divisionOf = ({ layout, zones }: Stage): Division<Zone> => ({
  vertices: layout.vertices,
  edges: layout.edges,
  zones,
})

/** What keeps a division from being used, in words; it is checked on the plan's own head. */
export function faultOf(
  head: Head,
  draw: ReturnType<typeof edgeDrawer>,
  stage: Stage,
  division: Division<Zone>,
): string | undefined {
  const order = [
    ...stage.order.filter((id) => division.zones.some((zone) => zone.id === id)),
    ...division.zones.map(({ id }) => id).filter((id) => !stage.order.includes(id)),
  ]
  return checkStage(
    head,
    {
      ...stage,
      layout: { ...stage.layout, vertices: division.vertices, edges: division.edges },
      zones: division.zones,
      order,
    },
    draw,
  )[0]?.message
}

/**
 * Puts a division in a stage; new zones are worked right after the zone they were cut from. What did not change keeps
 * its identity.
 */
export function putIn(
  stage: Stage,
  before: Division<Zone>,
  division: Division<Zone>,
  parents: ReadonlyMap<string, string>,
): void {
  stage.layout.vertices = division.vertices
  stage.layout.edges = division.edges
  if (division.zones === before.zones) return
  stage.zones = division.zones
  const kept = stage.order.filter((id) => division.zones.some((zone) => zone.id === id))
  for (const [id, parent] of parents) kept.splice(kept.indexOf(parent) + 1, 0, id)
  stage.order = kept
}

/** From the sheet, y downwards, to the map, and back. */
export const upright = ({ x, y }: MapPoint): MapPoint => ({ x, y: -y })

/** To a hundredth of a cm: long numbers take a browser long to write and to read. */
export const pointsOf = (line: readonly MapPoint[]): string =>
  line.map(({ x, y }) => `${Math.round(100 * x) / 100},${Math.round(-100 * y) / 100}`).join(' ')
/** A place about half along a line. */
export const middleOf = (line: readonly MapPoint[]): MapPoint => line[Math.floor(line.length / 2)]!

/** Two or three of a parting's places to bend it by. */
export const bends = (count: number): number[] =>
  count === 0
    ? []
    : count < 4
      ? [Math.floor(count / 2)]
      : [Math.floor(count / 4), Math.floor(count / 2), Math.floor((3 * count) / 4)]

/** A drawn line, run on a little at both ends, so that one that stops right at an edge still crosses it. */
export function overEdges(line: readonly DiskPoint[]): DiskPoint[] {
  const further = (from: DiskPoint, to: DiskPoint): DiskPoint => {
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1
    return { x: to.x + (0.05 * (to.x - from.x)) / length, y: to.y + (0.05 * (to.y - from.y)) / length }
  }
  return [further(line[1]!, line[0]!), ...line, further(line[line.length - 2]!, line[line.length - 1]!)]
}
