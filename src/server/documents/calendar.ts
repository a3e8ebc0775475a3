import { createEvents, type EventAttributes } from 'ics'
import { dayAfter } from '@/core/hair/hairRecord'
import { activeVariant, type FaltoPlan } from '@/core/model'
import type { Planner } from '@/core/plan/planner'
import { ALONE, clockFor } from '@/core/time/schedule'

/** A booked plan. `on` is YYYY-MM-DD and `at` HH:MM, both as clocks in the salon show. */
export interface BookedVisit {
  planId: string
  plan: FaltoPlan
  client: string
  on: string
  at: string
}

/** Times as clocks in the salon show them, wherever the file is opened. */
const FLOATING = { productId: 'falto', startInputType: 'local', startOutputType: 'local' } as const

/** An appointment is entered in steps of so much, min. Common practice. */
const STEP_MIN = 5

/** Minutes in the book for a plan: what its clock says for one pair of hands. */
export const appointmentMinutes = (planner: Planner, plan: FaltoPlan): number =>
  Math.ceil(clockFor(plan, planner.computePlan(plan), { crew: ALONE }).finish.expected / STEP_MIN) * STEP_MIN

const lasting = (minutes: number) => ({ hours: Math.floor(minutes / 60), minutes: minutes % 60 })

/**
 * The appointment, as long as its clock says for one pair of hands, and a day for the next visit, as a calendar (RFC
 * 5545). Times float: they are those of the salon's clock wherever the file is opened.
 */
export function calendarOf(planner: Planner, { planId, plan, client, on, at }: BookedVisit): string {
  const { foilCount, look } = planner.computePlan(plan)
  const minutes = appointmentMinutes(planner, plan)
  const [year, month, day] = dayNumbers(on)
  const [hour, minute] = at.split(':').map(Number) as [number, number]
  const common = { ...FLOATING, calName: 'Falto' }
  const events: EventAttributes[] = [
    {
      ...common,
      uid: `${planId}@falto`,
      title: `${client}: ${plan.name}`,
      description: `${activeVariant(plan)
        .stages.map(({ name }) => name)
        .join(', ')}. ${foilCount} foils.`,
      start: [year, month, day, hour, minute],
      duration: lasting(minutes),
      busyStatus: 'BUSY',
    },
  ]
  if (look.upkeepWeeks) {
    const start = dayNumbers(on, 7 * look.upkeepWeeks.high)
    events.push({
      ...common,
      uid: `${planId}-next@falto`,
      title: `${client}: next visit`,
      description: `After ${look.upkeepWeeks.low}–${look.upkeepWeeks.high} weeks, by the design of the root.`,
      start,
      duration: { days: 1 },
      busyStatus: 'FREE',
    })
  }
  const { error, value } = createEvents(events)
  if (error || !value) throw error ?? new Error('The calendar file could not be made.')
  return value
}

/** A day, or one so many days later, as calendars are given it. */
export const dayNumbers = (on: string, later = 0): [number, number, number] =>
  dayAfter(on, later).split('-').map(Number) as [number, number, number]

/**
 * A booking that a calendar follows. `time`: when it begins, in minutes of the day, and how long it takes, min; null
 * where no time was agreed.
 */
export interface FollowedVisit {
  planId: string
  client: string
  name: string
  on: string
  time: { arrives: number; minutes: number } | null
}

/** All bookings of one person as one calendar; those without a time stand at the head of their day. */
export function feedOf(person: string, visits: readonly FollowedVisit[]): string {
  const events = visits.map(({ planId, client, name, on, time }): EventAttributes => {
    const common = { ...FLOATING, calName: `${person}, Falto`, uid: `${planId}@falto`, title: `${client}: ${name}` }
    return time === null
      ? { ...common, start: dayNumbers(on), end: dayNumbers(on, 1), busyStatus: 'FREE' }
      : {
          ...common,
          start: [...dayNumbers(on), Math.floor(time.arrives / 60), time.arrives % 60],
          duration: lasting(time.minutes),
          busyStatus: 'BUSY',
        }
  })
  const { error, value } = createEvents(events, { productId: 'falto', calName: `${person}, Falto` })
  if (error || value === null) throw error ?? new Error('The calendar could not be made.')
  return value
}
