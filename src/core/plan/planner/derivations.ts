import { byId, indexPlan, type FaltoPlan, type FoilSizes, type HairState, type LearnedFactor } from '../../model'
import { fibreGramsPerCm, fullDensity, newGrowthCm } from '../../hair/fibre'
import { rowOfOneFoil, USUAL_FOILS } from '../../placement/foils'
import {
  FOIL_SECONDS,
  GRAMS_VARIATION,
  PAINTING_SECONDS,
  SCALP_SECONDS_PER_CM,
  SECONDS_VARIATION,
  WASTE_VARIATION,
  ZONE_SECONDS,
  type FormulaGrams,
} from '../../placement/quantity'
import { minutesFromSeconds, roundToTenth } from '../../units'
import type { ComputedPlan } from './judgePlan'
import { planFigures, type PlanFigures } from './figures'

/** One line of what a total came from. `zoneId` points back to a place on the map. */
export interface DerivationLine {
  label: string
  value: string
  zoneId?: string
}

/** A total, opened: what adds up to it, which inputs and rules it used, and why it is uncertain. */
export interface Derivation {
  total: string
  adds: DerivationLine[]
  inputs: DerivationLine[]
  rule: string
  uncertainty: string
}

export interface Derivations {
  foils: Derivation
  grams: Record<string, Derivation>
  minutes: Derivation
  share: Derivation
}

/** Opens every total of the strip. Values are words and figures ready to read, in the core's rounding. */
export function derivationsOf(plan: FaltoPlan, computed: ComputedPlan): Derivations {
  const figures = planFigures(plan, computed)
  const hair = hairInputs(plan, figures)
  const { leadOf } = indexPlan(plan)
  return {
    foils: foilsOpened(figures, plan.foils ?? USUAL_FOILS),
    grams: Object.fromEntries(
      computed.grams.map((grams) => {
        const kind = leadOf(byId(plan.formulas, grams.formulaId)).kind
        return [grams.formulaId, gramsOpened(grams, figures, ownFigures(plan, 'load', [kind]), hair)]
      }),
    ),
    minutes: minutesOpened(plan, computed, figures),
    share: shareOpened(plan, figures, hair),
  }
}

const hairInputs = (plan: FaltoPlan, figures: PlanFigures): DerivationLine[] => [
  { label: 'Scalp under hair', value: `${figures.scalpAreaCm2} cm²` },
  {
    label: `Density, ${plan.hair.density}`,
    value: `${fullDensity(plan.hair.density)} hairs/cm², fewer at the hairline`,
  },
  { label: `Fibre, ${plan.hair.texture}`, value: `${(fibreGramsPerCm(plan.hair.texture) * 1e6).toFixed(0)} µg/cm` },
  {
    label: 'Length at the crown',
    value: `${plan.hair.lengthCm} cm ${plan.hair.regionLengthsCm ? 'and as measured elsewhere' : CUT_WORDS[plan.hair.cutLine]}`,
  },
]

const foilsOpened = (figures: PlanFigures, { widthCm }: FoilSizes): Derivation => ({
  total: `${figures.foils} foils`,
  adds: figures.zones.map((zone) => ({
    zoneId: zone.id,
    label: zone.name,
    value: `${zone.foils} from ${zone.rows} rows, ${zone.pitchMm} mm apart (${zone.pitchSpreadMm.p5}–${zone.pitchSpreadMm.p95})`,
  })),
  inputs: [{ label: 'Scalp under hair', value: `${figures.scalpAreaCm2} cm²` }],
  rule: `Rows are laid at the asked distance over the real surface; a row up to ${roundToTenth(rowOfOneFoil(widthCm))} cm goes into one foil, a wider one is split into foils of at most ${widthCm} cm. Bricklaid rows begin with half a foil.`,
  uncertainty: 'Counted from the geometry. Hands that part a little wider or closer change it in proportion.',
})

/** What was learned of whoever made the plan, as far as it is reckoned with. */
const ownFigures = ({ learned }: FaltoPlan, of: LearnedFactor['of'], contexts?: readonly string[]): DerivationLine[] =>
  (learned.factors ?? [])
    .filter((factor) => factor.of === of && (!contexts || contexts.includes(factor.context)))
    .map(({ context, mean, low, high, jobs }) => ({
      label: `Your own figures, ${context.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)}`,
      value: `${jobs} jobs: ${mean.toFixed(2)} of the usual (${low.toFixed(2)}–${high.toFixed(2)})`,
    }))

