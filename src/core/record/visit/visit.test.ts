import { planWith } from '../../../../tests/support/plan'
import { servicePlan } from '../../../../tests/support/samples'
import { computeStages } from '../../../../tests/support/planner'
import { asPlannedIn, event, minutes } from '../../../../tests/support/runEvents'
import { activeVariant, STARTING_HAIR, type FaltoPlan, type KeptRunEvent, type RunEvent } from '../../model'
import { foldRun, scriptFor } from '../../time/run'
import { ALONE, clockFor, withHelp } from '../../time/schedule'
import { figuresOf, repeatVisit, summariseVisit, type VisitBowl, type VisitFacts } from '.'

const bowl = (changes: Partial<VisitBowl> = {}): VisitBowl => ({
  id: 'b',
  formulaId: 'A',
  planned: 100,
  weighed: 100,
  left: 0,
  by: 'Oriel',
  ...changes,
})
const factsOf = (document: FaltoPlan, rest: Partial<VisitFacts> = {}): VisitFacts => ({
  visitId: 'v1',
  on: '2026-03-01',
  who: 'oriel',
  document,
  bowls: [],
  ...rest,
})
const summaryOf = (facts: VisitFacts) => summariseVisit(facts, computeStages(facts.document))

/** A visit of half-head foils, told as planned, with whatever else was told. */
const carriedOut = (document = servicePlan('hairlineAndPart'), more: (steps: string[]) => RunEvent[] = () => []) => {
  const script = scriptFor(document, computeStages(document), { crew: withHelp([]) })
  const puts = script.steps.filter(({ kind }) => kind === 'apply').map(({ id }) => id)
  const events = [...asPlannedIn(script, 1000), ...more(puts), event('ended', minutes(400))]
  const formulas = document.formulas.map(({ id, productId, developerVol }) => {
    const { name, kind } = document.products.find((product) => product.id === productId)!
    return { id, product: name, kind, workingLifeMinutes: 45, developerVol, swatch: '#000' }
  })
  return { document, run: { script, state: foldRun(events as KeptRunEvent[]), formulas }, puts }
}

describe('a visit summed up', () => {
  it('has what was planned where nothing was told, and says that it was not', () => {
    const document = planWith({})
    const { minutes: took, formulas, levels, steps, jobs, bill } = summaryOf(factsOf(document))
    const computed = computeStages(document)
    expect(took.took).toBeNull()
    expect(took.planned).toBe(Math.round(clockFor(document, computed, { crew: ALONE }).finish.expected))
    expect(60 * took.planned).toBeGreaterThan(computed.handsOn.expected)
    expect(formulas.map(({ id, weighed, left }) => [id, weighed, left])).toEqual([['A', null, null]])
    expect([levels, steps, jobs]).toEqual([[], [], []])
    expect(bill.net).toBeGreaterThan(0)
    expect(bill.margin).toBe(bill.net - bill.cost)
  })

  it('takes what was told afterwards, and learns nothing from it', () => {
    const document = servicePlan('hairlineAndPart')
    const bowls = [bowl({ weighed: 90, left: 3 })]
    const summary = summaryOf(factsOf(document, { bowls, told: { minutes: 140.4, bowls } }))
    expect(summary).toMatchObject({ minutes: { took: 140 }, jobs: [] })
    expect(summary.formulas[0]).toMatchObject({ weighed: 90, left: 3 })
    expect(summaryOf(factsOf(document, { bowls })).jobs).not.toEqual([])
    expect(summaryOf(factsOf(document, { bowls, told: { minutes: null, bowls } })).minutes.took).toBeNull()
  })

  it('adds up bowls of one formula, and knows what was left only where it is told of each', () => {
    const document = planWith({})
    const use = (bowls: VisitBowl[]) => summaryOf(factsOf(document, { bowls })).formulas[0]!
    expect(use([bowl({ weighed: 60, left: 2 }), bowl({ id: 'c', weighed: 30.5, left: 3 })])).toMatchObject({
      weighed: 90.5,
      left: 5,
    })
    expect(use([bowl({ left: 2 }), bowl({ id: 'c', left: null })]).left).toBeNull()
  })

  it('bills what was weighed instead of what was planned', () => {
    const document = servicePlan('hairlineAndPart')
    const netOf = (weighed: number) => summaryOf(factsOf(document, { bowls: [bowl({ weighed })] })).bill.cost
    expect(netOf(400)).toBeGreaterThan(netOf(100))
  })

  it('tells levels, incidents and changes of the chair', () => {
    const facts = carriedOut(undefined, ([first]) => [
      event('seen', minutes(60), { stepId: first!, value: 8 }),
      event('seen', minutes(60), { stepId: first!, value: 7.5, spot: 'ends' }),
      event('incident', minutes(30), { stepId: first!, incident: 'bleed', note: 'left ear' }),
      event('thinned', minutes(31), { formulaId: 'A', value: 6 }),
      event('changed', minutes(32), { formulaId: 'A', value: 30 }),
      event('delayed', minutes(33), { value: 5, note: 'telephone' }),
      event('reapplied', minutes(34), { stepId: first! }),
    ])
    const summary = summaryOf(factsOf(facts.document, { run: facts.run }))
    expect(summary.levels[0]).toMatchObject({ seen: 8, bands: [{ spot: 'ends', seen: 7.5 }] })
    expect(summary.incidents).toEqual([{ incident: 'bleed', note: 'left ear', minute: 30 }])
    expect(summary.changes).toEqual([
      'A mixed with 30 vol from then on',
      '6 g developer put to A',
      '5 min waited: telephone',
    ])
    expect(summary.reapplied).toBe(1)
    expect(figuresOf(summary).incidents).toEqual(['bleed'])
  })

  it('reads figures for sums off it', () => {
    const document = planWith({})
    const { grams, offLevels, net } = figuresOf(
      summaryOf(factsOf(document, { bowls: [bowl({ weighed: 80, left: 4 })] })),
    )
    expect(grams).toMatchObject({ weighed: 80, left: 4 })
    expect(grams.planned).toBeGreaterThan(0)
    expect(offLevels).toBeNull()
    expect(net).toBeGreaterThan(0)
  })
})

