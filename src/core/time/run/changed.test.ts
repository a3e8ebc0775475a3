import type { RunEvent } from '../../model'
import { ALONE, TAKE_OUT_SECONDS } from '../schedule'
import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { event, minutes, START } from '../../../../tests/support/runEvents'
import { done, formulas, putIn, PUT_IN, script, TAKE_OUT } from '../../../../tests/support/smallRun'
import { expectedRun, foldRun, leftOut, levelsToConfirm, runOutcome, scriptFor, underProduct, type RunScript } from '.'

describe('along the strand', () => {
  // Ends go half as fast as the root.
  const line = (to: number) => [
    { minute: 0, level: 4 },
    { minute: 40, level: to },
  ]
  const uneven: RunScript = {
    ...script,
    steps: script.steps.map((one) =>
      one.id === PUT_IN ? { ...one, liftAt: { scalpEnd: line(10), middle: line(8), ends: line(6) } } : one,
    ),
  }
  const worked = [...done('mix/A/0', 0, 2), ...done(PUT_IN, 2, 12), ...done(TAKE_OUT, 32, 34)]
  const seen = (level: number, minute: number, spot?: 'scalpEnd' | 'ends') =>
    event('seen', minutes(minute), { stepId: PUT_IN, value: level, spot })
  const left = (...looks: RunEvent[]) =>
    levelsToConfirm({ script: uneven, formulas }, foldRun([...worked, ...looks]))[0]!

  it('each part is proposed as expected there, as all of it was read, or as it was read itself', () => {
    // 26 min on average: 4 + 26 · 6/40, 4 + 26 · 4/40, 4 + 26 · 2/40.
    expect(left().bands).toEqual([
      { spot: 'scalpEnd', expected: 7.9, seen: undefined, proposed: 8 },
      { spot: 'middle', expected: 6.6, seen: undefined, proposed: 6.5 },
      { spot: 'ends', expected: 5.3, seen: undefined, proposed: 5.5 },
    ])
    const looked = left(seen(7, 40), seen(9, 41, 'scalpEnd'))
    expect(looked.bands.map(({ proposed }) => proposed)).toEqual([9, 7, 7])
    expect(looked.proposed).toBe(7)
  })

  it('a look at the ends is held against the ends', () => {
    // Level 5 at the ends after ten minutes is what their line has after twenty, twice as fast as thought.
    const shown = (...looks: RunEvent[]) =>
      underProduct(
        { script: uneven, formulas },
        foldRun([event('begun', minutes(2), { stepId: PUT_IN }), ...looks]),
        uneven.steps[1]!,
        minutes(13),
      ).speed.factor
    expect(shown(seen(5, 13, 'ends'))).toBeGreaterThan(1.05)
    expect(shown(seen(4.5, 13, 'ends'))).toBeCloseTo(1, 9)
    expect(shown(seen(5.5, 13, 'scalpEnd'))).toBeCloseTo(1, 9)
  })

  it('a look after it came out is at what it had come to by then', () => {
    const factor = (minute: number) => {
      const state = foldRun([...worked, seen(7.5, minute)])
      return underProduct({ script, formulas }, state, putIn, minutes(60)).speed.factor
    }
    expect(factor(60)).toBeCloseTo(factor(32), 9)
  })
})

describe('a foil that is opened', () => {
  it('dries in the air from then on, and lifts less for it', () => {
    const own = scriptFor(planWith({ only: ['frontLeft'] }), computeStages(planWith({ only: ['frontLeft'] })), {
      crew: ALONE,
    })
    const foil = own.steps.find(({ kind }) => kind === 'apply')!
    const on = event('begun', START, { stepId: foil.id })
    const opened = event('opened', START + 15 * 60_000, { stepId: foil.id })
    const at = START + 40 * 60_000
    const [closed, open] = [[on], [on, opened]].map((events) =>
      underProduct({ script: own, formulas }, foldRun(events), foil, at),
    )
    expect(open!.level!.expected).toBeLessThan(closed!.level!.expected - 0.1)
    expect(open!.dryAt!).toBeLessThan(closed!.dryAt!)
    // What was wet when it was opened has most of the time that open product has.
    expect((open!.dryAt! - START) / 60_000 - 15).toBeGreaterThan(10)
    // Until then it was as wet as any.
    const before = [[on], [on, opened]].map(
      (events) => underProduct({ script: own, formulas }, foldRun(events), foil, START + 15 * 60_000).level!.expected,
    )
    expect(before[1]).toBeCloseTo(before[0]!, 9)
  })
})

describe('pieces otherwise than planned', () => {
  const begun = [...done('mix/A/0', 0, 2), event('begun', minutes(2), { stepId: PUT_IN })]
  const leftOutOf = (pieceId: string, minute: number) => event('leftOut', minutes(minute), { stepId: PUT_IN, pieceId })

  it('make their steps shorter or longer, and are told at the end with their place and grams', () => {
    const state = foldRun([
      ...begun,
      leftOutOf('foil1', 4),
      leftOutOf('foil1', 5),
      event('extra', minutes(6), { stepId: PUT_IN, value: 1, note: 'at the part', grams: 3.5 }),
      leftOutOf('foil3', 7),
    ])
    const lasts = new Map(
      expectedRun(script, state, minutes(7)).steps.map(({ step: { id }, from, to }) => [id, to - from]),
    )
    // Two of four are left out, one is put in.
    expect(lasts.get(PUT_IN)).toBe(600_000 * 0.75)
    expect(lasts.get(TAKE_OUT)).toBe(1000 * (120 - TAKE_OUT_SECONDS))
    expect([...leftOut(script, state)]).toEqual(['foil1', 'foil3'])
    expect(runOutcome(script, state).pieces).toEqual([
      { about: PUT_IN, unplanned: [{ place: 'at the part', grams: 3.5 }], leftOut: 2 },
    ])
  })
})
