import { createHead } from '@/core/scalp/head'
import { byId, type Canvas, type FaltoPlan, type StrandSpot } from '@/core/model'
import { processOf } from '@/core/time/fold'
import { createProcess, HEAT_CELSIUS, type CourseEvent, type SpotResult } from '@/core/time/lightening'
import { ALONE, clockFor, remediesFor, SECOND_COLOURIST, type Clock, type Crew } from '@/core/time/schedule'
import { band, canvasWith } from '../support/canvas'
import { planWith, stageOf, type Wanted } from '../support/plan'
import { STORIES } from './stories.expected'
import { computeStages } from '../support/planner'

/** Every piece of a plan after the same minutes, with the zone it lies in. */
function processed(plan: FaltoPlan, minutes: number, events?: CourseEvent[], canvas?: Canvas) {
  const { after } = processOf(plan, computeStages(plan), { canvas })
  return computeStages(plan).pieces.map((piece) => ({
    piece,
    spots: after(piece, {
      on: 0,
      off: minutes,
      bowlAgeMinutes: 5,
      vol: byId(plan.formulas, piece.formulaId).developerVol,
      ...(events && { events }),
    }),
  }))
}
const at = (spots: SpotResult[], spot: StrandSpot) => spots.find((one) => one.spot === spot)!
const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
const meanLevel = (pieces: ReturnType<typeof processed>, spot: StrandSpot) =>
  mean(pieces.map(({ spots }) => at(spots, spot).level.expected))

describe('very long hair with cold ends', () => {
  const { lag, heatHelpsBy } = STORIES.coldEnds.expected
  const foils = (lengthCm: number, events?: CourseEvent[]) =>
    processed(planWith({ hair: { lengthCm }, placement: { rowGapMm: 0 } }), 45, events)
  const lagOf = (pieces: ReturnType<typeof processed>) => meanLevel(pieces, 'scalpEnd') - meanLevel(pieces, 'ends')

  it('lags at the ends, and much more than short hair', () => {
    const [long, short] = [lagOf(foils(70)), lagOf(foils(28))]
    expect(long).toBeGreaterThan(lag.longAtLeast)
    expect(short).toBeLessThan(lag.shortAtMost)
    expect(long - short).toBeGreaterThan(lag.longOverShortAtLeast)
  })

  it('catches up somewhat under heat on the ends', () => {
    const heated = foils(70, [{ at: 20, kind: 'heat', celsius: HEAT_CELSIUS }])
    expect(meanLevel(heated, 'ends') - meanLevel(foils(70), 'ends')).toBeGreaterThan(heatHelpsBy)
  })
})

it('a fragile nape is the place to check first', () => {
  const { riskAgainstRest } = STORIES.fragileNape.expected
  const plan = planWith({ parameters: { separateNape: true }, hair: { fragile: ['nape'] } })
  const strains = processed(plan, 40).map(({ piece, spots }) => ({
    zone: piece.zoneId,
    strain: Math.max(...spots.map(({ strain }) => strain)),
  }))
  const nape = strains.filter(({ zone }) => zone === 'nape').map(({ strain }) => strain)
  const rest = strains.filter(({ zone }) => zone !== 'nape').map(({ strain }) => strain)
  expect(Math.max(...nape) / mean(rest)).toBeGreaterThan(riskAgainstRest)
  expect(strains.reduce((most, one) => (one.strain > most.strain ? one : most)).zone).toBe('nape')
})

