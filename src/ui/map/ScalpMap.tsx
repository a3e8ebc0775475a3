'use client'
import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import type { Remote } from 'comlink'
import { memo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import type { MapDrawing, ZoneDrawing } from '@/core/sheet'
import type { PlanWorker, Probe } from '@/workers/plan.worker'
import { editStage, stageOf, usePlan, usePlanStore } from './context'
import { HatchDefinitions } from './hatches'

/** Margin around the scalp, cm of the map. */
const MARGIN = 1.1

/** The equal-area scalp map with zones, rows and stitches, all to scale. Zones are walked with arrow keys in working order. */
export function ScalpMap({ worker }: { worker: Remote<PlanWorker> | undefined }) {
  const drawing = usePlan((state) => state.answer?.drawing)
  const { palette } = useTheme()
  const [under, setUnder] = useState<{ x: number; y: number; probe: Probe }>()
  const { store } = usePlanStore()
  const asking = useRef(false)

  if (!drawing) return <Box sx={{ aspectRatio: '1', display: 'grid', placeItems: 'center' }}>Measuring the head…</Box>
  const { left, right, top, bottom } = drawing.extent
  const box = { x: left - MARGIN, y: top - MARGIN, width: right - left + 2 * MARGIN, height: bottom - top + 2 * MARGIN + 0.9 }

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
        <path d={drawing.hairline} fill={palette.background.paper} stroke={palette.text.primary} strokeWidth={0.07} />
        <Zones drawing={drawing} />
        {drawing.landmarks.map(({ name, x, y }) => (
          <g key={name} aria-hidden pointerEvents="none">
            <circle cx={x} cy={y} r={0.09} fill={palette.text.secondary} />
            <text x={x + (x < 0 ? -0.2 : 0.2)} y={y + 0.14} fontSize={0.42} textAnchor={x < 0 ? 'end' : 'start'} fill={palette.text.secondary} stroke={palette.background.paper} strokeWidth={0.12} paintOrder="stroke">
              {name}
            </text>
          </g>
        ))}
        <text x={0} y={top - 0.45} fontSize={0.5} textAnchor="middle" fill={palette.text.secondary}>
          face
        </text>
        <Scale x={box.x + 0.5} y={bottom + MARGIN + 0.3} />
        {under && <Ruler {...under} />}
      </svg>
    </Box>
  )
}

/** Area square: true everywhere on this map. */
function Scale({ x, y }: { x: number; y: number }) {
  const { palette } = useTheme()
  return (
    <g aria-label="Scale: this square is one square centimetre of scalp" role="img">
      <rect x={x} y={y - 1} width={1} height={1} fill="none" stroke={palette.text.secondary} strokeWidth={0.04} />
      <text x={x + 1.2} y={y - 0.35} fontSize={0.46} fill={palette.text.secondary}>
        1 cm² of scalp, everywhere
      </text>
    </g>
  )
}

/** A true centimetre along and across the meridian under the pointer, and the region's name. */
function Ruler({ x, y, probe }: { x: number; y: number; probe: Probe }) {
  const { palette } = useTheme()
  const cos = Math.cos(probe.angle)
  const sin = Math.sin(probe.angle)
  const along = probe.along / 2
  const across = probe.across / 2
  const line = { stroke: palette.text.primary, strokeWidth: 0.06 }
  return (
    <g pointerEvents="none" aria-hidden>
      <line x1={x - along * cos} y1={y - along * sin} x2={x + along * cos} y2={y + along * sin} {...line} />
      <line x1={x + across * sin} y1={y - across * cos} x2={x - across * sin} y2={y + across * cos} {...line} />
      <text x={x + 0.5} y={y - 0.6} fontSize={0.44} fill={palette.text.primary} stroke={palette.background.paper} strokeWidth={0.16} paintOrder="stroke">
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
        <ZoneShapeView zone={zone} order={i + 1} selected={zone.id === selected} lit={litFormula(openTotal)} />
      </g>
    )
  })
}

/** The formula an opened total is about; all of them when it is about no single one. */
const litFormula = (openTotal: string | undefined): string | undefined => openTotal?.match(/^grams:(.+)$/)?.[1]

interface ZoneViewProps {
  zone: ZoneDrawing
  order: number
  selected: boolean
  lit: string | undefined
}

const ZoneShapeView = memo(function ZoneShapeView({ zone, order, selected, lit }: ZoneViewProps) {
  const { palette } = useTheme()
  return (
    <>
      <path d={zone.outline} fill={selected ? palette.action.selected : 'transparent'} stroke={palette.text.primary} strokeWidth={selected ? 0.13 : 0.06} strokeLinejoin="round" />
      {zone.pieces.map((piece) => (
        <g key={piece.id} opacity={lit === undefined || lit === piece.formulaId ? 1 : 0.15}>
          <path d={piece.outline} fill={palette.text.primary} fillOpacity={0.07} stroke="none" />
          <path d={piece.stitches} fill={`url(#hatch-${piece.formulaId})`} stroke={palette.text.primary} strokeWidth={0.018}>
            <title>{`${piece.turn}: formula ${piece.formulaId}, ${piece.kind === 'foil' ? `foil ${piece.widthCm} cm wide, ${piece.foilLengthCm} cm long` : `${piece.widthCm} cm of parting`}`}</title>
          </path>
        </g>
      ))}
      <g transform={`translate(${zone.label.x} ${zone.label.y})`} pointerEvents="none" aria-hidden>
        <circle r={0.62} fill={palette.background.paper} stroke={palette.text.primary} strokeWidth={selected ? 0.12 : 0.06} />
        <text y={0.27} fontSize={0.78} fontWeight={700} textAnchor="middle" fill={palette.text.primary}>
          {order}
        </text>
      </g>
    </>
  )
})
