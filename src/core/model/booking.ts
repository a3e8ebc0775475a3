import type { Canvas } from './consultation'
import type { FaltoPlan } from './plan'

/** When a plan is to be carried out: a day, and the minute after midnight at which she comes, where it is known. */
export interface Booking {
  on: string
  arrives: number | null
}

/** A plan that is booked for a day. */
export interface BookedVisit {
  planId: string
  document: FaltoPlan
  arrives: number | null
  client: { id: string; name: string }
  canvas: Canvas | null
}
