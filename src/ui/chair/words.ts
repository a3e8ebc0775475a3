import { useUnits } from '../hooks/useUnits'

// Made once: a page at the chair tells dozens of times, every second.
const TIME = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** The device's time of day, as the salon tells it; a dash for none. */
export function useClockTime(): (ms: number) => string {
  const { time } = useUnits()
  return (ms) => (Number.isFinite(ms) ? time(TIME.format(ms)) : '–')
}

/** Time that runs, as minutes and seconds. */
export function running(ms: number): string {
  const seconds = Math.max(0, Math.floor(ms / 1000))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}

/** A piece by its row and place, as the head sheet counts them. */
export function pieceWords(id: string): string {
  const [, , row, index] = id.split('/')
  return `row ${Number(row) + 1}, piece ${Number(index) + 1}`
}
