'use client'
import { useMemo, useRef, useState, type PointerEvent } from 'react'
import { v7 as newId } from 'uuid'
import { createHead, mapFromPlace, placeFromMap, type Head } from '@/core/head'
import { bendParting, checkStage, cut, diskFromPlace, DivisionError, merge, mirrored, moveVertex, placeOf, zoneAt, type DiskPoint, type Division } from '@/core/layout'
import type { MapPoint, Stage, Zone } from '@/core/model'
import { INK } from '../theme'
import { editStage, stageOf, usePlan, usePlanStore } from './context'
import type { PartingMode } from './PartingTool'

/** Nearer than this a drawn line begins or ends on the centre line, a corner or the hairline, cm of the map. */
const SNAP_CM = 0.7
/** A line is thinned to a place every so many cm. */
const SPACING_CM = 0.6

const divisionOf = ({ layout, zones }: Stage): Division<Zone> => ({ vertices: layout.vertices, edges: layout.edges, zones })

/** What keeps a division from being used, in words; it is checked on the plan's own head. */
function faultOf(head: Head, stage: Stage, division: Division<Zone>): string | undefined {
  const order = [...stage.order.filter((id) => division.zones.some((zone) => zone.id === id)), ...division.zones.map(({ id }) => id).filter((id) => !stage.order.includes(id))]
  return checkStage(head, { ...stage, layout: { ...stage.layout, vertices: division.vertices, edges: division.edges }, zones: division.zones, order })[0]?.message
}

/** Puts a division in a stage; new zones are worked right after the zone they were cut from. */
function putIn(stage: Stage, division: Division<Zone>, parents: ReadonlyMap<string, string>): void {
  stage.layout.vertices = division.vertices
  stage.layout.edges = division.edges
  stage.zones = division.zones
  const kept = stage.order.filter((id) => division.zones.some((zone) => zone.id === id))
  for (const [id, parent] of parents) kept.splice(kept.indexOf(parent) + 1, 0, id)
  stage.order = kept
}

