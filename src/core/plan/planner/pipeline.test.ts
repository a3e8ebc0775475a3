import fc from 'fast-check'
import { produce } from 'immer'
import { activeVariant, DIRECTIONS, type Begins, type FaltoPlan, type Stage, type Stretch } from '../../model'
import { planWith, stageOf } from '../../../../tests/support/plan'
import { memoByKey } from './memo'
import { checkPlan, createPlanner, derivationsOf, planFigures } from '.'

const { computePlan, forget } = createPlanner()

const figuresOf = (plan: FaltoPlan) => planFigures(plan, computePlan(plan))

describe('computing a plan', () => {
  it('gives the same figures remembered and afresh, after any sequence of edits', () => {
    const edit = fc.record({
      zone: fc.nat(3),
      rowGapMm: fc.integer({ min: 0, max: 20 }),
      direction: fc.constantFrom(...DIRECTIONS),
      lengthCm: fc.integer({ min: 20, max: 60 }),
    })
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 4 }), (edits) => {
        const plan = planWith({ hair: { cutLine: 'oneLength' } })
        for (const { zone, rowGapMm, direction, lengthCm } of edits) {
          Object.assign(stageOf(plan).zones[zone]!.placement, { rowGapMm, direction })
          plan.hair.lengthCm = lengthCm
          computePlan(plan)
        }
        const remembered = figuresOf(plan)
        forget()
        expect(figuresOf(plan)).toEqual(remembered)
      }),
      { numRuns: 12 },
    )
  })

  it('refuses a stage that works on itself, on a later one or on none, and takes one that works on an earlier one', () => {
    const plan = planWith()
    const [first] = plan.variants[0]!.stages
    const second = { ...structuredClone(first!), id: 'second', name: 'Second' }
    plan.variants[0]!.stages.push(second)
    const problemsOf = (at: 0 | 1, stageId: string) => {
      const asked = structuredClone(plan)
      asked.variants[0]!.stages[at]!.worksOn = { kind: 'took', stageId }
      return checkPlan(asked).map(({ path }) => path)
    }
    expect(problemsOf(1, first!.id)).toEqual([])
    for (const [at, stageId] of [
      [0, first!.id],
      [1, second.id],
      [0, second.id],
      [1, 'nowhere'],
    ] as const)
      expect(problemsOf(at, stageId)).toEqual([`variants[0].stages[${at}].worksOn.stageId`])
  })

  it('does not depend on where else memory has been: a copy computes alike', () => {
    const plan = planWith()
    expect(figuresOf(structuredClone(plan))).toEqual(figuresOf(plan))
  })

  it('adds zones up to the totals, within rounding', () => {
    const { zones, foils, minutes, grams, hairs } = figuresOf(planWith({ placement: { sequence: ['A', 'B'] } }))
    const sum = (values: number[]) => values.reduce((total, value) => total + value, 0)
    expect(sum(zones.map((zone) => zone.foils))).toBe(foils)
    expect(sum(zones.map((zone) => zone.minutes))).toBeCloseTo(minutes.expected, 0)
    expect(Math.abs(sum(zones.map((zone) => zone.hairs)) - hairs)).toBeLessThanOrEqual(200)
    for (const id of ['A', 'B']) {
      const residue = grams[id]!.expected - sum(zones.map((zone) => zone.grams[id] ?? 0))
      expect(residue).toBeGreaterThan(3)
      expect(residue).toBeLessThan(13)
    }
  })

  it('shares out all hair: formulas and what is left make 100 %', () => {
    const { sharePercent } = figuresOf(planWith({ placement: { sequence: ['A', 'B', 'leave'] } }))
    const taken = Object.values(sharePercent.byFormula).reduce((sum, share) => sum + share, 0)
    expect(taken + sharePercent.left).toBeCloseTo(100, 0)
  })

  it('rounds to 0.1 g, 0.1 min and whole foils', () => {
    const { foils, grams, minutes } = figuresOf(planWith())
    const tenths = (value: number) => Math.abs(value * 10 - Math.round(value * 10)) < 1e-9
    expect(Number.isInteger(foils)).toBe(true)
    expect(
      Object.values(grams)
        .flatMap(Object.values)
        .every((value) => tenths(value as number)),
    ).toBe(true)
    expect(Object.values(minutes).every(tenths)).toBe(true)
  })

  it('keeps zone ids, foils and working order on a remeasured head, with figures that follow its size', () => {
    const small = figuresOf(planWith({ head: { circumferenceCm: 52 } }))
    const large = figuresOf(planWith({ head: { circumferenceCm: 58 } }))
    expect(large.zones.map(({ id }) => id)).toEqual(small.zones.map(({ id }) => id))
    expect(large.grams['A']!.expected).toBeGreaterThan(small.grams['A']!.expected)
  })

  it('follows the order of application', () => {
    const plan = planWith()
    stageOf(plan).order.reverse()
    expect(figuresOf(plan).zones.map(({ id }) => id)).toEqual(stageOf(plan).order)
  })

  it('computes the active variant', () => {
    const plan = planWith()
    plan.variants.push({ ...structuredClone(plan.variants[0]!), id: 'other', name: 'Other' })
    plan.variants[1]!.stages[0]!.zones.forEach((zone) => (zone.placement.sequence = []))
    plan.activeVariantId = 'other'
    expect(figuresOf(plan).foils).toBe(0)
    plan.activeVariantId = 'gone'
    expect(() => activeVariant(plan)).toThrow(/does not hold/)
  })
})

