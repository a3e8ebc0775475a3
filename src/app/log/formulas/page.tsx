import { checkEntry, FormulaWishDto } from '@/dto'
import { FEW_BEHIND, formulasIn, visitsBehind } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { CatchUp, FormulasPage } from '@/ui/visits'
import { memberFor } from '../../signedInPage'

export const metadata = { title: 'Formulas · Falto' }

export default async function Formulas({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  const member = await memberFor('/log/formulas')
  const behind = await visitsBehind(member)
  if (behind > FEW_BEHIND)
    return (
      <Shell member={member}>
        <CatchUp here="/log/formulas" behind={behind} />
      </Shell>
    )
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
