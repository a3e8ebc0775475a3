import fc from 'fast-check'
import { byId, type KeptRunEvent, type RunEvent, type RunFormula } from '../../model'
import { fullStrengthOf } from '../lightening'
import { ALONE, ASSISTANT } from '../schedule'
import { planWith } from '../../../../tests/support/plan'
import { expectedRun, foldRun, levelsToConfirm, runOutcome, scriptFor, shownAt, underProduct } from '.'
import { computeStages } from '../../../../tests/support/planner'
import { asPlannedIn, event, minutes, START } from '../../../../tests/support/runEvents'

const plan = planWith({ only: ['frontLeft', 'frontRight'] })
const script = scriptFor(plan, computeStages(plan), { crew: { ...ALONE, people: [...ALONE.people, ASSISTANT] } })
const first = script.steps[0]!
const putIn = script.steps.find(({ kind }) => kind === 'apply')!
const formulas: RunFormula[] = [
  { id: 'A', product: 'Lightener', workingLifeMinutes: 45, developerVol: 20, swatch: '#888888' },
]

const asPlanned = (until: number) => asPlannedIn(script, until)

describe('a log', () => {
  it('says what is begun, done, counted and seen, and when', () => {
    const state = foldRun([
      event('begun', minutes(0), { stepId: first.id }),
      event('counted', minutes(2), { stepId: first.id, value: 3 }),
      event('counted', minutes(3), { stepId: first.id, value: 2 }),
      event('done', minutes(5), { stepId: first.id }),
      event('seen', minutes(6), { stepId: first.id, value: 7.5 }),
    ])
    expect(state.steps.get(first.id)).toEqual({
      status: 'done',
      begunAt: minutes(0),
      endedAt: minutes(5),
      counted: 3,
      extra: 0,
      unplanned: [],
      leftOut: [],
      crossChecked: undefined,
      seen: [{ level: 7.5, at: minutes(6), spot: undefined }],
      care: [],
    })
    expect(state.startedAt).toBe(minutes(0))
  })

  it('knows of hair that got fresh product once its round is done, and not before', () => {
    const round = putIn.id.replace('apply/', 'reapply/') + '/1'
    const begun = event('begun', minutes(40), { stepId: round })
    expect(foldRun([begun]).steps.get(putIn.id)).toBeUndefined()
    expect(foldRun([begun, event('done', minutes(44), { stepId: round })]).steps.get(putIn.id)!.care).toEqual([
      { kind: 'reapplied', at: minutes(44), minutes: undefined },
    ])
  })

  it('forgets what was taken back, and can take back only what counts', () => {
    const done = event('done', minutes(5), { stepId: first.id })
    const state = foldRun([
      event('begun', minutes(0), { stepId: first.id }),
      done,
      event('undone', minutes(6), { undoes: done.id }),
    ])
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
    const state = foldRun([
      event('begun', minutes(0), { stepId: first.id }),
      event('pace', minutes(1), { value: 60 }),
      event('done', minutes(2), { stepId: first.id }),
      event('pace', minutes(2), { value: 1 }),
    ])
    expect(state.steps.get(first.id)).toMatchObject({ begunAt: minutes(0), endedAt: minutes(61) })
    expect(shownAt(state.clock, minutes(3))).toBe(minutes(62))
    expect(state.last!.kind).toBe('done')
  })

  it('does not mind what is told twice', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), (until) => {
        const log = asPlanned(until)
        const twice = [...log, ...log.map((one) => ({ ...one, id: `${one.id}x`, deviceTime: one.deviceTime + 3000 }))]
        const times = (events: RunEvent[]) =>
          [...foldRun(events).steps].map(([id, { status, begunAt, endedAt }]) => [id, status, begunAt, endedAt])
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

  it('says who did each step, also where it was handed over or somebody joined', () => {
    const log = [
      event('replanned', minutes(0), { steps: [], joins: { id: 'second', name: 'Bram' } }),
      event('handed', minutes(0), { stepId: putIn.id, personId: 'second' }),
    ]
    const { steps } = runOutcome(script, foldRun([...log, ...asPlanned(1000)]))
    const byOf = (id: string) => steps.find((step) => step.id === id)!.by
    expect(byOf(putIn.id)).toBe('Bram')
    expect(byOf(first.id)).toBe(script.people.find(({ id }) => id === first.personId)!.name)
  })

  it('tells skipped steps, steps that never ended, and what was seen beside what was expected', () => {
    const outcome = runOutcome(
      script,
      foldRun([
        event('skipped', minutes(0), { stepId: first.id }),
        event('begun', minutes(1), { stepId: putIn.id }),
        event('seen', minutes(21), { stepId: putIn.id, value: 7.5 }),
      ]),
    )
    expect(outcome.actual).toBeNull()
    expect(outcome.steps.find(({ id }) => id === first.id)).toMatchObject({ actual: null, skipped: true })
    expect(outcome.steps.find(({ id }) => id === putIn.id)).toMatchObject({ actual: null, skipped: false })
    expect(outcome.levels).toEqual([
      {
        about: putIn.about,
        seen: 7.5,
        spot: undefined,
        minute: 20,
        expected: { low: expect.any(Number), high: expect.any(Number) },
      },
    ])
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
          const waiting = steps.filter((one) => one.personId === id && one.status === 'waiting')
          waiting.slice(1).forEach((one, i) => expect(one.from).toBeGreaterThanOrEqual(waiting[i]!.to - 1))
        }
      }),
    )
  })

  it('warns of hair that would stay too long, and no longer once it is out', () => {
    const before = asPlanned(20).filter(({ stepId }) => byId(script.steps, stepId!).start <= putIn.start)
    const { deadlines } = expected(before, minutes(80))
    const own = deadlines.find(({ putInBy }) => putInBy === putIn.id)!
    expect(own.late).toBeGreaterThan(0)
    const out = expected([...before, event('begun', minutes(81), { stepId: own.stepId })], minutes(82))
    expect(out.deadlines.some(({ putInBy }) => putInBy === putIn.id)).toBe(false)
  })
})