describe('opening totals', () => {
  it('says the totals of the strip and names every zone that adds to them', () => {
    const plan = planWith({ placement: { sequence: ['A', 'B'] } })
    const computed = computePlan(plan)
    const figures = planFigures(plan, computed)
    const { foils, grams, minutes, share } = derivationsOf(plan, computed)
    expect(foils.total).toBe(`${figures.foils} foils`)
    expect(grams['A']!.total).toContain(`${figures.grams['A']!.expected} g`)
    expect(minutes.total).toContain(`${figures.minutes.expected} min`)
    expect(share.total).toContain(`left ${figures.sharePercent.left} %`)
    expect(foils.adds.map(({ zoneId }) => zoneId)).toEqual(figures.zones.map(({ id }) => id))
    const parts = grams['A']!.adds.map(({ value }) => parseFloat(value))
    expect(parts.reduce((sum, part) => sum + part, 0)).toBeCloseTo(figures.grams['A']!.expected, 0)
  })
})

describe('what a figure is opened to', () => {
  const plan = planWith({ placement: { sequence: ['A', 'C'] } })
  const computed = computePlan(plan)
  const figures = planFigures(plan, computed)
  const opened = derivationsOf(plan, computed)
  const inputs = (of: { inputs: { label: string; value: string }[] }) =>
    Object.fromEntries(of.inputs.map(({ label, value }) => [label, value]))

  it('is the hair and the head it was reckoned with', () => {
    expect(inputs(opened.foils)).toEqual({ 'Scalp under hair': `${figures.scalpAreaCm2} cm²` })
    const grams = inputs(opened.grams['A']!)
    expect(grams['Scalp under hair']).toBe(`${figures.scalpAreaCm2} cm²`)
    // A medium fibre of 70 µm and 1.32 g/cm³ weighs 51 µg a cm (a cylinder).
    expect(grams['Fibre, medium']).toBe('51 µg/cm')
    expect(grams['Length at the crown']).toBe(`${plan.hair.lengthCm} cm layered`)
    expect(inputs(opened.share)['Hairs on the head']).toBe(`${figures.hairs}`)
    // Eight weeks at 1.25 cm a month.
    expect(inputs(opened.share)['Regrowth since the last colour']).toBe('2.3 cm')
  })

  it('is what each zone adds: foils and rows, shares of its hair, and nothing where nothing is done', () => {
    for (const [i, zone] of figures.zones.entries()) {
      expect(opened.foils.adds[i]!.value).toBe(
        `${zone.foils} from ${zone.rows} rows, ${zone.pitchMm} mm apart (${zone.pitchSpreadMm.p5}–${zone.pitchSpreadMm.p95})`,
      )
      expect(opened.share.adds[i]!.value).toMatch(/^\d+(\.\d)? % of its \d+ hairs$/)
    }
    const bare = planWith({ only: ['frontLeft'] })
    const { share, minutes } = derivationsOf(bare, computePlan(bare))
    expect(share.adds.filter(({ value }) => value === 'left as it is')).toHaveLength(3)
    expect(minutes.adds).toHaveLength(1)
  })

  it('is the rule in the figures that are really used', () => {
    expect(opened.minutes.rule).toContain('a slice 12 s and 1.7 s a cm, a weave 15 s and 2.4 s a cm')
    expect(opened.minutes.inputs).toEqual([{ label: 'Your own pace', value: '× 1' }])
    expect(opened.foils.rule).toContain('a row up to 14 cm goes into one foil')
  })

  it('of the look is in whole percent, and none where there is nothing to hold it against', () => {
    expect(figures.look.partLinePercent).toBe(Math.round(100 * computed.look.partLine!))
    expect(figures.look.faceToBackPercent).toBe(Math.round(100 * computed.look.faceToBack!))
    expect(figures.look.lightPercent + figures.look.lowPercent + figures.look.leftPercent).toBeCloseTo(100, 0)
    const bare = planWith({ placement: { sequence: [] } })
    expect(planFigures(bare, computePlan(bare)).look).toMatchObject({ faceToBackPercent: null, lightPercent: 0 })
    expect(planFigures(bare, computePlan(bare)).zones.map(({ foilLengthCm }) => foilLengthCm)).toEqual(
      figures.zones.map(() => ({ min: 0, max: 0 })),
    )
  })
})

