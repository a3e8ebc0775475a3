import type { FaltoPlan } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { clockFor, type Clock, type ClockOptions } from './clock'
import { ASSISTANT, SECOND_COLOURIST, withHelp } from './crew'
import { LONGER_MINUTES } from './constants'

export const REMEDY_KINDS = [
  'help',
  'secondColourist',
  'otherOrder',
  'partialRinse',
  'stripAtBasin',
  'otherProduct',
  'splitVisit',
] as const
export type RemedyKind = (typeof REMEDY_KINDS)[number]

/** Something that would make a plan fit, or sooner ready, with what it comes to. */
export interface Remedy {
  kind: RemedyKind
  /** What is changed, in words. */
  text: string
  clock: Clock
}

/**
 * What keeps longest times where a plan does not keep them: only what was tried and works, soonest first, two visits
 * last. Empty where everything fits.
 */
export function remediesFor(plan: FaltoPlan, computed: ComputedStages, options: ClockOptions, clock: Clock): Remedy[] {
  if (clock.fits) return []
  const tried: Remedy[] = []
  const attempt = (kind: RemedyKind, text: string, change: Partial<ClockOptions>, changed = plan) =>
    tried.push({ kind, text, clock: clockFor(changed, computed, { ...options, ...change }) })
  const { crew } = options
  if (!crew.people.some(({ skills }) => !skills.includes('colour')))
    attempt('help', 'With an assistant who mixes, takes out and rinses.', { crew: withHelp([ASSISTANT], crew) })
  attempt('secondColourist', 'With a second colourist.', { crew: withHelp([SECOND_COLOURIST], crew) })
  attempt('otherOrder', 'In the opposite order of zones.', {
    order: options.order === 'reversed' ? 'planned' : 'reversed',
  })
  attempt('stripAtBasin', 'Stripping the foils that can wait at the basin, with the rinse.', { foils: 'basin' })
  attempt('partialRinse', 'Rinsing section by section, as each one’s time is up.', { rinse: 'bySection' })
  const hindered = new Set(clock.conflicts.flatMap(({ formulaId }) => (formulaId ? [formulaId] : [])))
  for (const minutes of LONGER_MINUTES) {
    if (tried.some(({ kind, clock: { fits } }) => kind === 'otherProduct' && fits)) break
    const names: string[] = []
    const products = plan.products.map((product) => {
      const slow =
        plan.formulas.some(({ id, productId }) => hindered.has(id) && productId === product.id) &&
        product.maximumMinutes < minutes
      if (slow) names.push(product.name)
      return slow ? { ...product, maximumMinutes: minutes } : product
    })
    if (names.length > 0)
      attempt(
        'otherProduct',
        `Something else than ${names.join(' and ')}, that may sit ${minutes} min.`,
        {},
        { ...plan, products },
      )
  }
  const working = tried
    .filter(({ clock: { fits } }) => fits)
    .sort((a, b) => a.clock.finish.expected - b.clock.finish.expected)
  const split = splitOver(plan, computed, options)
  return split ? [...working, split] : working
}

/**
 * As many zones of the first stage as fit in one visit, in their order, with the rest in another; what comes after them
 * is done at both. Undefined where that does not help either.
 */
function splitOver(plan: FaltoPlan, computed: ComputedStages, options: ClockOptions): Remedy | undefined {
  const placed = computed.zones.filter(({ placement }) => placement.pieces.length > 0)
  const zones = placed.filter(({ stageId }) => stageId === placed[0]!.stageId)
  const after = placed.filter(({ stageId }) => stageId !== placed[0]!.stageId)
  for (let first = zones.length - 1; first > 0; first--) {
    const [now, later] = [zones.slice(0, first), zones.slice(first)]
    const clockOf = (some: typeof zones) =>
      clockFor(plan, computed, { ...options, only: new Set([...some, ...after].map(({ zoneId }) => zoneId)) })
    const clock = clockOf(now)
    if (!clock.fits) continue
    const rest = clockOf(later)
    if (!rest.fits) continue
    return {
      kind: 'splitVisit',
      text: `Over two visits: ${now.map(({ name }) => name).join(', ')} now; ${later.map(({ name }) => name).join(', ')} another day, in ${Math.round(rest.finish.expected)} min.`,
      clock,
    }
  }
  return undefined
}
