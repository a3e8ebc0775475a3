'use client'
import Box from '@mui/material/Box'
import type { Remote } from 'comlink'
import { memo, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react'
import type { MapDrawing, PieceDrawing, ZoneDrawing } from '@/core/sheet'
import type { PlanWorker, Probe } from '@/workers/plan.worker'
import { editStage, stageOf, usePlan, usePlanStore } from './context'
import { HatchDefinitions } from '../parts'
import { INK } from '../theme'

/** Margin around the scalp, cm of the map; beside it there is room for the names of the ears. */
const MARGIN = 1.2
const SIDE_MARGIN = 2.1

/** The equal-area scalp map with zones, rows and stitches, all to scale. Zones are walked with arrow keys in working order. */
export function ScalpMap({ worker, children }: { worker: Remote<PlanWorker> | undefined; children?: ReactNode }) {
  const all = usePlan((state) => state.answer?.drawing)
  const stage = usePlan(stageOf)
  const drawing = useMemo(() => all && { ...all, zones: all.zones.filter(({ stageId }) => stageId === stage.id) }, [all, stage.id])
  const [under, setUnder] = useState<{ x: number; y: number; probe: Probe }>()
  const { store } = usePlanStore()
  const asking = useRef(false)

  if (!drawing) return <Box sx={{ aspectRatio: '1', display: 'grid', placeItems: 'center' }}>Measuring the head…</Box>
  const { left, right, top, bottom } = drawing.extent
  const box = { x: left - SIDE_MARGIN, y: top - MARGIN, width: right - left + 2 * SIDE_MARGIN, height: bottom - top + 2 * MARGIN + 0.9 }

  async function look(event: PointerEvent<SVGSVGElement>) {
    const matrix = event.currentTarget.getScreenCTM()
    if (asking.current || !worker || !matrix) return
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    asking.current = true
    const probe = await worker.probe(store.getState().document, { x, y })
    asking.current = false
    setUnder(probe && { x, y, probe })
  }

  return (
    <Box sx={{ position: 'relative', height: '100%', minHeight: 0 }}>
      <svg
        viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
        role="group"
        aria-label="Scalp map, seen from behind and above: the face is at the top, the client’s left on the left"
        style={{ width: '100%', height: '100%', display: 'block', touchAction: 'manipulation' }}
        onPointerMove={(event) => void look(event)}
        onPointerLeave={() => setUnder(undefined)}
      >
        <HatchDefinitions swatches={drawing.swatches} prefix="hatch" />
        <path d={drawing.hairline} fill={INK.paper} stroke={INK.strong} strokeWidth={0.07} />
        <defs>
          {drawing.zones.map((zone) => (
            <clipPath key={zone.id} id={`inside-${zone.id}`}>
              <path d={zone.outline} />
            </clipPath>
          ))}
        </defs>
        <Underlay />
        <Zones drawing={drawing} />
        <ZoneNumbers drawing={drawing} />
        {drawing.landmarks.map(({ name, x, y }) => (
          <g key={name} aria-hidden pointerEvents="none">
            <circle cx={x} cy={y} r={0.09} fill={INK.faint} />
            <text x={x + (x < 0 ? -0.2 : 0.2)} y={y + 0.14} fontSize={0.48} textAnchor={x < 0 ? 'end' : 'start'} fill={INK.faint} stroke={INK.paper} strokeWidth={0.12} paintOrder="stroke">
              {name}
            </text>
          </g>
        ))}
        <text x={0} y={top - 0.45} fontSize={0.5} textAnchor="middle" fill={INK.faint}>
          face
        </text>
        <Scale x={box.x + 0.5} y={bottom + MARGIN + 0.3} />
        {under && <Ruler {...under} />}
        {children}
      </svg>
    </Box>
  )
}

/** Foils of the plan carried out last, in outline: what carries an earlier treatment. */
function Underlay() {
  const underlay = usePlan((state) => state.underlay)
  if (!underlay) return null
  return (
    <g aria-hidden pointerEvents="none">
      {underlay.zones.flatMap(({ pieces }) => pieces.map(({ id, outline }) => <path key={id} d={outline} fill={INK.strong} fillOpacity={0.14} stroke={INK.strong} strokeWidth={0.04} strokeDasharray="0.18 0.12" />))}
    </g>
  )
}

/** Area square: true everywhere on this map. */
function Scale({ x, y }: { x: number; y: number }) {
  return (
    <g aria-label="Scale: this square is one square centimetre of scalp" role="img">
      <rect x={x} y={y - 1} width={1} height={1} fill="none" stroke={INK.faint} strokeWidth={0.04} />
      <text x={x + 1.2} y={y - 0.35} fontSize={0.46} fill={INK.faint}>
        1 cm² of scalp, everywhere
      </text>
    </g>
  )
}

/** A true centimetre along and across the meridian under the pointer, and the region's name. */
function Ruler({ x, y, probe }: { x: number; y: number; probe: Probe }) {
  const cos = Math.cos(probe.angle)
  const sin = Math.sin(probe.angle)
  const along = probe.along / 2
  const across = probe.across / 2
  const line = { stroke: INK.strong, strokeWidth: 0.06 }
  return (
    <g pointerEvents="none" aria-hidden>
      <line x1={x - along * cos} y1={y - along * sin} x2={x + along * cos} y2={y + along * sin} {...line} />
      <line x1={x + across * sin} y1={y - across * cos} x2={x - across * sin} y2={y + across * cos} {...line} />
      <text x={x + 0.5} y={y - 0.6} fontSize={0.44} fill={INK.strong} stroke={INK.paper} strokeWidth={0.16} paintOrder="stroke">
        {probe.region}, 1 cm each way
      </text>
    </g>
  )
}

function Zones({ drawing }: { drawing: MapDrawing }) {
  const { store, permissions } = usePlanStore()
  const selected = usePlan((state) => state.selectedZone)
  const openTotal = usePlan((state) => state.openTotal)
  const stage = usePlan(stageOf)
  const groups = useRef(new Map<string, SVGGElement>())
  const focusable = selected ?? drawing.zones[0]?.id

  function walk(event: KeyboardEvent<SVGGElement>, index: number) {
    const id = drawing.zones[index]!.id
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
    if (step !== undefined && !event.altKey) {
      event.preventDefault()
      const next = drawing.zones[(index + step + drawing.zones.length) % drawing.zones.length]!
      store.setState({ selectedZone: next.id })
      groups.current.get(next.id)?.focus()
    } else if ((event.key === 'Enter' || event.key === ' ') && !event.ctrlKey) {
      event.preventDefault()
      store.setState({ selectedZone: id })
    } else if (/^\d$/.test(event.key) && permissions.write && !event.ctrlKey && !event.metaKey && !event.altKey) {
      assign(id, Number(event.key))
    }
  }

  /** 0 leaves the zone alone; 1, 2 … give it the first, second … formula throughout. */
  function assign(id: string, digit: number) {
    const formula = store.getState().document.formulas[digit - 1]
    if (digit > 0 && !formula) return
    const zone = stage.zones.find((candidate) => candidate.id === id)!
    editStage(store, `${formula ? `Formula ${formula.id}` : 'Leave alone'}, ${zone.name}`, `${id}/digit`, (draft) => {
      draft.zones.find((candidate) => candidate.id === id)!.placement.sequence = formula ? [formula.id] : []
    })
  }

  return drawing.zones.map((zone, i) => {
    const named = stage.zones.find(({ id }) => id === zone.id)
    return (
      <g
        key={zone.id}
        ref={(element) => {
          if (element) groups.current.set(zone.id, element)
          else groups.current.delete(zone.id)
        }}
        role="button"
        tabIndex={zone.id === focusable ? 0 : -1}
        aria-pressed={zone.id === selected}
        aria-label={`${i + 1}, ${named?.name ?? ''}, ${zone.pieces.length} pieces`}
        style={{ cursor: 'pointer', outline: 'none' }}
        onClick={() => store.setState({ selectedZone: zone.id })}
        onFocus={() => store.setState({ selectedZone: zone.id })}
        onKeyDown={(event) => walk(event, i)}
      >
        <ZoneShapeView zone={zone} firstTurn={drawing.firstTurns[zone.id] ?? 1} selected={zone.id === selected} lit={litFormula(openTotal)} />
      </g>
    )
  })
}

/** The formula an opened total is about; all of them when it is about no single one. */
const litFormula = (openTotal: string | undefined): string | undefined => openTotal?.match(/^grams:(.+)$/)?.[1]

interface ZoneViewProps {
  zone: ZoneDrawing
  firstTurn: number
  selected: boolean
  lit: string | undefined
}

const ZoneShapeView = memo(function ZoneShapeView({ zone, firstTurn, selected, lit }: ZoneViewProps) {
  return (
    <>
      <path d={zone.outline} fill={selected ? INK.selected : 'transparent'} />
      <g clipPath={`url(#inside-${zone.id})`}>
        {zone.pieces.map((piece, i) => (
          <g key={piece.id} opacity={lit === undefined || lit === piece.formulaId ? 1 : 0.15}>
            <path d={piece.outline} fill={INK.strong} fillOpacity={0.07} stroke="none" />
            <path d={piece.stitches} fill={`url(#hatch-${piece.formulaId})`} stroke={INK.strong} strokeWidth={0.018}>
              <title>{describePiece(piece, firstTurn + i)}</title>
            </path>
          </g>
        ))}
      </g>
      <path d={zone.outline} fill="none" stroke={INK.strong} strokeWidth={selected ? 0.16 : 0.06} strokeLinejoin="round" />
    </>
  )
})

const describePiece = ({ formulaId, kind, widthCm, foilLengthCm }: PieceDrawing, turn: number): string =>
  `${turn}: formula ${formulaId}, ${kind === 'foil' ? `foil ${widthCm} cm wide, ${foilLengthCm} cm long` : `${widthCm} cm of parting`}`

/** Numbers in working order, above everything else. */
function ZoneNumbers({ drawing }: { drawing: MapDrawing }) {
  const selected = usePlan((state) => state.selectedZone)
  return drawing.zones.map(({ id, label }, i) => (
    <g key={id} transform={`translate(${label.x} ${label.y})`} pointerEvents="none" aria-hidden>
      <circle r={0.62} fill={id === selected ? INK.strong : INK.paper} stroke={INK.strong} strokeWidth={0.06} />
      <text y={0.27} fontSize={0.78} fontWeight={700} textAnchor="middle" fill={id === selected ? INK.paper : INK.strong}>
        {i + 1}
      </text>
    </g>
  ))
}
