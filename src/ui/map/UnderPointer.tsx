'use client'
import type { Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { PieceDrawing } from '@/core/plan/sheets'
import type { PlanWorker, Probe } from '@/workers/plan.worker'
import { useUnits } from '../hooks/useUnits'
import { placeUnder } from '../parts'
import { INK } from '../theme'

/** Asks what lies under the pointer, one question at a time, and shows it. */
export function UnderPointer({
  worker,
  stageId,
  scale,
}: {
  worker: Remote<PlanWorker> | undefined
  stageId: string
  scale: number
}) {
  const [under, setUnder] = useState<{ x: number; y: number; probe: Probe }>()
  const layer = useRef<SVGGElement>(null)

  useEffect(() => {
    const map = layer.current?.ownerSVGElement
    if (!map || !worker) return
    let asking = false
    let gone = false
    const leave = () => setUnder(undefined)
    const look = async (event: globalThis.PointerEvent) => {
      if (event.buttons > 0) return leave()
      if (asking) return
      const { x, y } = placeUnder(map, event)
      asking = true
      const probe = await worker.probe({ x, y }, stageId)
      asking = false
      if (!gone) setUnder(probe && { x, y, probe })
    }
    const listen = (event: globalThis.PointerEvent) => void look(event)
    // The sheet over the map is beside it, so both are listened to where they lie.
    const both = map.parentElement!
    both.addEventListener('pointermove', listen)
    both.addEventListener('pointerleave', leave)
    return () => {
      gone = true
      both.removeEventListener('pointermove', listen)
      both.removeEventListener('pointerleave', leave)
    }
  }, [worker, stageId])

  return <g ref={layer}>{under && <Ruler {...under} scale={scale} />}</g>
}

/**
 * A true centimetre, or inch, along and across the meridian under the pointer, the region's name, and the foil that
 * lies there.
 */
function Ruler({ x, y, probe, scale }: { x: number; y: number; probe: Probe; scale: number }) {
  const cos = Math.cos(probe.angle)
  const sin = Math.sin(probe.angle)
  const { read, field } = useUnits()
  const { unit, kept } = field('cm')
  const along = (probe.along * kept(1)) / 2
  const across = (probe.across * kept(1)) / 2
  const line = { stroke: INK.strong, strokeWidth: 1.5, vectorEffect: 'non-scaling-stroke' } as const
  const text = {
    x: x + 0.5 * scale,
    fontSize: 0.44 * scale,
    fill: INK.strong,
    stroke: INK.paper,
    strokeWidth: 0.16 * scale,
    paintOrder: 'stroke',
  } as const
  return (
    <g pointerEvents="none" aria-hidden>
      <line x1={x - along * cos} y1={y - along * sin} x2={x + along * cos} y2={y + along * sin} {...line} />
      <line x1={x + across * sin} y1={y - across * cos} x2={x - across * sin} y2={y + across * cos} {...line} />
      <text {...text} y={y - 0.6 * scale}>
        {probe.region}, 1 {unit} each way
      </text>
      {probe.piece && (
        <text {...text} y={y + 0.95 * scale}>
          {read(describePiece(probe.piece))}
        </text>
      )}
    </g>
  )
}

const describePiece = ({ turn, formulaId, kind, widthCm, foilLengthCm }: PieceDrawing & { turn: number }): string =>
  `${turn}: ${formulaId}, ${kind === 'foil' ? `foil ${widthCm} cm wide, ${foilLengthCm} cm long` : `${widthCm} cm of parting`}`
