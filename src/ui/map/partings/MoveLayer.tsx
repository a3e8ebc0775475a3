'use client'
import { memo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { bendParting, moveParting, moveVertex, type DiskPoint, type Snap } from '@/core/placement/layout'
import { byId, type MapPoint } from '@/core/model'
import { placeUnder } from '../../parts'
import { usePlanStore } from '../context'
import { bends, middleOf, pointsOf, upright } from './division'
import { Handle } from './Handle'
import { SnapMark } from './SnapMark'
import { usePartings, type LayerProps, type Partings } from './usePartings'

/** How far an arrow key moves a corner or a parting, cm of the map. */
const KEY_CM = 0.3

/** What of the partings a hand has hold of. */
type Held = { corner: string } | { edge: string; bend: number } | { edge: string; last?: DiskPoint }

/** What a press or a key is about. Grips say it themselves, so that none is drawn again but the ones that move. */
function gripAt(target: EventTarget): { element: SVGElement; what: Held } | undefined {
  const element = target instanceof SVGElement ? target.closest<SVGElement>('[data-corner], [data-edge]') : null
  if (!element) return undefined
  const { corner, edge, bend } = element.dataset
  return {
    element,
    what:
      corner !== undefined ? { corner } : bend !== undefined ? { edge: edge!, bend: Number(bend) } : { edge: edge! },
  }
}

/** Corners, bends and whole partings, moved by hand or by the arrows. */
export function MoveLayer(props: LayerProps) {
  const partings = usePartings(props)
  const layer = useRef<SVGGElement>(null)
  const [drawnTo, setDrawnTo] = useState<Snap>()
  const hand = useHand(partings, setDrawnTo, (event) => upright(placeUnder(layer.current!, event)))
  return (
    <g ref={layer} role="group" aria-label="Partings in hand">
      <g {...hand}>
        <Grips {...partings} />
      </g>
      <SnapMark snap={drawnTo} scale={props.scale} />
    </g>
  )
}

/** What can be taken hold of. */
function Grips({ partings, corners, lineOf, toMap }: Partings) {
  return (
    <>
      {partings.map(({ id }) => (
        <PartingGrip key={id} id={id} points={pointsOf(lineOf(id))} />
      ))}
      {partings.flatMap(({ id, via }) =>
        bends(via.length).map((at) => (
          <Handle
            key={id + at}
            {...toMap(via[at]!)}
            px={6}
            role="button"
            tabIndex={0}
            aria-label="Bend of a parting"
            data-edge={id}
            data-bend={at}
          />
        )),
      )}
      {corners.map(({ id, x, y }) => (
        <Handle key={id} x={x} y={y} px={9} role="button" aria-label={`Corner ${id}`} tabIndex={0} data-corner={id} />
      ))}
    </>
  )
}

const STEPS: Partial<Record<string, MapPoint>> = {
  ArrowLeft: { x: -KEY_CM, y: 0 },
  ArrowRight: { x: KEY_CM, y: 0 },
  ArrowUp: { x: 0, y: KEY_CM },
  ArrowDown: { x: 0, y: -KEY_CM },
}

/** What a hand and the arrow keys do with what they hold. */
function useHand(
  { corners, partings, lineOf, toMap, toDisk, change, snapped }: Partings,
  onDrawnTo: (snap: Snap | undefined) => void,
  under: (event: PointerEvent) => MapPoint,
) {
  const { store } = usePlanStore()
  const held = useRef<Held>(undefined)

  const moveCorner = (corner: string, to: DiskPoint) =>
    change('Corner moved', `move/${corner}`, (division) => moveVertex(division, corner, to))
  const bend = (edge: string, at: number, to: DiskPoint) =>
    change('Parting bent', `bend/${edge}`, (division) => bendParting(division, edge, at, to))
  const shift = (edge: string, from: DiskPoint, to: DiskPoint) =>
    change('Parting moved', `shift/${edge}`, (division) =>
      moveParting(division, edge, { x: to.x - from.x, y: to.y - from.y }),
    )

  function take(event: PointerEvent): void {
    const grip = gripAt(event.target)
    if (!grip) return
    grip.element.setPointerCapture(event.pointerId)
    store.setState({ moving: 'map' })
    const whole = 'edge' in grip.what && !('bend' in grip.what)
    held.current = whole ? { ...grip.what, last: toDisk(under(event)) } : grip.what
  }

  function drag(event: PointerEvent): void {
    const what = held.current
    if (!what) return
    const point = under(event)
    if ('corner' in what) {
      const snap = snapped(point, what.corner)
      onDrawnTo(snap)
      moveCorner(what.corner, toDisk(snap.point))
    } else if ('bend' in what) bend(what.edge, what.bend, toDisk(point))
    else if (what.last) {
      const to = toDisk(point)
      if (shift(what.edge, what.last, to)) held.current = { ...what, last: to }
    }
  }

  function letGo(): void {
    held.current = undefined
    store.setState({ moving: 'no' })
    onDrawnTo(undefined)
  }

  function placeHeld(what: Held): MapPoint {
    if ('corner' in what) return byId(corners, what.corner)
    if ('bend' in what) return toMap(byId(partings, what.edge).via[what.bend]!)
    return middleOf(lineOf(what.edge))
  }

  function keys(event: KeyboardEvent): void {
    const what = gripAt(event.target)?.what
    const step = STEPS[event.key]
    if (!what || !step) return
    event.preventDefault()
    event.stopPropagation()
    const from = placeHeld(what)
    const to = toDisk({ x: from.x + step.x, y: from.y + step.y })
    if ('corner' in what) moveCorner(what.corner, to)
    else if ('bend' in what) bend(what.edge, what.bend, to)
    else shift(what.edge, toDisk(from), to)
  }

  return { onPointerDown: take, onPointerMove: drag, onPointerUp: letGo, onPointerCancel: letGo, onKeyDown: keys }
}

/** A parting to take hold of along its whole length. */
const PartingGrip = memo(function PartingGrip({ id, points }: { id: string; points: string }) {
  return (
    <polyline
      points={points}
      fill="none"
      stroke="transparent"
      strokeWidth={24}
      vectorEffect="non-scaling-stroke"
      pointerEvents="stroke"
      style={{ cursor: 'grab', touchAction: 'none' }}
      role="button"
      aria-label={`Parting ${id}`}
      tabIndex={0}
      data-edge={id}
    />
  )
})