it('the hairline goes on last: first, it comes out lighter than the rest', () => {
  const { lighterWhenFirstBy } = STORIES.hairlineLast.expected
  const plan = planWith({
    placement: { take: { kind: 'onScalp', bandCm: 1.5 }, subsectionMm: 3, rowGapMm: 0, sequence: ['C'] },
  })
  const process = createProcess(plan, createHead(plan.head), undefined)
  const { pieces } = computeStages(plan)
  const [front, back] = [
    pieces.filter(({ zoneId }) => zoneId.startsWith('front')),
    pieces.filter(({ zoneId }) => zoneId.startsWith('back')),
  ]
  // Half an hour of application, rinsed at 60 min.
  const levels = (own: typeof pieces, from: number) =>
    own.map(
      (piece, i) =>
        at(process.after(piece, { on: from + (15 * i) / own.length, off: 60, bowlAgeMinutes: 5, vol: 20 }), 'scalpEnd')
          .level.expected,
    )
  const edge = (values: number[]) => Math.max(...values)
  const [hairlineFirst, hairlineLast] = [
    { front: levels(front, 0), back: levels(back, 15) },
    { front: levels(front, 15), back: levels(back, 0) },
  ]
  const spread = ({ front, back }: typeof hairlineFirst) => Math.max(...front, ...back) - Math.min(...front, ...back)
  expect(edge(hairlineFirst.front) - edge(hairlineLast.front)).toBeGreaterThan(0.3)
  expect(edge(hairlineFirst.front) - mean(hairlineFirst.back)).toBeGreaterThan(lighterWhenFirstBy)
  expect(spread(hairlineLast)).toBeLessThan(spread(hairlineFirst))
})

describe('a gloss over porous ends', () => {
  const { togetherEndsDeeperBy, laterDifferenceAtMost } = STORIES.glossEndsLater.expected
  const blonde = canvasWith([
    band(0, 25, { level: 9, treatments: [{ kind: 'lightened' }] }),
    band(25, 35, { level: 9, treatments: [{ kind: 'lightened' }], porosity: 'high' }),
  ])
  const plan = planWith({ placement: { take: { kind: 'block' }, rowGapMm: 0, subsectionMm: 20, sequence: ['G'] } })
  plan.products.push({
    id: 'gloss',
    name: 'Gloss',
    kind: 'gloss',
    maximumMinutes: 20,
    shade: { level: 7, hue: 'beige', strength: 0.3, base: 'natural', whiteCoverPercent: 0 },
  })
  plan.formulas.push({
    id: 'G',
    name: 'Gloss',
    productId: 'gloss',
    developerVol: 7,
    ratio: 1,
    level: 7,
    tone: 'neutral',
  })
  const [long, short] = [processed(plan, 20, undefined, blonde), processed(plan, 15, undefined, blonde)]

  it('makes the ends deeper when all of it goes on together', () => {
    expect(meanLevel(long, 'middle') - meanLevel(long, 'ends')).toBeGreaterThan(togetherEndsDeeperBy)
  })

  it('does not when the ends follow five minutes later', () => {
    expect(Math.abs(meanLevel(long, 'middle') - meanLevel(short, 'ends'))).toBeLessThan(laterDifferenceAtMost)
  })
})

describe('virgin hair lightened to the scalp', () => {
  const { hotRootAtOnceBy, differenceLengthsFirstAtMost } = STORIES.lengthsFirst.expected
  const wanted: Wanted = {
    hair: { lengthCm: 35 },
    placement: { take: { kind: 'slice' }, rowGapMm: 0, subsectionMm: 6, startCm: 0 },
  }
  const plan = planWith(wanted)
  stageOf(plan).zones.forEach(({ placement }) => (placement.cover = 'film'))
  const atOnce = processed(plan, 50)

  it('gets a hot root when scalp and lengths go on at once', () => {
    expect(meanLevel(atOnce, 'scalpEnd') - meanLevel(atOnce, 'middle')).toBeGreaterThan(hotRootAtOnceBy - 0.7)
    expect(meanLevel(atOnce, 'scalpEnd')).toBeGreaterThan(meanLevel(atOnce, 'middle'))
  })

  it('is even when the scalp follows after twenty minutes', () => {
    const scalpLater = processed(plan, 30)
    expect(Math.abs(meanLevel(scalpLater, 'scalpEnd') - meanLevel(atOnce, 'middle'))).toBeLessThan(
      differenceLengthsFirstAtMost,
    )
  })
})

