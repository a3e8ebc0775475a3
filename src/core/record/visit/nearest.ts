import { colourDifference, labFromLevel } from '../../hair/colour'
import type { Tone } from '../../model'
import { roundToTenth } from '../../units'
import type { MixedFormula } from './summary'

/** A formula that was used, and where it was used last. */
export interface UsedFormula extends MixedFormula {
  /** How often, and the newest time. */
  times: number
  visitId: string
  on: string
  client: string
}

/** One of them beside the colour that is sought. */
export interface FoundFormula extends UsedFormula {
  /** CIEDE2000 between what it was meant to show and what is sought; null where no colour is sought. */
  apart: number | null
}

/** Formulas in the order in which one would look at them: nearest to the colour sought, else most used first. */
export function nearestFormulas(
  used: readonly UsedFormula[],
  sought: { level: number; tone: Tone } | undefined,
): FoundFormula[] {
  const aim = sought && labFromLevel(sought.level, sought.tone)
  return used
    .map((formula) => ({
      ...formula,
      apart: aim ? roundToTenth(colourDifference(labFromLevel(formula.level, formula.tone), aim)) : null,
    }))
    .sort((one, other) => (one.apart ?? 0) - (other.apart ?? 0) || other.times - one.times)
}
