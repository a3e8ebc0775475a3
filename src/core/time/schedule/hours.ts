import { SKILLS, type PersonAtHand, type WorkDay } from '../../model'

/** When somebody works on a day (`YYYY-MM-DD`), min after midnight; null where she does not. */
export function hoursOn(week: readonly WorkDay[], on: string): { from: number; to: number } | null {
  // Sunday is 0 there and 7 in ISO 8601.
  const weekday = new Date(`${on}T00:00:00Z`).getUTCDay() || 7
  const found = week.find((day) => day.weekday === weekday)
  return found ? { from: found.from, to: found.to } : null
}

/**
 * Who of a salon is there on a day as far as one knows: those whose hours say so; where nobody's are known, one who can
 * do all of it, first of all who asks.
 * @returns their ids
 */
export function presumedPresent(people: readonly PersonAtHand[], askedBy: string): string[] {
  const there = people.filter(({ hours }) => hours)
  if (there.length > 0 || people.some(({ hours }) => hours === null)) return there.map(({ id }) => id)
  const able = people.filter((one) => canWork([one]))
  const first = able.find(({ id }) => id === askedBy) ?? able[0]
  return first ? [first.id] : []
}

/** Whether somebody of them can do each thing that a visit asks for; without that no day can be laid out. */
export const canWork = (people: readonly Pick<PersonAtHand, 'skills'>[]): boolean =>
  SKILLS.every((skill) => people.some(({ skills }) => skills.includes(skill)))
