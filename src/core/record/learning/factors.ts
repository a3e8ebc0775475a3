import { sum } from '../../numeric'
import {
  RANGE_WIDTH,
  FALLS_OFF,
  ROUNDS,
  SPREAD_JOBS,
  SPREADS,
  WHOLE_WITHIN,
  type FactorName,
  type Spreads,
} from './constants'

/** One figure of one visit: what was planned with the starting values, and what it came to. */
export interface Job {
  /** Names it, so that it can be left out. */
  id: string
  visitId: string
  /** `YYYY-MM-DD`. */
  on: string
  /** Whose work it was. */
  who: string
  of: FactorName
  /** What it is of: a kind of product, a kind of take, a history. Nothing is carried from one to another. */
  context: string
  /** In the same unit, both above 0. */
  planned: number
  actual: number
}

/** What was learned of one colourist in one context: a factor on what the core starts with, with its 80 % range. */
export interface Factor {
  who: string
  of: FactorName
  context: string
  mean: number
  low: number
  high: number
  /** Spread of single jobs about it, as a coefficient of variation. */
  spread: number
  /** Jobs it rests on, and how much each of them counts, 0…1; far ones count less. */
  jobs: { job: Job; weight: number }[]
}

/**
 * Learns factors: each colourist's mean log ratio about the salon's mean, which all of them share, about 1. Normal with
 * known spreads, so that the posterior is exact; jobs far off count less, and the spread of jobs is learned beside it.
 * @see docs/method.md, Learning
 */
export function learnFactors(jobs: readonly Job[]): Factor[] {
  const contexts = groupedBy(jobs.filter(isSound), ({ of, context }) => `${of} ${context}`)
  return [...contexts.values()].flatMap((own) => learnContext(own, SPREADS[own[0]!.of]))
}

/** A factor as it stood after one of its days. */
export type FactorPoint = Pick<Factor, 'mean' | 'low' | 'high'> & { on: string }

/**
 * How one person's factor came to be what it is: as it stood after each of the newest days on which she had a job.
 * @param jobs of one factor and context, of everybody
 * @param most days, the newest
 */
export function courseOf(jobs: readonly Job[], who: string, most: number): FactorPoint[] {
  const days = [...new Set(jobs.filter((job) => job.who === who && isSound(job)).map(({ on }) => on))].sort()
  return days.slice(-most).map((day) => {
    const { mean, low, high } = learnFactors(jobs.filter(({ on }) => on <= day)).find((factor) => factor.who === who)!
    return { on: day, mean, low, high }
  })
}

const isSound = ({ planned, actual }: Job): boolean =>
  Number.isFinite(planned) && Number.isFinite(actual) && planned > 0 && actual > 0

/** What a colourist may decide about her own figures: begin one anew, leave a job out, take it in again. */
export const LEARNING_CHOICES = ['reset', 'exclude', 'include'] as const
export type LearningChoice = (typeof LEARNING_CHOICES)[number]

/** What was learned of everybody in a salon, as somebody opens it. */
export interface Learned {
  factors: Factor[]
  /** Her jobs that are left out, so that they can be taken in again. */
  excluded: Job[]
  people: { id: string; name: string }[]
  me: string
}

/** A colourist's jobs with what is thought of them. */
interface Own {
  jobs: readonly Job[]
  ratios: readonly number[]
  weights: number[]
  mean: number
  variance: number
}

function learnContext(jobs: readonly Job[], { salon, person, job }: Spreads): Factor[] {
  const people = [...groupedBy(jobs, ({ who }) => who).values()].map((own): Own => ({
    jobs: own,
    ratios: own.map(({ planned, actual }) => Math.log(actual / planned)),
    weights: own.map(() => 1),
    mean: 0,
    variance: 0,
  }))
  let spread = job
  for (let round = 0; round < ROUNDS; round++) {
    for (const own of people)
      own.weights = own.ratios.map((ratio) => weightOf(Math.abs(ratio - own.mean) / Math.max(spread, job)))
    pool(people, { salon, person, job: spread })
    spread = spreadOf(people, job)
  }
  return people.map(({ jobs: own, weights, mean, variance }) => {
    const { who, of, context } = own[0]!
    const half = RANGE_WIDTH * Math.sqrt(variance)
    return {
      who,
      of,
      context,
      mean: Math.exp(mean),
      low: Math.exp(mean - half),
      high: Math.exp(mean + half),
      spread: Math.sqrt(Math.expm1(spread * spread)),
      jobs: own.map((one, i) => ({ job: one, weight: weights[i]! })),
    }
  })
}

/** How much a job counts that lies so many spreads off. */
const weightOf = (off: number): number => (off <= WHOLE_WITHIN ? 1 : (WHOLE_WITHIN / off) ** FALLS_OFF)

/** Means and variances of everybody, given the spreads: what each did, and what the others did through the salon. */
function pool(people: Own[], { salon, person, job }: Spreads): void {
  const counted = people.map(({ weights, ratios }) => {
    const count = sum(weights)
    return { count, mean: sum(ratios.map((ratio, i) => ratio * weights[i]!)) / count }
  })
  // What a colourist's mean says of the salon's: it differs by her own way and by the luck of her jobs.
  const precisions = counted.map(({ count }) => 1 / (person * person + (job * job) / count))
  const salonPrecision = 1 / (salon * salon) + sum(precisions)
  const salonMean = sum(counted.map(({ mean }, i) => mean * precisions[i]!)) / salonPrecision
  people.forEach((own, i) => {
    const { count, mean } = counted[i]!
    const byJobs = count / (job * job)
    const bySalon = 1 / (person * person)
    const precision = byJobs + bySalon
    own.mean = (byJobs * mean + bySalon * salonMean) / precision
    own.variance = 1 / precision + (bySalon / precision) ** 2 / salonPrecision
  })
}

/** Spread of single jobs about their colourist's mean, shrunk to where it started. */
function spreadOf(people: readonly Own[], start: number): number {
  const squares = sum(
    people.flatMap(({ ratios, weights, mean }) => ratios.map((ratio, i) => weights[i]! * (ratio - mean) ** 2)),
  )
  const count = sum(people.flatMap(({ weights }) => weights))
  return Math.sqrt((SPREAD_JOBS * start * start + squares) / (SPREAD_JOBS + Math.max(0, count - people.length)))
}

function groupedBy<T>(all: readonly T[], keyOf: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const one of all) {
    const key = keyOf(one)
    const group = groups.get(key)
    if (group) group.push(one)
    else groups.set(key, [one])
  }
  return groups
}
