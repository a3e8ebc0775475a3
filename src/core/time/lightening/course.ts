import type { Cover, ProductKind } from '../../model'
import {
  BODY_HEAT_CM,
  CLAY_DRYING_FACTOR,
  CLAY_SPEED,
  DRY_AT,
  DRYING_MINUTES,
  FRESH_BOWL_MINUTES,
  HANGING_CM,
  HANGS_FROM_CM,
  KEPT_WARMTH,
  MIST_DILUTION,
  NEIGHBOUR_WARMTH,
  SCALP_CELSIUS,
  STRENGTH_AT_LIFE_END,
  COURSE_STEP,
} from './constants'
import { dilutionFactor, warmthFactor } from './lift'

/** Something done to product that is on already, min after it went on. Heat stays until it is taken away (0 °C). */
export type CourseEvent =
  | { at: number; kind: 'reapply'; bowlAgeMinutes: number }
  | { at: number; kind: 'mist' }
  | { at: number; kind: 'cover'; cover: Cover }
  | { at: number; kind: 'heat'; celsius: number }

/** Fresh product at some minutes, from a bowl of an age. */
export const reappliedAt = (minutes: readonly number[], bowlAgeMinutes = FRESH_BOWL_MINUTES): CourseEvent[] =>
  minutes.map((at) => ({ at, kind: 'reapply', bowlAgeMinutes }))

/** Product on one place of a strand. */
export interface Course {
  kind: ProductKind
  /** Levels per min at 33 °C, wet and fresh, on virgin medium hair. */
  mixRate: number
  peroxidePercent: number
  workingLifeMinutes: number
  maximumMinutes: number
  cover: Cover
  onScalp: boolean
  /** From the scalp, cm. */
  distanceCm: number
  /** Share of the sides on which other product lies close, 0…1. */
  insulation: number
  roomCelsius: number
  bowlAgeMinutes: number
  /** In the order of time. */
  events: readonly CourseEvent[]
}

/** What product did, minute by minute: element t is the sum of the first t minutes. */
export interface Exposure {
  /** Levels that virgin medium hair with endless headroom would have been lifted. */
  levels: Float64Array
  /** Peroxide at work, % · min at 33 °C. */
  dose: Float64Array
}

/** Temperature in the product without heat, °C. */
export function celsiusAt(
  { distanceCm, insulation, roomCelsius }: Pick<Course, 'distanceCm' | 'insulation' | 'roomCelsius'>,
  cover: Cover,
): number {
  const kept =
    (KEPT_WARMTH[cover] + NEIGHBOUR_WARMTH * insulation) *
    Math.exp(-Math.max(0, distanceCm - HANGS_FROM_CM) / HANGING_CM)
  const warm = kept + (1 - kept) * Math.exp(-distanceCm / BODY_HEAT_CM)
  return roomCelsius + warm * (SCALP_CELSIUS - roomCelsius)
}

/** Levels per min of product as wet and fresh and warm as it goes on, on virgin medium hair. */
export const fullRate = (course: Omit<Course, 'events'>): number =>
  rateAt33(course) * warmthFactor(celsiusAt(course, course.cover))

const rateAt33 = ({ mixRate, kind }: Pick<Course, 'mixRate' | 'kind'>): number =>
  mixRate * (kind === 'clayLightener' ? CLAY_SPEED : 1)

/** Strength of a mix of an age against a fresh one. */
export const freshness = (ageMinutes: number, workingLifeMinutes: number): number =>
  STRENGTH_AT_LIFE_END ** (ageMinutes / workingLifeMinutes)

/** Follows product for some whole minutes; beyond the label's longest time nothing is predicted to happen. */
export function exposureOf(course: Course, minutes: number): Exposure {
  const levels = new Float64Array(minutes + 1)
  const dose = new Float64Array(minutes + 1)
  let { cover } = course
  let [moist, dilution, heat, next] = [1, 1, 0, 0]
  let mixed = -course.bowlAgeMinutes
  let [warmth, thinned, dries] = [1, 1, 1]
  // What changes with an event only.
  const settle = () => {
    warmth = warmthFactor(celsiusAt(course, cover) + heat)
    thinned = dilutionFactor(dilution)
    dries = Math.exp(-COURSE_STEP / dryingOf(course, cover))
  }
  settle()
  const follow = (until: number) => {
    for (; next < course.events.length && course.events[next]!.at <= until; next++) {
      const event = course.events[next]!
      switch (event.kind) {
        case 'reapply':
          moist = 1
          dilution = 1
          // Old product is brushed off or mixed in; the fresher of the two goes on working.
          mixed = Math.max(mixed, event.at - event.bowlAgeMinutes)
          break
        case 'mist':
          moist = 1
          dilution *= MIST_DILUTION
          break
        case 'cover':
          cover = event.cover
          break
        case 'heat':
          heat = event.celsius
          break
      }
      settle()
    }
  }
  for (let minute = 0; minute < minutes; minute++) {
    let [rate, strain] = [0, 0]
    if (minute < course.maximumMinutes)
      for (let at = minute; at < minute + 1; at += COURSE_STEP) {
        follow(at)
        const works = warmth * moist * freshness(at + COURSE_STEP / 2 - mixed, course.workingLifeMinutes)
        rate += works * thinned * COURSE_STEP
        strain += works * dilution * COURSE_STEP
        moist *= dries
      }
    levels[minute + 1] = levels[minute]! + rateAt33(course) * rate
    dose[minute + 1] = dose[minute]! + course.peroxidePercent * strain
  }
  return { levels, dose }
}

/** A sum between two whole minutes. */
export function sumAt(sums: Float64Array, minutes: number): number {
  const whole = Math.floor(minutes)
  return sums[whole]! + (minutes - whole) * ((sums[whole + 1] ?? sums[whole]!) - sums[whole]!)
}

/** After how long product has dried to where it is usually wetted or applied again, min. */
export const driesAfter = (product: Pick<Course, 'kind' | 'onScalp'>, cover: Cover): number =>
  dryingOf(product, cover) * Math.log(1 / DRY_AT)

const dryingOf = ({ kind, onScalp }: Pick<Course, 'kind' | 'onScalp'>, cover: Cover): number =>
  DRYING_MINUTES[onScalp && cover === 'open' ? 'onScalp' : cover] * (kind === 'clayLightener' ? CLAY_DRYING_FACTOR : 1)
