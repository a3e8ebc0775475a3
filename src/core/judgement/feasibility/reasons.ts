/* eslint-disable max-lines -- one table: every reason that a verdict can have */
import {
  COOL_HALF_LIFE_SHARE,
  HALF_LIFE_WASHES,
  isCool,
  toQuarterLevel,
  USUAL_WASHES_PER_WEEK,
} from '../../hair/hairRecord'
import { apparentLevel, underlyingPigment } from '../../hair/colour'
import { regrowthCm } from '../../hair/fibre'
import { roundToTenth } from '../../units'
import type { Feasibility, JudgedBand, Wish } from './assess'
import { wasTreatedWith, isArtificial } from './band'
import {
  BUDGET,
  CONTRAST_LEVELS,
  COVERS_WHITE_TO,
  FADE_SPREAD,
  ONE_VISIT,
  REMOVER_LEVELS,
  SCHOOL_MEANS,
  TONE_CANVAS,
  UNSEEN_LEVELS,
  UPKEEP_WEEKS,
  WARMTH_ALLOWANCE,
  WHITE_MATTERS,
} from './constants'
import { targetFor } from './target'

/** Why a verdict is what it is, with the figures behind it. */
export interface Reason {
  id:
    | 'levels'
    | 'tone-canvas'
    | 'artificial-pigment'
    | 'strand-test'
    | 'metallic'
    | 'clarify'
    | 'remover'
    | 'filler'
    | 'fragile'
    | 'lightest'
    | 'means'
    | 'scalp'
    | 'white-cover'
    | 'white-blend'
    | 'contrast'
    | 'upkeep'
    | 'fade'
    | 'later'
  severity: 'fact' | 'caution' | 'stop'
  text: string
  figures: { label: string; value: string }[]
}

type Judged = Omit<Feasibility, 'reasons' | 'plan'>
type Rule = (wish: Wish, judged: Judged) => Reason[]

const cm = (band: JudgedBand['band']): string => `${band.fromCm}–${band.toCm} cm`
const quarterText = (level: number): string => String(toQuarterLevel(level))
const tenthText = (value: number): string => String(roundToTenth(value))
const levelsText = (levels: number): string =>
  `${quarterText(levels)} ${toQuarterLevel(levels) === 1 ? 'level' : 'levels'}`
const span = ({ low, high }: { low: number; high: number }): string =>
  tenthText(low) === tenthText(high) ? tenthText(low) : `${tenthText(low)}–${tenthText(high)}`
const cmList = (bands: readonly JudgedBand[]): string => [...new Set(bands.map(({ band }) => cm(band)))].join(', ')

const levels: Rule = (_wish, { limiting, visits, reach }) => {
  const { band, required, need, perVisit, rate, target } = limiting
  const now = underlyingPigment(band.level)
  const then = underlyingPigment(required)
  const text =
    limiting.state === 'fine'
      ? `No band has to be lifted: the hair is at ${quarterText(band.level)} or lighter where level ${quarterText(target.level)} is wanted.`
      : `The band at ${cm(band)} decides: from level ${quarterText(band.level)} (${now.name} beneath) to a canvas at ${quarterText(required)} (${then.name}), ${levelsText(need)}.`
  return [
    {
      id: 'levels',
      severity: 'fact',
      text,
      figures: [
        { label: 'Level now', value: quarterText(band.level) },
        { label: 'Canvas wanted', value: `${quarterText(required)}, ${then.name}; ${then.cancelledBy} cancels it` },
        { label: 'Speed against virgin hair', value: `× ${tenthText(rate)}` },
        {
          label: `Lift in a visit of ${ONE_VISIT.slow.minutes}–${ONE_VISIT.fast.minutes} min`,
          value: `${span(perVisit)} levels`,
        },
        ...(reach === 'notNow' ? [] : [{ label: 'Visits', value: span(visits) }]),
      ],
    },
  ]
}

