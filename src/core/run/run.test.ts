import fc from 'fast-check'
import { computePlan } from '../pipeline'
import type { KeptRunEvent, RunEvent } from '../model'
import { ALONE, ASSISTANT } from '../schedule'
import { planWith } from '../../../tests/support/plan'
import { expectedRun, foldRun, runOutcome, scriptFor, shownAt } from '.'

const plan = planWith({ only: ['frontLeft', 'frontRight'] })
const script = scriptFor(plan, computePlan(plan), { crew: { ...ALONE, people: [...ALONE.people, ASSISTANT] } })
const START = 1_800_000_000_000
const minutes = (count: number) => START + 60_000 * count
let counter = 0
const event = (kind: RunEvent['kind'], at: number, rest: Partial<RunEvent> = {}): RunEvent => ({ id: `e${counter++}`, kind, deviceId: 'd', deviceSeq: counter, deviceTime: at, offsetMs: 0, ...rest })
const first = script.steps[0]!

/** Everything as planned up to a minute. */
const asPlanned = (until: number): RunEvent[] =>
  script.steps.flatMap(({ id, start, seconds }) => [
    ...(start <= 60 * until ? [event('begun', START + 1000 * start, { stepId: id })] : []),
    ...(start + seconds <= 60 * until ? [event('done', START + 1000 * (start + seconds), { stepId: id })] : []),
  ])

describe('a log', () => {
  it('says what is begun, done, counted and seen, and when', () => {
    const state = foldRun([event('begun', minutes(0), { stepId: first.id }), event('counted', minutes(2), { stepId: first.id, value: 3 }), event('counted', minutes(3), { stepId: first.id, value: 2 }), event('done', minutes(5), { stepId: first.id }), event('seen', minutes(6), { stepId: first.id, value: 7.5 })])
    expect(state.steps.get(first.id)).toEqual({ status: 'done', begunAt: minutes(0), endedAt: minutes(5), counted: 3, seen: [{ level: 7.5, at: minutes(6) }], reappliedAt: [] })
    expect(state.startedAt).toBe(minutes(0))
  })

  it('forgets what was taken back, and can take back only what counts', () => {
    const done = event('done', minutes(5), { stepId: first.id })
    const state = foldRun([event('begun', minutes(0), { stepId: first.id }), done, event('undone', minutes(6), { undoes: done.id })])
    expect(state.steps.get(first.id)!.status).toBe('begun')
    expect(state.last!.kind).toBe('begun')
  })

  it('comes to the same whichever device’s clock was wrong, if it says by how much', () => {
    fc.assert(
      fc.property(fc.integer({ min: -600_000, max: 600_000 }), (wrong) => {
        const right = asPlanned(30)
        const skewed = right.map((one) => ({ ...one, deviceTime: one.deviceTime + wrong, offsetMs: -wrong }))
        expect([...foldRun(skewed).steps]).toEqual([...foldRun(right).steps])
      }),
    )
  })

  it('runs faster from where a demo says so, and not before', () => {
    const state = foldRun([event('begun', minutes(0), { stepId: first.id }), event('pace', minutes(1), { value: 60 }), event('done', minutes(2), { stepId: first.id }), event('pace', minutes(2), { value: 1 })])
    expect(state.steps.get(first.id)).toMatchObject({ begunAt: minutes(0), endedAt: minutes(61) })
    expect(shownAt(state.clock, minutes(3))).toBe(minutes(62))
    expect(state.last!.kind).toBe('done')
  })

  it('does not mind what is told twice', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), (until) => {
        const log = asPlanned(until)
        const twice = [...log, ...log.map((one) => ({ ...one, id: `${one.id}x`, deviceTime: one.deviceTime + 3000 }))]
        const times = (events: RunEvent[]) => [...foldRun(events).steps].map(([id, { status, begunAt, endedAt }]) => [id, status, begunAt, endedAt])
        expect(times(twice)).toEqual(times(log))
      }),
    )
  })
})

describe('what came of it', () => {
  it('is what was planned when everything went so', () => {
    const { planned, actual, steps } = runOutcome(script, foldRun(asPlanned(1000)))
    expect(actual).toBeCloseTo(planned, 6)
    for (const step of steps) expect(step.actual).toBeCloseTo(step.planned, 6)
  })

  it('tells skipped steps, steps that never ended, and what was seen beside what was expected', () => {
    const putIn = script.steps.find(({ kind }) => kind === 'apply')!
    const outcome = runOutcome(script, foldRun([event('skipped', minutes(0), { stepId: first.id }), event('begun', minutes(1), { stepId: putIn.id }), event('seen', minutes(21), { stepId: putIn.id, value: 7.5 })]))
    expect(outcome.actual).toBeNull()
    expect(outcome.steps.find(({ id }) => id === first.id)).toMatchObject({ actual: null, skipped: true })
    expect(outcome.steps.find(({ id }) => id === putIn.id)).toMatchObject({ actual: null, skipped: false })
    expect(outcome.levels).toEqual([{ about: putIn.about, seen: 7.5, minute: 20, expected: { low: expect.any(Number), high: expect.any(Number) } }])
  })
})

describe('the rest of a visit', () => {
  const expected = (events: (RunEvent | KeptRunEvent)[], now: number) => expectedRun(script, foldRun(events), now)

  it('is as planned while everything goes as planned', () => {
    for (const until of [1, 10, 20]) {
      const { behind, deadlines } = expected(asPlanned(until), minutes(until))
      expect(Math.abs(behind)).toBeLessThan(90_000)
      expect(deadlines.every(({ late }) => late === 0)).toBe(true)
    }
  })

  it('moves back by what is lost at the start', () => {
    const late = expected([event('begun', minutes(0), { stepId: first.id })], minutes(25))
    const soon = expected([event('begun', minutes(0), { stepId: first.id })], minutes(0))
    expect(late.finish - soon.finish).toBeGreaterThan(10 * 60_000)
    expect(late.behind).toBeGreaterThan(10 * 60_000)
  })

  it('never begins anything before now or before what it waits for, and does nothing twice', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 0, max: 40 }), (until, later) => {
        const now = minutes(until + later)
        const { steps } = expected(asPlanned(until), now)
        const at = new Map(steps.map((one) => [one.step.id, one]))
        for (const { status, from } of steps) if (status === 'waiting') expect(from).toBeGreaterThanOrEqual(now)
        for (const { from, to, least } of script.lags) {
          const [earlier, own] = [at.get(from)!, at.get(to)!]
          if (own.status === 'waiting') expect(own.from).toBeGreaterThanOrEqual(earlier.from + 1000 * least - 1)
        }
        for (const { id } of script.people) {
          const waiting = steps.filter((one) => one.step.personId === id && one.status === 'waiting')
          waiting.slice(1).forEach((one, i) => expect(one.from).toBeGreaterThanOrEqual(waiting[i]!.to - 1))
        }
      }),
    )
  })

  it('warns of hair that would stay too long, and no longer once it is out', () => {
    const putIn = script.steps.find(({ kind }) => kind === 'apply')!
    const before = asPlanned(20).filter(({ stepId }) => script.steps.find(({ id }) => id === stepId)!.start <= putIn.start)
    const { deadlines } = expected(before, minutes(80))
    const own = deadlines.find(({ putInBy }) => putInBy === putIn.id)!
    expect(own.late).toBeGreaterThan(0)
    const out = expected([...before, event('begun', minutes(81), { stepId: own.stepId })], minutes(82))
    expect(out.deadlines.some(({ putInBy }) => putInBy === putIn.id)).toBe(false)
  })
})
