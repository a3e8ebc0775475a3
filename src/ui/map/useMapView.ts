'use client'
import { useGesture } from '@use-gesture/react'
import { useRef, useState, type RefObject } from 'react'
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
  useHands({ svg, hands, change, mayMove: held === 'free' && view !== undefined })
  const box = view ?? whole
  return {
    svg,
    hands,
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

/** Fingers, mouse and wheel on the map. A press that moves it selects nothing. */
function useHands({ svg, hands, change, mayMove }: Hands): void {
  const at = ([clientX, clientY]: readonly [number, number]): MapPoint | undefined =>
    svg.current ? placeUnder(svg.current, { clientX, clientY }) : undefined

  useGesture(
    {
      onWheel({ event }) {
        event.preventDefault()
        const place = at([event.clientX, event.clientY])
        if (place) change((now, all) => zoomedAbout(now, all, 2 ** (-event.deltaY / WHEEL_DOUBLES), place))
      },
      onDrag({ xy, delta: [dx, dy], pinching }) {
        const [from, to] = [at([xy[0] - dx, xy[1] - dy]), at(xy)]
        if (pinching || !from || !to) return
        change((now, all) => movedBy(now, all, from.x - to.x, from.y - to.y))
      },
      onPinch({ origin, offset: [size], lastOffset: [sizeAtFirst], memo }) {
        // On a busy device the first report may be the only one.
        const before = (memo as Pinched | undefined) ?? { origin, size: sizeAtFirst }
        const [from, to] = [at(before.origin), at(origin)]
        if (from && to) {
          const factor = size / before.size
          change((now, all) => movedBy(zoomedAbout(now, all, factor, from), all, from.x - to.x, from.y - to.y))
        }
        return { origin, size } satisfies Pinched
      },
    },
    {
      target: hands,
      eventOptions: { passive: false },
      drag: { enabled: mayMove, threshold: PAN_FROM, filterTaps: true },
      pinch: { pinchOnWheel: false },
    },
  )
}

/** Two fingers as they were a moment ago: their middle on screen, and how far apart, as a multiple. */
interface Pinched {
  origin: readonly [number, number]
  size: number
}
