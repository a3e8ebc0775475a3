import {
  activeVariant,
  indexPlan,
  isLightener,
  type Band,
  type Caution,
  type FaltoPlan,
  type Formula,
  type Product,
  type TreatmentKind,
} from '../../model'
import type { Fold } from '../../time/fold'
import { liftAfter } from '../../time/lightening'
import { hairsByCell, pieceTouchesScalp } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import { LONG_FOIL_CM, THICK_SUBSECTION_MM, ON_SCALP_VOL, UNEVEN_LEVELS, LONGEST_DAY_MIN } from './constants'

/** Conditions in a closed foil in an ordinary room. Our estimate. */
const IN_FOIL = { celsius: 30, moist: 0.9, fresh: 0.95, maximumLift: 8, rate: 1 } as const

type Rule = (plan: FaltoPlan, computed: ComputedStages, fold: Fold) => Caution[]

/** Everything to be looked at before this plan is carried out, in a fixed order. @param fold the hair at every stage */
export const cautionsFor = (plan: FaltoPlan, computed: ComputedStages, fold: Fold): Caution[] =>
  RULES.flatMap((rule) => rule(plan, computed, fold))

const careChecks: Rule = (_plan, { pieces }) =>
  pieces.length === 0
    ? []
    : [
        {
          id: 'care-checks',
          severity: 'caution',
          text: 'Allergy alert test, strand test and a look at the scalp belong before every colour service, as the products’ instructions and local rules say.',
          remedy:
            'Do them, keep gloves and air moving, and refer questions of health, medicines or earlier reactions to the instructions and a doctor.',
          zoneIds: [],
        },
      ]

/** Zones in which a formula gets onto the skin. */
const zonesOnTheScalp = (zones: ComputedStages['zones'], { id }: Formula): string[] =>
  zones
    .filter(({ placement }) => placement.pieces.some((piece) => piece.formulaId === id && pieceTouchesScalp(piece)))
    .map(({ zoneId }) => zoneId)

const onScalpStrength: Rule = (plan, { zones }) =>
  lighteners(plan).flatMap(({ formula }) => {
    if (formula.developerVol <= ON_SCALP_VOL) return []
    const zoneIds = zonesOnTheScalp(zones, formula)
    if (zoneIds.length === 0) return []
    return [
      {
        id: `on-scalp-strength-${formula.id}`,
        severity: 'caution',
        text: `Formula ${formula.id} puts lightener with ${formula.developerVol} vol on the scalp.`,
        remedy: `Use ${ON_SCALP_VOL} vol (6 %) at most, or less if the label says so.`,
        zoneIds,
      },
    ]
  })

const notForTheScalp: Rule = (plan, { zones }) =>
  lighteners(plan).flatMap(({ formula, product }) => {
    if (!product.rules || product.rules.onScalp) return []
    const zoneIds = zonesOnTheScalp(zones, formula)
    if (zoneIds.length === 0) return []
    return [
      {
        id: `not-for-the-scalp-${formula.id}`,
        severity: 'caution',
        text: `${product.name} is not for the scalp, by its label, and formula ${formula.id} begins at the root without a foil around it.`,
        remedy:
          'Begin half a centimetre from the scalp or further, put it in foil, or take a lightener made for the scalp.',
        zoneIds,
      },
    ]
  })

/** Dyes of which nobody knows what is in them, or that react with lightener. Common practice. */
const UNKNOWN_DYES: readonly TreatmentKind[] = ['boxDye', 'metallic', 'henna', 'unknown']

/** Lightener on hair that carries such dye when its stage begins. */
const overUnknownDye: Rule = (plan, { head, zones }, fold) => {
  // No visit puts such dye on, so without any before it there is none at any stage.
  if (!fold.stages[0]!.some((locks) => locks.some(({ bands }) => reachesDye(bands, WHOLE_STRAND)))) return []
  const { stages } = activeVariant(plan)
  const turnOf = new Map(stages.map(({ id }, i) => [id, i]))
  return lighteners(plan).flatMap(({ formula }) => {
    const zoneIds = zones
      .filter(({ stageId, placement }) =>
        placement.pieces.some(
          (piece) =>
            piece.formulaId === formula.id &&
            [...hairsByCell(head, piece).cells].some((cell) =>
              fold.stages[turnOf.get(stageId)!]![cell]!.some(({ bands }) => reachesDye(bands, piece)),
            ),
        ),
      )
      .map(({ zoneId }) => zoneId)
    if (zoneIds.length === 0) return []
    return [
      {
        id: `over-unknown-dye-${formula.id}`,
        severity: 'caution',
        text: `Formula ${formula.id} lightens hair that carries box dye, henna or a dye that is not known: it lifts unevenly, and some such dyes heat up or break the hair under lightener.`,
        remedy:
          'Make a strand test with this very mix first, take the dye out with a remover where its instructions allow it, and stop at the first heat or stretching.',
        zoneIds,
      },
    ]
  })
}

const WHOLE_STRAND = { fromCm: 0, toCm: Infinity }

const reachesDye = (bands: readonly Band[], { fromCm, toCm }: { fromCm: number; toCm: number }): boolean =>
  bands.some(
    (band) =>
      band.toCm > fromCm && band.fromCm < toCm && band.treatments.some(({ kind }) => UNKNOWN_DYES.includes(kind)),
  )

