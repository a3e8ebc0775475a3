import { dayIn, timeZoneHere } from '@/server/days'

/** The day so many days ago where the demo's salon is, which is where this machine is. */
export const day = (daysAgo = 0): string => dayIn(timeZoneHere(), new Date(Date.now() - daysAgo * 86_400_000))