describe('what happens otherwise than planned', () => {
  const expected = (events: RunEvent[], now: number) => expectedRun(script, foldRun(events), now)
  const stepOf = (events: RunEvent[], now: number, id: string) =>
    expected(events, now).steps.find(({ step }) => step.id === id)!
  const begun = [...asPlanned(putIn.start / 60), event('begun', START + 1000 * putIn.start, { stepId: putIn.id })]
  const at = START + 1000 * putIn.start

  it('a piece that was not planned takes as long as the others, going in and coming out', () => {
    const takeOut = script.lags.find(({ from, formulaId }) => from === putIn.id && formulaId !== null)!.to
    const more = [...begun, event('extra', at + 60_000, { stepId: putIn.id, value: 2 })]
    const length = (events: RunEvent[], id: string) =>
      stepOf(events, at + 60_000, id).to - stepOf(events, at + 60_000, id).from
    expect(length(more, putIn.id) - length(begun, putIn.id)).toBeCloseTo(
      (2000 * putIn.seconds) / putIn.pieces.length,
      3,
    )
    expect(length(more, takeOut) - length(begun, takeOut)).toBe(2 * 15_000)
  })

  it('nothing begins while everybody is held up, and it is told as the cause', () => {
    const events = [...begun, event('delayed', at + 60_000, { value: 15 })]
    const { steps, causes } = expected(events, at + 60_000)
    for (const { status, from } of steps)
      if (status === 'waiting') expect(from).toBeGreaterThanOrEqual(at + 16 * 60_000)
    expect(causes[0]).toEqual({ step: undefined, note: '', by: 15 * 60_000 })
  })

  it('names the step that took longer, with how much', () => {
    const slow = [
      event('begun', START, { stepId: first.id }),
      event('done', START + 1000 * first.seconds + 7 * 60_000, { stepId: first.id }),
    ]
    expect(expected(slow, START + 1000 * first.seconds + 7 * 60_000).causes).toEqual([
      { step: first, note: '', by: 7 * 60_000 },
    ])
  })

  it('a step that is handed over is done by the other, when that one is free', () => {
    const later =
      script.steps.find(({ kind, personId }) => kind === 'takeOut' && personId === 'assistant') ??
      script.steps.findLast(({ kind }) => kind === 'takeOut')!
    const other = script.people.find(({ id }) => id !== later.personId)!.id
    const handed = stepOf([...begun, event('handed', at, { stepId: later.id, personId: other })], at, later.id)
    expect(handed.personId).toBe(other)
    const busy = expected([...begun, event('handed', at, { stepId: later.id, personId: other })], at).steps.filter(
      ({ personId, status }) => personId === other && status === 'waiting',
    )
    busy.slice(1).forEach((one, i) => expect(one.from).toBeGreaterThanOrEqual(busy[i]!.to - 1))
  })

  it('what is left goes on in the order that was settled anew', () => {
    const left = script.steps.filter(({ kind }) => kind === 'takeOut').reverse()
    const steps = left.map(({ id, personId }) => ({ stepId: id, personId }))
    const order = expected(
      [...begun, event('replanned', at, { steps, joins: { id: 'second', name: 'Second colourist' } })],
      at,
    ).steps
    expect(order.filter(({ step }) => step.kind === 'takeOut').map(({ step }) => step.id)).toEqual(
      left.map(({ id }) => id),
    )
    expect(
      foldRun([event('replanned', at, { steps, joins: { id: 'second', name: 'Second colourist' } })]).joined,
    ).toEqual([{ id: 'second', name: 'Second colourist', at }])
  })

  it('a bowl is as old as its mixing, told by its step or by hand, and none once it is empty', () => {
    const mix = script.steps.find(({ kind }) => kind === 'mix')!
    const bowl = (...events: RunEvent[]) => foldRun(events).bowls.get('A')
    const done = event('done', minutes(5), { stepId: mix.id })
    const empty = event('bowlEmpty', minutes(20), { formulaId: 'A' })
    expect(bowl(done)).toMatchObject({ mixedAt: minutes(5), emptyAt: undefined })
    expect(
      bowl(
        done,
        event('thinned', minutes(9), { formulaId: 'A', value: 10 }),
        event('thinned', minutes(12), { formulaId: 'A', value: 5 }),
      ),
    ).toMatchObject({ thinnedG: 15 })
    expect(bowl(done, empty)).toMatchObject({ mixedAt: undefined, emptyAt: minutes(20) })
    expect(bowl(done, empty, event('bowlMixed', minutes(23), { formulaId: 'A' }))).toMatchObject({
      mixedAt: minutes(23),
      emptyAt: undefined,
      thinnedG: 0,
    })
  })
})

