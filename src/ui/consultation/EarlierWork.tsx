'use client'
import { wrap } from 'comlink'
import { useEffect, useState } from 'react'
import type { DoneVisit } from '@/core/model'
import type { MapDrawing } from '@/core/plan/sheets'
import type { PlanWorker } from '@/workers/plan.worker'
import { HatchDefinitions } from '../parts'
import { INK } from '../theme'
import { dateInWords } from '../words'

/** The foils of a plan that was carried out, on the head; computed from the version it had then. */
export function EarlierWork({ visit }: { visit: DoneVisit }) {
  const [drawing, setDrawing] = useState<MapDrawing>()
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' })
    void wrap<PlanWorker>(worker).drawing(visit.document).then(setDrawing)
    return () => worker.terminate()
  }, [visit])
  if (!drawing) return <p>Drawing the foils…</p>
  const { left, right, top, bottom } = drawing.extent
  return (
    <svg
      viewBox={`${left - 1} ${top - 1} ${right - left + 2} ${bottom - top + 2}`}
      role="img"
      aria-label={`Foils of ${dateInWords(visit.on)}, face up, client’s left on the left`}
      style={{ width: '100%', maxHeight: 'min(430px, 44dvh)', display: 'block' }}
    >
      <HatchDefinitions swatches={drawing.swatches} prefix="earlier" />
      <path d={drawing.hairline} fill={INK.paper} stroke={INK.strong} strokeWidth={0.08} />
      {drawing.zones.map((zone) => (
        <g key={zone.id}>
          {zone.pieces.map((piece) => (
            <path
              key={piece.id}
              d={piece.stitches}
              fill={`url(#earlier-${piece.formulaId})`}
              stroke={INK.strong}
              strokeWidth={0.02}
            />
          ))}
          <path d={zone.outline} fill="none" stroke={INK.faint} strokeWidth={0.05} />
        </g>
      ))}
    </svg>
  )
}
