import type { MixRecord, PourEvent } from '../../model'
import { roundToTenth } from '../../units'

/** What is in each line of a bowl: pours add up, a correction says what is there. In the unit of the amounts given. */
export function inBowl(
  lines: number,
  events: readonly (Pick<PourEvent, 'kind' | 'line'> & { amount: number })[],
): number[] {
  const amounts = Array.from({ length: lines }, () => 0)
  for (const { kind, line, amount } of events) {
    if (kind === 'poured') amounts[line]! += amount
    if (kind === 'corrected') amounts[line] = amount
  }
  return amounts
}

/** What was planned and what was weighed of each formula, g, over all bowls that were mixed. */
export function gramsByFormula(mixes: readonly MixRecord[]): { formulaId: string; planned: number; weighed: number }[] {
  const sums = new Map<string, { planned: number; weighed: number }>()
  for (const { formulaId, planned, events, state } of mixes) {
    if (state !== 'done') continue
    const sum = sums.get(formulaId) ?? { planned: 0, weighed: 0 }
    sum.planned += planned.reduce((total, { grams }) => total + grams, 0)
    sum.weighed += inBowl(
      planned.length,
      events.map(({ kind, line, grams }) => ({ kind, line, amount: grams })),
    ).reduce((total, grams) => total + grams, 0)
    sums.set(formulaId, sum)
  }
  return [...sums].map(([formulaId, { planned, weighed }]) => ({
    formulaId,
    planned: roundToTenth(planned),
    weighed: roundToTenth(weighed),
  }))
}
