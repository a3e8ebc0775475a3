'use client'
import { useEffect, useRef, useState, type FocusEvent, type KeyboardEvent } from 'react'
import type { MapPoint } from '@/core/model'
import type { MapDrawing } from '@/core/plan/sheets'

/** How far an arrow key moves the pen, cm of the map, and with Shift. */
const STEP_CM = 0.5
const FINE_STEP_CM = 0.1

interface Pen {
  onMove?: (at: MapPoint) => void
  /** Enter was pressed with the pen here. */
  onPress: (at: MapPoint, shift: boolean) => void
  /** Space was pressed with the pen here. */
  onCorner?: (at: MapPoint) => void
  /** Escape, or another place has the keys. */
  onAway?: () => void
}

/**
 * A pen that arrow keys move over the map, for hands without a pointer; in the coordinates of the map's sheet (cm, y
 * downwards). A tool that was chosen with the keyboard has it in hand at once.
 * @returns where it is, while the sheet has the keys, and what the sheet needs
 */
export function usePen({ left, right, top, bottom }: MapDrawing['extent'], { onMove, onPress, onCorner, onAway }: Pen) {
  const [at, setAt] = useState<MapPoint>()
  const sheet = useRef<SVGRectElement>(null)
  useEffect(() => {
    if (document.activeElement?.matches('button:focus-visible')) sheet.current?.focus()
  }, [])
  const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))

  function onKeyDown(event: KeyboardEvent) {
    if (!at) return
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
    if (step) {
      const by = event.shiftKey ? FINE_STEP_CM : STEP_CM
      const next = { x: within(at.x + step[0]! * by, left, right), y: within(at.y + step[1]! * by, top, bottom) }
      setAt(next)
      onMove?.(next)
    } else if (event.key === 'Enter') onPress(at, event.shiftKey)
    else if (event.key === ' ' && onCorner) onCorner(at)
    else if (event.key === 'Escape') onAway?.()
    else return
    event.preventDefault()
    event.stopPropagation()
  }
  const props = {
    ref: sheet,
    role: 'application',
    tabIndex: 0,
    onKeyDown,
    // A press of a pointer needs no pen.
    onFocus: ({ currentTarget }: FocusEvent) =>
      currentTarget.matches(':focus-visible') && setAt({ x: (left + right) / 2, y: (top + bottom) / 2 }),
    onBlur: () => {
      setAt(undefined)
      onAway?.()
    },
  }
  return { at, props }
}
