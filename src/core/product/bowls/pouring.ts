import { peroxideInMix } from '../formula'
import { BOWL_G, LONG_BOWL_G } from '../../placement/quantity'
import { roundToTenth } from '../../units'
import type { MixedPart } from './mixPlan'
import { STILL_RIGHT_G, MOST_GROWTH } from './constants'

/** One line of a bowl while it is weighed. Grams to the scale's step. */
export interface PouringLine extends MixedPart {
  /** What is to be in the bowl, after overshoots; `grams` is what was planned. */
  target: number
  /** What went in; 0 until it was poured. */
  actual: number
}

/** A bowl on the scale. Pure state: everything in it follows from the bowl and from what was poured. */
export interface Pouring {
  lines: PouringLine[]
  /** How much larger the bowl has become to keep its ratio, ×. */
  factor: number
  /** What the last pour led to. */
  verdict: PourVerdict
}

/**
 * `open`: go on. `kept`: more went in than was asked for, and the rest grew with it. `tooMuch`: the bowl would grow
 * beyond what it holds or what is worth it, so the rest stays as planned and the mix is another one. `done`: every line
 * is in.
 */
export type PourVerdict =
  { kind: 'open' | 'done' } | { kind: 'kept' | 'tooMuch'; line: number; over: number; words: string }

export const pouringOf = (parts: readonly MixedPart[]): Pouring => ({
  lines: parts.map((part) => ({ ...part, target: part.grams, actual: 0 })),
  factor: 1,
  verdict: { kind: 'open' },
})

/** The line to pour next: the first that lacks more than the hand's error. @returns −1 when nothing is missing */
export const nextTarget = ({ lines }: Pouring): number =>
  lines.findIndex(({ target, actual }) => target - actual > STILL_RIGHT_G)

/**
 * Adds what was poured into a line. More than asked makes every other target grow in proportion, as far as the bowl
 * allows, also of what is in already.
 * @param grams that went in now, above 0
 */
export function poured(pouring: Pouring, line: number, grams: number): Pouring {
  const lines = pouring.lines.map((one, i) => (i === line ? { ...one, actual: roundToTenth(one.actual + grams) } : one))
  const over = roundToTenth(lines[line]!.actual - lines[line]!.target)
  if (over <= STILL_RIGHT_G) return settled({ ...pouring, lines })
  const factor = lines[line]!.actual / lines[line]!.grams
  const whole = lines.reduce((sum, { grams: planned }) => sum + planned, 0)
  const room = whole > BOWL_G ? LONG_BOWL_G : BOWL_G
  const name = lines[line]!.name
  if (factor > MOST_GROWTH || factor * whole > room) {
    const why =
      factor > MOST_GROWTH
        ? `the bowl would have to be ${Math.round(100 * (factor - 1))} % larger`
        : `the bowl would hold ${roundToTenth(factor * whole)} g, it holds ${room} g`
    return settled({
      ...pouring,
      lines,
      verdict: {
        kind: 'tooMuch',
        line,
        over,
        words: `${over} g too much of ${name}: ${why}. Spoon it out, or go on with another ratio.`,
      },
    })
  }
  return settled({
    lines: lines.map((one) => ({ ...one, target: roundToTenth(one.grams * factor) })),
    factor,
    verdict: {
      kind: 'kept',
      line,
      over,
      words: `${over} g too much of ${name}: the other targets grew by ${Math.round(1000 * (factor - 1)) / 10} %, so the ratio stays.`,
    },
  })
}

/** Spoons back out of a line what was too much. */
export function corrected(pouring: Pouring, line: number, actual: number): Pouring {
  return settled({
    ...pouring,
    lines: pouring.lines.map((one, i) => (i === line ? { ...one, actual: roundToTenth(Math.max(0, actual)) } : one)),
    verdict: { kind: 'open' },
  })
}

/**
 * Developer that is added to a bowl which has thickened: it is meant, so nothing grows with it, and ratio and strength
 * become others.
 */
export const withDeveloper = (pouring: Pouring, line: number, grams: number): Pouring =>
  settled({
    ...pouring,
    lines: pouring.lines.map((one, i) =>
      i === line
        ? {
            ...one,
            actual: roundToTenth(one.actual + grams),
            target: roundToTenth(Math.max(one.target, one.actual + grams)),
          }
        : one,
    ),
    verdict: { kind: 'open' },
  })

/**
 * What is in a bowl by now: parts of developer to one of the rest, and peroxide in all, %.
 * @returns undefined before both are in
 */
export function madeOf({ lines }: Pouring, vol: number): { ratio: number; peroxidePercent: number } | undefined {
  const developer = lines.reduce((sum, { role, actual }) => (role === 'developer' ? sum + actual : sum), 0)
  const rest = lines.reduce((sum, { role, actual }) => (role === 'developer' ? sum : sum + actual), 0)
  if (developer === 0 || rest === 0) return undefined
  const ratio = developer / rest
  return { ratio, peroxidePercent: peroxideInMix(vol, ratio) }
}

const settled = (pouring: Pouring): Pouring =>
  nextTarget(pouring) < 0 && pouring.verdict.kind !== 'tooMuch' ? { ...pouring, verdict: { kind: 'done' } } : pouring

/** What to do now, in words. */
export function describeStep(pouring: Pouring): string {
  const at = nextTarget(pouring)
  if (at < 0) return 'Everything is in. Mix until it is even.'
  const { name, target, actual } = pouring.lines[at]!
  return actual > 0 ? `${roundToTenth(target - actual)} g more of ${name}` : `${target} g of ${name}`
}
