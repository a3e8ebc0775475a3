import { may } from '@/server/auth'
import { visitsOn } from '@/server/bookings'
import { today } from '@/server/days'
import { atHandOn } from '@/server/team'
import { isDay } from '@/dto'
import { DayPage } from '@/ui/day'
import { Shell } from '@/ui/shell'
import { written } from '@/ui/written'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'Day · Falto' }

export default async function Day({ searchParams }: { searchParams: Promise<{ on?: string }> }) {
  const member = await memberFor('/day')
  const { on: asked = '' } = await searchParams
  const on = isDay(asked) ? asked : today(member)
  const [visits, people] = await Promise.all([visitsOn(member, on), atHandOn(member, on)])
  return (
    <Shell member={member}>
      <DayPage
        key={on}
        on={on}
        visits={written(visits)}
        people={people}
        own={member.id}
        mayBook={may(member, 'write')}
      />
    </Shell>
  )
}
