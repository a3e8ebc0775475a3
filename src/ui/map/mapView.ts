import type { MapPoint } from '@/core/model'

/** A rectangle of the map, cm, y downwards: what is in sight of it. */
export interface MapBox {
  x: number
  y: number
  width: number
  height: number
}

/**
 * How much nearer than the whole head the map can be brought: a babylight of 1.5 mm is then about a finger wide on a
 * tablet.
 */
export const NEAREST = 16
/** Air left around a zone that fills the view, as a share of its size. */
const AIR = 0.08

/** Brings the map nearer (factor above 1) or further away about a point, which keeps its place on screen. */
export function zoomedAbout(view: MapBox, whole: MapBox, factor: number, { x, y }: MapPoint): MapBox {
  const width = Math.min(whole.width, Math.max(whole.width / NEAREST, view.width / factor))
  const scale = width / view.width
  return within({ x: x - (x - view.x) * scale, y: y - (y - view.y) * scale, width, height: view.height * scale }, whole)
}

/** Moves what is in sight by so many cm of the map. */
export const movedBy = (view: MapBox, whole: MapBox, dx: number, dy: number): MapBox =>
  within({ ...view, x: view.x + dx, y: view.y + dy }, whole)

/** The view in which a box fills the screen, in the shape of the whole. */
export function fittedTo(box: MapBox, whole: MapBox): MapBox {
  const wanted = Math.max(box.width / whole.width, box.height / whole.height) * (1 + 2 * AIR)
  const share = Math.min(1, Math.max(1 / NEAREST, wanted))
  const width = whole.width * share
  const height = whole.height * share
  return within({ x: box.x + box.width / 2 - width / 2, y: box.y + box.height / 2 - height / 2, width, height }, whole)
}

/** Whether a place is in sight. */
export const holds = ({ x, y, width, height }: MapBox, place: MapPoint): boolean =>
  place.x >= x && place.x <= x + width && place.y >= y && place.y <= y + height

/** A view never leaves the whole. */
function within(view: MapBox, whole: MapBox): MapBox {
  const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))
  return {
    ...view,
    x: clamp(view.x, whole.x, whole.x + whole.width - view.width),
    y: clamp(view.y, whole.y, whole.y + whole.height - view.height),
  }
}

/** The box around a path of the core's drawings, whose numbers are all coordinates. */
export function boxOfPath(path: string): MapBox {
  const numbers = (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number)
  const xs = numbers.filter((_, i) => i % 2 === 0)
  const ys = numbers.filter((_, i) => i % 2 === 1)
  const x = Math.min(...xs)
  const y = Math.min(...ys)
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y }
}