/** A layer over the map in its own coordinates (y downwards, cm). */
export function PartingLayer({ mode }: { mode: Exclude<PartingMode, 'rest'> }) {
  const { store } = usePlanStore()
  const measures = usePlan((state) => state.document.head)
  const stage = usePlan(stageOf)
  const drawing = usePlan((state) => state.answer?.drawing)
  const selected = usePlan((state) => state.selectedZone)
  const head = useMemo(() => createHead(measures), [measures])
  const [line, setLine] = useState<MapPoint[]>([])
  const dragged = useRef<{ what: { vertex: string } | { edge: string; at: number } }>(undefined)
  const layer = useRef<SVGGElement>(null)

  if (!drawing) return null
  const { left, right, top, bottom } = drawing.extent
  const toMap = ({ psiDeg, s }: { psiDeg: number; s: number }) => mapFromPlace(head, placeOf({ psiDeg, s }))
  const corners = stage.layout.vertices.map((vertex) => ({ id: vertex.id, ...toMap(vertex) }))
  const toDisk = (point: MapPoint): DiskPoint => diskFromPlace(placeFromMap(head, point))
  const say = (partingProblem: string | undefined) => store.setState({ partingProblem })

  function under(event: PointerEvent): MapPoint {
    const matrix = layer.current!.getScreenCTM()!
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    return { x, y: -y }
  }

  /** Carries out a change of the division, or says why it cannot be. */
  function change(label: string, key: string, work: (division: Division<Zone>, parents: Map<string, string>) => Division<Zone>): void {
    const parents = new Map<string, string>()
    try {
      const next = work(divisionOf(stage), parents)
      const fault = faultOf(head, stage, next)
      if (fault) return say(fault)
      say(undefined)
      editStage(store, label, key, (draft) => putIn(draft, structuredClone(next), parents))
    } catch (error) {
      if (!(error instanceof DivisionError)) throw error
      say(error.message)
    }
  }

  function finish(drawn: readonly MapPoint[], alike: boolean): void {
    setLine([])
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

  function snapped(point: MapPoint): MapPoint {
    const corner = corners.find(({ x, y }) => Math.hypot(x - point.x, y - point.y) < SNAP_CM)
    if (corner) return corner
    const place = placeFromMap(head, point)
    const rim = mapFromPlace(head, { ...place, s: 1 })
    if (Math.hypot(rim.x - point.x, rim.y - point.y) < SNAP_CM) return mapFromPlace(head, { ...place, s: 1.03 })
    return Math.abs(point.x) < SNAP_CM ? { x: 0, y: point.y } : point
  }

  function drag(event: PointerEvent): void {
    if (!dragged.current) return
    const to = toDisk(under(event))
    const { what } = dragged.current
    change('vertex' in what ? 'Corner moved' : 'Parting bent', `move/${JSON.stringify(what)}`, (division) => ('vertex' in what ? moveVertex(division, what.vertex, to) : bendParting(division, what.edge, what.at, to)))
  }

  function tapToMerge(event: PointerEvent): void {
    const disk = toDisk(under(event))
    const tapped = zoneAt(divisionOf(stage), disk)
    if (!tapped) return
    if (!selected || tapped.id === selected) return store.setState({ selectedZone: tapped.id })
    change('Zones merged', `merge/${newId()}`, (division) => merge(division, selected, tapped.id))
    store.setState({ selectedZone: tapped.id })
  }

  const handle = { r: 0.32, fill: INK.paper, stroke: INK.strong, strokeWidth: 0.09, style: { cursor: 'move', touchAction: 'none' } } as const
  return (
    <g ref={layer} role="group" aria-label="Partings in hand">
      <rect
        x={left - 1}
        y={top - 1}
        width={right - left + 2}
        height={bottom - top + 2}
        fill="transparent"
        style={{ cursor: mode === 'draw' ? 'crosshair' : 'pointer', touchAction: 'none' }}
        onPointerDown={(event) => {
          if (mode === 'merge') return tapToMerge(event)
          if (mode !== 'draw') return
          event.currentTarget.setPointerCapture(event.pointerId)
          setLine([snapped(under(event))])
        }}
        onPointerMove={(event) => {
          if (mode !== 'draw' || line.length === 0) return
          const point = under(event)
          const last = line[line.length - 1]!
          if (Math.hypot(point.x - last.x, point.y - last.y) > SPACING_CM) setLine([...line, point])
        }}
        onPointerUp={(event) => {
          if (mode !== 'draw' || line.length === 0) return
          finish([...line, snapped(under(event))], event.shiftKey)
        }}
      />
      {line.length > 1 && <polyline points={line.map(({ x, y }) => `${x},${-y}`).join(' ')} fill="none" stroke={INK.strong} strokeWidth={0.14} strokeDasharray="0.4 0.2" pointerEvents="none" />}
      {mode === 'move' && (
        <>
          {stage.layout.edges.flatMap((edge) =>
            edge.kind === 'hairline'
              ? []
              : bends(edge.via.length).map((at) => {
                  const { x, y } = toMap(edge.via[at]!)
                  return (
                    <circle
                      key={edge.id + at}
                      cx={x}
                      cy={-y}
                      {...handle}
                      r={0.22}
                      aria-label="Bend of a parting"
                      onPointerDown={(event) => {
                        event.currentTarget.setPointerCapture(event.pointerId)
                        dragged.current = { what: { edge: edge.id, at } }
                      }}
                      onPointerMove={drag}
                      onPointerUp={() => (dragged.current = undefined)}
                    />
                  )
                }),
          )}
          {corners.map(({ id, x, y }) => (
            <circle
              key={id}
              cx={x}
              cy={-y}
              {...handle}
              role="button"
              aria-label={`Corner ${id}`}
              tabIndex={0}
              onKeyDown={(event) => {
                const step = { ArrowLeft: [-0.3, 0], ArrowRight: [0.3, 0], ArrowUp: [0, 0.3], ArrowDown: [0, -0.3] }[event.key]
                if (!step) return
                event.preventDefault()
                event.stopPropagation()
                change('Corner moved', `move/${id}`, (division) => moveVertex(division, id, toDisk({ x: x + step[0]!, y: y + step[1]! })))
              }}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId)
                dragged.current = { what: { vertex: id } }
              }}
              onPointerMove={drag}
              onPointerUp={() => (dragged.current = undefined)}
            />
          ))}
        </>
      )}
    </g>
  )
}

/** Two or three of a parting's places to bend it by. */
const bends = (count: number): number[] => (count === 0 ? [] : count < 4 ? [Math.floor(count / 2)] : [Math.floor(count / 4), Math.floor(count / 2), Math.floor((3 * count) / 4)])

/** A drawn line, run on a little at both ends, so that one that stops right at an edge still crosses it. */
function overEdges(line: readonly DiskPoint[]): DiskPoint[] {
  const further = (from: DiskPoint, to: DiskPoint): DiskPoint => {
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1
    return { x: to.x + (0.05 * (to.x - from.x)) / length, y: to.y + (0.05 * (to.y - from.y)) / length }
  }
  return [further(line[1]!, line[0]!), ...line, further(line[line.length - 2]!, line[line.length - 1]!)]
}
