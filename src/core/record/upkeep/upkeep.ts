import { dayAfter } from '../../hair/hairRecord'
import {
  activeVariant,
  byId,
  isLightener,
  rhythmLetters,
  type FaltoPlan,
  type Placement,
  type ProductKind,
} from '../../model'
import { takenShare } from '../../placement/foils'
import {
  AT_ROOT_CM,
  FULL_WEEKS,
  GLOSS_WEEKS,
  SOFT_FROM_CM,
  SOLID_SHARE,
  YELLOW_FROM_LEVEL,
  type RootDesign,
} from './constants'

/** From one day to another, `YYYY-MM-DD`. */
export interface Days {
  from: string
  to: string
}

/** What becomes of a visit afterwards: when she is due, and what she does at home, in plain sentences. */
export interface Upkeep {
  root: RootDesign
  next: Days
  /** A gloss in between; null where it would fall together with the next visit, or nothing was toned. */
  gloss: Days | null
  home: string[]
}

/** @param on day of the visit, `YYYY-MM-DD` */
export function upkeepOf(document: FaltoPlan, on: string): Upkeep {
  const root = rootOf(document)
  const next = weeksAfter(on, FULL_WEEKS[root])
  const gloss = weeksAfter(on, GLOSS_WEEKS)
  const toned = kindsUsed(document).has('gloss')
  return { root, next, gloss: toned && gloss.to < next.from ? gloss : null, home: homeCare(document) }
}

/** How the root was done: by what goes on it first, and whether a shadow softens it. */
function rootOf(document: FaltoPlan): RootDesign {
  const { stages } = activeVariant(document)
  const placed = stages
    .filter(({ kind }) => kind === 'lighten' || kind === 'base')
    .flatMap(({ zones }) => zones.map(({ placement }) => placement))
    .filter(({ sequence }) => sequence.some((entry) => entry !== 'leave'))
  const isShadowed = stages.some(({ kind }) => kind === 'shadowRoot' || kind === 'melt')
  if (placed.some(isSolidRoot)) return isShadowed ? 'rooted' : 'toScalp'
  if (placed.length > 0 && placed.every(({ startCm }) => startCm >= SOFT_FROM_CM)) return 'soft'
  return 'rooted'
}

const isSolidRoot = ({ take, startCm }: Placement): boolean =>
  take.kind === 'onScalp' || (startCm < AT_ROOT_CM && takenShare(take) >= SOLID_SHARE)

function kindsUsed(document: FaltoPlan): Set<ProductKind> {
  const zones = activeVariant(document).stages.flatMap((stage) => stage.zones)
  const letters = new Set(zones.flatMap(({ placement }) => rhythmLetters(placement)))
  const used = document.formulas.filter(({ id }) => letters.has(id))
  return new Set(used.map(({ productId }) => byId(document.products, productId).kind))
}

/** Plain sentences for the client; common practice. Nothing here says that anything is safe. */
function homeCare(document: FaltoPlan): string[] {
  const kinds = kindsUsed(document)
  const lightens = [...kinds].some(isLightener)
  const light = document.formulas.some(({ level, tone }) => level >= YELLOW_FROM_LEVEL && tone !== 'warm')
  return [
    'Wait two days before the first wash, then wash gently with cool water and a mild shampoo.',
    ...(lightens && light
      ? ['Use a violet wash only once yellow shows, and not at every wash: too often makes light hair dull.']
      : []),
    ...(lightens
      ? ['Once a week put a moisturising treatment on lengths and ends, as its label says.', KEEP_OFF_HEAT]
      : []),
    ...(kinds.has('permanentColour') ? ['Colour lasts longer the less often it is washed.'] : []),
    'If your scalp itches, burns or swells, rinse, and ask a doctor. Tell us before the next visit.',
  ]
}

const KEEP_OFF_HEAT = 'Keep irons and dryers moderate, and use something that protects from heat.'

const DAYS_A_WEEK = 7
const weeksAfter = (on: string, { from, to }: { from: number; to: number }): Days => ({
  from: dayAfter(on, DAYS_A_WEEK * from),
  to: dayAfter(on, DAYS_A_WEEK * to),
})
