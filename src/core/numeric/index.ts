/** Arithmetic that several rooms need: roots, lists, readings between points, angles. Pure numbers without units. */

/** Halvings after which an interval of any size here is narrower than a double can tell. */
const HALVINGS = 60

/** Root of a rising function between two bounds; the nearer bound where it has none. */
export function bisect(rising: (value: number) => number, low: number, high: number): number {
  let [a, b] = [low, high]
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (a + b) / 2
    if (rising(middle) < 0) a = middle
    else b = middle
  }
  return (a + b) / 2
}

/** The value a share of the way from one to another. */
export const between = (from: number, to: number, share: number): number => from + share * (to - from)

/** All of them together; 0 of none. */
export const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0)

/** Whether two lists have the same elements in the same order. */
export function sameElements<T>(one: ArrayLike<T>, other: ArrayLike<T>): boolean {
  if (one === other) return true
  if (one.length !== other.length) return false
  for (let i = 0; i < one.length; i++) if (one[i] !== other[i]) return false
  return true
}

/** The same answer, the same object, for the same question as long as it is held. */
export function memoised<Q, A>(answer: (question: Q) => A): (question: Q) => A {
  const known = new Map<Q, A>()
  return (question) => {
    let found = known.get(question)
    if (found === undefined) known.set(question, (found = answer(question)))
    return found
  }
}

/** A point of a table of what depends on what. */
export type Reading = readonly [x: number, y: number]

/** Reads a table with rising `x` along straight lines; beyond its ends it reads as its ends. */
export function readAlong(table: readonly Reading[], x: number): number {
  const after = table.findIndex(([own]) => own >= x)
  if (after <= 0) return (after === 0 ? table[0]! : table.at(-1)!)[1]
  const [from, low] = table[after - 1]!
  const [to, high] = table[after]!
  return between(low, high, (x - from) / (to - from))
}

const TURN = 2 * Math.PI

/** An angle, rad, as it lies from a line of symmetry at 0: 0…π on either side. */
export const foldTurn = (angle: number): number => Math.abs(angle - TURN * Math.round(angle / TURN))

/** An angle, rad, as a part of one turn: 0…2π. */
export const withinTurn = (angle: number): number => ((angle % TURN) + TURN) % TURN

/** 0 below 0, 1 above 1, and smoothly from one to the other (cubic Hermite). */
export function smooth(x: number): number {
  const t = Math.min(1, Math.max(0, x))
  return t * t * (3 - 2 * t)
}

export { chance, type Chance } from './chance'