const toneCanvas: Rule = ({ goal }, { bands }) => {
  const raised = bands.find(
    ({ state, required, target }) => (state === 'lift' || state === 'short') && required > target.level + 1e-9,
  )
  if (!raised) return []
  const { target, required, lightest } = raised
  const reads = lightest >= required - UNSEEN_LEVELS
  return [
    {
      id: 'tone-canvas',
      severity: reads ? 'fact' : 'caution',
      text: `${capital(target.hue)} at level ${quarterText(target.level)} reads only on a canvas at ${quarterText(required)}${reads ? ', so the hair is lifted past its warmth and toned down' : ', which this hair does not reach: it would turn warm or muddy'}.`,
      figures: [
        { label: `Canvas for ${target.hue}`, value: `level ${TONE_CANVAS[target.hue]}` },
        { label: `Warmth accepted: ${goal.warmth}`, value: `− ${WARMTH_ALLOWANCE[goal.warmth]}` },
        { label: 'Exposed there', value: underlyingPigment(required).name },
        { label: 'Looks like level', value: quarterText(apparentLevel(target.level, target.hue, target.strength)) },
      ],
    },
  ]
}

const artificial: Rule = (_wish, { bands }) => {
  const dyed = bands.filter((judged) => judged.state !== 'fine' && isArtificial(judged.band))
  if (dyed.length === 0) return []
  return [
    {
      id: 'artificial-pigment',
      severity: 'fact',
      text: `There is artificial pigment at ${cmList(dyed)}. Permanent colour does not lift it; only lightener or a remover does, more slowly and less evenly than on virgin hair.`,
      figures: dyed.map(({ band, rate, perVisit }) => ({
        label: `${cm(band)}: × ${tenthText(rate)} of virgin speed`,
        value: `${span(perVisit)} levels a visit`,
      })),
    },
  ]
}

const strandTest: Rule = (_wish, { bands }) => {
  const doubtful = bands.filter(({ prework }) => prework.includes('strandTest'))
  if (doubtful.length === 0) return []
  return [
    {
      id: 'strand-test',
      severity: 'caution',
      text: `Nobody can say beforehand what lightener does at ${cmList(doubtful)}. Test a hidden strand first and promise nothing before it has dried.`,
      figures: doubtful.map(({ band }) => ({
        label: cm(band),
        value: band.treatments.map(({ kind }) => HISTORY_WORDS[kind]).join(', '),
      })),
    },
  ]
}

const metallic: Rule = (_wish, { bands }) => {
  const salts = bands.filter(({ band, state }) => wasTreatedWith(band, 'metallic') && state === 'blocked')
  if (salts.length === 0) return []
  return [
    {
      id: 'metallic',
      severity: 'stop',
      text: `Metallic salts at ${cmList(salts)}: no lightener and no oxidative colour over them. Let them grow out and be cut off; until then work on the regrowth only, as the products’ instructions allow.`,
      figures: salts.map(({ band }) => ({ label: 'To be cut', value: cm(band) })),
    },
  ]
}

const clarify: Rule = (_wish, { bands }) => {
  const mineral = bands.filter(({ prework }) => prework.includes('clarify'))
  if (mineral.length === 0) return []
  return [
    {
      id: 'clarify',
      severity: 'caution',
      text: `Minerals at ${cmList(mineral)}: clarify first, or lightener may heat up and toner turn green.`,
      figures: [{ label: 'Time for it', value: '30 min under warmth, sometimes twice' }],
    },
  ]
}

const remover: Rule = (_wish, { bands }) => {
  const removed = bands.filter(({ prework }) => prework.includes('remover'))
  if (removed.length === 0) return []
  return [
    {
      id: 'remover',
      severity: 'fact',
      text: `A remover at ${cmList(removed)} before lightening spares the hair part of the way. Keep it off the scalp.`,
      figures: [
        { label: 'Gains', value: `${REMOVER_LEVELS.low}–${REMOVER_LEVELS.high} levels` },
        { label: 'Time for it', value: '30 min each time' },
      ],
    },
  ]
}

const filler: Rule = (_wish, { bands }) => {
  const filled = bands.filter(({ prework }) => prework.includes('filler'))
  if (filled.length === 0) return []
  return [
    {
      id: 'filler',
      severity: 'fact',
      text: `Very light, even hair at ${cmList(filled)} needs warm pigment put back before it goes darker, or it turns muddy or green.`,
      figures: filled.map(({ band, target }) => ({
        label: cm(band),
        value: `${quarterText(band.level)} → ${quarterText(target.level)}`,
      })),
    },
  ]
}