describe('hair under product', () => {
  const at = START + 1000 * (putIn.start + putIn.pieces[0]!.at)
  const on = event('begun', START + 1000 * putIn.start, { stepId: putIn.id })
  const seen = (level: number, minute: number) =>
    event('seen', at + 60_000 * minute, { stepId: putIn.id, value: level })
  const under = (events: RunEvent[], minute: number) =>
    underProduct({ script, formulas }, foldRun([on, ...events]), putIn, at + 60_000 * minute)

  it('lifts as its curve has it, within a range, until somebody looks', () => {
    const point = putIn.lift![12]!
    const { level, speed } = under([], fullStrengthOf(putIn.course!, []).until(point.minute))
    expect(level!.expected).toBeCloseTo(point.level, 6)
    expect(level!.low).toBeLessThan(level!.expected)
    expect(level!.high).toBeGreaterThan(level!.expected)
    expect(speed.factor).toBe(1)
  })

  it('is taken to be faster the lighter it looks, and known better with every look', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 25 }), fc.double({ min: 0.2, max: 1, noNaN: true }), (minute, lighter) => {
        const plain = under([], minute).level!.expected
        const [dark, light] = [under([seen(plain, minute)], minute), under([seen(plain + lighter, minute)], minute)]
        expect(light.speed.factor).toBeGreaterThan(dark.speed.factor)
        expect(light.level!.expected).toBeGreaterThanOrEqual(dark.level!.expected)
        // One look moves what is expected towards what was seen, and not past it.
        expect(light.level!.expected).toBeGreaterThan(plain)
        expect(light.level!.expected).toBeLessThan(plain + lighter)
        const again = under([seen(plain + lighter, minute), seen(plain + lighter, minute)], minute)
        expect(again.speed.sigma).toBeLessThan(light.speed.sigma)
        expect(again.speed.factor).toBeGreaterThan(light.speed.factor)
      }),
    )
  })

  it('dries from when it was put on, applied again or misted last', () => {
    const dries = putIn.driesAfter!
    const misted = event('misted', at + 10 * 60_000, { stepId: putIn.id })
    expect(under([], 20).dryAt).toBe(at + 60_000 * dries)
    expect(under([misted], 20).dryAt).toBe(at + 60_000 * (10 + dries))
    expect(under([event('warmed', at + 10 * 60_000, { stepId: putIn.id, value: 5 })], 20).dryAt).toBe(
      at + 60_000 * dries,
    )
  })

  it('is lighter from then on where it was applied again or warmed, and as it was before', () => {
    const cared = (kind: 'reapplied' | 'warmed') => event(kind, at + 10 * 60_000, { stepId: putIn.id, value: 5 })
    for (const kind of ['reapplied', 'warmed'] as const) {
      expect(under([cared(kind)], 10).level!.expected).toBeCloseTo(under([], 10).level!.expected, 9)
      expect(under([cared(kind)], 20).level!.expected).toBeGreaterThan(under([], 20).level!.expected)
      expect(under([cared(kind)], 20).ready ?? 0).toBeLessThan(under([], 20).ready ?? Infinity)
    }
  })

  it('is expected as ever after care in a visit that was pinned before it was known what it is treated with', () => {
    const { course: _unknown, ...old } = putIn
    const misted = foldRun([on, event('misted', at + 10 * 60_000, { stepId: putIn.id })])
    const point = putIn.lift![12]!
    expect(underProduct({ script, formulas }, misted, old, at + 60_000 * point.minute).level!.expected).toBeCloseTo(
      point.level,
      6,
    )
  })

  it('goes by the first piece that lifts, also where a lowlight went in before it', () => {
    const [first] = putIn.pieces
    const mixed = {
      ...putIn,
      pieces: [{ id: 'low', formulaId: 'B', at: 0 }, { ...first!, at: 120 }, ...putIn.pieces.slice(1)],
    }
    const since = START + 1000 * (putIn.start + 120)
    const shows = (step: typeof putIn, ...events: RunEvent[]) =>
      underProduct({ script, formulas }, foldRun([on, ...events]), step, since + 20 * 60_000)
    expect(shows(mixed).dryAt).toBe(since + 60_000 * putIn.driesAfter!)
    const weaker = event('changed', START, { formulaId: 'A', value: 10 })
    expect(shows(mixed, weaker).speed.factor).toBeCloseTo(Math.SQRT1_2, 6)
    const again = event('reapplied', since + 15 * 60_000, { stepId: putIn.id })
    const bowl = (formulaId: string) => event('bowlMixed', since + 15 * 60_000, { formulaId })
    expect(shows(mixed, bowl('A'), again).level!.expected).toBeGreaterThan(
      shows(mixed, bowl('B'), again).level!.expected,
    )
  })

  it('is near its goal sooner where it lifts faster', () => {
    const plain = under([], 15)
    const fast = under([seen(plain.level!.expected + 1, 15)], 15)
    expect(fast.ready ?? 0).toBeLessThan(plain.ready ?? Infinity)
  })

  it('lifts more slowly where it went in after the developer was weakened, and only there', () => {
    const changed = (minute: number) =>
      event('changed', START + 1000 * putIn.start + 60_000 * minute, { formulaId: 'A', value: 10 })
    // Half the peroxide lifts by its square root: MODEL §5, n = 0.5.
    expect(under([changed(-1)], 20).speed.factor).toBeCloseTo(Math.SQRT1_2, 6)
    expect(under([changed(5)], 20).speed.factor).toBe(1)
  })
})

