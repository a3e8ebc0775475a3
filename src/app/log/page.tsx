import { checkEntry, LogWishDto } from '@/dto'
import { may } from '@/server/auth'
import { ratesOf } from '@/server/money'
import { openLog } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { LogPage } from '@/ui/visits'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'Log · Falto' }

export default async function Log({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  const member = await memberFor('/log')
  // What the address asks for and cannot be is not asked for.
  const checked = checkEntry(LogWishDto, await searchParams)
  const wish = checked.ok ? checked.value : {}
  const [log, { rates }] = await Promise.all([openLog(member, wish), ratesOf(member)])
  return (
    <Shell member={member}>
      <LogPage
        key={JSON.stringify(wish)}
        log={log}
        wish={{ ...wish }}
        currency={rates.currency}
        mayWrite={may(member, 'write')}
      />
    </Shell>
  )
}
