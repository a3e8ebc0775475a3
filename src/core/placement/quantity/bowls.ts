import { BOWL_G, BOWL_RESIDUE_G, LONG_BOWL_FROM_CM, LONG_BOWL_G, EVEN_TO_G } from './constants'

/** One application of a formula, in the order of work. */
export interface BowlUse {
  stage: number
  /** Its place among the plan's pieces. */
  piece: number
  /** Mix it takes, g. */
  grams: number
  /** When it is begun and done, s from the start of its stage's work. */
  from: number
  to: number
}

/** One bowl: mixed when its first application begins. */
export interface Bowl {
  stage: number
  /** First and last piece it serves, and how many. */
  first: number
  last: number
  pieces: number
  /** Mix that is applied from it, g; what stays in it comes on top. */
  applied: number
  /** s from the start of the stage's work; its age at the last application is to − from. */
  from: number
  to: number
}

/** What a bowl may hold and how long it is good. */
export interface BowlRules {
  /** g of mix */
  capacity: number
  /** s */
  workingLife: number
  /**
   * How many to mix, where that was chosen by hand: more give fresher bowls, fewer double ones. What goes stale is
   * divided all the same.
   */
  chosen?: number | undefined
}

/**
 * Mix one bowl holds, g: on very long hair a double one, because every walk to the dispensary costs time (common
 * practice).
 */
export const bowlCapacity = (hairLengthCm: number): number => (hairLengthCm >= LONG_BOWL_FROM_CM ? LONG_BOWL_G : BOWL_G)

/**
 * Divides a formula's work into bowls, stage by stage: as few as capacity and working life allow, because each one more
 * is a residue and a walk, and of those as even ones as can be. A single application that asks for more than a bowl
 * gets one of its own.
 */
export function planBowls(uses: readonly BowlUse[], { capacity, workingLife, chosen }: BowlRules): Bowl[] {
  const stages = [...new Set(uses.map(({ stage }) => stage))].map((stage) => uses.filter((use) => use.stage === stage))
  const fill = (room: number) => stages.map((own) => ({ own, bowls: filled(own, room, workingLife) }))
  const usual = fill(capacity - BOWL_RESIDUE_G)
  const double = chosen !== undefined && chosen < usual.reduce((sum, { bowls }) => sum + bowls.length, 0)
  const room = (double ? Math.max(capacity, LONG_BOWL_G) : capacity) - BOWL_RESIDUE_G
  const fewest = double ? fill(room) : usual
  const least = fewest.reduce((sum, { bowls }) => sum + bowls.length, 0)
  // Bowls that were asked for beyond the fewest go to the stage where they hold most.
  const counts = fewest.map(({ bowls }) => bowls.length)
  for (let more = Math.max(0, (chosen ?? 0) - least); more > 0; more--) {
    const fullest = fewest.map(({ own }, i) => (counts[i]! < own.length ? total(own) / counts[i]! : 0))
    const at = fullest.indexOf(Math.max(...fullest))
    if (!(fullest[at]! > 0)) break
    counts[at]! += 1
  }
  return fewest.flatMap(({ own }, i) => evenly(own, counts[i]!, room, workingLife))
}

const total = (uses: readonly BowlUse[]): number => uses.reduce((sum, { grams }) => sum + grams, 0)

/** Fills bowl after bowl up to a room, g, as long as each is good. */
function filled(uses: readonly BowlUse[], room: number, workingLife: number): Bowl[] {
  const bowls: Bowl[] = []
  let bowl: Bowl | undefined
  for (const { stage, piece, grams, from, to } of uses) {
    if (!bowl || bowl.applied + grams > room + 1e-9 || to - bowl.from > workingLife) {
      bowl = { stage, first: piece, last: piece, pieces: 0, applied: 0, from, to }
      bowls.push(bowl)
    }
    bowl.last = piece
    bowl.pieces += 1
    bowl.applied += grams
    bowl.to = to
  }
  return bowls
}

/**
 * So many bowls (or more, where they would go stale) as even as can be: the smallest room that still gives no more of
 * them.
 */
function evenly(uses: readonly BowlUse[], count: number, room: number, workingLife: number): Bowl[] {
  let high = Math.min(room, total(uses))
  // No room below the mean can do.
  let low = high > 0 ? total(uses) / (count + 1) : 0
  while (high - low > EVEN_TO_G) {
    const middle = (low + high) / 2
    if (countFilled(uses, middle, workingLife) <= count) high = middle
    else low = middle
  }
  return filled(uses, high, workingLife)
}

/** How many bowls {@link filled} would make. */
function countFilled(uses: readonly BowlUse[], room: number, workingLife: number): number {
  let count = 0
  let applied = 0
  let begun = 0
  for (const { grams, from, to } of uses) {
    if (count === 0 || applied + grams > room + 1e-9 || to - begun > workingLife) {
      count++
      applied = 0
      begun = from
    }
    applied += grams
  }
  return count
}
