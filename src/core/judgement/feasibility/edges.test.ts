import type { Band, Goal, HairState, Target } from '../../model'
import { band, canvasWith, GOAL } from '../../../../tests/support/canvas'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { assess, startingGoal, targetFor } from '.'

const to = (level: number, rest: Partial<Target> = {}): Partial<Goal> => ({
  targets: [{ region: 'all', level, hue: 'beige', strength: 0.5, ...rest }],
})
const done = (...kinds: Band['treatments'][number]['kind'][]): Partial<Band> => ({
  treatments: kinds.map((kind) => ({ kind })),
})
const judge = (bands: Band[], goal: Partial<Goal> = {}, hair: Partial<HairState> = {}) =>
  assess({
    hair: { ...MEDIUM_HAIR, ...hair },
    canvas: canvasWith(bands),
    goal: { ...GOAL, ...goal },
    meanWhite: 0,
  })
const reason = (id: string, ...args: Parameters<typeof judge>) => judge(...args).reasons.find((one) => one.id === id)
const says = (id: string, ...args: Parameters<typeof judge>) => reason(id, ...args) !== undefined

describe('which band decides', () => {
  const decides = (bands: Band[], goal: Partial<Goal> = {}) => judge(bands, goal).limiting.index

  it('is the one that cannot be, before one that falls short, before the one that takes most', () => {
    const salts = band(20, 30, done('metallic'))
    const dyed = band(8, 20, { level: 4, ...done('henna') })
    const dark = band(0, 8, { level: 2 })
    expect(decides([dark, { ...dyed, toCm: 30 }], to(10))).toBe(1)
    expect(decides([dark, dyed, salts], to(10))).toBe(2)
    // Of two that fall short, the one by more; of two that only take work, the one that takes more of it.
    expect(
      decides([band(0, 10, { level: 7, ...done('henna') }), band(10, 30, { level: 4, ...done('permanent') })], {
        ...to(8),
        means: 'depositOnly',
      }),
    ).toBe(1)
    expect(decides([band(0, 10, { level: 6 }), band(10, 30, { level: 3 })], to(9))).toBe(1)
    expect(decides([band(0, 10, { level: 3 }), band(10, 30, { level: 6 })], to(9))).toBe(0)
    // Alike, the one nearest to the scalp.
    expect(decides([band(0, 10), band(10, 30)], to(8))).toBe(0)
  })

  it('is the one that has other work first where neither is to be lifted', () => {
    expect(decides([band(0, 10, { level: 8 }), band(10, 30, { level: 8, ...done('mineral') })], to(8))).toBe(1)
  })
})

describe('what has to come first', () => {
  const prework = (rest: Partial<Band>, level = 9, goal: Partial<Goal> = {}) =>
    judge([band(0, 30, { level: 4, ...rest })], { ...to(level), ...goal }).limiting.prework

  it('is told by what the hair carries and what is wished of it', () => {
    expect(prework({})).toEqual([])
    expect(prework(done('mineral'))).toEqual(['clarify'])
    expect(prework({ level: 9, ...done('mineral') })).toEqual(['clarify'])
    expect(prework(done('unknown'))).toContain('strandTest')
    expect(prework({ level: 9, ...done('unknown') }, 9)).not.toContain('strandTest')
    expect(prework(done('boxDye'))).toEqual(['strandTest', 'remover'])
    // Where not everything is allowed, nothing is taken out.
    expect(prework(done('boxDye'), 9, { means: 'permanentOnly' })).not.toContain('remover')
    expect(prework({ level: 10, ...done('lightened') }, 6)).toEqual(['filler'])
    expect(prework({ level: 10, ...done('lightened') }, 8)).toEqual([])
  })
})

describe('the level at the end', () => {
  it('is the hair’s own where nothing has to be lifted or nothing may be, and in quarter steps up to the wish else', () => {
    expect(judge([band(0, 30, { level: 8 })], to(7)).atEnd).toEqual({ low: 8, high: 8 })
    expect(judge([band(0, 30, done('metallic'))], to(9)).afterFirst).toEqual({ low: 5, high: 5 })
    const { afterFirst, atEnd } = judge([band(0, 30, { level: 2 })], to(10))
    for (const level of [afterFirst.low, afterFirst.high, atEnd.low]) expect(level * 4).toBe(Math.round(level * 4))
    expect(afterFirst.low).toBeGreaterThan(2)
    expect(afterFirst.low).toBeLessThan(afterFirst.high)
    expect(afterFirst.high).toBeLessThanOrEqual(atEnd.high)
    expect(atEnd.high).toBeLessThanOrEqual(10)
  })
})

