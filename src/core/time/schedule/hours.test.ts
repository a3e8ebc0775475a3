import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { SKILLS, USUAL_SKILLS, type PersonAtHand, type Skill } from '../../model'
import { arrivalFor, canWork, dayCrew, dayFor, hoursOn, presumedPresent, visitFor } from '.'

const WEEK = [
  { weekday: 1, from: 540, to: 1080 },
  { weekday: 7, from: 600, to: 840 },
]
const person = (id: string, hours: PersonAtHand['hours'], skills: readonly Skill[] = SKILLS): PersonAtHand => ({
  ...{ id, name: id, skills, hours },
})

describe('hours of a day', () => {
  it('are those of its day of the week (ISO 8601: Monday is the first)', () => {
    // 30 November 2026 is a Monday.
    expect(hoursOn(WEEK, '2026-11-30')).toEqual({ from: 540, to: 1080 })
    expect(hoursOn(WEEK, '2026-12-06')).toEqual({ from: 600, to: 840 })
    expect(hoursOn(WEEK, '2026-12-01')).toBeNull()
    expect(hoursOn([], '2026-11-30')).toBeNull()
  })
})

describe('who is there as far as one knows', () => {
  const hours = { from: 540, to: 1080 }
  it('are those whose hours say so, whoever asks', () => {
    const people = [person('a', hours), person('b', null), person('c', undefined), person('d', hours)]
    expect(presumedPresent(people, 'b')).toEqual(['a', 'd'])
    expect(presumedPresent([person('a', null), person('b', undefined)], 'b')).toEqual([])
  })

  it('is one who can do all of it where nobody has said, first who asks', () => {
    const people = [person('a', undefined, USUAL_SKILLS.assistant), person('b', undefined), person('c', undefined)]
    expect(presumedPresent(people, 'c')).toEqual(['c'])
    expect(presumedPresent(people, 'a')).toEqual(['b'])
    expect(presumedPresent([people[0]!], 'a')).toEqual([])
  })

  it('can work where each skill is somebody’s', () => {
    expect(canWork([person('a', hours, ['colour', 'mix']), person('b', hours, ['rinse', 'dry'])])).toBe(true)
    expect(canWork([person('a', hours, ['colour', 'mix']), person('b', hours, ['rinse'])])).toBe(false)
    expect(canWork([])).toBe(false)
  })
})

describe('a day of people with hours', () => {
  const plan = planWith({ only: ['frontLeft', 'frontRight'], placement: { rowGapMm: 10 } })
  const visit = visitFor(plan, computeStages(plan), {})
  const [NINE, CLOSES] = [9 * 60, 19 * 60]
  const dayWith = (people: PersonAtHand[], arrives = NINE) =>
    dayFor([{ id: 'one', visit, arrives }], dayCrew(people), CLOSES)

  it('begins with nobody before the one who does it has come', () => {
    const late = dayWith([person('a', { from: NINE + 45, to: CLOSES })])
    expect(late.visits[0]!.begins).toBeCloseTo(NINE + 45, 5)
    const early = dayWith([person('a', { from: NINE - 60, to: CLOSES })])
    expect(early.visits[0]!.begins).toBeCloseTo(NINE, 5)
  })

  it('does not fit where she has gone before it is done, and does where somebody stays', () => {
    const { ends } = dayWith([person('a', undefined)])
    expect(dayWith([person('a', { from: NINE, to: ends - 20 })]).fits).toBe(false)
    expect(dayWith([person('a', { from: NINE, to: ends + 1 })]).fits).toBe(true)
    const helped = [person('a', { from: NINE, to: ends - 20 }), person('b', undefined)]
    expect(dayWith(helped).fits).toBe(true)
  })

  it('asks nobody for what she is not trusted with', () => {
    const { tasks } = dayWith([person('a', undefined), person('b', undefined, ['rinse'])])
    expect(new Set(tasks.filter(({ personId }) => personId === 'b').map(({ kind }) => kind))).not.toContain('apply')
  })

  it('finds a time when somebody is there', () => {
    const crew = dayCrew([person('a', { from: 11 * 60, to: CLOSES })])
    const found = arrivalFor([], { id: 'one', visit }, crew, { opens: NINE, closes: CLOSES })
    expect(found!.arrives).toBeGreaterThanOrEqual(11 * 60 - 15)
  })
})
