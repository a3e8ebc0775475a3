'use client'
import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import type { Remote } from 'comlink'
import { useRef, useState, type PointerEvent } from 'react'
import { LIMITS, RAMP_FIGURES, type MapPoint, type Placement, type RampFigure } from '@/core/model'
import { isTakeFigure, type ZoneRamp } from '@/core/placement/foils'
import type { MapDrawing } from '@/core/plan/sheets'
import type { PlanWorker } from '@/workers/plan.worker'
import { useUnits } from '../hooks/useUnits'
import { placeUnder } from '../parts'
import { INK } from '../theme'
import { WORDS } from '../words'
import { editStage, stageOf, usePlan, usePlanStore } from './context'
import { MapSheet } from './MapSheet'
import { usePen } from './usePen'
import { useNotice } from '../notices'

/** A figure and what it is to be where a line begins and where it ends. */
export interface RampWish {
  figure: RampFigure
  from: number
  to: number
}

const stepOf = (figure: RampFigure): number => (figure === 'rowGapMm' || figure === 'subsectionMm' ? 1 : 0.5)
const inStep = (figure: RampFigure, value: number): number => Math.round(value / stepOf(figure)) * stepOf(figure)

/** What the next line means. */
export function RampFields({ wish, onWish }: { wish: RampWish; onWish: (wish: RampWish) => void }) {
  const { min, max, unit: keptUnit } = LIMITS[wish.figure]
  const { unit, shown, kept, step } = useUnits().field(keptUnit)
  const field = (end: 'from' | 'to', label: string) => (
    <TextField
      size="small"
      type="number"
      label={`${label}, ${unit}`}
      value={shown(wish[end])}
      sx={{ flex: '1 1 88px', minWidth: 0 }}
      slotProps={{ htmlInput: { min: shown(min), max: shown(max), step: step(stepOf(wish.figure)) } }}
      onChange={({ target }) => {
        const value = kept(Number(target.value))
        if (target.value !== '' && value >= min && value <= max) onWish({ ...wish, [end]: value })
      }}
    />
  )
  return (
    <Box sx={{ display: 'flex', gap: 1, py: 0.75, px: 1, flex: '1 1 300px', maxWidth: 400 }}>
      <TextField
        select
        size="small"
        label="Figure"
        value={wish.figure}
        sx={{ flex: '2 1 120px', minWidth: 0 }}
        onChange={({ target }) => {
          const figure = target.value as RampFigure
          const limit = LIMITS[figure]
          const within = (value: number) => Math.min(limit.max, Math.max(limit.min, value))
          onWish({ figure, from: within(wish.from), to: within(wish.to) })
        }}
      >
        {RAMP_FIGURES.map((figure) => (
          <MenuItem key={figure} value={figure}>
            {WORDS.rampFigure[figure]}
          </MenuItem>
        ))}
      </TextField>
      {field('from', 'Begins at')}
      {field('to', 'Ends at')}
    </Box>
  )
}

interface LayerProps {
  worker: Remote<PlanWorker>
  wish: RampWish
  scale: number
}

/** A layer over the map on which a line is drawn; the zones under it get the ramp. */
export function RampLayer(props: LayerProps) {
  const extent = usePlan((state) => state.answer?.drawing.extent)
  return extent ? <RampSheet {...props} extent={extent} /> : null
}

type Line = [from: MapPoint, to: MapPoint]

