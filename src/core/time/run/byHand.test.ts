import type { RunEvent } from '../../model'
import { combinedSigma } from '../../placement/quantity'
import { RATE_VARIATION } from '../lightening'
import { HELPERS, TAKE_OUT_SECONDS } from '../schedule'
import { event, minutes, START } from '../../../../tests/support/runEvents'
import { done, formulas, putIn, PUT_IN, script, skipped, step, TAKE_OUT } from '../../../../tests/support/smallRun'
import { READING_LEVELS } from './constants'
import {
  expectedRun,
  foldRun,
  leftOut,
  levelsToConfirm,
  rescuesFor,
  runOutcome,
  runZones,
  underProduct,
  type RunScript,
  type ScriptStep,
} from '.'

describe('the hair of a step', () => {
  // Its first foil is in a minute after the step is begun, that is 3 min into the visit.
  const under = (minute: number, ...events: RunEvent[]) =>
    underProduct(
      { script, formulas },
      foldRun([event('begun', minutes(2), { stepId: PUT_IN }), ...events]),
      putIn,
      minutes(3 + minute),
    )
  const seen = (level: number, minute: number) => event('seen', minutes(3 + minute), { stepId: PUT_IN, value: level })
  const sigma = combinedSigma([RATE_VARIATION])

  it('is where its curve is after so many minutes, and near its goal when the curve is', () => {
    const { level, ready, dryAt, speed } = under(10)
    expect(level!.expected).toBeCloseTo(5, 9)
    // A quarter of a level before 7.5, at a level in ten minutes.
    expect(ready).toBeCloseTo(minutes(3 + 32.5), 3)
    expect(dryAt).toBe(minutes(3 + 15))
    expect(speed).toEqual({ factor: 1, sigma })
    expect(under(-1).level!.expected).toBe(4)
    expect(under(100).level!.expected).toBe(8)
  })

  it('is taken to lift faster by what was read, weighed against what is usual', () => {
    // Level 6 after ten minutes is what the curve has after twenty; a level is ten minutes of it.
    const reading = READING_LEVELS / (0.1 * 20)
    const weight = sigma ** 2 / (sigma ** 2 + reading ** 2)
    const { speed, level, ready } = under(10, seen(6, 10))
    expect(speed.factor).toBeCloseTo(2 ** weight, 9)
    expect(speed.sigma).toBeCloseTo(sigma * Math.sqrt(1 - weight), 9)
    expect(level!.expected).toBeCloseTo(4 + 2 ** weight, 9)
    expect(ready).toBeCloseTo(minutes(3 + 32.5 / 2 ** weight), 3)
  })

  it('says nothing of its speed before it lifts, beyond what it can become, or before it was on', () => {
    for (const look of [seen(4, 10), seen(3, 10), seen(9, 10), seen(6, 0)])
      expect(under(10, look).speed).toEqual({ factor: 1, sigma })
  })

  it('is half as strong in its root where developer of half the strength was mixed before it began', () => {
    const changed = (minute: number) => event('changed', minutes(minute), { formulaId: 'A', value: 5 })
    expect(under(10, changed(1)).speed.factor).toBeCloseTo(0.5, 6)
    expect(under(10, changed(2)).speed.factor).toBeCloseTo(0.5, 6)
    expect(under(10, changed(2.1)).speed.factor).toBe(1)
  })

  it('has no level where nothing is known to lift, or where no zone is meant', () => {
    const state = foldRun([event('begun', minutes(2), { stepId: PUT_IN })])
    const shown = (own: RunScript, one: ScriptStep) => underProduct({ script: own, formulas }, state, one, minutes(20))
    for (const nothing of [
      shown(script, { ...putIn, lift: [] }),
      shown(script, { ...putIn, lift: undefined }),
      shown({ ...script, zones: [] }, putIn),
    ])
      expect(nothing).toMatchObject({ level: undefined, ready: undefined, dryAt: minutes(18) })
    expect(shown(script, { ...putIn, driesAfter: null }).dryAt).toBeUndefined()
  })

  it('has no time at which it is near a goal that its curve never comes to', () => {
    const far = { ...script, zones: [{ ...script.zones[0]!, goal: 9 }] }
    const state = foldRun([event('begun', minutes(2), { stepId: PUT_IN })])
    expect(underProduct({ script: far, formulas }, state, putIn, minutes(20)).ready).toBeUndefined()
  })
})

