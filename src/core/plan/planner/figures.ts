import { CONSTANTS_VERSION, type Advice, type Caution, type FaltoPlan, type ToneHue, type WearKind } from '../../model'
import type { BowlOption, FormulaMix, MixedBowl } from '../../product/bowls'
import { foilsOf } from '../../placement/foils'
import { mixGramPrice, quoteFor, type Quote } from '../../product/money'
import { minutesFromSeconds, roundToHundredth, roundToTenth } from '../../units'
import type { ContrastVerdict, Look } from '../../judgement/look'
import { appliedGrams, type Range, type ComputedStages } from '../../placement/quantity'
import type { ComputedPlan } from './judgePlan'

/** The figures of a plan as everyone sees them: browser, server and command line agree to the digit. */
export interface PlanFigures extends StageFigures, JudgedFigures {}

/** What the stages add up to. */
export interface StageFigures {
  constantsVersion: string
  scalpAreaCm2: number
  hairs: number
  foils: number
  /** g of mix per formula. */
  grams: Record<string, Range>
  /** Hands-on time. */
  minutes: Range
  zones: ZoneFigures[]
}

/** What is read from them; follows a moment later while a plan is edited. */
export interface JudgedFigures {
  /** Share of the head's hairs, %. */
  sharePercent: { byFormula: Record<string, number>; left: number }
  /** What it will look like, estimated: shares in %, levels, ratios. */
  look: LookFigures
  cautions: Caution[]
  /** Rules of thumb that have something to say. */
  advice: Advice[]
  /** What is mixed, formula by formula. */
  mix: MixFigures[]
  /** In the smallest unit of the salon's money; null where the plan has no rates. */
  quote: (Quote & { currency: string }) | null
}

export interface MixFigures {
  formulaId: string
  /** Of the chosen shades; null without any. */
  level: number | null
  tones: { hue: ToneHue; strength: number }[]
  /** Share of the shades that carries colour. */
  colouredPercent: number | null
  peroxidePercent: number
  bowls: MixedBowl[]
  options: BowlOption[]
  costMinor: number
}

export interface LookFigures {
  lightPercent: number
  lowPercent: number
  leftPercent: number
  contrastLevels: number
  contrast: ContrastVerdict
  symmetryPercent: number
  /** Light at the part against the top, and at the face against the back, %. */
  partLinePercent: number | null
  faceToBackPercent: number | null
  meanLevel: Record<WearKind, number>
  upkeepWeeks: { low: number; high: number } | null
}

export interface ZoneFigures {
  id: string
  name: string
  areaCm2: number
  hairs: number
  rows: number
  foils: number
  /** Share of the zone's hairs that is taken, 0…1. */
  takenFraction: number
  takenByFormula: Record<string, number>
  grams: Record<string, number>
  minutes: number
  pitchMm: number
  /** Local pitch, 5th to 95th percentile, mm. */
  pitchSpreadMm: { p5: number; p95: number }
  foilLengthCm: { min: number; max: number }
}

/** Rounding of everything that leaves the core: 0.1 g, 0.1 min, 1 foil, 0.1 cm², 0.1 %, 100 hairs. */
export const planFigures = (plan: FaltoPlan, computed: ComputedPlan): PlanFigures => ({
  ...stageFigures(plan, computed),
  ...judgedFigures(plan, computed),
})

