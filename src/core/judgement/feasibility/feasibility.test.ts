import fc from 'fast-check'
import { byId, TONE_HUES, type Band, type Goal, type HairState } from '../../model'
import { anyBands, band, canvasWith, GOAL } from '../../../../tests/support/canvas'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { assess, checkGoal, judgeBand, startingGoal, targetFor, type Reason } from '.'

const wish = (bands: Band[], goal: Partial<Goal> = {}, rest: { hair?: Partial<HairState>; white?: number } = {}) =>
  assess({
    hair: { ...MEDIUM_HAIR, ...rest.hair },
    canvas: canvasWith(bands),
    goal: { ...GOAL, ...goal },
    meanWhite: rest.white ?? 0,
  })
const ids = (...args: Parameters<typeof wish>) => wish(...args).reasons.map(({ id }) => id)
const to = (level: number, hue: Goal['targets'][number]['hue'] = 'beige'): Partial<Goal> => ({
  targets: [{ region: 'all', level, hue, strength: 0.5 }],
})
const dyed = (...kinds: Band['treatments'][number]['kind'][]): Partial<Band> => ({
  treatments: kinds.map((kind) => ({ kind })),
})

describe('a verdict', () => {
  it('is a range in order, names a band it judged, and plans as many visits as it may take', () => {
    fc.assert(
      fc.property(anyBands, fc.integer({ min: 2, max: 24 }), fc.constantFrom(...TONE_HUES), (bands, half, hue) => {
        const {
          visits,
          atEnd,
          afterFirst,
          limiting,
          plan,
          bands: judged,
          reach,
        } = wish(bands, { ...to(half / 2, hue), lightPercent: 100 })
        for (const { low, high } of [visits, atEnd, afterFirst]) expect(low).toBeLessThanOrEqual(high)
        expect(judged).toContain(limiting)
        expect(plan).toHaveLength(reach === 'notNow' ? 0 : visits.high)
      }),
    )
  })

  it('never promises lighter hair from more history, less integrity or stricter means', () => {
    const need = (one: Partial<Band>, goal: Partial<Goal> = {}) =>
      judgeBand(
        band(0, 30, { level: 4, ...one }),
        { region: 'all', level: 9, hue: 'beige', strength: 0.5 },
        { ...GOAL, ...goal },
        'medium',
      )
    const virgin = need({})
    for (const kinds of [['demi'], ['permanent'], ['boxDye'], ['unknown']] as const) {
      expect(need(dyed(...kinds)).lightest).toBeLessThanOrEqual(virgin.lightest)
      expect(need(dyed(...kinds)).rate).toBeLessThan(virgin.rate)
    }
    for (const integrity of ['worn', 'fragile'] as const) expect(need({ integrity }).stands).toBeLessThan(virgin.stands)
    expect(need({ integrity: 'fragile' }).lightest).toBeLessThan(virgin.lightest)
    expect(need({ porosity: 'high' }).stands).toBeLessThan(virgin.stands)
    expect(need({}, { means: 'permanentOnly' }).lightest).toBeLessThan(virgin.lightest)
    expect(need({}, { means: 'depositOnly' }).lightest).toBe(4)
  })

  it('lets permanent colour lift natural hair and never artificial pigment', () => {
    const permanentOnly = { ...to(8), means: 'permanentOnly' } as const
    expect(wish([band(0, 30)], permanentOnly).reach).not.toBe('partly')
    expect(wish([band(0, 30, dyed('permanent'))], permanentOnly).reach).toBe('partly')
  })

  it('takes more visits the further it goes, and fewer with the stronger school', () => {
    const visits = (level: number, goal: Partial<Goal> = {}) =>
      wish([band(0, 30, { level: 3, ...dyed('permanent') })], { ...to(level, 'gold'), ...goal }).visits.high
    expect(visits(9)).toBeGreaterThanOrEqual(visits(7))
    expect(visits(7)).toBeGreaterThanOrEqual(visits(5))
    expect(visits(9, { school: 'stepUp' })).toBeLessThanOrEqual(visits(9))
  })

  it('takes the wish of a region before the one for all', () => {
    const goal: Goal = {
      ...GOAL,
      targets: [...GOAL.targets, { region: 'nape', level: 4, hue: 'neutral', strength: 0 }],
    }
    expect(targetFor(goal, 'nape').level).toBe(4)
    expect(targetFor(goal, 'crown').level).toBe(8)
  })
})