const fragile: Rule = ({ goal, hair }, { bands }) => {
  const weak = bands.filter(({ band, state }) => band.integrity !== 'sound' && state !== 'fine')
  if (weak.length === 0) return []
  const worst = [...weak].sort((a, b) => a.stands - b.stands)[0]!
  const stops = worst.state === 'blocked' || worst.state === 'short'
  return [
    {
      id: 'fragile',
      severity: worst.band.integrity === 'breaking' ? 'stop' : 'caution',
      text: `The band at ${cm(worst.band)} is ${worst.band.integrity}: it stands about ${tenthText(worst.stands)} levels more${stops ? `, ${tenthText(worst.need)} are asked for` : ''}. Low strength, bond additive, minutes only; stretch a wet strand before and during.`,
      figures: [
        { label: `Budget, ${worst.band.integrity}`, value: `${BUDGET[worst.band.integrity]} of a sound strand’s 0.9` },
        {
          label: `Porosity ${worst.band.porosity}, ${hair.texture} fibre, ${SCHOOL_MEANS[goal.school].name.toLowerCase()}`,
          value: `${tenthText(worst.stands)} levels`,
        },
        { label: 'Levels asked for', value: tenthText(worst.need) },
      ],
    },
  ]
}

const lightest: Rule = (_wish, { bands }) => {
  const short = bands.filter(({ state, lightestBy }) => state === 'short' && lightestBy === 'history')
  if (short.length === 0) return []
  return [
    {
      id: 'lightest',
      severity: 'caution',
      text: `Over this history lightener cannot be trusted to go as far as is wished at ${cmList(short)}.`,
      figures: short.map((judged) => ({
        label: cm(judged.band),
        value: `up to level ${quarterText(judged.lightest)}, ${quarterText(judged.required)} wanted`,
      })),
    },
  ]
}

const means: Rule = ({ goal }, { bands }) => {
  if (goal.means === 'open') return []
  const short = bands.filter(({ state }) => state === 'short')
  if (short.length === 0) return []
  return [
    {
      id: 'means',
      severity: 'stop',
      text:
        goal.means === 'depositOnly'
          ? 'Deposit never lightens. Allow lightener, or choose a level no lighter than the hair.'
          : 'Permanent colour lifts natural hair by up to 3–4 levels and artificial pigment not at all. Allow lightener, or choose a deeper level.',
      figures: short.map((judged) => ({
        label: cm(judged.band),
        value: `reaches ${quarterText(judged.lightest)}, ${quarterText(judged.required)} wanted`,
      })),
    },
  ]
}

const scalp: Rule = ({ hair }) =>
  hair.scalp === 'broken' || hair.scalp === 'irritated'
    ? [
        {
          id: 'scalp',
          severity: 'stop',
          text: `The scalp is ${hair.scalp}: no colour service on broken or irritated skin. Wait until it has healed; with any doubt, a doctor decides.`,
          figures: [{ label: 'Scalp, as recorded', value: hair.scalp }],
        },
      ]
    : []

const white: Rule = ({ goal, meanWhite }) => {
  if (meanWhite < WHITE_MATTERS || goal.white === 'keep') return []
  const percent = Math.round(100 * meanWhite)
  const figures = [
    { label: 'White on the whole head', value: `${percent} %` },
    { label: 'Light pieces wanted', value: `${goal.lightPercent} %` },
  ]
  if (goal.white === 'blend')
    return [
      {
        id: 'white-blend',
        severity: 'fact',
        text: `To blend, copy her own white: about ${percent} % light strands in fine weaves, placed where the white is; never the whole head to match its whitest place.`,
        figures,
      },
    ]
  const target = targetFor(goal, 'all')
  const covers = target.level <= COVERS_WHITE_TO
  return [
    {
      id: 'white-cover',
      severity: covers ? 'fact' : 'caution',
      text: covers
        ? `Level ${quarterText(target.level)} covers white with a natural base, 20 vol, full saturation and 3 mm partings.`
        : `Level ${quarterText(target.level)} stains white hair and does not cover it. Cover at level 7 or deeper, or blend.`,
      figures: [...figures, { label: 'Covers up to level', value: '7–8' }],
    },
  ]
}

