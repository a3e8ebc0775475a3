import { headers } from 'next/headers'
import { hasFeed } from '@/server/bookings'
import { hasPin } from '@/server/tablets'
import { ownAccount, sessionsOf } from '@/server/team'
import { AccountPage } from '@/ui/salon'
import { Shell } from '@/ui/shell'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'Account · Falto' }

export default async function OwnAccountPage() {
  const member = await memberFor('/account')
  const asked = await headers()
  const [{ email, secondFactor }, sessions, calendar, pin] = await Promise.all([
    ownAccount(asked),
    sessionsOf(asked),
    hasFeed(member),
    hasPin(member),
  ])
  return (
    <Shell member={member}>
      <AccountPage
        name={member.name}
        email={email}
        secondFactor={secondFactor}
        lacksSecondFactor={member.lacksSecondFactor}
        sessions={sessions}
        calendarSince={calendar.since}
        pinSince={pin.since}
      />
    </Shell>
  )
}
