'use client'
import { useEffect, useRef } from 'react'

/** Keeps the screen on while a visit runs, where the device can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined
    const ask = () => {
      // A device that cannot, or may not while its battery is low, is no fault of the visit.
      if (document.visibilityState === 'visible' && 'wakeLock' in navigator)
        navigator.wakeLock.request('screen').then(
          (got) => (lock = got),
          () => {},
        )
    }
    ask()
    document.addEventListener('visibilitychange', ask)
    return () => {
      document.removeEventListener('visibilitychange', ask)
      void lock?.release()
    }
  }, [])
}

/** Sounds and shakes once for each name that is new on the list. */
export function useAlarm(names: readonly string[]): void {
  const rung = useRef(new Set<string>())
  const key = names.join('|')
  useEffect(() => {
    const fresh = names.filter((name) => !rung.current.has(name))
    if (fresh.length === 0) return
    for (const name of fresh) rung.current.add(name)
    if ('vibrate' in navigator) navigator.vibrate([300, 150, 300])
    beep()
    // The list is made anew every second; only what stands on it matters.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
}

function beep(): void {
  try {
    const audio = new AudioContext()
    const tone = audio.createOscillator()
    tone.frequency.value = 880
    tone.connect(audio.destination)
    tone.start()
    tone.stop(audio.currentTime + 0.4)
    tone.onended = () => void audio.close()
  } catch {
    // Sound before the first touch is refused by browsers; the screen says the same.
  }
}
