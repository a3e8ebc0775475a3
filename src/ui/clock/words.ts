import type { Helper } from '@/core/time/schedule'
import { useUnits } from '../hooks/useUnits'

/** Who can help, as it is chosen. */
export const HELPING: { value: Helper; label: string }[] = [
  { value: 'assistant', label: 'Assistant' },
  { value: 'second', label: 'Second colourist' },
]

/** A minute of the visit as the time of day. @param start HH:MM */
export function timeOfDay(start: string, minute: number): string {
  const at = Math.round(minuteOf(start) + minute)
  return `${String(Math.floor(at / 60) % 24).padStart(2, '0')}:${String(((at % 60) + 60) % 60).padStart(2, '0')}`
}

/** {@link timeOfDay}, as the salon tells the time. */
export function useTimeOfDay(): (start: string, minute: number) => string {
  const { time } = useUnits()
  return (start, minute) => time(timeOfDay(start, minute))
}

/** Minutes after midnight. @param time HH:MM */
export function minuteOf(time: string): number {
  const [hours, minutes] = time.split(':').map(Number) as [number, number]
  return 60 * hours + minutes
}

/** Minutes as hours and minutes. */
export function duration(minutes: number): string {
  const whole = Math.round(minutes)
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`
}
