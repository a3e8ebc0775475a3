import fc from 'fast-check'
import { activeVariant, type FaltoPlan, type MixRecord } from '../../model'
import { densePlan } from '../../../../tests/support/samples'
import { planWith } from '../../../../tests/support/plan'
import {
  corrected,
  describeStep,
  gramsByFormula,
  inBowl,
  madeOf,
  mixPlan,
  nextTarget,
  poured,
  pouringOf,
  stageKindOf,
  withDeveloper,
  type MixedPart,
} from '.'
import { computeStages } from '../../../../tests/support/planner'

const mixesOf = (plan: FaltoPlan) => mixPlan(plan, computeStages(plan))
const tenths = (values: readonly number[]) => values.reduce((total, value) => total + Math.round(10 * value), 0)

describe('the mixes of a plan', () => {
  it('tie to the digit: parts with their bowl, bowls with the total', () => {
    for (const plan of [planWith(), densePlan()]) {
      for (const { grams: total, bowls } of mixesOf(plan)) {
        expect(tenths(bowls.map(({ grams }) => grams))).toBe(bowls.length === 0 ? 0 : Math.round(10 * total.expected))
        for (const { grams, parts } of bowls)
          expect(tenths(parts.map((part) => part.grams))).toBe(Math.round(10 * grams))
      }
    }
  })

  it('rise in strength from a weaker first bowl to the formula’s own', () => {
    const plan = densePlan()
    plan.formulas[0]!.firstBowlVol = 10
    const [first] = mixesOf(plan)
    const strengths = first!.bowls.map(({ vol }) => vol)
    expect(strengths.length).toBeGreaterThan(1)
    expect(strengths[0]).toBe(10)
    expect(strengths.at(-1)).toBe(plan.formulas[0]!.developerVol)
    expect([...strengths].sort((a, b) => a - b)).toEqual(strengths)
    plan.formulas[0]!.firstBowlOnly = true
    const own = plan.formulas[0]!.developerVol
    expect(mixesOf(plan)[0]!.bowls.map(({ vol }) => vol)).toEqual([10, ...strengths.slice(1).map(() => own)])
  })

  it('offer fresher bowls for more mix and more walking, one of them as it is', () => {
    const plan = densePlan()
    const { options } = mixesOf(plan)[0]!
    expect(options.length).toBeGreaterThan(1)
    expect(options.filter(({ chosen }) => chosen)).toHaveLength(1)
    options.slice(1).forEach((option, i) => {
      expect(option.grams).toBeGreaterThan(options[i]!.grams)
      expect(option.walkMinutes).toBeGreaterThan(options[i]!.walkMinutes)
      expect(option.oldestMinutes).toBeLessThanOrEqual(options[i]!.oldestMinutes)
    })
    plan.formulas[0]!.bowls = options.at(-1)!.bowls
    expect(mixesOf(plan)[0]!.bowls).toHaveLength(options.at(-1)!.bowls)
  })

  it('name the stage and the zones each bowl serves', () => {
    const plan = densePlan()
    const [{ bowls } = { bowls: [] }] = mixesOf(plan)
    const names = activeVariant(plan).stages[0]!.zones.map(({ name }) => name)
    for (const { zones, stageName } of bowls) {
      expect(zones.length).toBeGreaterThan(0)
      expect(zones.every((zone) => names.includes(zone))).toBe(true)
      expect(stageName).toBe(activeVariant(plan).stages[0]!.name)
    }
  })
})

const part = (name: string, grams: number): MixedPart => ({
  role: name === 'developer' ? 'developer' : 'product',
  name,
  productId: name,
  grams,
  ml: grams,
})
const bowl = [part('one', 30), part('two', 10), part('developer', 60)]