describe('what is proposed for the record', () => {
  const worked = [...done('mix/A/0', 0, 2), ...done(PUT_IN, 2, 12), ...done(TAKE_OUT, 32, 34)]

  it('is by the minutes that the pieces had on average, which come out faster than they went in', () => {
    const [level] = levelsToConfirm({ script, formulas }, foldRun(worked))
    // The first foil sits from 3 to 32 min; in they are 0, 2.5, 5 and 7.5 min apart, out 0, 0.5, 1 and 1.5.
    const sat = 29 - (0 + 2 + 4 + 6) / 4
    expect(level!.expected).toBe(Math.round(10 * (4 + sat / 10)) / 10)
    expect(level).toMatchObject({ meant: 7.5, seen: undefined, proposed: 6.5, name: 'Crown', formulaId: 'A' })
  })

  it('is what was read last, and ends with the visit where it was never taken out', () => {
    const read = (level: number, minute: number) => event('seen', minutes(minute), { stepId: PUT_IN, value: level })
    const [looked] = levelsToConfirm({ script, formulas }, foldRun([...worked, read(6, 20), read(7, 30)]))
    expect(looked).toMatchObject({ seen: 7, proposed: 7 })
    const [never] = levelsToConfirm({ script, formulas }, foldRun([...worked.slice(0, 4), event('ended', minutes(23))]))
    // Nothing says when they came out: one after the other, as they would have.
    expect(never!.expected).toBe(Math.round(10 * (4 + (20 - (0 + 2 + 4 + 6) / 4) / 10)) / 10)
  })

  it('is nothing for what was never put in, and those pieces are left out of the record', () => {
    const state = foldRun([skipped(PUT_IN, 5)])
    expect(levelsToConfirm({ script, formulas }, state)).toEqual([])
    expect([...leftOut(script, state)]).toEqual(['foil0', 'foil1', 'foil2', 'foil3'])
    expect(leftOut(script, foldRun([skipped(TAKE_OUT, 5), ...done(PUT_IN, 6, 7)])).size).toBe(0)
  })

  it('has no range beside a look at what no zone expects', () => {
    const look = event('seen', minutes(9), { stepId: 'rinse/stage', value: 6 })
    expect(runOutcome(script, foldRun([event('begun', minutes(4), { stepId: 'rinse/stage' }), look])).levels).toEqual([
      { about: 'rinse/stage', seen: 6, spot: undefined, minute: 5, expected: null },
    ])
  })
})

describe('a zone', () => {
  const zoneAt = (...events: RunEvent[]) => runZones(script, foldRun(events))

  it('is one line of the head, with when product went in and when it has to be out', () => {
    const own = { stageId: 'stage', zoneId: 'crown', name: 'Crown' }
    expect(zoneAt()).toEqual([{ ...own, status: 'waiting', onAt: undefined, latest: undefined }])
    const sitting = { onAt: minutes(2), latest: minutes(2 + 40) }
    expect(zoneAt(event('begun', minutes(2), { stepId: PUT_IN }))).toEqual([{ ...own, status: 'goingOn', ...sitting }])
    expect(zoneAt(...done(PUT_IN, 2, 12))).toEqual([{ ...own, status: 'sitting', ...sitting }])
    const out = event('begun', minutes(32), { stepId: TAKE_OUT })
    expect(zoneAt(...done(PUT_IN, 2, 12), out)).toEqual([{ ...own, status: 'comingOut', ...sitting }])
    expect(zoneAt(...done(PUT_IN, 2, 12), ...done(TAKE_OUT, 32, 34))).toEqual([{ ...own, status: 'out', ...sitting }])
  })

  it('is skipped where nothing went in, and out where what takes it out was skipped', () => {
    expect(zoneAt(skipped(PUT_IN, 3))[0]!.status).toBe('skipped')
    expect(zoneAt(...done(PUT_IN, 2, 12), skipped(TAKE_OUT, 32))[0]!.status).toBe('out')
  })

  it('put in by two is out when all of it is, and has to be out when the first has', () => {
    const second = 'apply/stage/crown/2'
    const other = step(second, 120, 300, { pieces: [{ id: 'foil9', formulaId: 'A', at: 60 }] })
    const two: RunScript = {
      ...script,
      steps: [...script.steps, other],
      lags: [...script.lags, { from: second, to: TAKE_OUT, least: 900, most: 1800, formulaId: 'A' }],
    }
    const [zone, ...more] = runZones(
      two,
      foldRun([...done(PUT_IN, 2, 12), event('begun', minutes(5), { stepId: second })]),
    )
    expect(more).toEqual([])
    expect(zone).toMatchObject({ status: 'goingOn', onAt: minutes(2), latest: minutes(5 + 30) })
  })
})