/** Every reason both ways: given where it must be, silent where it must not. */
describe('a remover first', () => {
  const old = [band(0, 30, { ...dyed('permanent'), level: 4 })]
  const judged = (goal: Partial<Goal>) =>
    judgeBand(old[0]!, targetFor({ ...GOAL, ...to(8), ...goal }, 'all'), { ...GOAL, ...goal }, 'medium')

  it('gives one to two levels where there is old colour to take out and every means is allowed, and nothing else', () => {
    expect(judged({ means: 'open' }).removed).toEqual({ low: 1, high: 2 })
    expect(judged({ means: 'permanentOnly' }).removed).toEqual({ low: 0, high: 0 })
    const virgin = judgeBand(band(0, 30, { level: 4 }), targetFor({ ...GOAL, ...to(8) }, 'all'), GOAL, 'medium')
    expect(virgin.removed).toEqual({ low: 0, high: 0 })
  })

  it('spares visits: what it took out need not be lifted', () => {
    const { removed, perVisit, need, visits } = judged({ means: 'open' })
    expect(need).toBeGreaterThan(0)
    expect(visits.low).toBeLessThanOrEqual(Math.max(1, Math.ceil((need - removed.high) / perVisit.high)))
  })
})

describe('reasons', () => {
  const virgin = [band(0, 30)]
  const light = [band(0, 30, { level: 9.5, ...dyed('lightened') })]
  const cases: [Reason['id'], Parameters<typeof wish>, Parameters<typeof wish>][] = [
    ['tone-canvas', [virgin, to(7, 'ash')], [virgin, to(8, 'ash')]],
    ['artificial-pigment', [[band(0, 30, dyed('permanent'))]], [virgin]],
    ['strand-test', [[band(0, 30, dyed('boxDye'))]], [[band(0, 30, dyed('permanent'))]]],
    ['metallic', [[band(0, 30, dyed('metallic'))]], [[band(0, 30, dyed('henna'))]]],
    ['clarify', [[band(0, 30, dyed('mineral'))]], [virgin]],
    [
      'remover',
      [[band(0, 30, { level: 4, ...dyed('permanent') })]],
      [[band(0, 30, { level: 6.5, ...dyed('permanent') })]],
    ],
    ['filler', [light, to(5, 'beige')], [light, to(8.5, 'beige')]],
    ['fragile', [[band(0, 30, { integrity: 'fragile' })]], [virgin]],
    ['lightest', [[band(0, 30, dyed('unknown'))], to(9)], [virgin, to(9)]],
    ['means', [virgin, { ...to(8), means: 'depositOnly' }], [virgin, { ...to(5), means: 'depositOnly' }]],
    ['scalp', [virgin, {}, { hair: { scalp: 'broken' } }], [virgin, {}, { hair: { scalp: 'calm' } }]],
    ['white-cover', [virgin, { white: 'cover' }, { white: 0.4 }], [virgin, { white: 'keep' }, { white: 0.4 }]],
    ['white-blend', [virgin, { white: 'blend' }, { white: 0.4 }], [virgin, { white: 'blend' }, { white: 0 }]],
    ['contrast', [virgin, { ...to(10), contrast: 'subtle' }], [virgin, { ...to(7.5), contrast: 'subtle' }]],
    ['upkeep', [virgin, { root: 'toScalp', upkeepWeeks: 8 }], [virgin, { root: 'melt', upkeepWeeks: 8 }]],
    ['fade', [virgin, to(8, 'ash')], [virgin, to(8, 'neutral')]],
    ['later', [virgin, { lighterInMonths: 6 }], [virgin]],
  ]
  it.each(cases)('%s', (id, where, whereNot) => {
    expect(ids(...where)).toContain(id)
    expect(ids(...whereNot)).not.toContain(id)
  })

  it('each carry the figures they rest on', () => {
    for (const [, where] of cases)
      for (const { figures } of wish(...where).reasons) expect(figures.length).toBeGreaterThan(0)
  })

  it('cover white with darker shades and warn that lighter ones stain', () => {
    const cover = (level: number) =>
      byId(wish([band(0, 30)], { ...to(level), white: 'cover' }, { white: 0.5 }).reasons, 'white-cover').severity
    expect(cover(6)).toBe('fact')
    expect(cover(9)).toBe('caution')
  })
})

describe('a goal', () => {
  it('begins as one that holds', () => {
    for (let level = 1; level <= 10; level++)
      expect(checkGoal(startingGoal({ naturalLevel: level }), canvasWith([band(0, 30, { level })]))).toEqual([])
  })

  it.each([
    ['no wish for the whole head', { targets: [{ region: 'nape', level: 5, hue: 'neutral', strength: 0 }] }, 'targets'],
    ['a region twice', { targets: [GOAL.targets[0]!, GOAL.targets[0]!] }, 'targets[1].region'],
    ['worn in no way', { wear: { straight: 0, waved: 0, tiedLow: 0, tiedHigh: 0 } }, 'wear'],
    ['lighter by deposit alone', { ...to(8), means: 'depositOnly' }, 'targets[0].level'],
  ] satisfies [string, Partial<Goal>, string][])('with %s is flagged at the field', (_what, change, path) => {
    expect(checkGoal({ ...GOAL, ...change }, canvasWith([band(0, 30)])).map((problem) => problem.path)).toEqual([path])
  })
})
