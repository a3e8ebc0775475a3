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

/**
 * The appointment, as long as its clock says for one pair of hands, and a day for the next visit, as a calendar (RFC
 * 5545). Times float: they are those of the salon's clock wherever the file is opened.
 */
export function calendarOf(planner: Planner, { planId, plan, client, on, at }: BookedVisit): string {
  const computed = planner.computePlan(plan)
  const minutes = Math.ceil(clockFor(plan, computed, { crew: ALONE }).finish.expected / 5) * 5
  const { foilCount, look } = computed
  const [year, month, day] = dayNumbers(on)
  const [hour, minute] = at.split(':').map(Number) as [number, number]
  const common = { productId: 'falto', calName: 'Falto', startInputType: 'local', startOutputType: 'local' } as const
  const events: EventAttributes[] = [
    {
      ...common,
      uid: `${planId}@falto`,
      title: `${client}: ${plan.name}`,
      description: `${activeVariant(plan)
        .stages.map(({ name }) => name)
        .join(', ')}. ${foilCount} foils.`,
      start: [year, month, day, hour, minute],
      duration: { hours: Math.floor(minutes / 60), minutes: minutes % 60 },
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
