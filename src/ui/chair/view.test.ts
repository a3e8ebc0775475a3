import { ALONE } from '@/core/time/schedule'
import { foldRun, scriptFor } from '@/core/time/run'
import { planWith } from '../../../tests/support/plan'
import { computeStages } from '../../../tests/support/planner'
import { event, minutes, START } from '../../../tests/support/runEvents'
import { chairView } from './view'

const plan = planWith({ only: ['frontLeft', 'frontRight'] })
const script = scriptFor(plan, computeStages(plan), { crew: ALONE })
const inOrder = [...script.steps].sort((a, b) => a.start - b.start)
const putIn = inOrder.find(({ kind }) => kind === 'apply')!

/** Everything up to a step done as planned, then that one begun. */
const upTo = (stepId: string) =>
  inOrder
    .slice(
      0,
      inOrder.findIndex(({ id }) => id === stepId),
    )
    .flatMap(({ id, start, seconds }) => [
      event('begun', START + 1000 * start, { stepId: id }),
      event('done', START + 1000 * (start + seconds), { stepId: id }),
    ])
const viewAfter = (events: Parameters<typeof foldRun>[0], now: number) => chairView(script, foldRun(events), now)

describe('what the chair shows', () => {
  it('begins with the first step, nothing late, and the first zone on the head', () => {
    const view = viewAfter([], START)
    expect(view.next[0]!.step.id).toBe(inOrder[0]!.id)
    expect(view).toMatchObject({ over: false, pressing: [], late: [], offersWayOut: false, toCheck: undefined })
    expect(view.zoneOnMap).toBe(view.zones.find(({ status }) => status === 'waiting'))
  })

  it('puts what is in hand before what comes', () => {
    const later = inOrder[2]!
    const view = viewAfter([event('begun', minutes(1), { stepId: later.id })], minutes(2))
    expect(view.next[0]!.step.id).toBe(later.id)
    expect(view.next[1]!.step.id).toBe(inOrder[0]!.id)
  })

  it('asks for a cross-check of what was put in last, once', () => {
    const after = inOrder[inOrder.indexOf(putIn) + 1]!
    const events = upTo(after.id)
    const now = START + 1000 * after.start
    expect(viewAfter(events, now).toCheck?.id).toBe(putIn.id)
    expect(viewAfter([...events, event('crossChecked', now, { stepId: putIn.id })], now).toCheck?.id).not.toBe(putIn.id)
  })

  it('calls out longest times in their last two minutes, and tells later ones that would be passed apart', () => {
    const after = inOrder[inOrder.indexOf(putIn) + 1]!
    const events = upTo(after.id)
    const { deadlines } = viewAfter(events, START + 1000 * after.start).expected
    const first = Math.min(...deadlines.map(({ at }) => at))
    const called = (before: number) => viewAfter(events, first - before).pressing.length
    expect(called(121_000)).toBe(0)
    expect(called(119_000)).toBeGreaterThan(0)
    for (const { at, late } of viewAfter(events, first - 600_000).late) {
      expect(late).toBeGreaterThan(0)
      expect(at - (first - 600_000)).toBeGreaterThanOrEqual(120_000)
    }
  })

  it('offers a way out from ten minutes behind, and not once it is over', () => {
    const begun = [event('begun', START, { stepId: inOrder[0]!.id })]
    const heldUp = (value: number) => [...begun, event('delayed', START, { value })]
    expect(viewAfter(heldUp(5), minutes(1)).offersWayOut).toBe(false)
    expect(viewAfter(heldUp(30), minutes(1)).offersWayOut).toBe(true)
    const ended = viewAfter([...heldUp(30), event('ended', minutes(2))], minutes(2))
    expect(ended).toMatchObject({ over: true, offersWayOut: false })
  })

  it('is over when nothing is left to do', () => {
    const all = inOrder.flatMap(({ id, start, seconds }) => [
      event('begun', START + 1000 * start, { stepId: id }),
      event('done', START + 1000 * (start + seconds), { stepId: id }),
    ])
    expect(viewAfter(all, minutes(400)).over).toBe(true)
  })
})
