import { checkEntry, FormulaWishDto } from '@/dto'
import { formulasIn } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { FormulasPage } from '@/ui/visits'
import { memberFor } from '../../signedInPage'
import { catchUpFor } from '../catchUpFor'

export const metadata = { title: 'Formulas · Falto' }

export default async function Formulas({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  const member = await memberFor('/log/formulas')
  const catchingUp = await catchUpFor(member, '/log/formulas')
  if (catchingUp) return catchingUp
  const { level, ...rest } = await searchParams
  // What the address asks for and cannot be is not asked for.
  const checked = checkEntry(FormulaWishDto, { ...rest, ...(level && { level: Number(level) }) })
  const wish = checked.ok ? { ...checked.value } : {}
  return (
    <Shell member={member}>
      <FormulasPage key={JSON.stringify(wish)} wish={wish} found={await formulasIn(member, wish)} />
    </Shell>
  )
}
