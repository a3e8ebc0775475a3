'use client'
import { useEffect, useRef, useState, type PointerEvent } from 'react'
import type { MapPoint } from '@/core/model'
import { placeUnder } from '../parts'
import { usePlanStore } from './context'
import { fittedTo, holds, movedBy, zoomedAbout, type MapBox } from './mapView'

/** A wheel's turn by so much doubles the size, px. */
const WHEEL_DOUBLES = 400
/** A press that moves further than this pans and does not select, px. */
const PAN_FROM = 6
/** After this long without a move the map is drawn in full again, ms. */
const REST_MS = 160
/** One press of a zoom button. */
export const ZOOM_STEP = 1.6
/** Share of what is in sight that one press of a key moves over. */
const KEY_SHARE = 0.15

export interface MapView {
  box: MapBox
  /**
   * 1 for the whole head, less for a nearer view: sizes that are to stay as they are on screen are multiplied by it.
   */
  scale: number
  /** About a place where one is given and in sight, else about the middle. */
  zoomBy: (factor: number, about?: MapPoint) => void
  moveBy: (right: number, down: number) => void
  /** Fills the view with a box; with none, shows the whole. */
  fit: (box?: MapBox) => void
}

/**
 * What is in sight of the map, and the hands on it: a wheel or two fingers zoom about themselves, one finger or the
 * mouse moves a map that is zoomed in. With `held`, one finger belongs to a tool on the map.
 */
export function useMapView(whole: MapBox | undefined, held: 'byTool' | 'free') {
  const { store } = usePlanStore()
  const [view, setView] = useState<MapBox>()
  const svg = useRef<SVGSVGElement>(null)
  const fingers = useRef(new Map<number, { x: number; y: number }>())
  const panning = useRef(false)
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined)
  const ready = whole !== undefined

  function change(next: (view: MapBox, whole: MapBox) => MapBox): void {
    store.setState({ moving: 'map' })
    clearTimeout(resting.current)
    resting.current = setTimeout(() => store.setState({ moving: 'no' }), REST_MS)
    setView((now) => {
      if (!whole) return now
      const after = next(now ?? whole, whole)
      return after.width >= whole.width * 0.999 ? undefined : after
    })
  }

  // A wheel listener of React's cannot keep the page from scrolling along.
  const latest = useRef(change)
  useEffect(() => {
    latest.current = change
  })
  useEffect(() => {
    const element = svg.current
    if (!element) return
    const wheel = (event: WheelEvent) => {
      event.preventDefault()
      const at = placeUnder(element, event)
      latest.current((now, all) => zoomedAbout(now, all, 2 ** (-event.deltaY / WHEEL_DOUBLES), at))
    }
    // The sheet over the map is beside it, so both are listened to where they lie.
    const both = element.parentElement!
    both.addEventListener('wheel', wheel, { passive: false })
    return () => both.removeEventListener('wheel', wheel)
  }, [ready])

  function down(event: PointerEvent<HTMLElement>) {
    fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY })
    panning.current = false
  }

  function move(event: PointerEvent<HTMLElement>) {
    const before = fingers.current.get(event.pointerId)
    if (!before) return
    const after = { x: event.clientX, y: event.clientY }
    const element = svg.current
    if (!element) return
    if (fingers.current.size === 2) {
      const [other] = [...fingers.current].filter(([id]) => id !== event.pointerId).map(([, at]) => at)
      const apart = (one: { x: number; y: number }) => Math.hypot(one.x - other!.x, one.y - other!.y)
      const middle = (one: { x: number; y: number }) =>
        placeUnder(element, { clientX: (one.x + other!.x) / 2, clientY: (one.y + other!.y) / 2 })
      const [from, to] = [middle(before), middle(after)]
      const factor = apart(after) / Math.max(1, apart(before))
      fingers.current.set(event.pointerId, after)
      change((now, all) => movedBy(zoomedAbout(now, all, factor, from), all, from.x - to.x, from.y - to.y))
    } else if (held === 'free' && view) {
      if (!panning.current && Math.hypot(after.x - before.x, after.y - before.y) < PAN_FROM) return
      if (!panning.current) {
        panning.current = true
        // From here on the press belongs to the map, so that its end selects nothing.
        event.currentTarget.setPointerCapture(event.pointerId)
      }
      const [from, to] = [before, after].map(({ x, y }) => placeUnder(element, { clientX: x, clientY: y })) as [
        MapPoint,
        MapPoint,
      ]
      fingers.current.set(event.pointerId, after)
      change((now, all) => movedBy(now, all, from.x - to.x, from.y - to.y))
    }
  }

  const up = (event: PointerEvent<HTMLElement>) => void fingers.current.delete(event.pointerId)
  const box = view ?? whole
  return {
    svg,
    zoomed: view !== undefined,
    view: box && {
      box,
      scale: whole ? box.width / whole.width : 1,
      zoomBy: (factor: number, about?: MapPoint) =>
        change((now, all) =>
          zoomedAbout(
            now,
            all,
            factor,
            about && holds(now, about) ? about : { x: now.x + now.width / 2, y: now.y + now.height / 2 },
          ),
        ),
      moveBy: (right: number, down: number) =>
        change((now, all) => movedBy(now, all, right * KEY_SHARE * now.width, down * KEY_SHARE * now.height)),
      fit: (wanted?: MapBox) => (wanted ? change((_, all) => fittedTo(wanted, all)) : setView(undefined)),
    },
    hands: { onPointerDown: down, onPointerMove: move, onPointerUp: up, onPointerCancel: up, onPointerLeave: up },
  }
}
