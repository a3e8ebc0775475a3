import { ALONE } from '../schedule'
import { planWith } from '../../../../tests/support/plan'
import { expectedRun, foldRun, rescuesFor, scriptFor } from '.'
import { computeStages } from '../../../../tests/support/planner'
import { event, START } from '../../../../tests/support/runEvents'

const plan = planWith({ placement: { rowGapMm: 6 } })
const script = scriptFor(plan, computeStages(plan), { crew: ALONE })

/** All steps up to one are done as planned, that one is begun; then everybody is held up. */
function heldUp(untilKind: 'takeOut' | 'apply', which: number, minutes: number) {
  const until = script.steps.filter(({ kind }) => kind === untilKind)[which]!
  const before = script.steps.slice(0, script.steps.indexOf(until))
  const now = START + 1000 * until.start
  const events = [
    ...before.flatMap(({ id, start, seconds }) => [
      event('begun', START + 1000 * start, { stepId: id }),
      event('done', START + 1000 * (start + seconds), { stepId: id }),
    ]),
    event('begun', now, { stepId: until.id }),
    event('delayed', now, { value: minutes }),
  ]
  return { state: foldRun(events), events, now, until }
}

describe('going on from where a visit stands', () => {
  it('finds help that keeps the times which a delay would pass', () => {
    const { state, now } = heldUp('apply', 1, 0)
    const alone = expectedRun(script, state, now)
    const ways = rescuesFor(script, state, now)
    const helped = ways.find(({ helper }) => helper === 'second')!
    expect(helped.over).toBe(0)
    expect(helped.finish).toBeLessThan(alone.finish)
    expect(helped.joins).toEqual({ id: 'second', name: 'Second colourist' })
  })

  it('names every step that is left once and none that is over, and what is begun stays with whom it was', () => {
    const { state, now, until } = heldUp('apply', 1, 10)
    const left = script.steps
      .filter(({ id }) => !['done', 'skipped'].includes(state.steps.get(id)?.status ?? 'waiting'))
      .map(({ id }) => id)
    for (const { steps } of rescuesFor(script, state, now)) {
      expect(steps.map(({ stepId }) => stepId).sort()).toEqual([...left].sort())
      expect(steps.find(({ stepId }) => stepId === until.id)!.personId).toBe(until.personId)
    }
  })

  it('comes to what the visit is then expected to be, when it is taken', () => {
    const { events, state, now } = heldUp('apply', 1, 10)
    const [best] = rescuesFor(script, state, now)
    const taken = expectedRun(
      script,
      foldRun([...events, event('replanned', now, { steps: best!.steps, ...(best!.joins && { joins: best!.joins }) })]),
      now,
    )
    const late = taken.deadlines.reduce((sum, deadline) => sum + deadline.late, 0) / 60_000
    expect(late).toBeLessThanOrEqual(best!.over + 1)
    expect(taken.finish).toBeLessThanOrEqual(expectedRun(script, state, now).finish)
  })

  it('offers nothing that is no better than going on as it is', () => {
    const { state, now } = heldUp('takeOut', 0, 0)
    const going = expectedRun(script, state, now)
    const lateNow = going.deadlines.reduce((sum, { late }) => sum + late, 0) / 60_000
    for (const { over, finish } of rescuesFor(script, state, now))
      expect(over < lateNow - 0.5 || finish < going.finish - 60_000).toBe(true)
  })
})
