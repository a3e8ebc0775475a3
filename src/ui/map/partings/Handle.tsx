'use client'
import { memo } from 'react'
import { INK } from '../../theme'

interface HandleProps {
  x: number
  y: number
  /** Radius. */
  px: number
  role?: string
  tabIndex?: number
  'aria-label'?: string
  'data-corner'?: string
  'data-edge'?: string
  'data-bend'?: number
}

/** A dot of a size that stays on screen however near the map is, with room around it for a finger. */
export const Handle = memo(function Handle({ x, y, px, ...rest }: HandleProps) {
  // A stroke without length is drawn as its round cap.
  const dot = {
    x1: x,
    x2: x + 0.001,
    y1: -y,
    y2: -y,
    strokeLinecap: 'round',
    vectorEffect: 'non-scaling-stroke',
  } as const
  return (
    <g style={{ cursor: 'move', touchAction: 'none' }} {...rest}>
      <line {...dot} stroke="transparent" strokeWidth={Math.max(30, 2 * px)} />
      <line {...dot} stroke={INK.strong} strokeWidth={2 * px} />
      <line {...dot} stroke={INK.paper} strokeWidth={2 * px - 4} />
    </g>
  )
})