export function stageFigures(plan: FaltoPlan, computed: ComputedStages): StageFigures {
  return {
    constantsVersion: CONSTANTS_VERSION,
    scalpAreaCm2: roundToTenth(computed.scalpArea),
    hairs: hundred(computed.hairs),
    foils: computed.foilCount,
    grams: Object.fromEntries(computed.grams.map(({ formulaId, range }) => [formulaId, eachTenth(range)])),
    minutes: eachTenth({
      low: minutesFromSeconds(computed.handsOn.low),
      expected: minutesFromSeconds(computed.handsOn.expected),
      high: minutesFromSeconds(computed.handsOn.high),
    }),
    zones: computed.zones.map((zone) => {
      const { pieces, takenByFormula, takenShare, pitch } = zone.placement
      const lengths = pieces.filter(({ kind }) => kind === 'foil').map(({ foilLength }) => foilLength)
      return {
        id: zone.zoneId,
        name: zone.name,
        areaCm2: roundToTenth(zone.shape.area),
        hairs: hundred(zone.hair.hairs),
        rows: zone.placement.rowCount,
        foils: foilsOf(pieces),
        takenFraction: thousandth(takenShare),
        takenByFormula: Object.fromEntries(
          Object.entries(takenByFormula).map(([id, share]) => [id, thousandth(share)]),
        ),
        grams: Object.fromEntries(
          plan.formulas.flatMap(({ id }) => {
            const sum = zone.grams.reduce(
              (total, grams, i) => (pieces[i]!.formulaId === id ? total + appliedGrams(grams) : total),
              0,
            )
            return sum > 0 ? [[id, roundToTenth(sum)]] : []
          }),
        ),
        minutes: roundToTenth(minutesFromSeconds(zone.handsOn)),
        pitchMm: roundToTenth(pitch * 10),
        pitchSpreadMm: {
          p5: roundToTenth(pitch * 10 * zone.field.spread.p5),
          p95: roundToTenth(pitch * 10 * zone.field.spread.p95),
        },
        foilLengthCm:
          lengths.length === 0
            ? { min: 0, max: 0 }
            : { min: roundToTenth(Math.min(...lengths)), max: roundToTenth(Math.max(...lengths)) },
      }
    }),
  }
}

export const judgedFigures = (
  plan: FaltoPlan,
  { shareByFormula, shareLeft, look, cautions, advice, mixes, foilCount, handsOn }: ComputedPlan,
): JudgedFigures => ({
  sharePercent: {
    byFormula: Object.fromEntries(Object.entries(shareByFormula).map(([id, share]) => [id, roundToTenth(100 * share)])),
    left: roundToTenth(100 * shareLeft),
  },
  look: lookFigures(look),
  cautions,
  advice,
  mix: mixes.map((one) => mixFigures(plan, one)),
  quote: plan.rates
    ? { currency: plan.rates.currency, ...quoteFor(mixes, plan.products, foilCount, handsOn, plan.rates) }
    : null,
})

function mixFigures({ products }: FaltoPlan, mix: FormulaMix): MixFigures {
  const { formula, recipe, bowls, options, grams } = mix
  return {
    formulaId: formula.id,
    level: recipe.mixed?.level === undefined ? null : roundToHundredth(recipe.mixed.level),
    tones: recipe.mixed?.tones.map(({ hue, strength }) => ({ hue, strength: roundToHundredth(strength) })) ?? [],
    colouredPercent: recipe.mixed ? roundToTenth(100 * recipe.mixed.depth) : null,
    peroxidePercent: roundToTenth(recipe.peroxidePercent),
    bowls: bowls.map((bowl) => ({
      ...bowl,
      peroxidePercent: roundToTenth(bowl.peroxidePercent),
      parts: bowl.parts.map((part) => ({ ...part, ml: roundToTenth(part.ml) })),
      mixedAtMinutes: roundToTenth(bowl.mixedAtMinutes),
      ageAtLastMinutes: roundToTenth(bowl.ageAtLastMinutes),
    })),
    options: options.map((option) => ({
      ...option,
      grams: roundToTenth(option.grams),
      oldestMinutes: roundToTenth(option.oldestMinutes),
    })),
    costMinor: Math.round(grams.expected * mixGramPrice(mix, products)),
  }
}

const lookFigures = (look: Look): LookFigures => ({
  lightPercent: roundToTenth(100 * look.light),
  lowPercent: roundToTenth(100 * look.low),
  leftPercent: roundToTenth(100 * look.left),
  contrastLevels: roundToTenth(look.contrastLevels),
  contrast: look.contrast,
  symmetryPercent: Math.round(100 * look.symmetry),
  partLinePercent: look.partLine === undefined ? null : Math.round(100 * look.partLine),
  faceToBackPercent: look.faceToBack === undefined ? null : Math.round(100 * look.faceToBack),
  meanLevel: {
    straight: roundToTenth(look.meanLevel.straight),
    waved: roundToTenth(look.meanLevel.waved),
    tied: roundToTenth(look.meanLevel.tied),
  },
  upkeepWeeks: look.upkeepWeeks ?? null,
})

const thousandth = (value: number): number => Math.round(value * 1000) / 1000
const hundred = (value: number): number => Math.round(value / 100) * 100
const eachTenth = ({ low, expected, high }: Range): Range => ({
  low: roundToTenth(low),
  expected: roundToTenth(expected),
  high: roundToTenth(high),
})