const contrast: Rule = ({ goal, hair }, { bands }) => {
  const target = bands[0]!.target
  const difference = Math.abs(target.level - hair.naturalLevel)
  const wanted = CONTRAST_LEVELS[goal.contrast]
  if (difference >= wanted.low - 0.5 && difference <= wanted.high + 0.5) return []
  return [
    {
      id: 'contrast',
      severity: 'fact',
      text: `Level ${quarterText(target.level)} beside natural ${quarterText(hair.naturalLevel)} is ${levelsText(difference)}; ${goal.contrast} contrast usually means ${wanted.low}${wanted.high < 9 ? `–${wanted.high}` : ' or more'}.`,
      figures: [{ label: 'Light against natural', value: levelsText(difference) }],
    },
  ]
}

const upkeep: Rule = ({ goal, hair }) => {
  const carries = UPKEEP_WEEKS[goal.root]
  const root = regrowthCm(goal.upkeepWeeks, hair.growthCmPerMonth)
  if (goal.upkeepWeeks <= carries.high) return []
  return [
    {
      id: 'upkeep',
      severity: 'caution',
      text: `After ${goal.upkeepWeeks} weeks there are ${tenthText(root)} cm of regrowth; a ${ROOT_WORDS[goal.root]} usually carries ${carries.low}–${carries.high} weeks. Plan a softer root or an earlier visit.`,
      figures: [
        { label: 'Regrowth by then', value: `${tenthText(root)} cm` },
        { label: 'Carries', value: `${carries.low}–${carries.high} weeks` },
      ],
    },
  ]
}

const fade: Rule = ({ goal, hair }, { bands }) => {
  const { target, required, band } = bands.find(({ state }) => state !== 'fine') ?? bands[0]!
  if (target.hue === 'neutral' || target.strength <= 0) return []
  const washes = HALF_LIFE_WASHES.demi! * (isCool(target.hue) ? COOL_HALF_LIFE_SHARE : 1)
  const perWeek = hair.washesPerWeek ?? USUAL_WASHES_PER_WEEK
  if (perWeek <= 0) return []
  const weeks = washes / perWeek
  // Hair that is lighter than the wish asks for is so again beneath what washes out.
  const beneath = Math.max(required, band.level)
  return [
    {
      id: 'fade',
      severity: isCool(target.hue) && weeks * FADE_SPREAD.high < goal.upkeepWeeks ? 'caution' : 'fact',
      text: `Half the ${target.hue} has gone after ${span({ low: weeks * FADE_SPREAD.low, high: weeks * FADE_SPREAD.high })} weeks; it fades to ${underlyingPigment(beneath).name} at level ${quarterText(beneath)}.${isCool(target.hue) ? ' Cool tones leave first: offer a gloss between visits.' : ''}`,
      figures: [
        { label: 'Washes until half is gone', value: tenthText(washes) },
        { label: 'Washes a week', value: tenthText(perWeek) },
        { label: 'Upkeep wished', value: `${goal.upkeepWeeks} weeks` },
      ],
    },
  ]
}

const later: Rule = ({ goal }) =>
  goal.lighterInMonths === undefined
    ? []
    : [
        {
          id: 'later',
          severity: 'fact',
          text: `Lighter hair is planned in ${goal.lighterInMonths} months: put no lasting dark pigment where it is to be light; demi before permanent.`,
          figures: [
            {
              label: 'Growth until then',
              value: `${tenthText(regrowthCm((goal.lighterInMonths * 365.2425) / 84))} cm`,
            },
          ],
        },
      ]

const RULES: readonly Rule[] = [
  levels,
  metallic,
  scalp,
  means,
  strandTest,
  fragile,
  lightest,
  clarify,
  toneCanvas,
  artificial,
  remover,
  filler,
  white,
  contrast,
  upkeep,
  fade,
  later,
]

/** The reasons of a verdict, the decisive ones first. */
export const reasonsFor = (wish: Wish, judged: Judged): Reason[] => RULES.flatMap((rule) => rule(wish, judged))

const HISTORY_WORDS = {
  lightened: 'lightened',
  permanent: 'permanent colour',
  demi: 'demi',
  boxDye: 'box dye',
  henna: 'henna',
  unknown: 'unknown',
  metallic: 'metallic salts',
  sun: 'sun',
  mineral: 'mineral water',
} as const
const ROOT_WORDS = { toScalp: 'design to the scalp', rooted: 'rooted, glossed design', melt: 'soft melt' } as const
const capital = (word: string): string => word[0]!.toUpperCase() + word.slice(1)