describe('the rest of it', () => {
  it('waits for its person and for its least times, and sits for as long as was meant', () => {
    const begun = foldRun([...done('mix/A/0', 0, 4), event('begun', minutes(4), { stepId: PUT_IN })])
    const { steps, finish, behind, deadlines, causes } = expectedRun(script, begun, minutes(5))
    expect(steps.map(({ from, to }) => [from, to].map((at) => (at - START) / 60_000))).toEqual([
      [0, 4],
      [4, 14],
      [34, 36],
      [36, 41],
    ])
    expect([finish, behind]).toEqual([minutes(41), 2 * 60_000])
    expect(deadlines).toEqual([{ stepId: TAKE_OUT, putInBy: PUT_IN, formulaId: 'A', at: minutes(44), late: 0 }])
    expect(causes.map(({ step: cause, by }) => [cause!.id, by])).toEqual([['mix/A/0', 2 * 60_000]])
  })

  it('is late by what a longest time is passed', () => {
    const held = foldRun([
      ...done('mix/A/0', 0, 2),
      ...done(PUT_IN, 2, 12),
      event('delayed', minutes(30), { value: 20, note: 'fire drill' }),
    ])
    const { deadlines, causes } = expectedRun(script, held, minutes(31))
    expect(deadlines[0]).toMatchObject({ at: minutes(42), late: 8 * 60_000 })
    expect(causes).toEqual([{ step: undefined, note: 'fire drill', by: 20 * 60_000 }])
  })

  it('is longer by what more there is to take out, and no longer at the basin', () => {
    const more = foldRun([...done(PUT_IN, 2, 12), event('extra', minutes(5), { stepId: PUT_IN, value: 2 })])
    const open: RunScript = {
      ...script,
      lags: [...script.lags, { from: PUT_IN, to: 'rinse/stage', least: 900, most: 3000, formulaId: 'A' }],
    }
    const lasts = new Map(
      expectedRun(open, more, minutes(13)).steps.map(({ step: { id }, from, to }) => [id, to - from]),
    )
    expect(lasts.get(TAKE_OUT)).toBe(1000 * (120 + 2 * TAKE_OUT_SECONDS))
    expect(lasts.get('rinse/stage')).toBe(300_000)
  })

  it('counts whoever came to help once, however often that is told', () => {
    const join = (id: string, minute: number) =>
      event('replanned', minutes(minute), { steps: [], joins: { id, name: id } })
    const { joined } = foldRun([
      join('second', 3),
      event('replanned', minutes(4), { steps: [] }),
      join('second', 5),
      join('third', 6),
    ])
    expect(joined).toEqual([
      { id: 'second', name: 'second', at: minutes(3) },
      { id: 'third', name: 'third', at: minutes(6) },
    ])
  })

  it('what went wrong is kept with where and when, and is something else where nobody says what', () => {
    const told = event('incident', minutes(6), { stepId: PUT_IN, note: 'slipped', incident: 'bleed' })
    const untold = event('incident', minutes(7))
    expect(foldRun([told, untold]).incidents).toEqual([
      { id: told.id, stepId: PUT_IN, incident: 'bleed', note: 'slipped', at: minutes(6) },
      { id: untold.id, stepId: undefined, incident: 'other', note: '', at: minutes(7) },
    ])
    expect(foldRun(done(PUT_IN, 2, 12)).incidents).toEqual([])
  })
})

describe('help', () => {
  const held = [
    ...done('mix/A/0', 0, 2),
    event('begun', minutes(2), { stepId: PUT_IN }),
    event('delayed', minutes(10), { value: 45 }),
  ]

  it('is offered of those who are not there yet, and comes in time for what a delay would pass', () => {
    const ways = rescuesFor(script, foldRun(held), minutes(12))
    expect(new Set(ways.map(({ helper }) => helper))).toEqual(new Set(['assistant', 'second']))
    // Foils are out after 40 min at the latest, by somebody who is not held up.
    expect(ways.every(({ over }) => over === 0)).toBe(true)
    const both = Object.values(HELPERS).map(({ id, name }) => ({ id, name }))
    const withAll = { ...script, people: [...script.people, ...both] }
    expect(rescuesFor(withAll, foldRun(held), minutes(12)).filter(({ helper }) => helper)).toEqual([])
  })

  it('goes on from what is begun, for as long as it has gone on already', () => {
    const [way] = rescuesFor(script, foldRun(held), minutes(40))
    // Since minute 2 foils have been going in; at minute 40 they still are, so all else comes after.
    expect(way!.finish).toBeGreaterThanOrEqual(minutes(40 + 2 + 5))
    expect(way!.steps[0]).toEqual({ stepId: PUT_IN, personId: 'colourist' })
  })
})