describe('pouring', () => {
  it('goes from line to line and is done when everything is in', () => {
    let pouring = pouringOf(bowl)
    expect(describeStep(pouring)).toBe('30 g of one')
    pouring = poured(pouring, 0, 20)
    expect(describeStep(pouring)).toBe('10 g more of one')
    pouring = poured(pouring, 0, 10)
    expect(nextTarget(pouring)).toBe(1)
    pouring = poured(poured(pouring, 1, 10.1), 2, 60)
    expect(pouring.verdict.kind).toBe('done')
    expect(nextTarget(pouring)).toBe(-1)
  })

  it('keeps the ratio after too much: every other target grows alike, also of what is in', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 70 }), fc.integer({ min: 0, max: 2 }), (over, line) => {
        const before = bowl.slice(0, line).reduce((pouring, { grams }, i) => poured(pouring, i, grams), pouringOf(bowl))
        const after = poured(before, line, bowl[line]!.grams + over / 10)
        const factor = 1 + over / 10 / bowl[line]!.grams
        if (factor <= 1.2 && over > 2) {
          // Done at once where no other line lacks more than the hand's error.
          expect(['kept', 'done']).toContain(after.verdict.kind)
          after.lines.forEach(({ target, grams }) => expect(Math.abs(target - factor * grams)).toBeLessThan(0.06))
          if (line > 0)
            expect(nextTarget(after) === 0 || after.lines[0]!.target - after.lines[0]!.actual <= 0.2).toBe(true)
        }
      }),
    )
  })

  it('knows what is in: ratio and peroxide, also after developer was added to a bowl that thickened', () => {
    expect(madeOf(pouringOf(bowl), 20)).toBeUndefined()
    const full = bowl.reduce((pouring, { grams }, i) => poured(pouring, i, grams), pouringOf(bowl))
    expect(madeOf(full, 20)).toMatchObject({ ratio: 1.5, peroxidePercent: expect.closeTo(3.6, 9) as number })
    const wetter = withDeveloper(full, 2, 20)
    expect(madeOf(wetter, 20)).toMatchObject({ ratio: 2, peroxidePercent: expect.closeTo(4, 9) as number })
    expect(wetter.lines.slice(0, 2).map(({ target }) => target)).toEqual([30, 10])
    expect(nextTarget(wetter)).toBe(-1)
  })

  it('says why not where the bowl would grow too much, and can be mended by hand', () => {
    const spilled = poured(pouringOf(bowl), 1, 14)
    expect(spilled.verdict).toMatchObject({ kind: 'tooMuch', over: 4 })
    expect(spilled.lines.map(({ target }) => target)).toEqual([30, 10, 60])
    const full = poured(pouringOf([part('one', 60), part('developer', 58)]), 0, 64)
    expect(full.verdict).toMatchObject({ kind: 'tooMuch' })
    expect(corrected(spilled, 1, 10).verdict.kind).toBe('open')
    const wordsOf = ({ verdict }: typeof spilled) => ('words' in verdict ? verdict.words : '')
    expect(wordsOf(spilled)).toBe(
      '4 g too much of two: the bowl would have to be 40 % larger. Spoon it out, or go on with another ratio.',
    )
    expect(wordsOf(full)).toContain('the bowl would hold 125.9 g, it holds 120 g')
    expect(wordsOf(poured(pouringOf(bowl), 1, 11))).toBe(
      '1 g too much of two: the other targets grew by 10 %, so the ratio stays.',
    )
  })

  it('has room in a large bowl for what a usual one does not hold', () => {
    const large = poured(pouringOf([part('one', 70), part('developer', 70)]), 0, 80)
    expect(large.verdict.kind).toBe('kept')
    expect(large.factor).toBeCloseTo(8 / 7, 9)
    expect(poured(pouringOf([part('one', 100), part('developer', 100)]), 0, 115).verdict.kind).toBe('tooMuch')
  })

  it('changes by hand the line that is meant, and holds no less than nothing', () => {
    const full = bowl.reduce((pouring, { grams }, i) => poured(pouring, i, grams), pouringOf(bowl))
    const actual = (pouring: typeof full) => pouring.lines.map((line) => line.actual)
    expect(actual(corrected(full, 1, -3))).toEqual([30, 0, 60])
    expect(actual(corrected(full, 0, 28.04))).toEqual([28, 10, 60])
    expect(actual(withDeveloper(full, 2, 5.04))).toEqual([30, 10, 65])
    // What is added before all of it is in counts towards what is to go in.
    const half = withDeveloper(poured(pouringOf(bowl), 2, 40), 2, 5)
    expect(half.lines[2]).toMatchObject({ actual: 45, target: 60 })
    expect(describeStep(half)).toBe('30 g of one')
  })

  it('is ready for a formula that nothing uses: a treatment off the scalp', () => {
    const plan = planWith()
    expect(stageKindOf(plan, 'A')).toEqual({ kind: 'lighten', onScalp: false })
    expect(stageKindOf(plan, 'B')).toEqual({ kind: 'treat', onScalp: false })
  })
})

describe('what was weighed', () => {
  const event = (kind: 'poured' | 'corrected' | 'lost', line: number, grams: number) => ({
    id: `${kind}${line}${grams}`,
    kind,
    line,
    grams,
    source: 'typed' as const,
    by: '',
    at: '',
  })
  const line = (grams: number) => ({ name: '', productId: null, role: 'product' as const, grams })
  const record = (formulaId: string, state: MixRecord['state'], events: MixRecord['events']): MixRecord => ({
    id: formulaId,
    formulaId,
    bowl: 1,
    planned: [line(20), line(40)],
    state,
    by: '',
    startedAt: '',
    events,
  })

  it('adds up pours of a line, from its last correction on', () => {
    const amounts = [
      event('poured', 0, 5),
      event('poured', 1, 7),
      event('corrected', 0, 4),
      event('lost', 0, 9),
      event('poured', 0, 2.5),
    ].map(({ kind, line: at, grams }) => ({ kind, line: at, amount: grams }))
    expect(inBowl(2, amounts)).toEqual([6.5, 7])
  })

  it('stands beside what was planned, for bowls that were mixed to their end', () => {
    const poured = [event('poured', 0, 20.4), event('poured', 1, 41)]
    expect(
      gramsByFormula([
        record('A', 'done', poured),
        record('A', 'done', poured),
        record('A', 'abandoned', poured),
        record('B', 'weighing', poured),
      ]),
    ).toEqual([{ formulaId: 'A', planned: 120, weighed: 122.8 }])
  })
})