describe('checking a plan', () => {
  const problems = (harm: (plan: FaltoPlan) => void) => {
    const plan = planWith()
    harm(plan)
    return checkPlan(plan).map(({ path }) => path)
  }

  it('finds nothing wrong with a good one', () => {
    expect(checkPlan(planWith({ template: 'topStrip' }))).toEqual([])
  })

  it('finds the same beside a document that passed, whatever an edit touched', () => {
    const passed = planWith()
    passed.variants.push({ ...structuredClone(passed.variants[0]!), id: 'other', name: 'Other' })
    const edits: ((plan: FaltoPlan) => void)[] = [
      (plan) => (plan.name = 'Another'),
      (plan) => (plan.formulas[0]!.productId = 'gone'),
      (plan) => (plan.head.earToEarCm = 26),
      (plan) => (plan.head.circumferenceCm = 58),
      (plan) => stageOf(plan).zones[0]!.boundary.reverse(),
      (plan) => stageOf(plan).zones.pop(),
      (plan) => (stageOf(plan).zones[1]!.id = 'renamed'),
      (plan) => (stageOf(plan).zones[1]!.placement.rowGapMm = 11),
      (plan) => stageOf(plan).order.reverse(),
      (plan) => stageOf(plan).order.pop(),
      (plan) => (stageOf(plan).layout.vertices[0]!.s = 0.2),
      (plan) => (stageOf(plan).layout.edges[0]!.to = 'nowhere'),
      (plan) => plan.variants[0]!.stages.push({ ...stageOf(plan), id: 'again' }),
      (plan) => plan.variants[0]!.stages.push({ ...stageOf(plan), id: 'again', order: [] }),
      (plan) => plan.variants[1]!.stages[0]!.zones[0]!.boundary.reverse(),
      (plan) => void (plan.variants[1] = { ...plan.variants[1]!, stages: [...plan.variants[0]!.stages] }),
    ]
    const found = edits.map((edit) => {
      const plan = produce(passed, (draft) => {
        edit(draft)
      })
      expect(checkPlan(plan, passed)).toEqual(checkPlan(plan))
      return checkPlan(plan, passed).length > 0
    })
    expect(found).toEqual([0, 1, 1, 0, 1, 1, 1, 0, 0, 1, 1, 1, 0, 1, 1, 0].map(Boolean))
  })

  it('measures nothing again that lies as it did', () => {
    const passed = planWith()
    stageOf(passed).zones[0]!.boundary.reverse()
    expect(checkPlan({ ...passed, name: 'Another' }, passed)).toEqual([])
    expect(checkPlan({ ...passed, head: { ...passed.head } }, passed)).not.toEqual([])
  })

  it('names the place of every broken reference', () => {
    expect(problems((plan) => (plan.formulas[0]!.productId = 'gone'))).toEqual(['formulas[0].productId'])
    expect(problems((plan) => (stageOf(plan).zones[2]!.placement.sequence = ['A', 'Q']))).toEqual([
      'variants[0].stages[0].zones[2].placement.sequence[1]',
    ])
    expect(
      problems((plan) => (stageOf(plan).zones[1]!.placement.ramps = [{ figure: 'rowGapMm', way: 'alongRow', to: 2 }])),
    ).toEqual(['variants[0].stages[0].zones[1].placement.ramps[0].way'])
    expect(problems((plan) => (plan.activeVariantId = 'gone'))).toEqual(['activeVariantId'])
    expect(problems((plan) => plan.formulas.push(plan.formulas[0]!))).toEqual(['formulas'])
    expect(problems((plan) => plan.products.push(plan.products[0]!))).toEqual(['products'])
    expect(problems((plan) => plan.variants.push(plan.variants[0]!))).toContain('variants')
  })

  it('names the stretch that lies in another one, runs backwards or does not say where it is', () => {
    const wrong = (stretches: Stretch[]) =>
      problems((plan) => (stageOf(plan).zones[0]!.placement.sequence = ['A', { stretches }]))
    const path = 'variants[0].stages[0].zones[0].placement.sequence[1].stretches'
    const [A, B] = [{ formulaId: 'A' }, { formulaId: 'B' }]
    expect(wrong([{ ...A, fromCm: 5, toCm: 3 }])).toEqual([`${path}[0].toCm`])
    expect(
      wrong([
        { ...A, toCm: 6 },
        { ...B, fromCm: 5 },
      ]),
    ).toEqual([`${path}[1].fromCm`])
    expect(
      wrong([
        { ...A, fromCm: 6 },
        { ...B, fromCm: 5 },
      ]),
    ).toEqual([`${path}[1].fromCm`])
    expect(wrong([A, B])).toEqual([`${path}[1].fromCm`])
    expect(
      wrong([
        { ...A, toCm: 6 },
        { ...B, toCm: 5 },
      ]),
    ).toEqual([`${path}[1].toCm`])
    expect(wrong([{ formulaId: 'Q' }])).toEqual([`${path}[0].formulaId`])
    expect(
      wrong([
        { ...A, toCm: 6 },
        { ...B, fromCm: 8 },
      ]),
    ).toEqual([])
    expect(wrong([{ ...A, toCm: 6 }, B])).toEqual([])
    expect(wrong([A, { ...B, fromCm: 8 }])).toEqual([])
    expect(wrong([])).toEqual([])
  })

  it('names relations of stages that cannot be', () => {
    const related = (...changes: Partial<Stage>[]) =>
      problems((plan) => {
        const stage = stageOf(plan)
        plan.variants[0]!.stages = changes.map((change, i) => ({ ...structuredClone(stage), id: `s${i}`, ...change }))
      })
    const together = (stageId: string): Partial<Stage> => ({ comesOff: { kind: 'together', stageId } })
    const begins = (stageId: string, kind: Begins['kind'] = 'asApplied'): Partial<Stage> => ({
      begins: { kind, stageId },
    })
    const path = (stage: number, field: string) => `variants[0].stages[${stage}].${field}`
    expect(related({}, { ...begins('s0'), ...together('s0') })).toEqual([])
    expect(related(together('s1'), {})).toEqual([])
    expect(related(begins('s1'), {})).toEqual([path(0, 'begins.stageId')])
    expect(related(begins('s0'))).toEqual([path(0, 'begins.stageId')])
    expect(related({}, begins('s0', 'minutesAfter'))).toEqual([path(1, 'begins.minutes')])
    expect(related({}, together('gone'))).toEqual([path(1, 'comesOff.stageId')])
    expect(related(together('s1'), together('s2'), together('s0'))).toContain(path(0, 'comesOff.stageId'))
    expect(related({}, together('s0'), together('s1'))).toEqual([])
    expect(related({ lasts: { minutes: 51 } })).toEqual([path(0, 'lasts.minutes')])
    expect(related({ lasts: { minutes: 50 } })).toEqual([])
    expect(problems((plan) => (plan.foils = { widthCm: 12, lengthsCm: [30, 20] }))).toEqual(['foils.lengthsCm'])
  })

  it('names the measure that cannot be', () => {
    expect(problems((plan) => (plan.head = { circumferenceCm: 54, earToEarCm: 26 }))).toEqual(['head.earToEarCm'])
  })
})

describe('remembering', () => {
  it('computes once a key, and forgets the least used beyond its capacity', () => {
    let computed = 0
    const double = memoByKey((value: number) => (computed++, 2 * value), String, 2)
    expect([double(1), double(1), double(2), double(1), double(3), double(1), double(2)]).toEqual([2, 2, 4, 2, 6, 2, 4])
    expect(computed).toBe(4)
  })
})
