import { lengthsHistory, meanLevels, meanWhite } from '../../hair/hairRecord'
import { canvasFor, targetFor } from '../../judgement/feasibility'
import {
  byId,
  isLightener,
  rhythmLetters,
  type Consultation,
  type FaltoPlan,
  type Formula,
  type Goal,
  type HairState,
  type HeadMeasures,
  type Tone,
  type ToneHue,
  type TreatmentKind,
} from '../../model'
import { createHead } from '../../scalp/head'
import type { Planner } from '../planner'
import { fitAmount, fitFaceFrame, fitRegrowth, fitShadow } from './fit'
import type { Person } from './newPlan'
import { planFromService, SERVICES, type ServiceId } from './serviceKinds'
import {
  ALL_OVER_PERCENT,
  BLOCK_SHAPES_CM,
  FADING,
  FEW_LIGHTS_PERCENT,
  LIGHT_ALREADY_LEVELS,
  LONG_CM,
  LOW_AND_SLOW_VOL,
  PERMANENT_LIFTS,
  ROOT_SHOWS_LEVELS,
  SHORT_CM,
  STEP_UP_VOL,
  WARMTH_BACK_LEVELS,
} from './constants'

/** A whole plan to start from, with why each choice was made. */
export interface Proposal {
  plan: FaltoPlan
  serviceId: ServiceId
  reasons: string[]
}

/** What a proposal is made from. `meanWhite` 0…1. */
export interface Wished {
  hair: HairState
  goal: Goal
  meanWhite: number
  /** Mean level of the new growth and of the lengths; where nothing is recorded, both as the hair grows. */
  levels?: { root: number; lengths: number } | undefined
  /** What most lengths carry. */
  history?: TreatmentKind | undefined
}

interface Choice {
  serviceId: ServiceId
  when: (wished: Wished) => boolean
  because: (wished: Wished) => string
}

const wornMostly = ({ wear }: Goal, way: keyof Goal['wear']): boolean =>
  wear[way] >= 0.5 * (wear.straight + wear.waved + wear.tiedLow + wear.tiedHigh)
const target = (goal: Goal) => targetFor(goal, 'all')
const levelsOf = ({ hair, levels }: Wished) => levels ?? { root: hair.naturalLevel, lengths: hair.naturalLevel }
const rounded = (level: number): number => Math.round(10 * level) / 10

/** Light is to go to the skin again, and only the new growth is darker than it is to be. */
const onlyRootsToLighten = (wished: Wished): boolean => {
  const { root, lengths } = levelsOf(wished)
  const { level } = target(wished.goal)
  return (
    wished.goal.means === 'open' &&
    wished.goal.root === 'toScalp' &&
    lengths >= level - LIGHT_ALREADY_LEVELS &&
    root <= level - ROOT_SHOWS_LEVELS
  )
}

const darkerThanLengths = (wished: Wished): boolean => target(wished.goal).level <= levelsOf(wished).lengths - 1
const fewLights = ({ goal }: Wished): boolean => goal.lightPercent < FEW_LIGHTS_PERCENT

