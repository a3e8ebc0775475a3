'use client'
import { memo, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { v7 as newId } from 'uuid'
import { createHead, mapFromPlace, placeFromMap, type Head } from '@/core/scalp/head'
import {
  bendParting,
  checkStage,
  cut,
  diskFromPlace,
  DivisionError,
  edgeDrawer,
  merge,
  mirrored,
  moveParting,
  moveVertex,
  placeOf,
  snapPoint,
  zoneAt,
  type DiskPoint,
  type Division,
  type Snap,
  type SnapKind,
} from '@/core/placement/layout'
import type { MapPoint, Stage, Zone } from '@/core/model'
import type { MapDrawing } from '@/core/plan/sheets'
import { placeUnder } from '../parts'
import { INK } from '../theme'
import { editStage, stageOf, usePlan, usePlanStore } from './context'
import { MapSheet } from './MapSheet'
import { usePen } from './usePen'

/**
 * A point nearer than this to a corner, landmark or line is drawn to it, cm of the whole map; less where the map is
 * zoomed in.
 */
const SNAP_CM = 0.7
/** A line is thinned to a place every so many cm. */
const SPACING_CM = 0.6
/** How far an arrow key moves a corner or a parting, cm of the map. */
const KEY_CM = 0.3

const divisionOf = ({ layout, zones }: Stage): Division<Zone> => ({
  vertices: layout.vertices,
  edges: layout.edges,
  zones,
})

/** What keeps a division from being used, in words; it is checked on the plan's own head. */
function faultOf(
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
function putIn(
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

interface Props {
  mode: 'draw' | 'move' | 'merge'
  scale: number
}

/** Partings in hand, once there is a head to draw them on. */
export function PartingLayer(props: Props) {
  const drawing = usePlan((state) => state.answer?.drawing)
  return drawing ? <Partings key={props.mode} {...props} drawing={drawing} /> : null
}

/** A layer over the map in its own coordinates (y downwards, cm). */
function Partings({ mode, scale, drawing }: Props & { drawing: MapDrawing }) {
  const { store } = usePlanStore()
  const measures = usePlan((state) => state.document.head)
  const stage = usePlan(stageOf)
  const selected = usePlan((state) => state.selectedZone)
  const head = useMemo(() => createHead(measures), [measures])
  const draw = useMemo(() => edgeDrawer(head), [head])
  const drawnEdges = useMemo(() => draw(stage.layout), [draw, stage.layout])
  const [line, setLine] = useState<MapPoint[]>([])
  const [drawnTo, setDrawnTo] = useState<Snap>()
  const held = useRef<Held>(undefined)
  const layer = useRef<SVGGElement>(null)

  const pen = usePen(drawing.extent, {
    onMove: (at) => mode === 'draw' && setDrawnTo(snapped(upright(at))),
    onPress: (at, shift) => {
      if (mode === 'merge') return mergeAt(upright(at))
      const { point } = snapped(upright(at))
      if (line.length === 0) setLine([point])
      else finish([...line, point], shift)
    },
    onAway: () => {
      setLine([])
      setDrawnTo(undefined)
    },
  })
  const toMap = ({ psiDeg, s }: { psiDeg: number; s: number }) => mapFromPlace(head, placeOf({ psiDeg, s }))
  const corners = stage.layout.vertices.map((vertex) => ({ id: vertex.id, ...toMap(vertex) }))
  const partings = stage.layout.edges.filter(({ kind }) => kind === 'parting')
  const toDisk = (point: MapPoint): DiskPoint => diskFromPlace(placeFromMap(head, point))
  function say(partingProblem: string | undefined): void {
    if (store.getState().partingProblem !== partingProblem) store.setState({ partingProblem })
  }

  const under = (event: PointerEvent): MapPoint => upright(placeUnder(layer.current!, event))

  /** Carries out a change of the division, or says why it cannot be. @returns whether it was done */
  function change(
    label: string,
    key: string,
    work: (division: Division<Zone>, parents: Map<string, string>) => Division<Zone>,
  ): boolean {
    const parents = new Map<string, string>()
    const before = divisionOf(stage)
    try {
      const next = work(before, parents)
      const fault = faultOf(head, draw, stage, next)
      say(fault)
      if (fault) return false
      editStage(store, label, key, (draft) => putIn(draft, before, next, parents))
      return true
    } catch (error) {
      if (!(error instanceof DivisionError)) throw error
      say(error.message)
      return false
    }
  }

  function finish(drawn: readonly MapPoint[], alike: boolean): void {
    setLine([])
    setDrawnTo(undefined)
    if (drawn.length < 2) return
    const ends = overEdges(drawn.map(toDisk))
    change('Parting drawn', `draw/${newId()}`, (division, parents) => {
      const make = (parent: Zone): Zone => {
        const id = newId()
        parents.set(id, parent.id)
        return { ...structuredClone(parent), id, role: `part${id.slice(-8)}`, name: `${parent.name}, part` }
      }
      const once = cut(division, ends, make)
      return alike ? cut(once, mirrored(ends), make) : once
    })
  }

  /** @param besides corner that does not count, because it is the one that moves */
  function snapped(point: MapPoint, besides?: string): Snap {
    const others = corners.filter(({ id }) => id !== besides)
    const lines = besides ? partings.filter(({ from, to }) => from !== besides && to !== besides) : partings
    const hairlines = stage.layout.edges
      .filter(({ kind }) => kind === 'hairline')
      .flatMap(({ id }) => drawnEdges.get(id)!)
    return snapPoint(
      point,
      {
        corners: besides ? [] : others,
        landmarks: drawing.landmarks.map(({ x, y }) => ({ x, y: -y })),
        partings: lines.map(({ id }) => drawnEdges.get(id)!),
        hairline: besides ? [] : hairlines,
      },
      SNAP_CM * scale,
    )
  }

  function take(event: PointerEvent): void {
    const grip = gripAt(event.target)
    if (!grip) return
    grip.element.setPointerCapture(event.pointerId)
    store.setState({ moving: 'map' })
    held.current =
      'edge' in grip.what && !('bend' in grip.what) ? { ...grip.what, last: toDisk(under(event)) } : grip.what
  }

  function drag(event: PointerEvent): void {
    const what = held.current
    if (!what) return
    const point = under(event)
    if ('corner' in what) {
      const snap = snapped(point, what.corner)
      setDrawnTo(snap)
      change('Corner moved', `move/${what.corner}`, (division) => moveVertex(division, what.corner, toDisk(snap.point)))
    } else if ('bend' in what) {
      change('Parting bent', `bend/${what.edge}`, (division) =>
        bendParting(division, what.edge, what.bend, toDisk(point)),
      )
    } else if (what.last) {
      const to = toDisk(point)
      if (shift(what.edge, what.last, to)) held.current = { ...what, last: to }
    }
  }

  function letGo(): void {
    held.current = undefined
    store.setState({ moving: 'no' })
    setDrawnTo(undefined)
  }

  const shift = (edge: string, from: DiskPoint, to: DiskPoint) =>
    change('Parting moved', `shift/${edge}`, (division) =>
      moveParting(division, edge, { x: to.x - from.x, y: to.y - from.y }),
    )

  /** Arrow keys on a corner, a bend or a parting move it. */
  function keys(event: KeyboardEvent): void {
    const what = gripAt(event.target)?.what
    const step = { ArrowLeft: [-KEY_CM, 0], ArrowRight: [KEY_CM, 0], ArrowUp: [0, KEY_CM], ArrowDown: [0, -KEY_CM] }[
      event.key
    ]
    if (!what || !step) return
    event.preventDefault()
    event.stopPropagation()
    const from =
      'corner' in what
        ? corners.find(({ id }) => id === what.corner)!
        : 'bend' in what
          ? toMap(partings.find(({ id }) => id === what.edge)!.via[what.bend]!)
          : middleOf(drawnEdges.get(what.edge)!)
    const to = toDisk({ x: from.x + step[0]!, y: from.y + step[1]! })
    if ('corner' in what)
      change('Corner moved', `move/${what.corner}`, (division) => moveVertex(division, what.corner, to))
    else if ('bend' in what)
      change('Parting bent', `bend/${what.edge}`, (division) => bendParting(division, what.edge, what.bend, to))
    else shift(what.edge, toDisk(from), to)
  }

  function mergeAt(point: MapPoint): void {
    const tapped = zoneAt(divisionOf(stage), toDisk(point))
    if (!tapped) return
    if (!selected || tapped.id === selected) return store.select(tapped.id)
    change('Zones merged', `merge/${newId()}`, (division) => merge(division, selected, tapped.id))
    store.select(tapped.id)
  }

  return (
    <g ref={layer} role="group" aria-label="Partings in hand">
      <MapSheet
        extent={drawing.extent}
        cursor={mode === 'draw' ? 'crosshair' : 'pointer'}
        {...(mode === 'move'
          ? { pointerEvents: 'none' }
          : {
              ...pen.props,
              'aria-label':
                mode === 'draw'
                  ? 'Pen: arrow keys move it, Enter begins and ends a parting, with Shift on both sides alike'
                  : 'Pointer: arrow keys move it, Enter chooses a zone and then the one to merge it with',
            })}
        onPointerDown={(event) => {
          if (mode === 'merge') return mergeAt(under(event))
          // A second finger means to zoom, not to draw.
          if (!event.isPrimary) return setLine([])
          event.currentTarget.setPointerCapture(event.pointerId)
          setLine([snapped(under(event)).point])
        }}
        onPointerMove={(event) => {
          if (mode !== 'draw') return
          const point = under(event)
          setDrawnTo(snapped(point))
          const last = line[line.length - 1]
          if (last && Math.hypot(point.x - last.x, point.y - last.y) > SPACING_CM) setLine([...line, point])
        }}
        onPointerUp={(event) => {
          if (mode !== 'draw' || line.length === 0) return
          finish([...line, snapped(under(event)).point], event.shiftKey)
        }}
      />
      {pen.at && mode !== 'move' && (
        <g pointerEvents="none" aria-hidden>
          <Handle {...upright(pen.at)} px={6} />
        </g>
      )}
      {(line.length > 1 || (line.length > 0 && pen.at)) && (
        <polyline
          points={pointsOf(pen.at ? [...line, upright(pen.at)] : line)}
          fill="none"
          stroke={INK.strong}
          strokeWidth={3}
          strokeDasharray="9 5"
          vectorEffect="non-scaling-stroke"
          pointerEvents="none"
        />
      )}
      {mode === 'move' && (
        <g onPointerDown={take} onPointerMove={drag} onPointerUp={letGo} onPointerCancel={letGo} onKeyDown={keys}>
          {partings.map(({ id }) => (
            <PartingGrip key={id} id={id} points={pointsOf(drawnEdges.get(id)!)} />
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
            <Handle
              key={id}
              x={x}
              y={y}
              px={9}
              role="button"
              aria-label={`Corner ${id}`}
              tabIndex={0}
              data-corner={id}
            />
          ))}
        </g>
      )}
      {drawnTo?.to && (
        <g pointerEvents="none" aria-hidden>
          <Handle {...drawnTo.point} px={5} />
          <text
            x={drawnTo.point.x + 0.4 * scale}
            y={-drawnTo.point.y - 0.4 * scale}
            fontSize={0.5 * scale}
            fill={INK.strong}
            stroke={INK.paper}
            strokeWidth={0.14 * scale}
            paintOrder="stroke"
          >
            {SNAP_WORDS[drawnTo.to]}
          </text>
        </g>
      )}
    </g>
  )
}

/** From the sheet, y downwards, to the map, and back. */
const upright = ({ x, y }: MapPoint): MapPoint => ({ x, y: -y })

/** To a hundredth of a cm: long numbers take a browser long to write and to read. */
const pointsOf = (line: readonly MapPoint[]): string =>
  line.map(({ x, y }) => `${Math.round(100 * x) / 100},${Math.round(-100 * y) / 100}`).join(' ')
const middleOf = (line: readonly MapPoint[]): MapPoint => line[Math.floor(line.length / 2)]!

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

interface HandleProps {
  x: number
  y: number
  /** Radius. */
  px: number
  role?: string
  tabIndex?: number
  'aria-label'?: string
  'data-corner'?: string
  'data-edge'?: string
  'data-bend'?: number
}

/** A dot of a size that stays on screen however near the map is, with room around it for a finger. */
const Handle = memo(function Handle({ x, y, px, ...rest }: HandleProps) {
  // A stroke without length is drawn as its round cap.
  const dot = {
    x1: x,
    x2: x + 0.001,
    y1: -y,
    y2: -y,
    strokeLinecap: 'round',
    vectorEffect: 'non-scaling-stroke',
  } as const
  return (
    <g style={{ cursor: 'move', touchAction: 'none' }} {...rest}>
      <line {...dot} stroke="transparent" strokeWidth={Math.max(30, 2 * px)} />
      <line {...dot} stroke={INK.strong} strokeWidth={2 * px} />
      <line {...dot} stroke={INK.paper} strokeWidth={2 * px - 4} />
    </g>
  )
})

const SNAP_WORDS: Record<SnapKind, string> = {
  corner: 'corner',
  landmark: 'landmark',
  mirror: 'like the other side',
  hairline: 'hairline',
  parting: 'parting',
  middle: 'middle',
}

/** Two or three of a parting's places to bend it by. */
const bends = (count: number): number[] =>
  count === 0
    ? []
    : count < 4
      ? [Math.floor(count / 2)]
      : [Math.floor(count / 4), Math.floor(count / 2), Math.floor((3 * count) / 4)]

/** A drawn line, run on a little at both ends, so that one that stops right at an edge still crosses it. */
function overEdges(line: readonly DiskPoint[]): DiskPoint[] {
  const further = (from: DiskPoint, to: DiskPoint): DiskPoint => {
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1
    return { x: to.x + (0.05 * (to.x - from.x)) / length, y: to.y + (0.05 * (to.y - from.y)) / length }
  }
  return [further(line[1]!, line[0]!), ...line, further(line[line.length - 2]!, line[line.length - 1]!)]
}
