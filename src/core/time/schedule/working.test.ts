import { byId, type DropoutKind, type Stage } from '../../model'
import { planWith, type Wanted, stageOf } from '../../../../tests/support/plan'
import { ALONE, clockFor, remediesFor, visitFor } from '.'
import { computeStages } from '../../../../tests/support/planner'

/** Slices under film from the scalp to the tips. */
function filmPlan(rest: Partial<Wanted> = {}) {
  const plan = planWith({
    hair: { lengthCm: 30 },
    placement: { take: { kind: 'slice' }, rowGapMm: 0, subsectionMm: 12, startCm: 0 },
    ...rest,
  })
  stageOf(plan).zones.forEach(({ placement }) => (placement.cover = 'film'))
  return plan
}

describe('lengths before the scalp', () => {
  const plan = filmPlan()
  const computed = computeStages(plan)
  const visit = visitFor(plan, computed, { order: 'lengthsFirst' })
  const putIn = visit.tasks.filter(({ kind }) => kind === 'apply')

  it('puts product on every stretch of every strand once: lengths everywhere, then the scalp, where it was left out', () => {
    const pieces = putIn.flatMap(({ pieces = [] }) => pieces.map(({ piece }) => piece))
    const [lengths, scalp] = ['lengths', 'scalp'].map((part) => pieces.filter(({ id }) => id.endsWith(`/${part}`)))
    expect(lengths!.length).toBe(computed.zones.reduce((sum, { placement }) => sum + placement.pieces.length, 0))
    expect(scalp!.length).toBe(lengths!.length)
    for (const piece of lengths!) expect(byId(scalp!, piece.id.replace('lengths', 'scalp')).toCm).toBe(piece.fromCm)
    const partOf = (task: (typeof putIn)[number]) => task.pieces![0]!.piece.id.split('/').at(-1)
    expect(putIn.map(partOf)).toEqual(putIn.map(partOf).sort())
  })

  it('gives the lengths their lead', () => {
    const clock = clockFor(plan, computed, { crew: ALONE, order: 'lengthsFirst' })
    const at = new Map(clock.tasks.map((task) => [task.id, task]))
    for (const { zoneId } of computed.zones) {
      const own = putIn.filter(({ id }) => id.includes(`/${zoneId}/`))
      const lengths = own.filter((task) => task.pieces![0]!.piece.id.endsWith('/lengths')).at(-1)!
      const scalp = own.find((task) => task.pieces![0]!.piece.id.endsWith('/scalp'))!
      expect(at.get(scalp.id)!.from - at.get(lengths.id)!.to).toBeGreaterThanOrEqual(20 - 1e-6)
    }
  })

  it('leaves foils as they are, which are closed once', () => {
    const foils = planWith({})
    const done = computeStages(foils)
    expect(visitFor(foils, done, { order: 'lengthsFirst' })).toEqual(visitFor(foils, done, {}))
  })
})

describe('what was not picked up', () => {
  const removed = (kind: DropoutKind) => {
    const plan = planWith({ only: ['backLeft'], placement: { dropout: { kind, formulaId: 'B' } } })
    const { tasks } = visitFor(plan, computeStages(plan), {})
    return tasks
      .filter((task) => task.kind === 'takeOut')
      .flatMap(({ pieces = [] }) => pieces)
      .filter(({ piece }) => piece.id.endsWith('/dropout')).length
  }

  it('comes out at the chair where it is closed in foil, its own or the same, and else in the rinse', () => {
    expect(removed('lowlight')).toBeGreaterThan(0)
    expect(removed('sameFoil')).toBe(removed('lowlight'))
    expect([removed('paint'), removed('base')]).toEqual([0, 0])
  })
})

describe('rinsing section by section', () => {
  it('ends each section’s time at a rinse of its own, and all are rinsed again at the end', () => {
    const plan = filmPlan()
    const computed = computeStages(plan)
    const { tasks, lags } = visitFor(plan, computed, { rinse: 'bySection' })
    const applied = tasks.filter(({ kind }) => kind === 'apply')
    expect(tasks.filter(({ kind }) => kind === 'rinse')).toHaveLength(applied.length + 1)
    for (const { id } of applied) {
      const own = id.replace('apply/', 'rinse/')
      expect(lags.filter(({ from, most }) => from === id && most !== undefined).map(({ to }) => to)).toEqual([own])
      expect(lags.some(({ from, to }) => from === own && tasks.find((task) => task.id === to)?.kind === 'rinse')).toBe(
        true,
      )
    }
  })
})

describe('a stage that puts nothing on', () => {
  it('takes no time, unless it is work without product', () => {
    const plan = planWith({})
    const [own] = plan.variants[0]!.stages
    const empty = { ...own!, id: 'empty', name: 'Nothing', zones: [], order: [] }
    const tasksWith = (stages: Stage[]) => {
      const other = { ...plan, variants: [{ ...plan.variants[0]!, stages }] }
      return visitFor(other, computeStages(other), {}).tasks
    }
    const alone = tasksWith([own!])
    expect(tasksWith([own!, { ...empty, kind: 'gloss' }])).toEqual(alone)
    const cut = tasksWith([own!, { ...empty, kind: 'cut', lasts: { minutes: 17 } }])
    expect(cut.length).toBeGreaterThan(alone.length)
    expect(cut.find(({ kind }) => kind === 'cut')!.seconds).toBe(17 * 60)
  })
})

describe('remedies', () => {
  it('are only what works: a rinse for each section, and two visits, each of which fits, come last', () => {
    const plan = filmPlan()
    plan.products.forEach((product) => (product.maximumMinutes = 60))
    const computed = computeStages(plan)
    const clock = clockFor(plan, computed, { crew: ALONE })
    expect(clock.fits).toBe(false)
    const remedies = remediesFor(plan, computed, { crew: ALONE }, clock)
    for (const remedy of remedies) expect(remedy.clock.fits).toBe(true)
    expect(remedies.map(({ kind }) => kind)).toContain('partialRinse')
    expect(remedies.at(-1)).toMatchObject({
      kind: 'splitVisit',
      text: expect.stringMatching(/ now; .+ another day, in \d+ min\.$/),
    })
  })

  it('name the products that may sit for less than another would, and no others', () => {
    const plan = filmPlan({ only: ['backLeft'] })
    plan.products.forEach((product) => (product.maximumMinutes = 20))
    const computed = computeStages(plan)
    const clock = clockFor(plan, computed, { crew: ALONE })
    const hindered = new Set(clock.conflicts.map(({ formulaId }) => formulaId))
    const names = new Set(
      plan.formulas.flatMap(({ id, productId }) => (hindered.has(id) ? [byId(plan.products, productId).name] : [])),
    )
    const other = remediesFor(plan, computed, { crew: ALONE }, clock).filter(({ kind }) => kind === 'otherProduct')
    expect(other.length).toBeGreaterThan(0)
    for (const { text } of other)
      expect(text).toMatch(new RegExp(`^Something else than ${[...names].join(' and ')}, that may sit \\d+ min\\.$`))
  })

  it('does a part of the zones, each whole', () => {
    const plan = planWith({})
    const computed = computeStages(plan)
    const [first] = computed.zones
    const { tasks } = visitFor(plan, computed, { only: new Set([first!.zoneId]) })
    const pieces = tasks.flatMap(({ kind, pieces: own = [] }) =>
      kind === 'apply' ? own.map(({ piece }) => piece.id) : [],
    )
    expect(pieces).toEqual(first!.placement.pieces.map(({ id }) => id))
  })
})
