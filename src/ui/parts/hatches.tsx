'use client'
import { useId } from 'react'
import { INK } from '../theme'

/** Patterns that tell formulas apart without colour, in the order of their letters; scaled to cm of the map. */
const STROKES = [
  'M-0.05 0.05L0.05 -0.05M0 0.2L0.2 0M0.15 0.25L0.25 0.15',
  'M0 0.1H0.2',
  'M0.1 0V0.2',
  'M0 0L0.2 0.2M0 0.2L0.2 0',
  'M0 0.05H0.2M0.05 0.05V0.2',
  'M0.1 0.02V0.18M0.02 0.1H0.18',
]

/**
 * Definitions of one pattern a formula: its swatch with its hatch over it.
 * @param scale below 1 where the drawing is seen nearer, so that the hatch stays as fine on screen
 */
export function HatchDefinitions({
  swatches,
  prefix,
  scale = 1,
}: {
  swatches: Record<string, string>
  prefix: string
  scale?: number
}) {
  return (
    <defs>
      {Object.entries(swatches).map(([id, swatch], i) => (
        <pattern
          key={id}
          id={`${prefix}-${id}`}
          width={0.2}
          height={0.2}
          patternUnits="userSpaceOnUse"
          patternTransform={`scale(${scale})`}
        >
          <rect width={0.2} height={0.2} fill={swatch} />
          <path
            d={STROKES[i % STROKES.length]}
            stroke={inkOn(swatch)}
            strokeOpacity={0.55}
            strokeWidth={0.025}
            fill="none"
          />
        </pattern>
      ))}
    </defs>
  )
}

/** A small sample of a formula: letter on swatch and hatch. */
export function FormulaSample({
  id,
  index,
  swatch,
  size = 28,
}: {
  id: string
  index: number
  swatch: string
  size?: number
}) {
  const pattern = useId()
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 0.8 0.8"
      role="img"
      aria-label={`Formula ${id}`}
      style={{ flex: 'none', display: 'block' }}
    >
      <defs>
        <pattern id={pattern} width={0.2} height={0.2} patternUnits="userSpaceOnUse">
          <rect width={0.2} height={0.2} fill={swatch} />
          <path
            d={STROKES[index % STROKES.length]}
            stroke={inkOn(swatch)}
            strokeOpacity={0.45}
            strokeWidth={0.025}
            fill="none"
          />
        </pattern>
      </defs>
      <rect
        x={0.01}
        y={0.01}
        width={0.78}
        height={0.78}
        fill={`url(#${pattern})`}
        stroke={INK.faint}
        strokeWidth={0.02}
      />
      <text
        x={0.4}
        y={0.58}
        textAnchor="middle"
        fontSize={0.52}
        fontWeight={700}
        fill={inkOn(swatch)}
        stroke={swatch}
        strokeWidth={0.12}
        paintOrder="stroke"
      >
        {id}
      </text>
    </svg>
  )
}

/** Black or white, whichever is read more easily on an sRGB colour. */
export function inkOn(hex: string): '#000000' | '#ffffff' {
  const [r, g, b] = [1, 3, 5].map((at) => (parseInt(hex.slice(at, at + 2), 16) / 255) ** 2.2) as [
    number,
    number,
    number,
  ]
  return 0.2126 * r + 0.7152 * g + 0.0722 * b > 0.18 ? '#000000' : '#ffffff'
}
