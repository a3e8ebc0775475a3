import fc from 'fast-check'
import { MAP, pointCount, STRIDE } from '../../placement/foils'
import { createHead, lengthRegionAt, placeFromMap, RIM_FROM_S } from '../../scalp/head'
import { band } from '../../../../tests/support/canvas'
import { planWith } from '../../../../tests/support/plan'
import {
  celsiusAt,
  createProcess,
  driesAfter,
  exposureForLevel,
  exposureOf,
  freshness,
  fullStrengthOf,
  HEAT_CELSIUS,
  levelAfter,
  strainOf,
  type Course,
  type CourseEvent,
  type StrandPlace,
} from '.'
import { computeStages } from '../../../../tests/support/planner'

const COURSE: Course = {
  kind: 'powderLightener',
  mixRate: 0.12,
  peroxidePercent: 4,
  workingLifeMinutes: 30,
  maximumMinutes: 50,
  cover: 'foil',
  onScalp: false,
  distanceCm: 10,
  insulation: 1,
  roomCelsius: 21,
  bowlAgeMinutes: 5,
  events: [],
}
const PLACE: StrandPlace = { band: band(0, 30), naturalLevel: 5, texture: 'medium', placeRate: 1 }
const levelsAfter = (course: Course, minutes: number) => exposureOf(course, minutes).levels[minutes]!

const anyCourse: fc.Arbitrary<Course> = fc
  .record({
    distanceCm: fc.double({ min: 0, max: 80, noNaN: true }),
    cover: fc.constantFrom('foil' as const, 'film' as const, 'open' as const),
    kind: fc.constantFrom('powderLightener' as const, 'clayLightener' as const, 'creamLightener' as const),
    onScalp: fc.boolean(),
    insulation: fc.double({ min: 0, max: 1, noNaN: true }),
    roomCelsius: fc.integer({ min: 14, max: 28 }),
    bowlAgeMinutes: fc.integer({ min: 0, max: 40 }),
    maximumMinutes: fc.integer({ min: 10, max: 90 }),
  })
  .map((one) => ({ ...COURSE, ...one }))
const anyEvents: fc.Arbitrary<CourseEvent[]> = fc
  .array(
    fc.oneof(
      fc.record({ at: fc.integer({ min: 0, max: 60 }), kind: fc.constant('mist' as const) }),
      fc.record({
        at: fc.integer({ min: 0, max: 60 }),
        kind: fc.constant('cover' as const),
        cover: fc.constantFrom('foil' as const, 'open' as const),
      }),
      fc.record({
        at: fc.integer({ min: 0, max: 60 }),
        kind: fc.constant('reapply' as const),
        bowlAgeMinutes: fc.integer({ min: 0, max: 40 }),
      }),
    ),
    { maxLength: 4 },
  )
  .map((events) => events.sort((a, b) => a.at - b.at))

describe('mist', () => {
  const misted = (times: number): Course => ({
    ...COURSE,
    cover: 'open',
    maximumMinutes: 90,
    bowlAgeMinutes: 0,
    events: Array.from({ length: times }, () => ({ at: 0, kind: 'mist' as const })),
  })

  it('thins the peroxide: product that is wet anyway lifts and strains less for it, again with every mist', () => {
    const [none, one, two] = [0, 1, 2].map((times) => exposureOf(misted(times), 5)) as [
      ReturnType<typeof exposureOf>,
      ReturnType<typeof exposureOf>,
      ReturnType<typeof exposureOf>,
    ]
    expect(one.levels[5]!).toBeLessThan(none.levels[5]!)
    expect(two.levels[5]!).toBeLessThan(one.levels[5]!)
    expect(one.dose[5]!).toBeLessThan(none.dose[5]!)
    // Lift follows the root of peroxide, the strain peroxide itself.
    expect(one.levels[5]! / none.levels[5]!).toBeCloseTo(Math.sqrt(one.dose[5]! / none.dose[5]!), 2)
  })
})

describe('the place on the head', () => {
  it('sets the speed: hairline and temples fastest, then the top, the back, the nape slowest', () => {
    const plan = planWith({ parameters: { separateNape: true }, hair: { texture: 'medium' } })
    const head = createHead(plan.head)
    const process = createProcess(plan, head, undefined)
    const lifted = new Map<string, number[]>()
    for (const piece of computeStages(plan).pieces) {
      const at = STRIDE * Math.floor(pointCount(piece.line) / 2) + MAP
      const place = placeFromMap(head, { x: piece.line[at]!, y: piece.line[at + 1]! })
      const region = lengthRegionAt(place)
      const rim = place.s >= RIM_FROM_S && region !== 'nape' && region !== 'back'
      const key = rim ? (region === 'sides' ? 'temple' : 'hairline') : region
      lifted.set(key, [...(lifted.get(key) ?? []), process.levelAtFullStrength(piece, 20, 15)])
    }
    const mean = (key: string) => lifted.get(key)!.reduce((sum, level) => sum + level, 0) / lifted.get(key)!.length
    const order = ['temple', 'crown', 'back', 'nape'].map(mean)
    expect(order).toEqual([...order].sort((one, other) => other - one))
    for (const [i, level] of order.slice(1).entries()) expect(order[i]! - level).toBeGreaterThan(0.03)
    // Common practice has the hairline fastest of all; a tenth and more faster than the top.
    expect((mean('temple') - 5) / (mean('crown') - 5)).toBeGreaterThan(1.1)
  })
})

