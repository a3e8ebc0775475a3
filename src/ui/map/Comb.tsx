'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { LIMITS, type Take } from '@/core/model'
import { useUnits } from '../hooks/useUnits'
import { INK } from '../theme'
import { usePlanStore } from './context'

interface Props {
  take: Take
  disabled: boolean
  onChange: (change: Partial<Pick<Take, 'stitchMm' | 'stitchGapMm'>>) => void
}

/** Width of comb shown, mm, and the height of the picked-up hair. */
const SHOWN_MM = 66
const HEIGHT_MM = 13

/** The take at true size: picked-up stitches dark, what is left light. Drag an edge, or use the arrow keys on it. */
export function Comb({ take, disabled, onChange }: Props) {
  const { store } = usePlanStore()
  const { read } = useUnits()
  const drag = useRef<{ edge: 'stitch' | 'gap'; startX: number; start: number; mmPerPixel: number }>(undefined)
  const { stitchMm, stitchGapMm } = take
  const period = stitchMm + stitchGapMm
  const starts = Array.from({ length: Math.ceil(SHOWN_MM / period) }, (_, i) => i * period)
  const bars = (shift: number, width: number, height: number) =>
    starts.reduce(
      (path, at) =>
        at + shift < SHOWN_MM
          ? `${path}M${at + shift} 0H${Math.min(at + shift + width, SHOWN_MM)}V${height}H${at + shift}Z`
          : path,
      '',
    )

  function set(edge: 'stitch' | 'gap', value: number) {
    const key = edge === 'stitch' ? 'stitchMm' : 'stitchGapMm'
    const { min, max } = LIMITS[key]
    const next = Math.min(max, Math.max(min, Math.round(value * 2) / 2))
    if (next !== take[key]) onChange({ [key]: next })
  }

  function down(event: PointerEvent<SVGRectElement>, edge: 'stitch' | 'gap') {
    if (disabled) return
    const width = event.currentTarget.ownerSVGElement!.getBoundingClientRect().width
    event.currentTarget.setPointerCapture(event.pointerId)
    store.setState({ moving: 'comb' })
    drag.current = {
      edge,
      startX: event.clientX,
      start: edge === 'stitch' ? stitchMm : stitchGapMm,
      mmPerPixel: SHOWN_MM / width,
    }
  }

  function moved(event: PointerEvent) {
    const { current } = drag
    if (current) set(current.edge, current.start + (event.clientX - current.startX) * current.mmPerPixel)
  }

  function letGo() {
    drag.current = undefined
    store.setState({ moving: 'no' })
  }

  function keys(event: KeyboardEvent, edge: 'stitch' | 'gap') {
    const step = { ArrowRight: 0.5, ArrowUp: 0.5, ArrowLeft: -0.5, ArrowDown: -0.5 }[event.key]
    if (step === undefined || disabled) return
    event.preventDefault()
    set(edge, (edge === 'stitch' ? stitchMm : stitchGapMm) + step)
  }

  const handle = (edge: 'stitch' | 'gap', at: number, name: string, value: number) => (
    <>
      <line x1={at} x2={at} y1={-1} y2={HEIGHT_MM + 1} stroke={INK.strong} strokeWidth={0.35} />
      <rect
        x={at - 2.5}
        y={-2}
        width={5}
        height={HEIGHT_MM + 4}
        fill="transparent"
        role="slider"
        tabIndex={disabled ? -1 : 0}
        aria-label={name}
        aria-valuenow={value}
        aria-valuemin={LIMITS.stitchMm.min}
        aria-valuemax={LIMITS.stitchMm.max}
        aria-valuetext={read(`${value} mm`)}
        aria-disabled={disabled}
        style={{ cursor: disabled ? 'default' : 'ew-resize', touchAction: 'none' }}
        onPointerDown={(event) => down(event, edge)}
        onPointerMove={moved}
        onPointerUp={letGo}
        onPointerCancel={letGo}
        onKeyDown={(event) => keys(event, edge)}
      />
    </>
  )

  return (
    <Box>
      <Typography variant="caption" color="textSecondary">
        Comb, true size: drag a stitch or a gap
      </Typography>
      <svg
        viewBox={`-1 -2 ${SHOWN_MM} ${HEIGHT_MM + 4}`}
        style={{ width: `${SHOWN_MM}mm`, maxWidth: '100%', display: 'block' }}
        role="group"
        aria-label={read(`Comb: stitches of ${stitchMm} mm with ${stitchGapMm} mm between`)}
      >
        <path d={bars(0, stitchMm, HEIGHT_MM * take.depthShare)} fill={INK.strong} fillOpacity={0.75} />
        <path d={bars(stitchMm, stitchGapMm, HEIGHT_MM)} fill={INK.strong} fillOpacity={0.1} />
        {handle('stitch', stitchMm, 'Stitch', stitchMm)}
        {handle('gap', period, 'Gap between stitches', stitchGapMm)}
      </svg>
    </Box>
  )
}