describe('where things begin to be said', () => {
  it('contrast is told from more than half a level beside what the word means, on either side', () => {
    // Subtle means 2–3 levels, clear 3–4, and the hair is at 5.
    const told = (level: number, contrast: Goal['contrast']) =>
      says('contrast', [band(0, 30)], { ...to(level), contrast })
    expect([6.25, 6.5, 8.5, 8.75].map((level) => told(level, 'subtle'))).toEqual([true, false, false, true])
    expect([7.25, 7.5, 9.5, 9.75].map((level) => told(level, 'clear'))).toEqual([true, false, false, true])
    expect(told(3, 'subtle')).toBe(false)
    expect(told(4, 'subtle')).toBe(true)
    expect(reason('contrast', [band(0, 30)], { ...to(8), contrast: 'bold' })?.text).toMatch(
      /usually means \d or more\.$/,
    )
    expect(reason('contrast', [band(0, 30)], { ...to(9), contrast: 'subtle' })?.text).toMatch(/usually means 2–3\.$/)
  })

  it('fading is told of a tone that is there, and warns where a cool one is gone before the next visit', () => {
    const fade = (rest: Partial<Target>, goal: Partial<Goal> = {}, hair: Partial<HairState> = {}) =>
      reason('fade', [band(0, 30)], { ...to(9, rest), ...goal }, hair)?.severity
    expect(fade({ hue: 'neutral' })).toBeUndefined()
    expect(fade({ hue: 'ash', strength: 0 })).toBeUndefined()
    expect(fade({ hue: 'ash' }, {}, { washesPerWeek: 0 })).toBeUndefined()
    expect(fade({ hue: 'ash' }, { upkeepWeeks: 20 })).toBe('caution')
    expect(fade({ hue: 'gold' }, { upkeepWeeks: 20 })).toBe('fact')
    expect(fade({ hue: 'ash' }, { upkeepWeeks: 2 })).toBe('fact')
  })

  it('a tone’s canvas is a fact where the hair reaches it within what nobody sees, else a caution', () => {
    const canvas = (level: number) =>
      reason('tone-canvas', [band(0, 30, { level: 4, ...done('henna') })], {
        ...to(level, { hue: 'violet' }),
        warmth: 'welcome',
      })
    // Violet asks for 9, with warmth welcome for 8, which is as far as henna lets hair be trusted to come.
    expect(canvas(7)?.severity).toBe('fact')
    const none = reason('tone-canvas', [band(0, 30, { level: 4, ...done('henna') })], {
      ...to(7, { hue: 'violet' }),
      warmth: 'none',
    })
    expect(none?.severity).toBe('caution')
    expect(says('tone-canvas', [band(0, 30)], to(9))).toBe(false)
  })

  it('means are spoken of only where they are limited and fall short', () => {
    expect(says('means', [band(0, 30, { level: 4 })], to(9))).toBe(false)
    expect(says('means', [band(0, 30, { level: 4 })], { ...to(4), means: 'depositOnly' })).toBe(false)
    expect(says('means', [band(0, 30, { level: 4 })], { ...to(6), means: 'permanentOnly' })).toBe(false)
  })
})

describe('a wish', () => {
  it('begins three levels above the hair, ten at most', () => {
    const level = (naturalLevel: number) => startingGoal({ naturalLevel }).targets[0]!.level
    expect([level(2), level(6), level(8), level(10)]).toEqual([5, 9, 10, 10])
  })

  it('for a region is its own, else the one for all, else the first there is', () => {
    const target = (region: Target['region'], level: number): Target => ({ region, level, hue: 'beige', strength: 0.5 })
    const goal = { ...GOAL, targets: [target('nape', 6), target('all', 8)] }
    expect([targetFor(goal, 'nape').level, targetFor(goal, 'crown').level, targetFor(goal, 'all').level]).toEqual([
      6, 8, 8,
    ])
    expect(targetFor({ ...GOAL, targets: [target('nape', 6)] }, 'crown').level).toBe(6)
  })
})
