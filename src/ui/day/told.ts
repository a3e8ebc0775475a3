import { timeOfDay, useTimeOfDay } from '../clock/words'

/** A minute of the day as HH:MM. */
export const clock = (minute: number) => timeOfDay('00:00', minute)
/** {@link clock}, as the salon tells the time. */
export function useTold(): (minute: number) => string {
  const told = useTimeOfDay()
  return (minute) => told('00:00', minute)
}
