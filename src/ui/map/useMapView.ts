'use client'
import { useEffect, useRef, useState, type PointerEvent, type RefObject } from 'react'
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
/** A view of so much of the whole is the whole. */
const NEARLY_WHOLE = 0.999
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
  const { view, change } = useInSight(whole)
  const svg = useRef<SVGSVGElement>(null)
  const hands = useRef<HTMLDivElement>(null)
  const fingers = useHands({ svg, hands, change, mayMove: held === 'free' && view !== undefined })
  const box = view ?? whole
  return {
    svg,
    /** For what the hands lie on. */
    hands: { ref: hands, ...fingers },
    zoomed: view !== undefined,
    view: box && {
      box,
      scale: whole ? box.width / whole.width : 1,
      zoomBy: (factor: number, about?: MapPoint) =>
        change((now, all) => zoomedAbout(now, all, factor, about && holds(now, about) ? about : middleOf(now))),
      moveBy: (right: number, down: number) =>
        change((now, all) => movedBy(now, all, right * KEY_SHARE * now.width, down * KEY_SHARE * now.height)),
      fit: (wanted?: MapBox) => change((_, all) => (wanted ? fittedTo(wanted, all) : all)),
    },
  }
}

const middleOf = ({ x, y, width, height }: MapBox): MapPoint => ({ x: x + width / 2, y: y + height / 2 })

type Change = (next: (view: MapBox, whole: MapBox) => MapBox) => void

/** The part of the whole that is in sight; nothing where that is all of it. */
function useInSight(whole: MapBox | undefined): { view: MapBox | undefined; change: Change } {
  const { store } = usePlanStore()
  const [view, setView] = useState<MapBox>()
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined)
  const change: Change = (next) => {
    store.setState({ moving: 'map' })
    clearTimeout(resting.current)
    resting.current = setTimeout(() => store.setState({ moving: 'no' }), REST_MS)
    setView((now) => {
      if (!whole) return now
      const after = next(now ?? whole, whole)
      return after.width >= whole.width * NEARLY_WHOLE ? undefined : after
    })
  }
  return { view, change }
}

interface Hands {
  svg: RefObject<SVGSVGElement | null>
  /** What the hands lie on: the map and the sheet over it. */
  hands: RefObject<HTMLDivElement | null>
  change: Change
  /** Whether one finger moves the map. */
  mayMove: boolean
}

/** Where a finger or the mouse is, px of the window. */
interface Finger {
  clientX: number
  clientY: number
}

const middleOfBoth = (one: Finger, other: Finger): Finger => ({
  clientX: (one.clientX + other.clientX) / 2,
  clientY: (one.clientY + other.clientY) / 2,
})
const apart = (one: Finger, other: Finger): number =>
  Math.hypot(one.clientX - other.clientX, one.clientY - other.clientY)

/** Fingers, mouse and wheel on the map. A press that moves it selects nothing. */
function useHands({ svg, hands, change, mayMove }: Hands) {
  useWheel(svg, hands, change)
  const fingers = useRef(new Map<number, Finger>())
  const panning = useRef(false)
  const moved = (from: Finger, to: Finger, factor: number) => {
    if (!svg.current) return
    const [before, after] = [placeUnder(svg.current, from), placeUnder(svg.current, to)]
    change((now, all) => movedBy(zoomedAbout(now, all, factor, before), all, before.x - after.x, before.y - after.y))
  }

  function move(event: PointerEvent<HTMLElement>) {
    const before = fingers.current.get(event.pointerId)
    if (!before) return
    const after = { clientX: event.clientX, clientY: event.clientY }
    const other = [...fingers.current].find(([id]) => id !== event.pointerId)?.[1]
    if (other) {
      const factor = apart(after, other) / Math.max(1, apart(before, other))
      moved(middleOfBoth(before, other), middleOfBoth(after, other), factor)
    } else if (!mayMove || (!panning.current && apart(before, after) < PAN_FROM)) return
    else {
      // From here on the press belongs to the map, so that its end selects nothing.
      if (!panning.current) event.currentTarget.setPointerCapture(event.pointerId)
      panning.current = true
      moved(before, after, 1)
    }
    fingers.current.set(event.pointerId, after)
  }

  const up = (event: PointerEvent<HTMLElement>) => void fingers.current.delete(event.pointerId)
  return {
    onPointerDown: ({ pointerId, clientX, clientY }: PointerEvent<HTMLElement>) => {
      fingers.current.set(pointerId, { clientX, clientY })
      panning.current = false
    },
    onPointerMove: move,
    onPointerUp: up,
    onPointerCancel: up,
    onPointerLeave: up,
  }
}

/** A wheel zooms about where it turns. React's own wheel listener cannot keep the page from scrolling along. */
function useWheel(svg: Hands['svg'], hands: Hands['hands'], change: Change): void {
  useEffect(() => {
    const element = hands.current
    if (!element) return
    const wheel = (event: WheelEvent) => {
      event.preventDefault()
      if (!svg.current) return
      const at = placeUnder(svg.current, event)
      change((now, all) => zoomedAbout(now, all, 2 ** (-event.deltaY / WHEEL_DOUBLES), at))
    }
    element.addEventListener('wheel', wheel, { passive: false })
    return () => element.removeEventListener('wheel', wheel)
  })
}
