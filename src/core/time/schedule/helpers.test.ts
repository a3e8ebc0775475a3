import fc from 'fast-check'
import { servicePlan } from '../../../../tests/support/samples'
import { computeStages } from '../../../../tests/support/planner'
import { SKILLS, type Skill } from '../../model'
import { ALONE, clockFor, helpersFor, needsOf, withHelp } from '.'

describe('what is trusted to an assistant', () => {
  const plan = servicePlan('rootAndLengths')
  const computed = computeStages(plan)
  const clockWith = (may?: readonly Skill[]) =>
    clockFor(plan, computed, { crew: withHelp(helpersFor(['assistant'], { may })) })

  it('is all that she does, whatever it is', () => {
    fc.assert(
      fc.property(fc.subarray([...SKILLS]), (may) => {
        for (const { kind, personId } of clockWith(may).tasks)
          if (personId === 'assistant') expect(may).toContain(needsOf(kind).skill)
      }),
      { numRuns: 8 },
    )
  })

  it('never makes a visit longer by more than the search tells apart', () => {
    const alone = clockFor(plan, computed, { crew: ALONE }).finish.expected
    expect(clockWith([]).finish.expected).toBeCloseTo(alone, 1)
    expect(clockWith([...SKILLS]).finish.expected).toBeLessThan(alone)
  })

  it('is, where nothing is said, everything but putting colour on', () => {
    const [assistant] = helpersFor(['assistant'])
    expect([...assistant!.skills].sort()).toEqual(['dry', 'mix', 'rinse'])
  })

  it('holds only while she is there', () => {
    const from = 30
    const { tasks } = clockFor(plan, computed, { crew: withHelp(helpersFor(['assistant'], { from, may: SKILLS })) })
    for (const task of tasks) if (task.personId === 'assistant') expect(task.from).toBeGreaterThanOrEqual(from - 0.01)
    expect(tasks.some(({ personId }) => personId === 'assistant')).toBe(true)
  })
})
