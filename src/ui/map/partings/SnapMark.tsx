import type { Snap, SnapKind } from '@/core/placement/layout'
import { INK } from '../../theme'
import { Handle } from './Handle'

const SNAP_WORDS: Record<SnapKind, string> = {
  corner: 'corner',
  landmark: 'landmark',
  mirror: 'like the other side',
  hairline: 'hairline',
  parting: 'parting',
  middle: 'middle',
}

/** Where a point is drawn to, and to what. */
export function SnapMark({ snap, scale }: { snap: Snap | undefined; scale: number }) {
  if (!snap?.to) return null
  const { point, to } = snap
  return (
    <g pointerEvents="none" aria-hidden>
      <Handle {...point} px={5} />
      <text
        x={point.x + 0.4 * scale}
        y={-point.y - 0.4 * scale}
        fontSize={0.5 * scale}
        fill={INK.strong}
        stroke={INK.paper}
        strokeWidth={0.14 * scale}
        paintOrder="stroke"
      >
        {SNAP_WORDS[to]}
      </text>
    </g>
  )
}