describe('lift over time', () => {
  it('never ends lighter after a later start, with the same mix and bowl age and the same removal', () => {
    fc.assert(
      fc.property(
        anyCourse,
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 30 }),
        (course, minutes, later) => {
          const early = levelAfter(PLACE, levelsAfter(course, minutes + later), 8)
          const late = levelAfter(PLACE, levelsAfter(course, minutes), 8)
          expect(late.expected).toBeLessThanOrEqual(early.expected + 1e-9)
        },
      ),
    )
  })

  it('is never slowed by applying product again', () => {
    fc.assert(
      fc.property(
        anyCourse,
        anyEvents,
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 40 }),
        (course, events, at, bowlAgeMinutes) => {
          const again = [...events, { at, kind: 'reapply' as const, bowlAgeMinutes }].sort((a, b) => a.at - b.at)
          expect(levelsAfter({ ...course, events: again }, 60)).toBeGreaterThanOrEqual(
            levelsAfter({ ...course, events }, 60) - 1e-12,
          )
        },
      ),
    )
  })

  it('passes neither the label’s time nor the levels a product can lift nor the lightest hair there is', () => {
    fc.assert(
      fc.property(anyCourse, anyEvents, fc.double({ min: 1, max: 10, noNaN: true }), (course, events, maximumLift) => {
        const { levels } = exposureOf({ ...course, events, maximumMinutes: 30 }, 90)
        expect(levels[90]).toBe(levels[30])
        const { low, expected, high } = levelAfter(PLACE, levels[90]! * 20, maximumLift)
        expect(low).toBeLessThanOrEqual(expected + 1e-9)
        expect(expected).toBeLessThanOrEqual(high + 1e-9)
        expect(high).toBeLessThanOrEqual(Math.min(10.5, 5 + maximumLift) + 1e-9)
      }),
    )
  })

  it('needs, for a level, the exposure that gives it', () => {
    fc.assert(
      fc.property(fc.double({ min: 5.1, max: 10, noNaN: true }), fc.integer({ min: 3, max: 9 }), (level, shown) => {
        const place = {
          ...PLACE,
          band: band(0, 30, { level: shown, treatments: shown > 5 ? [{ kind: 'lightened' }] : [] }),
        }
        const exposure = exposureForLevel(place, level, 8)
        if (level > shown) expect(levelAfter(place, exposure, 8).expected).toBeCloseTo(level, 6)
        else expect(exposure).toBe(0)
      }),
    )
  })

  it('is slower far from the scalp, in the open, in the cold and from an old bowl', () => {
    const whole = levelsAfter(COURSE, 40)
    for (const worse of [
      { distanceCm: 60 },
      { cover: 'open' as const },
      { roomCelsius: 16 },
      { bowlAgeMinutes: 30 },
      { insulation: 0 },
      { kind: 'clayLightener' as const },
    ])
      expect(levelsAfter({ ...COURSE, ...worse }, 40)).toBeLessThan(whole)
    expect(levelsAfter({ ...COURSE, events: [{ at: 10, kind: 'heat', celsius: 8 }] }, 40)).toBeGreaterThan(whole)
    expect(levelsAfter({ ...COURSE, cover: 'open', events: [{ at: 15, kind: 'mist' }] }, 40)).toBeGreaterThan(
      levelsAfter({ ...COURSE, cover: 'open' }, 40),
    )
  })

  it('does nothing over metallic salts', () => {
    const place = { ...PLACE, band: band(0, 30, { treatments: [{ kind: 'metallic' }] }) }
    expect(levelAfter(place, 5, 8).high).toBe(5)
    expect(exposureForLevel(place, 8, 8)).toBe(Infinity)
  })
})

describe('what acts on it', () => {
  it('is body heat at the scalp and the room at hanging ends', () => {
    const at = (distanceCm: number) => celsiusAt({ distanceCm, insulation: 1, roomCelsius: 21 }, 'foil')
    expect(at(0)).toBeCloseTo(33, 6)
    expect(at(120)).toBeLessThan(21.1)
    for (let cm = 1; cm < 100; cm++) expect(at(cm)).toBeLessThan(at(cm - 1))
  })

  it('loses a fifth of its strength over a bowl’s life', () => {
    expect(freshness(0, 30)).toBe(1)
    expect(freshness(30, 30)).toBeCloseTo(0.8, 12)
  })

  it('strains worn and lightened hair more', () => {
    const strain = (rest: Parameters<typeof band>[2]) => strainOf({ ...PLACE, band: band(0, 30, rest) }, 100)
    expect(strain({ integrity: 'worn' })).toBeGreaterThan(strain({}))
    expect(strain({ integrity: 'fragile' })).toBeGreaterThan(strain({ integrity: 'worn' }))
    expect(strain({ treatments: [{ kind: 'lightened' }] })).toBeGreaterThan(strain({}))
  })
})