/** The first that applies is proposed. Order: common practice; bounds: our estimate. */
const CHOICES: readonly Choice[] = [
  {
    serviceId: 'dyeTakenOut',
    when: (wished) =>
      (wished.history === 'boxDye' || wished.history === 'unknown') &&
      target(wished.goal).level > levelsOf(wished).lengths &&
      wished.goal.means === 'open',
    because: (wished) =>
      `Dye of level ${rounded(levelsOf(wished).lengths)} lies over the lengths, and lightener takes it unevenly: a remover takes it out first. What is then there decides about light another day.`,
  },
  {
    serviceId: 'rootColour',
    when: (wished) => wished.goal.white === 'cover' && fewLights(wished) && wished.goal.means !== 'depositOnly',
    because: ({ meanWhite }) =>
      `${Math.round(100 * meanWhite)} % white is to be covered and nothing to be lighter: colour on the new growth alone.`,
  },
  {
    serviceId: 'filledAndDeepened',
    when: (wished) =>
      wished.history === 'lightened' &&
      darkerThanLengths(wished) &&
      fewLights(wished) &&
      wished.goal.means !== 'depositOnly',
    because: (wished) =>
      `Lightened lengths of level ${rounded(levelsOf(wished).lengths)} to level ${target(wished.goal).level} all over: warm pigment goes in first, as a filler, then the depth.`,
  },
  {
    serviceId: 'lowInWhite',
    when: ({ goal, meanWhite }) => goal.means === 'permanentOnly' && goal.white === 'blend' && meanWhite >= 0.1,
    because: ({ meanWhite }) =>
      `Only permanent colour may be used, and ${Math.round(100 * meanWhite)} % white is to be blended: her own colour is drawn through it.`,
  },
  {
    serviceId: 'deeperAgain',
    when: ({ goal }) => goal.means === 'permanentOnly',
    because: () => 'Only permanent colour may be used: it is woven through, and nothing is lightened by bleach.',
  },
  {
    serviceId: 'deeperAgain',
    when: (wished) => darkerThanLengths(wished) && wished.goal.lightPercent > 0 && wished.goal.means !== 'depositOnly',
    because: (wished) =>
      `Level ${target(wished.goal).level} is wished for, darker than the lengths are (${rounded(levelsOf(wished).lengths)}): lowlights bring depth back.`,
  },
  {
    serviceId: 'onScalpRetouch',
    when: (wished) => onlyRootsToLighten(wished) && wished.goal.lightPercent >= ALL_OVER_PERCENT,
    because: (wished) =>
      `The lengths are at level ${rounded(levelsOf(wished).lengths)} already: only the new growth is lightened.`,
  },
  {
    serviceId: 'foilRetouch',
    when: onlyRootsToLighten,
    because: (wished) =>
      `The lengths are at level ${rounded(levelsOf(wished).lengths)} already: light strands again where they have grown, nothing over what is light.`,
  },
  {
    serviceId: 'triangleFan',
    when: ({ goal, hair }) =>
      goal.means === 'depositOnly' && goal.contrast === 'bold' && hair.lengthCm <= BLOCK_SHAPES_CM,
    because: ({ hair }) =>
      `Bold contrast by deposit alone on ${hair.lengthCm} cm: block colour in two shades, seen whichever way it falls.`,
  },
  {
    serviceId: 'shadowAndMelt',
    when: ({ goal }) => goal.means === 'depositOnly',
    because: () => 'Only deposit may be used: shadow, melt and gloss work without lightener.',
  },
  {
    serviceId: 'lowInWhite',
    when: ({ goal, meanWhite }) => goal.white === 'blend' && meanWhite >= 0.5,
    because: ({ meanWhite }) =>
      `${Math.round(100 * meanWhite)} % white to be blended: her own colour is drawn through it.`,
  },
  {
    serviceId: 'whiteCopied',
    when: ({ goal, meanWhite }) => goal.white === 'blend' && meanWhite >= 0.1,
    because: ({ meanWhite }) =>
      `${Math.round(100 * meanWhite)} % white to be blended: light is put where the white is, as much of it.`,
  },
  {
    serviceId: 'baseAndLight',
    when: ({ goal, meanWhite }) => goal.white === 'cover' && meanWhite >= 0.1,
    because: () => 'White is to be covered while light goes in: base between the foils, with a buffer.',
  },
  {
    serviceId: 'crossedPanels',
    when: ({ hair }) => hair.lengthCm < SHORT_CM,
    because: ({ hair }) => `${hair.lengthCm} cm is too short for foils to show: panels of block colour.`,
  },
  {
    serviceId: 'curlByCurl',
    when: ({ hair }) => hair.curl === 'curly' || hair.curl === 'coily',
    because: ({ hair }) => `${hair.curl} hair: painted where each curl turns to the light.`,
  },
  {
    serviceId: 'knotAndNape',
    when: ({ goal }) => wornMostly(goal, 'tiedLow'),
    because: () => 'Worn tied low most of the week: nape, sides and hairline are what is seen.',
  },
  {
    serviceId: 'haloBrightness',
    when: ({ goal }) => wornMostly(goal, 'tiedHigh'),
    because: () => 'Worn tied high most of the week: the perimeter is what is seen.',
  },
  {
    serviceId: 'boldSlices',
    when: ({ goal }) => goal.contrast === 'bold' && goal.lightPercent >= 30,
    because: () => 'Bold contrast: slices, light and low in turn, with nothing of the old colour between.',
  },
  {
    serviceId: 'faceFrame',
    when: ({ goal }) => goal.lightPercent < 9 && goal.faceFrame === 'bold',
    because: ({ goal }) =>
      `${goal.lightPercent} % light and a bold face frame: a panel at the face and a few pieces behind it.`,
  },
  {
    serviceId: 'hairlineAndPart',
    when: ({ goal }) => goal.lightPercent < 8,
    because: ({ goal }) => `${goal.lightPercent} % light: hairline and part are enough.`,
  },
  {
    serviceId: 'scalpToTip',
    when: ({ goal }) => goal.lightPercent >= 75,
    because: ({ goal }) => `${goal.lightPercent} % light: foils back to back, to the skin.`,
  },
  {
    serviceId: 'paintedSurface',
    when: ({ hair, goal }) => goal.root === 'melt' && hair.lengthCm >= LONG_CM,
    because: ({ hair }) => `A soft melt on ${hair.lengthCm} cm of hair: painted open-air, higher towards the face.`,
  },
  {
    serviceId: 'rootedTeased',
    when: ({ goal }) => goal.root !== 'toScalp' && goal.lightPercent >= 18,
    because: () => 'A rooted result with much light: wide foils, back-combed, and a shadow root.',
  },
  {
    serviceId: 'topAndSides',
    when: ({ goal }) => goal.lightPercent < 13,
    because: ({ goal }) => `${goal.lightPercent} % light: top and sides, where it is seen first.`,
  },
  { serviceId: 'fullBabylights', when: () => true, because: () => 'Subtle light all over: babylights to the skin.' },
]

