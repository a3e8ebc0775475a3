'use client'
import { useRef, type KeyboardEvent, type PointerEvent, type WheelEvent } from 'react'
import type { View } from '@/core/appearance/picture'

/** How the head is looked at. */
export interface Stance {
  view: View
  mirrored: boolean
  /** How much nearer than the whole bust. */
  near: number
}

/** Turn and tilt for a pixel of a drag, and the turn of one press of a key, rad. Our choice. */
const TURN_A_PIXEL = 0.012
const TILT_A_PIXEL = 0.008
const KEY_TURN = Math.PI / 12
/** From a little below to nearly above, rad; from the whole bust to a few foils. Our choice. */
const TILTS = { least: -0.5, most: 1.4 } as const
const NEAREST = 3
/** A wheel's turn by so much comes twice as near, px. */
const WHEEL_DOUBLES = 400
/** A press that moves less is a tap, px. */
const TAP_WITHIN = 6

const within = (least: number, value: number, most: number) => Math.min(most, Math.max(least, value))

interface Grip {
  /** Fingers that lie on it, by the browser's numbers, where they are. */
  fingers: Map<number, { x: number; y: number }>
  /** Where the first came down, and how the head stood then. */
  from: { x: number; y: number; stance: Stance; apart: number }
  moved: boolean
}

/**
 * Hands on the head: one finger or the mouse turns it, two fingers or the wheel come nearer, arrow keys turn it.
 * @param onTap where it was pressed without turning it, share of width and height
 */
export function useHeadHands(
  stance: Stance,
  onChange: (stance: Stance) => void,
  onTap: (x: number, y: number) => void,
) {
  const grip = useRef<Grip>(undefined)

  function turned({ view, mirrored }: Stance, right: number, up: number): View {
    return {
      turn: view.turn + (mirrored ? -right : right),
      tilt: within(TILTS.least, view.tilt + up, TILTS.most),
    }
  }

  function hold(fingers: Grip['fingers'], moved: boolean) {
    const [first] = fingers.values()
    grip.current = first && { fingers, from: { ...first, stance, apart: apart(fingers) }, moved }
  }

  return {
    onPointerDown(event: PointerEvent) {
      event.currentTarget.setPointerCapture(event.pointerId)
      const fingers = grip.current?.fingers ?? new Map<number, { x: number; y: number }>()
      fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
      hold(fingers, fingers.size > 1)
    },
    onPointerMove(event: PointerEvent) {
      const { current } = grip
      if (!current?.fingers.has(event.pointerId)) return
      current.fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
      const { from, fingers } = current
      if (fingers.size > 1) {
        const near = within(1, (from.stance.near * apart(fingers)) / from.apart, NEAREST)
        onChange({ ...from.stance, near })
        return
      }
      const [right, down] = [event.clientX - from.x, event.clientY - from.y]
      current.moved ||= Math.hypot(right, down) > TAP_WITHIN
      if (current.moved) onChange({ ...stance, view: turned(from.stance, -right * TURN_A_PIXEL, down * TILT_A_PIXEL) })
    },
    onPointerUp(event: PointerEvent) {
      const { current } = grip
      if (!current) return
      current.fingers.delete(event.pointerId)
      if (!current.moved) {
        const box = event.currentTarget.getBoundingClientRect()
        const x = (event.clientX - box.left) / box.width
        onTap(stance.mirrored ? 1 - x : x, (event.clientY - box.top) / box.height)
      }
      // A finger that stays goes on turning from where it is.
      hold(current.fingers, true)
    },
    onPointerCancel: () => (grip.current = undefined),
    onWheel: ({ deltaY }: WheelEvent) =>
      onChange({ ...stance, near: within(1, stance.near * 2 ** (-deltaY / WHEEL_DOUBLES), NEAREST) }),
    /** @returns whether the key was one of its own */
    onKey(event: KeyboardEvent): boolean {
      const right = { ArrowLeft: 1, ArrowRight: -1 }[event.key]
      const up = { ArrowUp: 1, ArrowDown: -1 }[event.key]
      const nearer = { '+': 2 ** 0.5, '-': 2 ** -0.5 }[event.key]
      if (right === undefined && up === undefined && nearer === undefined) return false
      event.preventDefault()
      onChange({
        ...stance,
        view: turned(stance, KEY_TURN * (right ?? 0), KEY_TURN * (up ?? 0)),
        near: within(1, stance.near * (nearer ?? 1), NEAREST),
      })
      return true
    },
  }
}

/** How far two fingers are apart, px; 1 for fewer. */
function apart(fingers: Grip['fingers']): number {
  const [first, second] = fingers.values()
  return first && second ? Math.max(1, Math.hypot(first.x - second.x, first.y - second.y)) : 1
}
