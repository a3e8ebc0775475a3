'use client'
import { useRef, useState, type PointerEvent } from 'react'
import { v7 as newId } from 'uuid'
import { closedLine, cut, cutClosed, mirrored, type Snap } from '@/core/placement/layout'
import type { MapPoint, Zone } from '@/core/model'
import { placeUnder } from '../../parts'
import { INK } from '../../theme'
import { MapSheet } from '../MapSheet'
import { usePen } from '../usePen'
import { overEdges, pointsOf, upright } from './division'
import { Handle } from './Handle'
import { SnapMark } from './SnapMark'
import { SNAP_CM, usePartings, type LayerProps } from './usePartings'

/** A line is thinned to a place every so many cm. */
const SPACING_CM = 0.6

/** New partings, drawn with a finger, the mouse or the keys. */
export function DrawLayer({ scale, drawing }: LayerProps) {
  const { change, snapped, toDisk } = usePartings({ scale, drawing })
  const [line, setLine] = useState<MapPoint[]>([])
  const [drawnTo, setDrawnTo] = useState<Snap>()
  const layer = useRef<SVGGElement>(null)
  const under = (event: PointerEvent): MapPoint => upright(placeUnder(layer.current!, event))

  function away() {
    setLine([])
    setDrawnTo(undefined)
  }

  function finish(drawn: readonly MapPoint[], alike: boolean): void {
    away()
    if (drawn.length < 2) return
    const closed = closedLine(drawn, SNAP_CM * scale)
    const line = closed ? closed.map(toDisk) : overEdges(drawn.map(toDisk))
    const lay = closed ? cutClosed : cut
    change('Parting drawn', `draw/${newId()}`, (division, parents) => {
      const make = (parent: Zone): Zone => {
        const id = newId()
        parents.set(id, parent.id)
        return { ...structuredClone(parent), id, role: `part${id.slice(-8)}`, name: `${parent.name}, part` }
      }
      const once = lay(division, line, make)
      return alike ? lay(once, mirrored(line), make) : once
    })
  }

  const pen = usePen(drawing.extent, {
    onMove: (at) => setDrawnTo(snapped(upright(at))),
    onPress: (at, shift) => {
      const { point } = snapped(upright(at))
      if (line.length === 0) setLine([point])
      else finish([...line, point], shift)
    },
    onCorner: (at) => line.length > 0 && setLine([...line, snapped(upright(at)).point]),
    onAway: away,
  })

  function goOn(event: PointerEvent) {
    const point = under(event)
    setDrawnTo(snapped(point))
    const last = line.at(-1)
    if (last && Math.hypot(point.x - last.x, point.y - last.y) > SPACING_CM) setLine([...line, point])
  }

  return (
    <g ref={layer} role="group" aria-label="Partings in hand">
      <MapSheet
        extent={drawing.extent}
        cursor="crosshair"
        {...pen.props}
        aria-label="Pen: arrow keys move it, Enter begins and ends a parting, Space makes a corner in it; with Shift on both sides alike; ended where it began it takes out an island"
        onPointerDown={(event) => {
          // A second finger means to zoom, not to draw.
          if (!event.isPrimary) return setLine([])
          event.currentTarget.setPointerCapture(event.pointerId)
          setLine([snapped(under(event)).point])
        }}
        onPointerMove={goOn}
        onPointerUp={(event) => {
          if (line.length > 0) finish([...line, snapped(under(event)).point], event.shiftKey)
        }}
      />
      {pen.at && (
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
      <SnapMark snap={drawnTo} scale={scale} />
    </g>
  )
}
