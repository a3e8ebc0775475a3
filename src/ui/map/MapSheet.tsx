'use client'
import type { Ref, SVGProps } from 'react'
import type { MapDrawing } from '@/core/plan/sheets'

/**
 * A transparent sheet over the whole map that takes what a hand does with a tool. That it has the keys is shown by the
 * pen on it.
 */
export function MapSheet({
  extent: { left, right, top, bottom },
  cursor,
  ...rest
}: { extent: MapDrawing['extent']; cursor: string } & SVGProps<SVGRectElement> & { ref?: Ref<SVGRectElement> }) {
  return (
    <rect
      x={left - 1}
      y={top - 1}
      width={right - left + 2}
      height={bottom - top + 2}
      fill="transparent"
      style={{ cursor, touchAction: 'none', outline: 'none' }}
      {...rest}
    />
  )
}
