import { exposureOf, fullRate, sumAt, type Course, type CourseEvent } from './course'

/**
 * Time under product told in minutes at full strength: of product as wet, fresh and warm as it goes on. Drying and
 * ageing make them fewer, heat makes them more.
 */
export interface FullStrength {
  /** Minutes at full strength after some minutes under product. */
  after: (minutes: number) => number
  /** Minutes under product until there are so many; infinite where its longest time is over before. */
  until: (full: number) => number
}

/** Where it is not known what hair is treated with, every minute counts as one. */
export const EVERY_MINUTE: FullStrength = { after: (minutes) => minutes, until: (full) => full }

/** Follows product that is left alone, or wetted, applied again and warmed. @param events in the order of time */
export function fullStrengthOf(course: Omit<Course, 'events'>, events: readonly CourseEvent[]): FullStrength {
  const rate = fullRate(course)
  const { levels } = exposureOf({ ...course, events }, Math.floor(course.maximumMinutes))
  const last = levels.length - 1
  return {
    after: (minutes) => sumAt(levels, Math.min(minutes, last)) / rate,
    until: (full) => {
      const reached = levels.findIndex((level) => level >= full * rate)
      if (reached <= 0) return reached === 0 ? 0 : Infinity
      const before = levels[reached - 1]!
      return reached - 1 + (full * rate - before) / (levels[reached]! - before)
    },
  }
}
