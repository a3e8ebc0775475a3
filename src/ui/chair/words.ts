import type { Incident, StrandSpot } from '@/core/model'
import { useUnits } from '../hooks/useUnits'

/** The device's time of day, as the salon tells it. */
export function useClockTime(): (ms: number) => string {
  const { time } = useUnits()
  return (ms) => time(new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }))
}

/** Time that runs, as minutes and seconds. */
export function running(ms: number): string {
  const seconds = Math.max(0, Math.floor(ms / 1000))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}

/** What can go wrong at the chair, with what is usually done (common practice). */
export const INCIDENT_WORDS: Record<Incident, { name: string; mend: string }> = {
  bleed: { name: 'Bleed mark', mend: 'Before toning: a small demi at the root’s level, a little cool, on the spot.' },
  brass: {
    name: 'Brass between the foils',
    mend: 'Pick more pieces, gloss with the complement, or accept the warmth.',
  },
  slipped: { name: 'Foil slipped', mend: 'Wipe, look how far it got, put it back closer or leave it out.' },
  burning: {
    name: 'Burning or stinging',
    mend: 'Rinse it off now with plenty of cool water. Do not apply again. Follow the product’s instructions; see a doctor if it lasts.',
  },
  breakage: { name: 'Hair breaks or stretches', mend: 'Rinse that area now. No more lightener there. Record it.' },
  other: { name: 'Something else', mend: 'Write down what happened.' },
}

/** Where along a strand something is seen. */
export const SPOT_WORDS: Record<StrandSpot, string> = { scalpEnd: 'root', middle: 'middle', ends: 'ends' }

/** A piece by its row and place, as the head sheet counts them. */
export function pieceWords(id: string): string {
  const [, , row, index] = id.split('/')
  return `row ${Number(row) + 1}, piece ${Number(index) + 1}`
}