describe('jobs of a visit', () => {
  const jobsOf = (facts: VisitFacts) => summaryOf(facts).jobs

  it('are the plan itself where all went as planned', () => {
    const { document, run } = carriedOut()
    const computed = computeStages(document)
    const bowls = computed.grams.flatMap(({ formulaId, range, pieces }) =>
      pieces > 0 ? [bowl({ id: formulaId, formulaId, weighed: range.expected, left: 0 })] : [],
    )
    const jobs = jobsOf(factsOf(document, { run, bowls }))
    expect(new Set(jobs.map(({ of }) => of))).toEqual(new Set(['mixed', 'load', 'pace']))
    for (const { planned, actual } of jobs) expect(actual / planned).toBeCloseTo(1, 3)
  })

  it('say nothing of product on the hair where it is not known what was left', () => {
    const { document } = carriedOut()
    expect(jobsOf(factsOf(document, { bowls: [bowl({ left: null })] })).map(({ of }) => of)).toEqual(['mixed'])
  })

  it('hold load against the starting values, whatever the plan had learned', () => {
    const { document } = carriedOut()
    const factor = { of: 'load' as const, context: 'powderLightener' as const, mean: 0.8, low: 0.7, high: 0.9, jobs: 5 }
    const taught = { ...document, learned: { ...document.learned, factors: [factor] } }
    const loadOf = (plan: FaltoPlan) => {
      const { edge, residue } = computeStages(plan).grams[0]!
      const bowls = [bowl({ weighed: edge + residue + 40, left: 0 })]
      return jobsOf(factsOf(plan, { bowls })).find(({ of }) => of === 'load')!
    }
    expect(loadOf(document).actual).toBeCloseTo(40, 6)
    expect(loadOf(taught).planned).toBeCloseTo(loadOf(document).planned, 6)
  })

  it('count lift once a kind of product, as levels risen', () => {
    const { document, run } = carriedOut(undefined, (puts) =>
      puts.slice(0, 2).map((stepId) => event('seen', minutes(60), { stepId, value: 9 })),
    )
    const lift = jobsOf(factsOf(document, { run })).filter(({ of }) => of === 'lift')
    expect(lift).toHaveLength(1)
    expect(lift[0]).toMatchObject({ context: 'powderLightener', actual: 2 * (9 - document.hair.naturalLevel) })
  })

  it('leave out steps that somebody else did', () => {
    const { document, run, puts } = carriedOut()
    const handed = new Map(puts.map((id) => [id, 'assistant']))
    expect(jobsOf(factsOf(document, { run: { ...run, state: { ...run.state, handed } } }))).toEqual([])
  })
})

describe('a visit done again', () => {
  const today = { head: { circumferenceCm: 55 }, hair: { ...STARTING_HAIR, lengthCm: 33 } }
  const zonesOf = (plan: FaltoPlan) => activeVariant(plan).stages.flatMap(({ zones }) => zones)

  it('has the same map and formulas on the hair of today', () => {
    const before = servicePlan('hairlineAndPart')
    const { plan } = repeatVisit(before, today, 10)
    expect([plan.head, plan.hair]).toEqual([today.head, today.hair])
    expect(plan.formulas).toEqual(before.formulas)
    expect(zonesOf(plan).map(({ id }) => id)).toEqual(zonesOf(before).map(({ id }) => id))
    expect(plan.name).toBe(`${before.name}, again`)
    expect(plan.variants).toHaveLength(1)
  })

  it('lightens what has grown alone, from where the light began, and tones everything again', () => {
    const before = servicePlan('hairlineAndPart')
    const { plan, changes } = repeatVisit(before, today, 8.7)
    const lightened = activeVariant(plan).stages.find(({ kind }) => kind === 'lighten')!.zones
    const taken = lightened.filter(({ placement }) => placement.sequence.length > 0)
    // 8.7 weeks are two months of 1.25 cm.
    for (const { placement } of taken) expect(placement.upToCm).toBeCloseTo(placement.startCm + 2.5, 9)
    for (const { placement } of lightened.filter((zone) => !taken.includes(zone)))
      expect(placement.upToCm).toBeUndefined()
    const tone = (document: FaltoPlan) => activeVariant(document).stages.filter(({ kind }) => kind !== 'lighten')
    expect(tone(plan)).toEqual(tone(before))
    expect(changes.join(' ')).toContain('2.5 cm have grown in 9 weeks')
  })

  it('bands the root of colour on the scalp', () => {
    const { plan } = repeatVisit(servicePlan('rootColour'), today, 6)
    const bands = zonesOf(plan).flatMap(({ placement: { take } }) => (take.kind === 'onScalp' ? [take.bandCm] : []))
    expect(new Set(bands)).toEqual(new Set([1.7]))
  })

  it('limits nothing where next to nothing has grown', () => {
    const before = servicePlan('hairlineAndPart')
    const { plan, changes } = repeatVisit(before, today, 0.3)
    expect(zonesOf(plan)).toEqual(zonesOf(before))
    expect(changes.join(' ')).toContain('Too little has grown')
  })

  it('keeps names within what a plan may hold', () => {
    expect(repeatVisit({ ...planWith({}), name: 'x'.repeat(120) }, today, 8).plan.name).toHaveLength(120)
  })
})
