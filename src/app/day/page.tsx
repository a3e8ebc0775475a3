import { may } from '@/server/auth'
import { visitsOn } from '@/server/bookings'
import { today } from '@/server/days'
import { DayPage } from '@/ui/day'
import { Shell } from '@/ui/shell'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'Day · Falto' }

/** Whether words are a day that exists, as 2026-09-15. */
function isDay(words: string): boolean {
  const time = Date.parse(words)
  return /^\d{4}-\d\d-\d\d$/.test(words) && !Number.isNaN(time) && new Date(time).toISOString().startsWith(words)
}

export default async function Day({ searchParams }: { searchParams: Promise<{ on?: string }> }) {
  const member = await memberFor('/day')
  const { on: asked = '' } = await searchParams
  const on = isDay(asked) ? asked : today()
  const visits = await visitsOn(member, on)
  return (
    <Shell member={member}>
      <DayPage key={on} on={on} visits={visits} mayBook={may(member, 'write')} />
    </Shell>
  )
}
