'use client'
import SignaturePad, { type PointGroup } from 'signature_pad'
import { useEffect, useRef } from 'react'
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

interface FieldProps {
  /** None of them clears the field. */
  strokes: number[][]
  onChange: (strokes: number[][]) => void
}

/** A field to sign in. Points are kept in 0…1 of the field. */
export function SignatureField({ strokes, onChange }: FieldProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const pad = useRef<SignaturePad>(undefined)
  const told = useRef(onChange)
  useEffect(() => {
    told.current = onChange
  })

  useEffect(() => {
    const element = canvas.current!
    const own = new SignaturePad(element, { penColor: getComputedStyle(element).color })
    const size = () => fitted(element, own)
    const end = () => told.current(strokesOf(own.toData(), element))
    own.addEventListener('endStroke', end)
    const watch = new ResizeObserver(size)
    watch.observe(element)
    pad.current = own
    return () => {
      watch.disconnect()
      own.off()
    }
  }, [])

  const empty = strokes.length === 0
  useEffect(() => {
    if (empty) pad.current?.clear()
  }, [empty])

  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label="Field to sign in"
      style={{
        width: '100%',
        aspectRatio: `${WIDTH} / ${HEIGHT}`,
        display: 'block',
        border: LINE,
        touchAction: 'none',
        cursor: 'crosshair',
        background: INK.paper,
        color: INK.strong,
      }}
    />
  )
}

/** As many dots as the screen has, with what was drawn so far. */
function fitted(canvas: HTMLCanvasElement, pad: SignaturePad): void {
  const data = pad.toData()
  const ratio = Math.max(1, window.devicePixelRatio)
  canvas.width = canvas.offsetWidth * ratio
  canvas.height = canvas.offsetHeight * ratio
  canvas.getContext('2d')!.scale(ratio, ratio)
  pad.fromData(data)
}

const within = (value: number): number => Math.round(Math.min(1, Math.max(0, value)) * 1e4) / 1e4

/** Strokes as they are kept; a touch is a dot, which is two equal points. */
function strokesOf(groups: readonly PointGroup[], { offsetWidth, offsetHeight }: HTMLCanvasElement): number[][] {
  return groups.slice(0, COUNTS.strokes).map(({ points }) => {
    const numbers = points.flatMap(({ x, y }) => [within(x / offsetWidth), within(y / offsetHeight)])
    return points.length === 1 ? [...numbers, ...numbers] : numbers.slice(0, COUNTS.strokePoints)
  })
}
