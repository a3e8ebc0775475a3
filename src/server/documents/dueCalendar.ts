import { createEvent } from 'ics'
import type { Days } from '@/core/record/upkeep'
import { dayNumbers } from './calendar'

/** The days between which somebody is due again, as one event of whole days (RFC 5545). */
export function calendarOfDue(due: { visitId: string; client: string; name: string; next: Days }): string {
  const { error, value } = createEvent({
    productId: 'falto',
    calName: 'Falto',
    uid: `${due.visitId}-due@falto`,
    title: `${due.client} is due`,
    description: `Last: ${due.name}.`,
    start: dayNumbers(due.next.from),
    // The end is the first day that is no longer part of it.
    end: dayNumbers(due.next.to, 1),
    busyStatus: 'FREE',
  })
  if (error || !value) throw error ?? new Error('The calendar file could not be made.')
  return value
}
