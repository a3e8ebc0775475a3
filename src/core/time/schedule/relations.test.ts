import type { FaltoPlan, Stage } from '../../model'
import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { ALONE, clockFor, visitFor, type Clock } from '.'

/** Two stages on one head: a colour on the scalp, then a gloss over everything. */
function visit(second: Partial<Stage> = {}, first: Partial<Stage> = {}): FaltoPlan {
  const plan = planWith({
    placement: {
      take: { kind: 'onScalp', bandCm: 3 },
      subsectionMm: 20,
      rowGapMm: 0,
      direction: 'vertical',
      sequence: ['B'],
    },
  })
  const stage = plan.variants[0]!.stages[0]!
  plan.products.push({ id: 'gloss', name: 'Gloss', kind: 'gloss', maximumMinutes: 20 })
  plan.formulas.push({
    id: 'D',
    name: 'Gloss',
    productId: 'gloss',
    developerVol: 7,
    ratio: 1.5,
    level: 8,
    tone: 'cool',
  })
  const gloss: Stage = { ...structuredClone(stage), id: 'gloss', kind: 'gloss', name: 'Gloss', ...second }
  for (const { placement } of gloss.zones)
    Object.assign(placement, { sequence: ['D'], startCm: 3, take: { ...placement.take, kind: 'block' } })
  plan.variants[0]!.stages = [{ ...stage, id: 'root', kind: 'shadowRoot', name: 'Root', ...first }, gloss]
  return plan
}

const clockOf = (plan: FaltoPlan): Clock => clockFor(plan, computeStages(plan), { crew: ALONE })
const span = ({ tasks }: Clock, stageId: string, kind = 'apply') => {
  const own = tasks.filter((task) => task.kind === kind && task.stageId === stageId)
  return { from: Math.min(...own.map(({ from }) => from)), to: Math.max(...own.map(({ to }) => to)), count: own.length }
}
const rinses = ({ tasks }: Clock) => tasks.filter(({ kind }) => kind === 'rinse').map(({ about }) => about)

describe('stages that say nothing of each other', () => {
  it('are rinsed one after the other, the next begun after that', () => {
    const clock = clockOf(visit())
    expect(rinses(clock)).toEqual(['Root', 'Gloss'])
    expect(span(clock, 'gloss').from).toBeGreaterThanOrEqual(span(clock, 'root', 'rinse').to)
  })
})

describe('a stage on the wet root', () => {
  const clock = clockOf(
    visit({ begins: { kind: 'asApplied', stageId: 'root' }, comesOff: { kind: 'together', stageId: 'root' } }),
  )

  it('begins when the root is on, and comes off in one rinse with it', () => {
    expect(span(clock, 'gloss').from).toBeGreaterThanOrEqual(span(clock, 'root').to)
    expect(rinses(clock)).toEqual(['Root and Gloss'])
    expect(clock.fits).toBe(true)
  })

  it('makes the visit shorter than one after the other', () => {
    expect(clock.finish.expected).toBeLessThan(clockOf(visit()).finish.expected - 15)
  })

  it('leaves the root on longest', () => {
    const [root, lengths] = ['root', 'gloss'].map((id) => clock.zones.filter(({ stageId }) => stageId === id))
    const longest = (zones: typeof clock.zones) => Math.max(...zones.map(({ firstOn, lastOut }) => lastOut - firstOn))
    expect(longest(root!)).toBeGreaterThan(longest(lengths!))
  })
})

describe('a stage so many minutes after another', () => {
  it('begins no sooner', () => {
    const begins = { kind: 'minutesAfter', stageId: 'root', minutes: 25 } as const
    const clock = clockOf(visit({ begins }))
    expect(span(clock, 'gloss').from).toBeGreaterThanOrEqual(span(clock, 'root').from + 25)
    expect(rinses(clock)).toEqual(['Root and Gloss'])
  })
})

describe('a stage section by section', () => {
  const waitsFor = (kind: 'sectionBySection' | 'asApplied') => {
    const plan = visit({ begins: { kind, stageId: 'root' } })
    const { lags } = visitFor(plan, computeStages(plan), {})
    const first = plan.variants[0]!.stages[0]!.order[0]!
    return lags.flatMap(({ from, to }) => (to === `apply/gloss/${first}/1` && from.startsWith('apply/') ? [from] : []))
  }

  it('waits for the same section alone, so that other hands can follow', () => {
    const [first, ...others] = waitsFor('asApplied')
    expect(waitsFor('sectionBySection')).toEqual([first])
    expect(others.length).toBeGreaterThan(1)
  })
})

describe('what stays in', () => {
  it('is not rinsed, and what follows begins on it', () => {
    const clock = clockOf(visit({ begins: { kind: 'asApplied', stageId: 'root' } }, { comesOff: { kind: 'stays' } }))
    expect(rinses(clock)).toEqual(['Gloss'])
  })

  it('nor dried for what follows, and the last rinse is dried with the finish', () => {
    const dried = (clock: Clock) => clock.tasks.filter(({ kind }) => kind === 'dry')
    expect(dried(clockOf(visit({}, { comesOff: { kind: 'stays' } })))).toEqual([])
    const [between, ...others] = dried(clockOf(visit()))
    expect([between!.about, others]).toEqual(['Root', []])
  })
})