describe('the hair that is left', () => {
  it('is proposed as it was seen, else as expected after the time it had; what was skipped is left out', () => {
    const all = asPlanned(1000)
    const zonesPut = new Set(script.zones.map(({ zoneId }) => zoneId))
    const plain = levelsToConfirm({ script, formulas }, foldRun(all))
    const byZone = (id: string) => script.zones.find(({ zoneId }) => zoneId === id)!
    // What went as planned came to what the clock had said.
    for (const { zoneId, expected } of plain)
      expect(Math.abs(expected - byZone(zoneId).level.expected)).toBeLessThan(0.35)
    expect(new Set(plain.map(({ zoneId }) => zoneId))).toEqual(zonesPut)
    for (const { proposed, expected, seen } of plain) {
      expect(seen).toBeUndefined()
      expect(Math.abs(proposed - expected)).toBeLessThanOrEqual(0.25 + 1e-9)
    }
    const looked = levelsToConfirm(
      { script, formulas },
      foldRun([...all, event('seen', minutes(60), { stepId: putIn.id, value: 9.5 })]),
    )
    expect(looked.filter(({ seen }) => seen === 9.5).map(({ proposed }) => proposed)).toEqual([9.5])
    const own = script.zones.find(({ zoneId }) => putIn.id.includes(`/${zoneId}/`))!
    const skipped = all.filter(({ stepId }) => !stepId?.startsWith('apply/') || !stepId.includes(own.zoneId))
    expect(levelsToConfirm({ script, formulas }, foldRun(skipped)).map(({ zoneId }) => zoneId)).not.toContain(
      own.zoneId,
    )
  })
})
