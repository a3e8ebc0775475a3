import fc from 'fast-check'
import { checkCanvas, startingCanvas } from '../../hair/hairRecord'
import { createHead } from '../../scalp/head'
import type { FaltoPlan, Placement, Stage, StageKind, WorksOn } from '../../model'
import { computeStages } from '../../../../tests/support/planner'
import { band, canvasWith } from '../../../../tests/support/canvas'
import { planWith, stageOf } from '../../../../tests/support/plan'
import { foldPlan, shownLevel, surfacesOf, type FoldedCells, type Lock } from '.'

/** Takes of whole sections and of parts of them. */
const WHOLE = { take: { kind: 'block' }, rowGapMm: 0, subsectionMm: 20 } as const
const SOME = { take: { kind: 'weave', stitchMm: 4, stitchGapMm: 6 }, rowGapMm: 5 } as const

interface Step {
  kind?: StageKind
  placement: Omit<Partial<Placement>, 'take'> & { take?: Partial<Placement['take']> }
  worksOn?: WorksOn
  only?: string[]
}

/** A plan of several stages on four quadrants. Formula D is a sheer gloss of level 8, E a deep shadow, F a remover. */
function visit(steps: readonly Step[], hair: Partial<FaltoPlan['hair']> = {}): FaltoPlan {
  const plan = planWith({ hair })
  const stages = steps.map(({ kind = 'lighten', worksOn, ...wanted }, i): Stage => ({
    ...stageOf(planWith(wanted)),
    id: `s${i}`,
    kind,
    name: `Stage ${i}`,
    ...(worksOn && { worksOn }),
  }))
  return {
    ...plan,
    products: [
      ...plan.products,
      { id: 'gloss', name: 'Gloss', kind: 'gloss', maximumMinutes: 20 },
      { id: 'remover', name: 'Remover', kind: 'remover', maximumMinutes: 30 },
    ],
    formulas: [
      ...plan.formulas,
      { id: 'D', name: 'Gloss', productId: 'gloss', developerVol: 10, ratio: 1, level: 8, tone: 'cool' },
      { id: 'E', name: 'Shadow', productId: 'gloss', developerVol: 10, ratio: 1, level: 5, tone: 'neutral' },
      { id: 'F', name: 'Remover', productId: 'remover', developerVol: 0, ratio: 0, level: 5, tone: 'neutral' },
    ],
    variants: [{ ...plan.variants[0]!, stages }],
  }
}

const fold = (plan: FaltoPlan, canvas = canvasWith([band(0, 35)])) =>
  foldPlan(plan, computeStages(plan), { canvas, visitId: 'v1', on: '2026-09-20' })

/** Share of all hair that is so, by cells. */
const shareOf = (cells: FoldedCells, fits: (lock: Lock) => boolean): number =>
  cells.reduce((sum, locks) => sum + locks.filter(fits).reduce((own, { share }) => own + share, 0), 0) / cells.length

const treatedWith = (lock: Lock, kind: string, at = 20) =>
  lock.bands.find(({ toCm }) => toCm > at)!.treatments.some((one) => one.kind === kind)

const STEPS: fc.Arbitrary<Step> = fc.record({
  placement: fc
    .tuple(
      fc.constantFrom(WHOLE, SOME),
      fc.constantFrom('A', 'B', 'D', 'E', 'F'),
      fc.constantFrom(0, 3),
      fc.constantFrom(undefined, 4, 60),
    )
    .map(([how, letter, startCm, upToCm]) => ({ ...how, sequence: [letter], startCm, upToCm })),
  worksOn: fc.constantFrom<(WorksOn | undefined)[]>(
    undefined,
    { kind: 'took', stageId: 's0' },
    { kind: 'dropped', stageId: 's0' },
  ),
})
const VISITS = fc
  .tuple(STEPS, STEPS, STEPS)
  .map(([first, ...rest]) => visit([{ ...first, worksOn: undefined! }, ...rest]))

