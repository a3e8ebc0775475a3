import fc from 'fast-check'
import { SERVICES } from '../../plan/serviceKinds'
import { servicePlan } from '../../../../tests/support/samples'
import { computeStages } from '../../../../tests/support/planner'
import { visitProblem } from '../../../../tests/support/visits'
import { ALONE, clockFor, prepare, SECOND_COLOURIST, searchSchedule } from '.'
import { combinedSigma, rangeOf, SECONDS_VARIATION } from '../../placement/quantity'
import { soonestFinish } from './bound'

describe('the soonest that a visit could end', () => {
  it('is never later than it ends, with one or two pairs of hands', () => {
    fc.assert(
      fc.property(fc.nat(200), fc.integer({ min: 1, max: 5 }), fc.boolean(), (seed, zones, two) => {
        const people = two ? [...ALONE.people, SECOND_COLOURIST] : ALONE.people
        const problem = visitProblem({ clients: 1, zones, people, seed })
        const { starts, finish } = searchSchedule(prepare(problem))
        const soonest = soonestFinish(
          problem,
          problem.tasks.map(() => 0),
          starts,
        )
        expect(soonest).toBeLessThanOrEqual(finish + 1)
        expect(soonest).toBeGreaterThan(0)
      }),
      { numRuns: 30 },
    )
  })

  it('is the whole chain where one thing follows another, and all work shared where nothing does', () => {
    const task = (id: string, seconds: number) => ({ id, seconds, skill: 'colour' as const })
    const chain = {
      tasks: [task('a', 100), task('b', 50)],
      lags: [{ from: 'a', to: 'b', least: 400 }],
      people: ALONE.people,
      resources: ALONE.resources,
    }
    expect(soonestFinish(chain, [0, 0], [0, 400])).toBe(450)
    expect(soonestFinish(chain, [0, 0], [0, 900])).toBe(450)
    const apart = { ...chain, lags: [], people: [...ALONE.people, SECOND_COLOURIST] }
    expect(soonestFinish(apart, [0, 0], [0, 100])).toBe(100)
    expect(soonestFinish({ ...apart, tasks: [task('a', 100), task('b', 80)] }, [0, 0], [0, 0])).toBe(100)
    expect(soonestFinish(apart, [0, 1], [0, 100])).toBe(150)
  })

  it('counts what has to be put on before the last wait begins', () => {
    const task = (id: string, seconds: number) => ({ id, seconds, skill: 'colour' as const })
    const two = {
      tasks: [task('on1', 600), task('on2', 600), task('out1', 60), task('out2', 60)],
      lags: [
        { from: 'on1', to: 'out1', least: 600, ideal: 1800 },
        { from: 'on2', to: 'out2', least: 600, ideal: 1800 },
      ],
      people: ALONE.people,
      resources: ALONE.resources,
    }
    expect(soonestFinish(two, [0, 0, 0, 0], [0, 600, 1800, 2400])).toBe(600 + 1800 + 60)
  })
})

describe('shipped kinds of service', () => {
  const clocks = SERVICES.map(({ id }) => {
    const plan = servicePlan(id)
    return clockFor(plan, computeStages(plan), { crew: ALONE })
  })

  it('end within a tenth of the soonest they could, on the whole', () => {
    const gaps = clocks.map(({ finish, waiting }) => waiting / (finish.expected - waiting))
    expect(gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length).toBeLessThan(0.1)
    for (const { waiting } of clocks) expect(waiting).toBeGreaterThanOrEqual(0)
  })

  it('are less certain than the hands alone where they wait for lightener, and just as certain where they wait for colour', () => {
    const beyondHands = (id: string) => {
      const { finish, handsFree } = clocks[SERVICES.findIndex((service) => service.id === id)]!
      const hands = rangeOf(finish.expected - handsFree, 0, combinedSigma([SECONDS_VARIATION]))
      return finish.high - finish.expected - (hands.high - hands.expected)
    }
    expect(beyondHands('scalpToTip')).toBeGreaterThan(0.05)
    expect(beyondHands('evenedGloss')).toBeCloseTo(0, 6)
  })
})
