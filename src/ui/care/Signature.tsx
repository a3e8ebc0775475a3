'use client'
import { useRef, type PointerEvent } from 'react'
import { COUNTS } from '@/core/model'
import { INK, LINE } from '../theme'

/** Proportions of the field. */
const WIDTH = 300
const HEIGHT = 110

const pathOf = (strokes: readonly number[][]): string =>
  strokes
    .map((stroke) => {
      const points = Array.from(
        { length: stroke.length / 2 },
        (_, i) => `${(stroke[2 * i]! * WIDTH).toFixed(1)} ${(stroke[2 * i + 1]! * HEIGHT).toFixed(1)}`,
      )
      return `M${points.join('L')}`
    })
    .join('')

/** A signature as it was drawn. */
export function SignatureView({ strokes }: { strokes: readonly number[][] }) {
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label="Signature"
      style={{ width: '100%', display: 'block' }}
    >
      <path
        d={pathOf(strokes)}
        fill="none"
        stroke={INK.strong}
        strokeWidth={2}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  )
}

/** A field to sign in. Points are kept in 0…1 of the field. */
export function SignatureField({
  strokes,
  onChange,
}: {
  strokes: number[][]
  onChange: (strokes: number[][]) => void
}) {
  const drawing = useRef<number[]>(undefined)

  function point(event: PointerEvent<SVGSVGElement>): [number, number] {
    const box = event.currentTarget.getBoundingClientRect()
    const within = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 1e4) / 1e4
    return [within((event.clientX - box.left) / box.width), within((event.clientY - box.top) / box.height)]
  }

  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label="Field to sign in"
      style={{
        width: '100%',
        display: 'block',
        border: LINE,
        touchAction: 'none',
        cursor: 'crosshair',
        background: INK.paper,
      }}
      onPointerDown={(event) => {
        if (strokes.length >= COUNTS.strokes) return
        event.currentTarget.setPointerCapture(event.pointerId)
        // A touch is a dot: two equal points.
        drawing.current = [...point(event), ...point(event)]
        onChange([...strokes, drawing.current])
      }}
      onPointerMove={(event) => {
        if (!drawing.current || drawing.current.length >= COUNTS.strokePoints) return
        drawing.current = [...drawing.current, ...point(event)]
        onChange([...strokes.slice(0, -1), drawing.current])
      }}
      onPointerUp={() => (drawing.current = undefined)}
      onPointerCancel={() => (drawing.current = undefined)}
    >
      <line
        x1={20}
        x2={WIDTH - 20}
        y1={HEIGHT - 24}
        y2={HEIGHT - 24}
        stroke={INK.faint}
        strokeWidth={1}
        strokeDasharray="3 3"
      />
      <path
        d={pathOf(strokes)}
        fill="none"
        stroke={INK.strong}
        strokeWidth={2}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  )
}
