import { may } from '@/server/auth'
import { ratesOf } from '@/server/money'
import { shelfOf } from '@/server/shelf'
import { ShelfPage } from '@/ui/shelf'
import { Shell } from '@/ui/shell'
import { written } from '@/ui/written'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'Shelf · Falto' }

export default async function SalonShelfPage() {
  const member = await memberFor('/shelf')
  const [items, { rates }] = await Promise.all([shelfOf(member), ratesOf(member)])
  return (
    <Shell member={member}>
      <ShelfPage
        items={written(items)}
        currency={rates.currency}
        mayCount={may(member, 'stock')}
        mayChange={may(member, 'catalogue')}
      />
    </Shell>
  )
}
