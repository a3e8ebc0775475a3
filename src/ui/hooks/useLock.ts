'use client'
import { useCallback, useEffect, useState } from 'react'

/** That the tablet is locked, and when somebody last touched it, ms: all its pages share both, through a reload. */
const LOCKED = 'falto-locked'
const TOUCHED = 'falto-touched'

/** How often it is looked at, ms, and the most that a touch is written down late. Our choice. */
const LOOK_MS = 1000
const TOUCHES = ['pointerdown', 'keydown', 'wheel'] as const

/** Somebody came in, by whatever door. */
export function markOpened(): void {
  localStorage.removeItem(LOCKED)
  localStorage.setItem(TOUCHED, `${Date.now()}`)
}

/**
 * The lock of a shared tablet.
 * @param afterMin untouched for so long it locks itself, also where it slept meanwhile; null for a device of one's own
 */
export function useLock(afterMin: number | null): { locked: boolean; lock: () => void } {
  const [locked, setLocked] = useState(() => afterMin !== null && isDue(afterMin))
  const lock = useCallback(() => {
    localStorage.setItem(LOCKED, 'yes')
    setLocked(true)
  }, [])
  useEffect(() => {
    if (afterMin === null || locked) return
    if (localStorage.getItem(TOUCHED) === null) markOpened()
    const look = () => isDue(afterMin) && lock()
    // A tablet that slept is touched before it has looked.
    const touched = () => look() || localStorage.setItem(TOUCHED, `${Date.now()}`)
    const looking = setInterval(look, LOOK_MS)
    for (const kind of TOUCHES) window.addEventListener(kind, touched, { capture: true, passive: true })
    return () => {
      clearInterval(looking)
      for (const kind of TOUCHES) window.removeEventListener(kind, touched, { capture: true })
    }
  }, [afterMin, locked, lock])
  return { locked, lock }
}

function isDue(afterMin: number): boolean {
  const touched = Number(localStorage.getItem(TOUCHED) ?? Date.now())
  return localStorage.getItem(LOCKED) !== null || Date.now() - touched > afterMin * 60_000
}
