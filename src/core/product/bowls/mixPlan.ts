import { bowlVol, gramsOfParts, millilitres, recipeOf, splitExactly, type Recipe, type RecipePart } from '../formula'
import { indexPlan, activeVariant, isLightener, type FaltoPlan, type Formula, type Stage } from '../../model'
import type { Piece } from '../../placement/foils'
import {
  BOWL_RESIDUE_G,
  bowlRulesFor,
  MIXING_MINUTES,
  planBowls,
  type Bowl,
  type Range,
  type ComputedStages,
} from '../../placement/quantity'
import { minutesFromSeconds, roundToTenth } from '../../units'

export interface MixedPart extends Omit<RecipePart, 'share'> {
  grams: number
  ml: number
}

/** One bowl, ready to be weighed. Grams to the scale's step; its parts add up to it exactly. */
export interface MixedBowl {
  /** Among the formula's bowls, from 1. */
  number: number
  stageId: string
  stageName: string
  vol: number
  peroxidePercent: number
  /**
   * Of the trolley: light on one side, everything else on the other, so that brushes are not taken for each other
   * (common practice).
   */
  side: 'left' | 'right'
  grams: number
  parts: MixedPart[]
  /** What it serves: zones in the order of work, and how many foils, panels or partings. */
  zones: string[]
  serves: string
  /** min from the start of the stage's work, and its age when the last of it goes on. */
  mixedAtMinutes: number
  ageAtLastMinutes: number
}

/** One way of dividing a formula into bowls. */
export interface BowlOption {
  bowls: number
  grams: number
  walkMinutes: number
  oldestMinutes: number
  chosen: boolean
}

export interface FormulaMix {
  formula: Formula
  recipe: Recipe
  grams: Range
  bowls: MixedBowl[]
  options: BowlOption[]
}

/** Everything that is mixed for a plan, formula by formula; the bowls of a formula add up to its total to the digit. */
export function mixPlan(plan: FaltoPlan, computed: ComputedStages): FormulaMix[] {
  const { stages } = activeVariant(plan)
  return plan.formulas.map((formula) => {
    const recipe = recipeOf(formula, plan.products)
    const { range, bowls } = computed.grams.find(({ formulaId }) => formulaId === formula.id)!
    const grams =
      bowls.length === 0
        ? []
        : splitExactly(
            roundToTenth(range.expected),
            bowls.map(({ applied }) => applied + BOWL_RESIDUE_G),
          )
    return {
      formula,
      recipe,
      grams: range,
      bowls: bowls.map((bowl, i) =>
        mixedBowl(plan, stages, computed, formula, bowl, { number: i + 1, of: bowls.length, grams: grams[i]! }),
      ),
      options: bowlOptions(plan, formula, computed),
    }
  })
}

function mixedBowl(
  plan: FaltoPlan,
  stages: readonly Stage[],
  computed: ComputedStages,
  formula: Formula,
  bowl: Bowl,
  { number, of, grams }: { number: number; of: number; grams: number },
): MixedBowl {
  const vol = bowlVol(formula, number, of)
  const recipe = recipeOf({ ...formula, developerVol: vol }, plan.products)
  const stage = stages[bowl.stage]!
  const amounts = gramsOfParts(recipe, grams)
  const served = new Set(
    computed.pieces
      .slice(bowl.first, bowl.last + 1)
      .flatMap(({ formulaId, zoneId }) => (formulaId === formula.id ? [zoneId] : [])),
  )
  return {
    number,
    stageId: stage.id,
    stageName: stage.name,
    vol,
    peroxidePercent: recipe.peroxidePercent,
    side: isLightener(recipe.leading.kind) ? 'left' : 'right',
    grams,
    parts: recipe.parts.map(({ share: _share, ...part }, i) => ({
      ...part,
      grams: amounts[i]!,
      ml: millilitres(
        amounts[i]!,
        plan.products.find(({ id }) => id === part.productId),
      ),
    })),
    zones: computed.zones.flatMap(({ stageId, zoneId, name }) =>
      stageId === stage.id && served.has(zoneId) ? [name] : [],
    ),
    serves: servesWords(
      computed.pieces.slice(bowl.first, bowl.last + 1).filter(({ formulaId }) => formulaId === formula.id),
    ),
    mixedAtMinutes: minutesFromSeconds(bowl.from),
    ageAtLastMinutes: minutesFromSeconds(bowl.to - bowl.from),
  }
}

const PIECE_WORDS = { foil: ['foil', 'foils'], open: ['panel', 'panels'], onScalp: ['parting', 'partings'] } as const

function servesWords(pieces: readonly Piece[]): string {
  return (Object.keys(PIECE_WORDS) as (keyof typeof PIECE_WORDS)[])
    .flatMap((kind) => {
      const count = pieces.filter((piece) => piece.kind === kind).length
      return count > 0 ? [`${count} ${PIECE_WORDS[kind][count === 1 ? 0 : 1]}`] : []
    })
    .join(', ')
}

/**
 * Few large bowls or more fresh ones: what each costs in mix and in walking, from the fewest that can be to two more
 * than usual.
 */
export function bowlOptions(plan: FaltoPlan, formula: Formula, computed: ComputedStages): BowlOption[] {
  const { bowls: now, uses } = computed.grams.find(({ formulaId }) => formulaId === formula.id)!
  if (uses.length === 0) return []
  const rules = bowlRulesFor(formula, indexPlan(plan).leadOf(formula), plan.hair)
  const usual = planBowls(uses, { ...rules, chosen: undefined }).length
  const applied = uses.reduce((sum, { grams }) => sum + grams, 0)
  const seen = new Map<number, BowlOption>()
  for (let chosen = Math.max(1, usual - 2); chosen <= usual + 2; chosen++) {
    const bowls = planBowls(uses, { ...rules, chosen })
    if (seen.has(bowls.length)) continue
    seen.set(bowls.length, {
      bowls: bowls.length,
      grams: applied + bowls.length * BOWL_RESIDUE_G,
      walkMinutes: bowls.length * MIXING_MINUTES,
      oldestMinutes: minutesFromSeconds(Math.max(...bowls.map(({ from, to }) => to - from))),
      chosen: bowls.length === now.length,
    })
  }
  return [...seen.values()].sort((a, b) => a.bowls - b.bowls)
}
