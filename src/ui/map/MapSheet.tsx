'use client'
import type { SVGProps } from 'react'
import type { MapDrawing } from '@/core/sheet'

/** A transparent sheet over the whole map that takes what a hand does with a tool. */
export function MapSheet({ extent: { left, right, top, bottom }, cursor, ...rest }: { extent: MapDrawing['extent']; cursor: string } & SVGProps<SVGRectElement>) {
  return <rect x={left - 1} y={top - 1} width={right - left + 2} height={bottom - top + 2} fill="transparent" style={{ cursor, touchAction: 'none' }} {...rest} />
}
