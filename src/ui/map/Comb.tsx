'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useRef, type KeyboardEvent, type PointerEvent, type SVGProps } from 'react'
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

type EdgeName = 'stitch' | 'gap'
const FIGURES = { stitch: 'stitchMm', gap: 'stitchGapMm' } as const
const STEPS: Partial<Record<string, number>> = { ArrowRight: 0.5, ArrowUp: 0.5, ArrowLeft: -0.5, ArrowDown: -0.5 }

/** Bars of the comb as one path. */
function bars({ stitchMm, stitchGapMm }: Take, shift: number, width: number, height: number): string {
  const period = stitchMm + stitchGapMm
  let path = ''
  for (let at = shift; at < SHOWN_MM; at += period)
    path += `M${at} 0H${Math.min(at + width, SHOWN_MM)}V${height}H${at}Z`
  return path
}

/** The take at true size: picked-up stitches dark, what is left light. Drag an edge, or use the arrow keys on it. */
export function Comb({ take, disabled, onChange }: Props) {
  const { read } = useUnits()
  const { stitchMm, stitchGapMm, depthShare } = take
  const hand = useCombHand({ take, disabled, onChange })
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
        <path d={bars(take, 0, stitchMm, HEIGHT_MM * depthShare)} fill={INK.strong} fillOpacity={0.75} />
        <path d={bars(take, stitchMm, stitchGapMm, HEIGHT_MM)} fill={INK.strong} fillOpacity={0.1} />
        <Edge at={stitchMm} name="Stitch" value={stitchMm} disabled={disabled} {...hand('stitch')} />
        <Edge
          at={stitchMm + stitchGapMm}
          name="Gap between stitches"
          value={stitchGapMm}
          disabled={disabled}
          {...hand('gap')}
        />
      </svg>
    </Box>
  )
}

/** What a pointer and the arrow keys do on an edge of the comb. */
function useCombHand({ take, disabled, onChange }: Props) {
  const { store } = usePlanStore()
  const drag = useRef<{ startX: number; start: number; mmPerPixel: number }>(undefined)

  function set(edge: EdgeName, value: number) {
    const key = FIGURES[edge]
    const { min, max } = LIMITS[key]
    const next = Math.min(max, Math.max(min, Math.round(value * 2) / 2))
    if (next !== take[key]) onChange({ [key]: next })
  }

  function letGo() {
    drag.current = undefined
    store.setState({ moving: 'no' })
  }

  return (edge: EdgeName) => ({
    onPointerDown(event: PointerEvent<SVGRectElement>) {
      if (disabled) return
      const { width } = event.currentTarget.ownerSVGElement!.getBoundingClientRect()
      event.currentTarget.setPointerCapture(event.pointerId)
      store.setState({ moving: 'comb' })
      drag.current = { startX: event.clientX, start: take[FIGURES[edge]], mmPerPixel: SHOWN_MM / width }
    },
    onPointerMove(event: PointerEvent) {
      const { current } = drag
      if (current) set(edge, current.start + (event.clientX - current.startX) * current.mmPerPixel)
    },
    onPointerUp: letGo,
    onPointerCancel: letGo,
    onKeyDown(event: KeyboardEvent) {
      const step = STEPS[event.key]
      if (step === undefined || disabled) return
      event.preventDefault()
      set(edge, take[FIGURES[edge]] + step)
    },
  })
}

interface EdgeProps extends SVGProps<SVGRectElement> {
  at: number
  name: string
  value: number
  disabled: boolean
}

function Edge({ at, name, value, disabled, ...hand }: EdgeProps) {
  const { read } = useUnits()
  return (
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
        {...hand}
      />
    </>
  )
}
