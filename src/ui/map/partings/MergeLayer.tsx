'use client'
import { useRef } from 'react'
import { v7 as newId } from 'uuid'
import { merge, zoneAt } from '@/core/placement/layout'
import type { MapPoint } from '@/core/model'
import { placeUnder } from '../../parts'
import { usePlan, usePlanStore } from '../context'
import { MapSheet } from '../MapSheet'
import { usePen } from '../usePen'
import { divisionOf, upright } from './division'
import { Handle } from './Handle'
import { usePartings, type LayerProps } from './usePartings'

/** Zones put together: one is chosen, then the one beside it. */
export function MergeLayer(props: LayerProps) {
  const { extent } = props.drawing
  const { store } = usePlanStore()
  const selected = usePlan((state) => state.selectedZone)
  const { stage, change, toDisk } = usePartings(props)
  const layer = useRef<SVGGElement>(null)

  function mergeAt(point: MapPoint): void {
    const tapped = zoneAt(divisionOf(stage), toDisk(point))
    if (!tapped) return
    if (selected && tapped.id !== selected)
      change('Zones merged', `merge/${newId()}`, (division) => merge(division, selected, tapped.id))
    store.select(tapped.id)
  }

  const pen = usePen(extent, { onPress: (at) => mergeAt(upright(at)) })
  return (
    <g ref={layer} role="group" aria-label="Partings in hand">
      <MapSheet
        extent={extent}
        cursor="pointer"
        {...pen.props}
        aria-label="Pointer: arrow keys move it, Enter chooses a zone and then the one to merge it with"
        onPointerDown={(event) => mergeAt(upright(placeUnder(layer.current!, event)))}
      />
      {pen.at && (
        <g pointerEvents="none" aria-hidden>
          <Handle {...upright(pen.at)} px={6} />
        </g>
      )}
    </g>
  )
}