describe('work that puts nothing on', () => {
  /** A cut first, a wash in between, the skin wiped after the root, styling at the end. */
  function withWork(lasts: Partial<Record<Stage['kind'], number>> = {}): FaltoPlan {
    const plan = visit()
    const [root, gloss] = plan.variants[0]!.stages as [Stage, Stage]
    const bare = (kind: Stage['kind'], name: string): Stage => ({
      ...structuredClone(root),
      id: kind,
      kind,
      name,
      zones: root.zones.map((zone) => ({ ...zone, placement: { ...zone.placement, sequence: [] } })),
      ...(lasts[kind] !== undefined && { lasts: { minutes: lasts[kind] } }),
    })
    plan.variants[0]!.stages = [
      bare('cut', 'Cut'),
      root,
      bare('skinWipe', 'Wipe'),
      bare('wash', 'Wash'),
      gloss,
      bare('style', 'Style'),
    ]
    return plan
  }
  const of = (clock: Clock, kind: string) => clock.tasks.filter((task) => task.kind === kind)

  it('has its place in the visit, in the order planned', () => {
    const { tasks } = clockOf(withWork())
    const order = tasks.filter(({ kind }) => kind !== 'mix' && kind !== 'apply').map(({ kind }) => kind)
    expect(order).toEqual(['setUp', 'cut', 'rinse', 'dry', 'wipe', 'wash', 'rinse', 'finish'])
    tasks.slice(1).forEach(({ from }, i) => expect(from).toBeGreaterThanOrEqual(tasks[i]!.to - 0.01))
  })

  it('takes as long as is usual, or as planned; styling that is planned takes the place of the usual end', () => {
    const usual = clockOf(withWork())
    expect(of(usual, 'cut').map(({ from, to }) => to - from)).toEqual([30])
    const own = clockOf(withWork({ cut: 45, style: 40 }))
    const [cut] = of(own, 'cut')
    const [finish] = of(own, 'finish')
    expect(cut!.to - cut!.from).toBe(45)
    expect(finish!.to - finish!.from).toBe(40)
    expect(usual.finish.expected).toBeGreaterThan(clockOf(visit()).finish.expected + 30)
  })
})

describe('colour', () => {
  it('sits as long as is usual, counted from when the last of it is on, where nothing is planned', () => {
    const clock = clockOf(visit())
    const [gloss] = clock.tasks.filter(({ kind, stageId }) => kind === 'rinse' && stageId === 'gloss')
    const putOn = clock.tasks.filter(({ kind, stageId }) => kind === 'apply' && stageId === 'gloss')
    expect(gloss!.from - Math.max(...putOn.map(({ to }) => to))).toBeCloseTo(20, 0)
  })

  it('has all of its depth where a shorter time is planned: so long it is meant to sit', () => {
    const levels = (lasts?: Stage['lasts']) =>
      clockOf(visit(lasts && { lasts }))
        .zones.filter(({ stageId }) => stageId === 'gloss')
        .map(({ level }) => level.expected)
    levels({ minutes: 10 }).forEach((level, i) => expect(level).toBeCloseTo(levels()[i]!, 3))
  })
})

describe('times', () => {
  const stays = (clock: Clock, stageId: string) =>
    clock.zones.filter((zone) => zone.stageId === stageId).map(({ lastOn, lastOut }) => lastOut - lastOn)

  it('of colour count from the end of its application: a head that takes longer to do than its label still fits', () => {
    const plan = visit()
    for (const product of plan.products) if (product.id === 'gloss') product.maximumMinutes = 5
    const clock = clockOf(plan)
    expect(clock.fits).toBe(true)
    expect(span(clock, 'gloss').to - span(clock, 'gloss').from).toBeGreaterThan(5)
    expect(span(clock, 'gloss', 'rinse').from - span(clock, 'gloss').to).toBeLessThanOrEqual(5.1)
  })

  it('count from each piece where that is said', () => {
    const plan = visit({ lasts: { minutes: 5, from: 'eachPiece' } })
    for (const product of plan.products) if (product.id === 'gloss') product.maximumMinutes = 5
    expect(clockOf(plan).fits).toBe(false)
  })

  it('are as long as planned, up to the label', () => {
    const planned = (minutes: number) => Math.min(...stays(clockOf(visit({ lasts: { minutes } })), 'gloss'))
    expect(planned(18)).toBeGreaterThanOrEqual(17.9)
    expect(planned(18)).toBeLessThan(21)
    expect(planned(8)).toBeLessThan(12)
  })

  it('of earlier stages do not change when a later one is added', () => {
    const plan = visit()
    const alone = { ...plan, variants: [{ ...plan.variants[0]!, stages: plan.variants[0]!.stages.slice(0, 1) }] }
    const roots = (clock: Clock) =>
      clock.zones.filter(({ stageId }) => stageId === 'root').map(({ lastOut }) => Math.round(lastOut))
    expect(roots(clockOf(plan))).toEqual(roots(clockOf(alone)))
  })
})