describe('base under foils', () => {
  const { longProduct, shortProduct } = STORIES.baseUnderFoils.expected
  /** Every third row of foils on top, then base on what lies between. */
  const planOf = (baseMinutes: number) => {
    const plan = planWith({
      hair: { naturalLevel: 6, lengthCm: 30 },
      only: ['frontLeft', 'frontRight'],
      placement: { take: { kind: 'slice' }, subsectionMm: 6, rowGapMm: 18 },
    })
    plan.formulas[0]!.level = 8
    plan.products[1]!.maximumMinutes = baseMinutes
    const foils = stageOf(plan)
    plan.variants[0]!.stages.push({
      ...structuredClone(foils),
      id: 'base',
      kind: 'base',
      name: 'Base',
      worksOn: { kind: 'dropped', stageId: foils.id },
      zones: foils.zones.map((zone) => ({
        ...structuredClone(zone),
        placement: {
          ...structuredClone(zone.placement),
          take: { ...zone.placement.take, kind: 'onScalp', bandCm: 1.5 },
          subsectionMm: 8,
          rowGapMm: 0,
          sequence: zone.placement.sequence.length > 0 ? ['B'] : [],
        },
      })),
    })
    return plan
  }
  const clockOf = (plan: FaltoPlan) => clockFor(plan, computeStages(plan), { crew: ALONE })

  it('sits its time out where the product may', () => {
    const clock = clockOf(planOf(45))
    expect(clock.fits).toBe(longProduct.fits)
    for (const { formulaId, firstOn, lastOn, firstOut, lastOut } of clock.zones) {
      if (formulaId !== 'B') continue
      expect(lastOut - firstOn).toBeLessThanOrEqual(longProduct.baseMinutes.most + 0.1)
      expect(firstOut - lastOn).toBeGreaterThanOrEqual(longProduct.baseMinutes.least)
    }
  })

  it('is refused with a product of twenty minutes, which the foils outlast', () => {
    const plan = planOf(20)
    // The base goes on first and the foils over it: it sits from then on, and they need longer after the last is in.
    const [foils, base] = plan.variants[0]!.stages
    const { worksOn: _all, ...first } = base!
    const over = {
      begins: { kind: 'asApplied', stageId: first.id },
      comesOff: { kind: 'together', stageId: first.id },
    } as const
    plan.variants[0]!.stages = [first, { ...foils!, ...over }]
    plan.products[0]!.rules = {
      ratios: [2],
      developerMinVol: 10,
      developerMaxVol: 40,
      workingLifeMinutes: 30,
      minimumMinutes: 40,
      maximumLift: 8,
      heat: false,
      onScalp: false,
      damp: false,
    }
    const clock = clockOf(plan)
    expect(clock.fits).toBe(shortProduct.fits)
    expect(clock.conflicts.some(({ formulaId }) => formulaId === 'B')).toBe(shortProduct.saysProduct)
    const remedies = remediesFor(plan, computeStages(plan), { crew: ALONE }, clock)
    expect(remedies.map(({ kind }) => kind)).toContain(shortProduct.remedy)
    expect(remedies.find(({ kind }) => kind === 'otherProduct')!.text).toContain('Colour')
  })
})

describe('a full head of foils', () => {
  const { alone, helped } = STORIES.fullHeadAlone.expected
  const plan = planWith({ placement: { subsectionMm: 8, rowGapMm: 0 } })
  const clockOf = (crew: Crew) => clockFor(plan, computeStages(plan), { crew })
  const [one, two] = [clockOf(ALONE), clockOf({ ...ALONE, people: [...ALONE.people, SECOND_COLOURIST] })]
  const someOutBeforeLastIn = ({ tasks }: Clock) =>
    Math.min(...tasks.filter(({ kind }) => kind === 'takeOut').map(({ from }) => from)) <
    Math.max(...tasks.filter(({ kind }) => kind === 'apply').map(({ to }) => to))

  it('takes so long alone that early foils come out before the last are in', () => {
    const hands = one.tasks.filter(({ kind }) => kind === 'apply').reduce((sum, { from, to }) => sum + to - from, 0)
    expect(hands).toBeGreaterThan(alone.handsOnMinutes.least * 0.8)
    expect(hands).toBeLessThan(alone.handsOnMinutes.most * 1.2)
    expect(someOutBeforeLastIn(one)).toBe(alone.someOutBeforeLastIn)
    expect(one.fits).toBe(true)
  })

  it('is done sooner by two, with all foils in before any comes out', () => {
    expect(two.fits).toBe(true)
    expect(one.finish.expected - two.finish.expected).toBeGreaterThan(helped.savesMinutesAtLeast)
    expect(someOutBeforeLastIn(two)).toBe(helped.someOutBeforeLastIn)
  })
})