describe('the hair after every stage', () => {
  it('of a third lightened, a shadow and a gloss over everything: nothing leaves lightened and untoned (C22)', () => {
    const plan = visit([
      { placement: { ...SOME, startCm: 0 } },
      { kind: 'shadowRoot', placement: { ...WHOLE, sequence: ['E'], upToCm: 4 } },
      { kind: 'gloss', placement: { ...WHOLE, sequence: ['D'], startCm: 4 } },
    ])
    const computed = computeStages(plan)
    const after = fold(plan).stages.at(-1)!
    const light = (lock: Lock) => treatedWith(lock, 'lightened')
    expect(shareOf(after, light)).toBeCloseTo(computed.shareByFormula['A']!, 1)
    expect(shareOf(after, (lock) => light(lock) && !treatedWith(lock, 'demi'))).toBe(0)
    expect(shareOf(after, (lock) => !treatedWith(lock, 'demi', 1))).toBe(0)
    // Light, toned, with a shadow at the root; and natural hair glossed with the same shadow, on which 8 leaves little.
    const kinds = after.flat().map(({ bands }) => bands)
    const lit = kinds.find((bands) => bands.at(-1)!.treatments.length === 2)!
    // A sheer shadow of 5 on bare 9: within the tolerance for levels.
    expect(Math.abs(lit[0]!.level - 5)).toBeLessThanOrEqual(0.8)
    expect(lit.at(-1)!.level).toBeGreaterThan(7)
    const natural = kinds.find((bands) => bands.at(-1)!.treatments.length === 1)!
    expect(natural.at(-1)!.level).toBeLessThanOrEqual(5)
  })

  it('adds up to all of it in every cell, and is a record that holds', () => {
    fc.assert(
      fc.property(VISITS, (plan) => {
        const folded = fold(plan)
        for (const cells of folded.stages)
          for (const locks of cells) expect(locks.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
        expect(checkCanvas(folded.canvas())).toEqual([])
      }),
      { numRuns: 25 },
    )
  })

  it('took and dropped together are what was there', () => {
    fc.assert(
      fc.property(fc.constantFrom(SOME, WHOLE), (how) => {
        const second = (kind: 'took' | 'dropped'): Step => ({
          placement: { ...WHOLE, sequence: ['E'] },
          worksOn: { kind, stageId: 's0' },
        })
        const after = fold(visit([{ placement: how }, second('took'), second('dropped')])).stages.at(-1)!
        expect(shareOf(after, ({ took }) => took.includes(1) === took.includes(0))).toBeCloseTo(1, 9)
        expect(shareOf(after, ({ took }) => took.includes(2) !== took.includes(0))).toBeCloseTo(1, 9)
      }),
      { numRuns: 2 },
    )
  })

  it('of two lighteners in one foil is what each of them does, along its own stretch', () => {
    const sequence = [
      {
        stretches: [
          { formulaId: 'A', toCm: 8 },
          { formulaId: 'D', fromCm: 10 },
        ],
      },
    ]
    const after = fold(visit([{ placement: { ...SOME, sequence } }])).stages.at(-1)!
    const lit = after.flat().find(({ took }) => took.length > 0)!
    expect(
      lit.bands.map(({ fromCm, toCm, treatments }) => [fromCm, toCm, treatments.map(({ kind }) => kind).join()]),
    ).toEqual([
      [0, 8, 'lightened'],
      [8, 10, ''],
      [10, 35, 'demi'],
    ])
    expect(lit.sources).toEqual(['v1/A', 'v1/D'])
    expect(shareOf(after, ({ took }) => took.length > 0)).toBeCloseTo(
      shareOf(fold(visit([{ placement: SOME }])).stages.at(-1)!, ({ took }) => took.length > 0),
      9,
    )
  })

  it('is shorter after a cut, and nothing of it longer', () => {
    const plan = visit([{ placement: SOME }, { placement: { sequence: [] } }, { placement: WHOLE }])
    plan.variants[0]!.stages[1]!.cut = { lengthCm: 20, cutLine: 'layered' }
    const { stages } = fold(plan)
    const longest = (cells: FoldedCells) => Math.max(...cells.flat().map(({ bands }) => bands.at(-1)!.toCm))
    expect(stages.map(longest)).toEqual([35, 35, 20, 20])
    for (const cells of stages)
      for (const locks of cells) expect(locks.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
    const { pieces } = computeStages(plan)
    expect(Math.max(...pieces.filter(({ id }) => id.startsWith('s2')).map(({ hairLength }) => hairLength))).toBeCloseTo(
      20,
      6,
    )
    expect(checkCanvas(fold(plan).canvas())).toEqual([])
  })

  it('is what it was after a stage that takes nothing', () => {
    const { stages } = fold(visit([{ placement: SOME }, { placement: { sequence: [] } }]))
    expect(stages[2]).toEqual(stages[1])
  })

  it('does not depend on the order of stages that do not meet', () => {
    const [one, other]: [Step, Step] = [
      { placement: SOME, only: ['frontLeft'] },
      { placement: { ...WHOLE, sequence: ['E'] }, only: ['backRight'] },
    ]
    const levels = (steps: Step[]) =>
      fold(visit(steps))
        .stages.at(-1)!
        .map((locks) =>
          // Where the two meet, at the crown, a cell belongs to both.
          locks.some(({ bands }) => bands[0]!.treatments.length > 1)
            ? 'both'
            : locks.map(({ bands, share }) => `${bands.map(({ level }) => level).join()} ${share.toFixed(9)}`).sort(),
        )
    const [forth, back] = [levels([one, other]), levels([other, one])]
    expect(forth).toEqual(back)
    expect(forth.filter((cell) => cell === 'both').length).toBeLessThan(12)
  })

  it('never darkens by lightener and never lightens by colour, stage after stage', () => {
    const hair = canvasWith([band(0, 3), band(3, 35, { level: 7, treatments: [{ kind: 'permanent' }] })])
    const level = (cells: FoldedCells, at: number) =>
      cells[10]!.map(({ bands, white }) =>
        shownLevel(
          bands.find(({ toCm }) => toCm > at)!,
          white,
        ),
      )
    for (const [letter, holds] of [
      ['A', (before: number, after: number) => after >= before],
      ['D', (before: number, after: number) => after <= before],
      ['E', (before: number, after: number) => after <= before],
    ] as const) {
      const { stages } = fold(visit([{ placement: { ...WHOLE, sequence: [letter] } }]), hair)
      for (const at of [1, 10, 30]) expect(holds(level(stages[0]!, at)[0]!, level(stages[1]!, at)[0]!)).toBe(true)
    }
  })

  it('lifts to what the lightener is to reach, which the toner then takes to what shows', () => {
    const plan = visit([{ placement: WHOLE }, { kind: 'gloss', placement: { ...WHOLE, sequence: ['D'] } }])
    const reaching = {
      ...plan,
      formulas: plan.formulas.map((one) => (one.id === 'A' ? { ...one, level: 8, liftGoal: 10 } : one)),
    }
    const { stages } = fold(reaching)
    expect(stages[1]![0]![0]!.bands[0]!.level).toBe(10)
    expect(stages[2]![0]![0]!.bands[0]!.level).toBeLessThan(9)
  })

  it('keeps white hair white under a sheer gloss, and covers it with permanent colour', () => {
    const white = canvasWith([band(0, 35, { level: 4 })], '2026-09-15', 0.4)
    const shown = (letter: string) => {
      const after = fold(visit([{ placement: { ...WHOLE, sequence: [letter] } }]), white).stages.at(-1)!
      const lock = after[0]!.find((one) => one.white)!
      return [lock.share, shownLevel(lock.bands[0]!, true)]
    }
    expect(shown('D')[0]).toBeCloseTo(0.4, 9)
    expect(shown('D')[1]).toBeGreaterThan(9.5)
    expect(shown('B')[1]).toBeLessThan(6)
  })

  it('gives back what lies under a dye to a remover, which changes no natural hair', () => {
    const dyed = canvasWith([
      band(0, 3),
      band(3, 35, { level: 3, beneathLevel: 6, treatments: [{ kind: 'boxDye', on: '2026-01-01' }] }),
    ])
    const after = fold(visit([{ placement: { ...WHOLE, sequence: ['F'] } }]), dyed).stages.at(-1)!
    expect(after[0]![0]!.bands.map(({ level }) => level)).toEqual([5, 6])
    expect(after[0]![0]!.bands[0]!.treatments).toEqual([])
  })

  it('finds earlier work of its own and of others, and leaves it out where it is to', () => {
    const earlier = canvasWith([band(0, 3), band(3, 35, { level: 9, treatments: [{ kind: 'lightened' }] })])
    const taken = (select: 'earlier' | 'notEarlier') =>
      shareOf(
        fold(
          { ...visit([{ placement: { ...WHOLE, sequence: ['E'], select } }]), hairMap: MAP },
          {
            ...earlier,
            strands: [...earlier.strands, { id: 'virgin', bands: [band(0, 35)] }],
            cells: earlier.cells.map(() => ({
              populations: [
                { strandId: 'one', share: 0.3, white: 0, sources: [] },
                { strandId: 'virgin', share: 0.7, white: 0, sources: [] },
              ],
            })),
          },
        ).stages.at(-1)!,
        ({ took }) => took.length > 0,
      )
    expect(taken('earlier')).toBeCloseTo(0.3, 9)
    expect(taken('notEarlier')).toBeCloseTo(0.7, 9)
  })

  it('puts what was seen in the place of what was meant, and leaves out what was not done', () => {
    const plan = visit([{ placement: WHOLE }])
    const computed = computeStages(plan)
    const canvas = canvasWith([band(0, 35)])
    const seen = foldPlan(plan, computed, {
      canvas,
      came: { levels: [{ zoneId: 'backLeft', formulaId: 'A', level: 7 }], leftOut: new Set() },
    }).canvas()
    expect(new Set(seen.strands.map(({ bands }) => bands.at(-1)!.level))).toEqual(new Set([7, 9]))
    const undone = foldPlan(plan, computed, {
      canvas,
      came: { levels: [], leftOut: new Set(computed.pieces.map(({ id }) => id)) },
    }).canvas()
    expect(undone.cells).toEqual(canvas.cells)
  })

  it('begins with virgin hair, white where the map says so, where nothing was recorded', () => {
    const plan = {
      ...visit([{ placement: { sequence: [] } }]),
      hairMap: { ...MAP, whitePercent: MAP.whitePercent.map(() => 25) },
    }
    const [before] = foldPlan(plan, computeStages(plan)).stages
    expect(shareOf(before!, ({ white }) => white)).toBeCloseTo(0.25, 9)
    expect(before![0]![0]!.bands[0]!.level).toBe(5)
  })
})

const HEAD = createHead({ circumferenceCm: 54 })
const CELLS = startingCanvas(HEAD, planWith().hair, '').cells
const MAP = { whitePercent: CELLS.map(() => 0), earlierPercent: CELLS.map(() => 30) }

describe('what a formula goes on', () => {
  const surfaces = (plan: FaltoPlan, canvas = canvasWith([band(0, 35)])) => {
    const computed = computeStages(plan)
    return surfacesOf(plan, computed, foldPlan(plan, computed, { canvas, visitId: 'v1' }))
  }

  it('is what the stage before left: the gloss over foils meets light hair as well as natural hair', () => {
    const plan = visit([
      { placement: { ...SOME, startCm: 0 } },
      { kind: 'gloss', placement: { ...WHOLE, sequence: ['D'] } },
    ])
    expect(surfaces(plan)['A']!.map(({ name }) => name)).toEqual(['Natural, level 5'])
    expect(surfaces(plan)['D']!.map(({ name, level, state }) => [name, level, state])).toEqual([
      ['Natural, level 5', 5, 'natural'],
      ['What A lightened, level 9', 9, 'lightened'],
    ])
  })

  it('is only what a stage works on', () => {
    const on = (kind: 'took' | 'dropped') =>
      surfaces(
        visit([
          { placement: { ...SOME, startCm: 0 } },
          { kind: 'gloss', placement: { ...WHOLE, sequence: ['D'] }, worksOn: { kind, stageId: 's0' } },
        ]),
      )['D']!.map(({ state }) => state)
    expect(on('took')).toEqual(['lightened'])
    expect(on('dropped')).toEqual(['natural'])
  })

  it('is told along the stretch that is reached, with white hair as its share', () => {
    const dyed = canvasWith(
      [band(0, 4), band(4, 35, { level: 7, treatments: [{ kind: 'permanent', on: '2026-06-01' }] })],
      '2026-09-15',
      0.3,
    )
    const root = surfaces(visit([{ placement: { ...WHOLE, sequence: ['E'], upToCm: 4 } }]), dyed)['E']!
    expect(root.map(({ name, white }) => [name, Math.round(100 * white)])).toEqual([['Natural, level 5', 30]])
    const lengths = surfaces(visit([{ placement: { ...WHOLE, sequence: ['E'], startCm: 4 } }]), dyed)['E']!
    expect(lengths.map(({ name }) => name)).toEqual(['4–35 cm, level 7'])
  })

  it('is told by where it is, where an earlier visit lightened it', () => {
    const lit = canvasWith([
      band(0, 3),
      band(3, 35, { level: 9, treatments: [{ kind: 'lightened', on: '2026-06-01' }] }),
    ])
    const known = {
      ...lit,
      cells: lit.cells.map(() => ({ populations: [{ strandId: 'one', share: 1, white: 0, sources: ['v0/A'] }] })),
    }
    const plan = visit([{ placement: { ...WHOLE, sequence: ['E'], startCm: 3 } }])
    expect(surfaces(plan, known)['E']!.map(({ name }) => name)).toEqual(['3–35 cm, level 9'])
  })

  it('is all hair for a formula that nothing is worked with', () => {
    expect(surfaces(visit([{ placement: WHOLE }]))['B']!.map(({ name }) => name)).toEqual(['Natural, level 5'])
  })
})

describe('kinds of hair in a cell', () => {
  const plan = visit([{ placement: { ...WHOLE, sequence: ['D'] } }])
  const bands = [band(0, 35)]
  /** Hair recorded as two populations: of which strands, with which past, and how much of them is white. */
  const twice = (strands: [string, string], pasts: [string[], string[]], white: [number, number] = [0, 0]) => ({
    ...canvasWith(bands),
    strands: [...new Set(strands)].map((id) => ({ id, bands: bands.map((one) => ({ ...one })) })),
    cells: canvasWith(bands).cells.map(() => ({
      populations: [0, 1].map((i) => ({
        strandId: strands[i]!,
        share: [0.3, 0.7][i]!,
        white: white[i]!,
        sources: pasts[i]!,
      })),
    })),
  })
  const kindsIn = (canvas: ReturnType<typeof twice>) => fold(plan, canvas).stages[1]!.map((locks) => locks.length)

  it('are one where strand, past and colour are the same', () => {
    for (const count of kindsIn(twice(['a', 'a'], [['v0/A'], ['v0/A']]))) expect(count).toBe(1)
  })

  it('stay apart where the strand, the past or the colour differs', () => {
    for (const count of kindsIn(twice(['a', 'b'], [['v0/A'], ['v0/A']]))) expect(count).toBe(2)
    for (const count of kindsIn(twice(['a', 'a'], [['v0/A'], ['v0/B']]))) expect(count).toBe(2)
    for (const count of kindsIn(twice(['a', 'a'], [['v0/A'], []]))) expect(count).toBe(2)
    for (const count of kindsIn(twice(['a', 'a'], [['v0/A'], ['v0/A']], [0, 1]))) expect(count).toBe(2)
  })

  it('come commonest first, and together are all of it', () => {
    for (const locks of fold(plan, twice(['a', 'b'], [[], []])).stages[1]!) {
      expect(locks.map(({ share }) => share)).toEqual(locks.map(({ share }) => share).sort((a, b) => b - a))
      expect(locks.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
    }
  })

  it('are two where many pieces of one kind take some of a cell: what they took, and the rest', () => {
    const some = visit([{ placement: { ...SOME, sequence: ['D'] } }])
    expect(Math.max(...fold(some).stages[1]!.map((locks) => locks.length))).toBe(2)
  })
})
