import { activeVariant, type FaltoPlan } from '../../model'
import type { FormulaMix } from '../../product/bowls'
import { roundToTenth } from '../../units'

/** One bowl as it is mixed, on paper. */
export interface MixingCard {
  /** Formula's letter and bowl, such as `A 1 of 3`. */
  heading: string
  formula: string
  /** In pouring order; the bowl last. */
  lines: { name: string; grams: string; ml: string }[]
  total: string
  notes: string[]
}

export interface MixingCards {
  title: string
  cards: MixingCard[]
}

/** A card for every bowl, in the order in which they are mixed: by stage, then by the time of mixing. */
export function mixingCards(plan: FaltoPlan, mixes: readonly FormulaMix[]): MixingCards {
  const stages = activeVariant(plan).stages.map(({ id }) => id)
  const cards = mixes.flatMap((mix) =>
    mix.bowls.map((bowl) => ({
      stage: stages.indexOf(bowl.stageId),
      at: bowl.mixedAtMinutes,
      card: {
        heading: `${mix.formula.id} · bowl ${bowl.number} of ${mix.bowls.length}`,
        formula: `${mix.formula.name}, ${bowl.vol} vol, 1 : ${mix.formula.ratio}, ${roundToTenth(bowl.peroxidePercent)} % peroxide in the mix`,
        lines: bowl.parts.map(({ name, grams, ml }) => ({
          name,
          grams: `${grams.toFixed(1)} g`,
          ml: `${roundToTenth(ml)} ml`,
        })),
        total: `${bowl.grams.toFixed(1)} g`,
        notes: [
          `${bowl.stageName}: ${bowl.zones.join(', ')}, ${bowl.serves}`,
          `Mix at ${Math.round(bowl.mixedAtMinutes)} min; ${Math.round(bowl.ageAtLastMinutes)} min old at the last of it`,
          `Bowl and brush ${mix.formula.id}: ${bowl.side} of the trolley. ${mix.recipe.leading.name}: ${mix.recipe.leading.maximumMinutes} min on the hair at most, by its label`,
        ],
      },
    })),
  )
  return { title: plan.name, cards: cards.sort((a, b) => a.stage - b.stage || a.at - b.at).map(({ card }) => card) }
}
