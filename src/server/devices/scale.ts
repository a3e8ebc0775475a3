import type { ScaleCommand, ScaleReading } from '@/core/model'
import { roundToTenth } from '@/core/units'

/**
 * A stand-in for a bowl scale: it streams what a real one would, with noise, drift, a slow settling, an after-run of
 * what still falls when the hand stops, tare, and a plug that can be pulled. Made up, and labelled so wherever it is
 * used. Times in ms, masses in g. Figures: our estimate of a small kitchen scale and a hand with a bottle.
 */
export interface ScaleSimulator {
  command: (command: ScaleCommand, grams?: number) => void
  /** What it shows now; undefined while it is unplugged. */
  read: () => ScaleReading | undefined
}

const POUR_G_PER_S = 9
/** What still falls after the hand has stopped, g. */
const AFTER_RUN_G = 0.7
const SETTLING_MS = 600
const NOISE_G = 0.06
const DRIFT_G_PER_MIN = 0.1

/** @param now the clock, ms @param random 0…1 */
export function createScale(now: () => number, random: () => number): ScaleSimulator {
  /** On the plate since the last rest, and what the display takes off. */
  let load = 0
  let zero = 0
  let begun: number | undefined
  let aim = Infinity
  let restless = -Infinity
  let born = now()
  let plugged = true

  const flowed = (at: number) => (begun === undefined ? 0 : Math.min(aim, ((at - begun) / 1000) * POUR_G_PER_S))

  function stop(at: number): void {
    if (begun === undefined) return
    load += flowed(at) + AFTER_RUN_G * random()
    begun = undefined
    restless = at
  }

  return {
    command(command, grams) {
      const at = now()
      stop(at)
      switch (command) {
        case 'pour':
          begun = at
          aim = grams ?? Infinity
          break
        case 'tare':
          zero = load
          born = at
          break
        case 'take':
          load = 0
          restless = at
          break
        case 'unplug':
          plugged = false
          break
        case 'plug':
          plugged = true
          break
        case 'stop':
      }
    },
    read() {
      const at = now()
      if (begun !== undefined && flowed(at) >= aim) stop(at)
      if (!plugged) return undefined
      const drift = ((at - born) / 60_000) * DRIFT_G_PER_MIN
      const shown = load + flowed(at) - zero + drift + (random() - 0.5) * 2 * NOISE_G
      return { grams: roundToTenth(shown), steady: begun === undefined && at - restless > SETTLING_MS }
    },
  }
}