function RampSheet({ worker, wish, scale, extent }: LayerProps & { extent: MapDrawing['extent'] }) {
  const [line, setLine] = useState<Line>()
  const layer = useRef<SVGGElement>(null)
  const paintAlong = usePaint(worker, wish)
  function paint(drawn: Line) {
    setLine(undefined)
    void paintAlong(drawn)
  }
  const pen = usePen(extent, {
    onMove: (at) => line && setLine([line[0], at]),
    onPress: (at) => (line ? paint([line[0], at]) : setLine([at, at])),
    onAway: () => setLine(undefined),
  })
  const under = (event: PointerEvent): MapPoint => placeUnder(layer.current!, event)

  return (
    <g ref={layer} role="group" aria-label="A ramp to draw">
      <MapSheet
        extent={extent}
        cursor="crosshair"
        {...pen.props}
        aria-label="Pen: arrow keys move it, Enter begins and ends the line of a ramp"
        onPointerDown={(event) => {
          // A second finger means to zoom, not to draw.
          if (!event.isPrimary) return setLine(undefined)
          event.currentTarget.setPointerCapture(event.pointerId)
          setLine([under(event), under(event)])
        }}
        onPointerMove={(event) => line && setLine([line[0], under(event)])}
        onPointerUp={(event) => line && paint([line[0], under(event)])}
        onPointerCancel={() => setLine(undefined)}
      />
      {pen.at && !line && <circle cx={pen.at.x} cy={pen.at.y} r={0.2 * scale} fill={INK.strong} pointerEvents="none" />}
      {line && <RampLine line={line} wish={wish} scale={scale} />}
    </g>
  )
}

/** Gives the zones under a line the ramp that was wished for; only the chosen ones where several are. */
function usePaint(worker: LayerProps['worker'], { figure, from, to }: RampWish) {
  const notice = useNotice()
  const { store } = usePlanStore()
  return async (line: Line): Promise<void> => {
    const state = store.getState()
    const only = state.selectedZone && state.alsoSelected.length > 0 ? [state.selectedZone, ...state.alsoSelected] : []
    const ramps = await worker.paintRamp({ line, from, to }, stageOf(state).id, only)
    if (ramps.length === 0)
      return notice('This line crosses no zone. Draw it over the zones whose figure is to change.')
    const name = WORDS.rampFigure[figure]
    const zones = `${ramps.length} zone${ramps.length === 1 ? '' : 's'}`
    const label = `${name} ramp ${from} → ${to} ${LIMITS[figure].unit}, ${zones}`
    editStage(store, label, `ramp/${Date.now()}`, (stage) => {
      for (const ramp of ramps) {
        const placement = stage.zones.find(({ id }) => id === ramp.zoneId)?.placement
        if (placement) setRamp(placement, figure, ramp)
      }
    })
    notice(`${name} now changes along the line in ${zones}.`)
  }
}

/** The line while it is drawn, with the figures at its ends. */
function RampLine({ line, wish, scale }: { line: Line; wish: RampWish; scale: number }) {
  const { field } = useUnits()
  const { unit, shown } = field(LIMITS[wish.figure].unit)
  return (
    <g pointerEvents="none">
      <line
        x1={line[0].x}
        y1={line[0].y}
        x2={line[1].x}
        y2={line[1].y}
        stroke={INK.strong}
        strokeWidth={4}
        vectorEffect="non-scaling-stroke"
        strokeLinecap="round"
      />
      {line.map(({ x, y }, i) => (
        <text
          key={i}
          x={x}
          y={y - 0.4 * scale}
          fontSize={0.8 * scale}
          fontWeight={700}
          textAnchor="middle"
          fill={INK.strong}
          stroke={INK.paper}
          strokeWidth={0.2 * scale}
          paintOrder="stroke"
        >
          {shown(i === 0 ? wish.from : wish.to)} {unit}
        </text>
      ))}
    </g>
  )
}

/** The figure itself becomes what it is at the lower edge; a ramp leads to what it is at the upper one. */
function setRamp(placement: Placement, figure: RampFigure, { lower, upper }: ZoneRamp): void {
  const [first, last] = [inStep(figure, lower), inStep(figure, upper)]
  if (isTakeFigure(figure)) placement.take[figure] = first
  else placement[figure] = first
  const others = (placement.ramps ?? []).filter((ramp) => ramp.figure !== figure)
  const ramps = first === last ? others : [...others, { figure, way: 'upwards' as const, to: last }]
  if (ramps.length > 0) placement.ramps = ramps
  else delete placement.ramps
}