/** Permanent colour that lifts the natural root: it may turn warm beside what was lightened. */
const baseTurnsWarm: Rule = (plan, { zones }) =>
  plan.formulas.flatMap((formula) => {
    const { kind } = indexPlan(plan).leadOf(formula)
    if (kind !== 'permanentColour' || formula.level <= plan.hair.naturalLevel) return []
    const zoneIds = zonesOnTheScalp(zones, formula)
    if (zoneIds.length === 0) return []
    return [
      {
        id: `base-turns-warm-${formula.id}`,
        severity: 'note',
        text: `Formula ${formula.id} lifts the natural level ${plan.hair.naturalLevel} to ${formula.level} at the root: a base that is broken turns warm.`,
        remedy: 'Mix a cool tone into it, keep it at the natural level, or plan a gloss over the root.',
        zoneIds,
      },
    ]
  })

/** Colour counts from the end of its application; lightener works from its first piece on. */
const longerThanMaximum: Rule = (plan, computed) =>
  lighteners(plan).flatMap(({ formula, product }) => {
    const { minutes, zoneIds } = applicationSpan(formula, computed)
    if (minutes <= product.maximumMinutes) return []
    return [
      {
        id: `longer-than-maximum-${formula.id}`,
        severity: 'caution',
        text: `Putting in formula ${formula.id} takes about ${Math.round(minutes)} min; ${product.name} may stay on for ${product.maximumMinutes} min. The first foil is due before the last is in.`,
        remedy: 'Take out early foils in time, work with help, or split the visit.',
        zoneIds,
      },
    ]
  })

const unevenLift: Rule = (plan, computed) =>
  lighteners(plan).flatMap(({ formula, product }) => {
    const { minutes, zoneIds } = applicationSpan(formula, computed)
    const conditions = { ...IN_FOIL, developerVol: formula.developerVol, ratio: formula.ratio }
    const whole = product.maximumMinutes
    const ahead = liftAfter(whole, conditions) - liftAfter(Math.max(0, whole - minutes), conditions)
    if (ahead < UNEVEN_LEVELS || formula.developerVol === 0) return []
    return [
      {
        id: `uneven-lift-${formula.id}`,
        severity: 'note',
        text: `By the time the last piece of formula ${formula.id} goes in, the first has worked about ${Math.round(minutes)} min longer: roughly ${Math.round(ahead)} levels if all came out together.`,
        remedy: 'Begin with a weaker bowl, take foils out in the order they went in, or work with help.',
        zoneIds,
      },
    ]
  })

const moreThanADay: Rule = (_plan, { foilCount, handsOn }) =>
  handsOn.expected / 60 <= LONGEST_DAY_MIN
    ? []
    : [
        {
          id: 'more-than-a-day',
          severity: 'note',
          text: `${foilCount} foils and about ${Math.round(handsOn.expected / 3600)} hours of hands alone: more than anybody does in a day.`,
          remedy:
            'Look whether subsections or stages slipped in that nobody meant; else work with help, or split the visit.',
          zoneIds: [],
        },
      ]

const thickSubsections: Rule = (plan, computed) => {
  const letters = new Set(lighteners(plan).map(({ formula }) => formula.id))
  const zoneIds = computed.zones
    .filter(
      (zone) =>
        zone.placement.thickness * 10 > THICK_SUBSECTION_MM + 0.5 &&
        zone.placement.pieces.some((piece) => letters.has(piece.formulaId)),
    )
    .map((zone) => zone.zoneId)
  if (zoneIds.length === 0) return []
  return [
    {
      id: 'thick-subsections',
      severity: 'note',
      text: `Lightener goes into subsections thicker than ${THICK_SUBSECTION_MM} mm: they tend to lift unevenly and stay warm inside.`,
      remedy: `Part thinner (6–${THICK_SUBSECTION_MM} mm) or saturate both sides.`,
      zoneIds,
    },
  ]
}

const longFoils: Rule = (_plan, { zones }) => {
  const zoneIds = zones
    .filter((zone) => zone.placement.pieces.some((piece) => piece.foilLength > LONG_FOIL_CM))
    .map((zone) => zone.zoneId)
  if (zoneIds.length === 0) return []
  return [
    {
      id: 'long-foils',
      severity: 'note',
      text: `Foils longer than ${LONG_FOIL_CM} cm are needed; their ends hang in the cold and lag behind the scalp.`,
      remedy: 'Cut foils to length beforehand, and check the ends as well as the scalp.',
      zoneIds,
    },
  ]
}

const RULES: readonly Rule[] = [
  careChecks,
  onScalpStrength,
  notForTheScalp,
  overUnknownDye,
  baseTurnsWarm,
  longerThanMaximum,
  unevenLift,
  thickSubsections,
  longFoils,
  moreThanADay,
]

const lighteners = (plan: FaltoPlan): { formula: Formula; product: Product }[] =>
  plan.formulas
    .map((formula) => ({ formula, product: indexPlan(plan).leadOf(formula) }))
    .filter(({ product }) => isLightener(product.kind))

/** From the first to the last piece of a formula with everything worked between them, min. */
function applicationSpan(formula: Formula, { zones }: ComputedStages): { minutes: number; zoneIds: string[] } {
  let clock = 0
  let first: number | undefined
  let last = 0
  const zoneIds: string[] = []
  for (const zone of zones) {
    let used = false
    clock += zone.handsOn - zone.seconds.reduce((sum, seconds) => sum + seconds, 0)
    zone.placement.pieces.forEach((piece, i) => {
      clock += zone.seconds[i]!
      if (piece.formulaId !== formula.id) return
      first ??= clock
      last = clock
      used = true
    })
    if (used) zoneIds.push(zone.zoneId)
  }
  return { minutes: first === undefined ? 0 : (last - first) / 60, zoneIds }
}
