/** Calendar days as the server sees them. */

const dayOf = (moment: Date): string => moment.toISOString().slice(0, 10)

/** Hours by which the earliest time zone is ahead of UTC. */
const EARLIEST_ZONE_HOURS = 14

/** Today in UTC, where no device says better. */
export const today = (): string => dayOf(new Date())

/** The latest day that has begun anywhere: what a device may call today. */
export const latestToday = (): string => dayOf(new Date(Date.now() + EARLIEST_ZONE_HOURS * 3_600_000))