function gramsOpened(
  grams: FormulaGrams,
  figures: PlanFigures,
  own: DerivationLine[],
  hair: DerivationLine[],
): Derivation {
  const range = figures.grams[grams.formulaId]!
  return {
    total: `${range.expected} g (${range.low}–${range.high})`,
    adds: [
      ...figures.zones.flatMap((zone) =>
        zone.grams[grams.formulaId]
          ? [{ zoneId: zone.id, label: zone.name, value: `${zone.grams[grams.formulaId]} g` }]
          : [],
      ),
      {
        label: `Left in ${grams.bowls.length} bowl${grams.bowls.length === 1 ? '' : 's'}`,
        value: `${roundToTenth(grams.residue)} g`,
      },
    ],
    inputs: [
      { label: 'Hair that gets this formula', value: `${roundToTenth(grams.hair)} g` },
      { label: 'Taken up by the hair', value: `${roundToTenth(grams.onHair)} g` },
      ...(grams.onScalp > 0 ? [{ label: 'Film on the scalp', value: `${roundToTenth(grams.onScalp)} g` }] : []),
      { label: 'Lost on foil edges', value: `${roundToTenth(grams.edge)} g` },
      ...own,
      ...hair,
    ],
    rule: 'Hair treated in grams × mix per gram of hair for this kind of product, plus edges and bowls. Long hair takes up less per gram.',
    uncertainty: `Density ±${percent(GRAMS_VARIATION.density)}, fibre ±${percent(GRAMS_VARIATION.fibre)}, take-up ±${percent(GRAMS_VARIATION.load)} and length ±${percent(GRAMS_VARIATION.length)} hold for the whole head at once, so the range does not shrink over many foils; edges and bowls ±${percent(WASTE_VARIATION)}, as the hand is. Shown: 8 in 10 heads.`,
  }
}

const secondsWords = ({ each, perCm }: { each: number; perCm: number }): string => `${each} s and ${perCm} s a cm`

/** What the usual foils take, each with every centimetre of its width. */
const FOIL_WORDS = (['slice', 'weave', 'babylight'] as const)
  .map((kind) => `a ${kind} ${secondsWords(FOIL_SECONDS[kind])}`)
  .join(', ')

const minutesOpened = (plan: FaltoPlan, computed: ComputedPlan, figures: PlanFigures): Derivation => ({
  total: `${figures.minutes.expected} min (${figures.minutes.low}–${figures.minutes.high})`,
  adds: computed.zones
    .filter(({ placement }) => placement.pieces.length > 0)
    .map((zone) => ({
      zoneId: zone.zoneId,
      label: zone.name,
      value: `${roundToTenth(minutesFromSeconds(zone.handsOn))} min`,
    })),
  inputs: [{ label: 'Your own pace', value: `× ${plan.learned.seconds}` }, ...ownFigures(plan, 'pace')],
  rule: `Foils by what is taken: ${FOIL_WORDS}; painting ${secondsWords(PAINTING_SECONDS)}; slower on long hair; ${SCALP_SECONDS_PER_CM} s a cm of parting brushed on the scalp; what is poured or sprayed by the scalp it covers; ${ZONE_SECONDS} s to section each zone.`,
  uncertainty: `Hands differ by about ±${percent(SECONDS_VARIATION)}. Mixing, processing and rinsing are not in it. Shown: 8 in 10.`,
})

const shareOpened = (plan: FaltoPlan, figures: PlanFigures, hair: DerivationLine[]): Derivation => ({
  total: `${Object.entries(figures.sharePercent.byFormula)
    .map(([id, share]) => `${id} ${share} %`)
    .join(', ')}, left ${figures.sharePercent.left} %`,
  adds: figures.zones.map((zone) => ({
    zoneId: zone.id,
    label: zone.name,
    value:
      zone.takenFraction === 0
        ? 'left as it is'
        : `${roundToTenth(100 * zone.takenFraction)} % of its ${zone.hairs} hairs`,
  })),
  inputs: [
    { label: 'Hairs on the head', value: `${figures.hairs}` },
    { label: 'Regrowth since the last colour', value: `${newGrowthCm(plan.hair)} cm` },
    ...hair.slice(0, 2),
  ],
  rule: 'Share of all hairs: subsection thickness over row distance, times stitch over stitch and gap, counted where the hair grows.',
  uncertainty: 'Shares follow the geometry and do not depend on how dense the hair is.',
})

const CUT_WORDS = {
  oneLength: 'to one line',
  layered: 'layered',
  graduatedForward: 'to a line falling forward',
  graduatedBack: 'to a line falling back',
} satisfies Record<HairState['cutLine'], string>

const percent = (share: number): string => `${Math.round(share * 100)} %`
