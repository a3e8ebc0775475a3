import { targetFor } from '../../judgement/feasibility'
import { byId, isLightener, type FaltoPlan, type Goal, type HairState, type Tone, type ToneHue } from '../../model'
import type { Planner } from '../planner'
import { fitAmount, fitFaceFrame, fitRegrowth, fitShadow } from './fit'
import type { Person } from './newPlan'
import { planFromService, SERVICES, type ServiceId } from './serviceKinds'
import {
  ALL_OVER_PERCENT,
  LIGHT_ALREADY_LEVELS,
  LONG_CM,
  PERMANENT_LIFTS,
  ROOT_SHOWS_LEVELS,
  SHORT_CM,
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

/** The first that applies is proposed. Order: common practice; bounds: our estimate. */
const CHOICES: readonly Choice[] = [
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
    when: (wished) =>
      target(wished.goal).level <= levelsOf(wished).lengths - 1 &&
      wished.goal.lightPercent > 0 &&
      wished.goal.means !== 'depositOnly',
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

/**
 * Proposes a plan from hair, wish and way of wearing it: the kind of service, then the wished level and tone, developer
 * by school, face frame, depth of the shadow and amount of light. Everything can be changed.
 * @returns the plan with the reason for each choice
 */
export function proposePlan(planner: Planner, wished: Wished, person: Person): Proposal {
  const { serviceId, because } = CHOICES.find(({ when }) => when(wished))!
  const plan = planFromService(serviceId, person)
  const wish = target(wished.goal)
  const reasons = [`${byId(SERVICES, serviceId).name}. ${because(wished)}`]
  const kindOf = (productId: string) => byId(plan.products, productId).kind
  const strength = wished.goal.school === 'stepUp' ? 30 : 20
  plan.formulas = plan.formulas.map((formula) => {
    const kind = kindOf(formula.productId)
    if (serviceId === 'deeperAgain') return { ...formula, level: wish.level, tone: TONES[wish.hue] }
    if (!isLightener(kind)) return formula
    const painted = kind === 'clayLightener'
    reasons.push(
      `Formula ${formula.id} at level ${wish.level}, ${TONES[wish.hue]}: the wished tone. ${painted ? '30 vol, one step stronger than in foil, because it is painted open-air.' : `${strength} vol, by the school "${wished.goal.school === 'stepUp' ? 'step up' : 'low and slow'}".`}`,
    )
    return {
      ...formula,
      level: wish.level,
      tone: TONES[wish.hue],
      ...(kind === 'powderLightener' && { developerVol: strength }),
    }
  })
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