const TONES: Record<ToneHue, Tone> = {
  neutral: 'neutral',
  ash: 'cool',
  green: 'cool',
  violet: 'cool',
  pearl: 'cool',
  silver: 'cool',
  beige: 'neutral',
  gold: 'warm',
  copper: 'warm',
  red: 'warm',
}

/** What a consultation asks for. */
export const wishedIn = (
  head: HeadMeasures,
  { hair, canvas, goal }: Pick<Consultation, 'hair' | 'canvas' | 'goal'>,
): Wished => ({
  hair,
  goal,
  meanWhite: meanWhite(createHead(head), hair, canvas),
  levels: meanLevels(canvas),
  history: lengthsHistory(canvas),
})

/**
 * Proposes a plan from hair, wish and way of wearing it: the kind of service, then the wished level and tone, developer
 * by school, face frame, depth of the shadow and amount of light. Everything can be changed.
 * @returns the plan with the reason for each choice
 */
export function proposePlan(planner: Planner, wished: Wished, person: Person): Proposal {
  const { serviceId, because } = CHOICES.find(({ when }) => when(wished))!
  const plan = planFromService(serviceId, person)
  const reasons = [`${byId(SERVICES, serviceId).name}. ${because(wished)}`]
  plan.formulas = plan.formulas.map((formula) => formulaFor(plan, formula, serviceId, wished, reasons))
  if (wished.hair.fragile?.includes('nape')) {
    for (const { zones } of plan.variants[0]!.stages)
      for (const zone of zones) if (zone.role === 'nape') zone.placement = { ...zone.placement, sequence: [] }
    reasons.push('The nape is recorded as fragile and is left alone.')
  }
  for (const reason of [
    shortOfTheWish(serviceId, wished),
    fitRegrowth(plan),
    fitFaceFrame(plan, wished.goal),
    fitShadow(plan, wished.goal),
    fitAmount(planner, plan, wished.goal),
  ])
    if (reason) reasons.push(reason)
  const { timeLimitMinutes } = wished.goal
  const minutes = Math.round(planner.computePlan(plan).handsOn.expected / 60)
  if (timeLimitMinutes !== undefined && minutes > timeLimitMinutes)
    reasons.push(
      `About ${minutes} minutes of hands alone, more than the ${timeLimitMinutes} there are: choose a smaller service, work with help, or split the visit.`,
    )
  return { plan: { ...plan, proposal: reasons }, serviceId, reasons }
}

/** Kinds of service whose permanent colour comes to the wished level. */
const DEEPENS: readonly ServiceId[] = ['deeperAgain', 'rootColour', 'filledAndDeepened']

/** A formula of a kind of service as the wish has it; says why, where it is a choice. */
function formulaFor(
  plan: FaltoPlan,
  formula: Formula,
  serviceId: ServiceId,
  wished: Wished,
  reasons: string[],
): Formula {
  const wish = target(wished.goal)
  const wanted = { level: wish.level, tone: TONES[wish.hue] }
  const { kind } = byId(plan.products, formula.productId)
  if (isLightener(kind)) {
    const stronger = wished.goal.school === 'stepUp'
    const liftGoal = canvasFor(wish, wished.goal)
    const strength = stronger ? STEP_UP_VOL : LOW_AND_SLOW_VOL
    reasons.push(
      `Formula ${formula.id} to level ${liftGoal}${liftGoal > wish.level ? `, which the wished ${wish.hue} needs beneath it` : ''}; toned it shows ${wish.level}, ${wanted.tone}. ${kind === 'clayLightener' ? '30 vol, one step stronger than in foil, because it is painted open-air.' : `${strength} vol, by the school "${stronger ? 'step up' : 'low and slow'}".`}`,
    )
    return { ...formula, ...wanted, liftGoal, ...(kind === 'powderLightener' && { developerVol: strength }) }
  }
  if (DEEPENS.includes(serviceId) && kind === 'permanentColour') return lasting(formula, wished, wanted, reasons)
  if (serviceId === 'dyeTakenOut') return { ...formula, tone: wanted.tone }
  return tonesEverything(plan, formula.id) ? { ...formula, ...wanted } : formula
}

/** Whether a formula is the gloss that goes over the hair at the end. */
const tonesEverything = ({ variants }: FaltoPlan, letter: string): boolean =>
  variants[0]!.stages.some(
    ({ kind, zones }) => kind === 'gloss' && zones.some(({ placement }) => rhythmLetters(placement).includes(letter)),
  )

/** Depth that stays: permanent colour, or a gloss where lighter is planned before it would have gone. */
function lasting(
  formula: Formula,
  { goal: { lighterInMonths } }: Wished,
  wanted: Pick<Formula, 'level' | 'tone'>,
  reasons: string[],
): Formula {
  if (lighterInMonths === undefined) return { ...formula, ...wanted }
  reasons.push(
    `Lighter again in ${lighterInMonths} months: a gloss, which washes out, instead of permanent pigment that would have to be lifted.`,
  )
  return { ...formula, ...wanted, productId: FADING.id, developerVol: FADING.developerVol, ratio: FADING.ratio }
}

/** What a proposal without lightener cannot do, or has to do first. */
function shortOfTheWish(serviceId: ServiceId, wished: Wished): string | undefined {
  const { level } = target(wished.goal)
  const { lengths } = levelsOf(wished)
  if (wished.goal.means === 'permanentOnly' && level > lengths)
    return level > lengths + PERMANENT_LIFTS
      ? `Level ${level} is out of its reach: permanent colour lifts natural hair by about ${PERMANENT_LIFTS} levels at most, and dyed hair not at all.`
      : 'Permanent colour lifts natural hair only; dyed lengths stay as they are.'
  if (serviceId === 'deeperAgain' && lengths - level >= WARMTH_BACK_LEVELS)
    return `${rounded(lengths - level)} levels deeper: warm pigment goes in first, as a filler or as gold or copper in the mix, or it turns green or dull.`
  return undefined
}