describe('a service', () => {
  const plan = planWith({ placement: { rowGapMm: 0 } })
  const process = createProcess(plan, createHead(plan.head), undefined)
  const [piece] = computeStages(plan).pieces

  it('says how long a piece has to stay: then, and not before, all of the strand is near the goal', () => {
    Object.assign(plan.formulas[0]!, { level: 8 })
    const { ready, short } = process.stay(piece!, 5, 20)
    expect(short).toBe(false)
    const lowest = (off: number) =>
      Math.min(...process.after(piece!, { on: 0, off, bowlAgeMinutes: 5, vol: 20 }).map(({ level }) => level.expected))
    expect(lowest(ready)).toBeGreaterThanOrEqual(7.75)
    expect(lowest(ready - 1)).toBeLessThan(7.75)
  })

  it('says when a goal is not reached in the time the label gives', () => {
    const far = planWith({ hair: { naturalLevel: 2 } })
    expect(
      createProcess(far, createHead(far.head), undefined).stay(computeStages(far).pieces[0]!, 5, 20),
    ).toMatchObject({
      ready: 50,
      most: 50,
      short: true,
    })
  })
})

describe('drying', () => {
  it('is slower the closer product is kept, and slower still behind the shell of clay', () => {
    const minutes = (
      cover: 'foil' | 'film' | 'open',
      onScalp = false,
      kind: 'powderLightener' | 'clayLightener' = 'powderLightener',
    ) => driesAfter({ kind, onScalp }, cover)
    expect(minutes('foil')).toBeGreaterThan(minutes('film'))
    expect(minutes('film')).toBeGreaterThan(minutes('open', true))
    expect(minutes('open', true)).toBeGreaterThan(minutes('open'))
    expect(minutes('open', false, 'clayLightener')).toBeCloseTo(2 * minutes('open'), 9)
    // Open work is wetted again after a quarter of an hour or so (common practice).
    expect(minutes('open')).toBeGreaterThan(10)
    expect(minutes('open')).toBeLessThan(20)
  })
})

describe('minutes at full strength', () => {
  it('are fewer than minutes under product, because product dries and ages', () => {
    const { after } = fullStrengthOf(COURSE, [])
    expect(after(1)).toBeLessThan(1)
    expect(after(1)).toBeGreaterThan(0.9)
    expect(after(40) / after(20)).toBeLessThan(2)
  })

  it('run as much faster under careful heat as chemistry does: twice as fast for 10 °C more', () => {
    // Q10 = 2 for reactions near room temperature (van 't Hoff's rule, from memory).
    const warmed = fullStrengthOf(COURSE, [{ at: 0, kind: 'heat', celsius: HEAT_CELSIUS }])
    expect(warmed.after(12) / fullStrengthOf(COURSE, []).after(12)).toBeCloseTo(2 ** (HEAT_CELSIUS / 10), 9)
  })

  it('lead from a mix to the level that following it minute by minute gives', () => {
    const plan = planWith({})
    const process = createProcess(plan, createHead(plan.head), undefined)
    const piece = computeStages(plan).pieces[0]!
    const course = process.course(piece, 5, 20)
    for (const minutes of [10, 25, 45]) {
      const middle = process.after(piece, { on: 0, off: minutes, bowlAgeMinutes: 5, vol: 20 })
      const followed = middle.reduce((sum, { level }) => sum + level.expected, 0) / middle.length
      expect(process.levelAtFullStrength(piece, 20, fullStrengthOf(course, []).after(minutes))).toBeCloseTo(followed, 6)
    }
  })

  it('are asked forwards and backwards alike, and never run back', () => {
    fc.assert(
      fc.property(anyCourse, anyEvents, fc.double({ min: 0, max: 1, noNaN: true }), (course, events, share) => {
        const { after, until } = fullStrengthOf(course, events)
        const minutes = share * (course.maximumMinutes - 1)
        expect(after(minutes + 1)).toBeGreaterThan(after(minutes))
        expect(until(after(minutes))).toBeCloseTo(minutes, 6)
      }),
    )
  })

  it('end with the label’s longest time', () => {
    const { after, until } = fullStrengthOf(COURSE, [{ at: 5, kind: 'mist' }])
    expect(after(COURSE.maximumMinutes + 20)).toBe(after(COURSE.maximumMinutes))
    expect(until(after(COURSE.maximumMinutes) + 0.01)).toBe(Infinity)
  })
})
