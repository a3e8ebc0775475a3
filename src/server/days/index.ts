/** Calendar days, `YYYY-MM-DD`. */

/** The day that a moment falls on in a time zone (IANA name). */
export const dayIn = (timeZone: string, moment: Date): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(moment)

/** Today where the salon is. */
export const today = ({ timeZone }: { timeZone: string }): string => dayIn(timeZone, new Date())

/** The time zone in which the day begins first. */
const EARLIEST_ZONE = 'Pacific/Kiritimati'

/** The latest day that has begun anywhere: what a device may call today. */
export const latestToday = (): string => dayIn(EARLIEST_ZONE, new Date())

/** Where this machine is. */
export const timeZoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone
