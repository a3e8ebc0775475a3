/** Which kind of service a colourist would take for a wish: common practice, no source. */
import { checkPlan } from '@/core/plan/planner'
import { byId, isLightener, type Goal, type HairState } from '@/core/model'
import { proposePlan } from '@/core/plan/serviceKinds'
import { DEMO_HEADS } from '@/demo'
import { GOAL } from '../support/canvas'
import { MEDIUM_HAIR } from '../support/plan'
import { computePlan, planner } from '../support/planner'

let n = 0
const propose = (
  goal: Partial<Goal>,
  hair: Partial<HairState> = {},
  meanWhite = 0,
  levels?: { root: number; lengths: number },
) =>
  proposePlan(
    planner,
    { hair: { ...MEDIUM_HAIR, ...hair }, goal: { ...GOAL, ...goal }, meanWhite, levels },
    { head: { circumferenceCm: 55 }, hair: { ...MEDIUM_HAIR, ...hair }, newId: () => `id-${n++}` },
  )
const wear = (way: keyof Goal['wear']) => ({ wear: { straight: 0, waved: 0, tiedLow: 0, tiedHigh: 0, [way]: 1 } })

it.each([
  ['white to blend', { white: 'blend' }, {}, 0.2, 'whiteCopied'],
  ['mostly white to blend', { white: 'blend' }, {}, 0.6, 'lowInWhite'],
  ['white to cover', { white: 'cover' }, {}, 0.4, 'baseAndLight'],
  ['deposit only', { means: 'depositOnly' }, {}, 0, 'shadowAndMelt'],
  ['a crop', {}, { lengthCm: 8 }, 0, 'crossedPanels'],
  ['coils', {}, { curl: 'coily' }, 0, 'curlByCurl'],
  ['a low knot', wear('tiedLow'), {}, 0, 'knotAndNape'],
  ['bold contrast', { contrast: 'bold', lightPercent: 45 }, {}, 0, 'boldSlices'],
  ['all light', { lightPercent: 90 }, {}, 0, 'scalpToTip'],
  ['a melt on long hair', { root: 'melt' }, { lengthCm: 55 }, 0, 'paintedSurface'],
  ['a rooted wish', { root: 'rooted', lightPercent: 25 }, {}, 0, 'rootedTeased'],
  ['darker than it is', { targets: [{ region: 'all', level: 3, hue: 'gold', strength: 0.4 }] }, {}, 0, 'deeperAgain'],
  ['a little to the skin', { root: 'toScalp', lightPercent: 15 }, {}, 0, 'fullBabylights'],
] satisfies [string, Partial<Goal>, Partial<HairState>, number, string][])(
  '%s is answered by the kind a colourist would take, with reasons',
  (_what, goal, hair, white, expected) => {
    const { serviceId, reasons, plan } = propose(goal, hair, white)
    expect(serviceId).toBe(expected)
    expect(reasons.length).toBeGreaterThan(0)
    expect(plan.proposal).toEqual(reasons)
  },
)

it.each(DEMO_HEADS.map((demo) => [demo.key, demo] as const))(
  '%s gets a whole plan that computes, at the wished level',
  (_key, { head, hair, goal }) => {
    const { plan } = proposePlan(planner, { hair, goal, meanWhite: 0 }, { head, hair, newId: () => `id-${n++}` })
    expect(checkPlan(plan)).toEqual([])
    expect(computePlan(plan).pieces.length).toBeGreaterThan(0)
  },
)

it('leaves a fragile nape alone and takes the developer of the school', () => {
  const { plan } = propose({ root: 'rooted', lightPercent: 25, school: 'stepUp' }, { fragile: ['nape'] })
  expect(plan.variants[0]!.stages[0]!.zones.find(({ role }) => role === 'nape')!.placement.sequence).toEqual([])
  expect(plan.formulas[0]!.developerVol).toBe(30)
})

it.each([
  ['rooted foils', { root: 'rooted', lightPercent: 20 }, {}],
  ['rooted foils, more of them', { root: 'rooted', lightPercent: 40 }, {}],
  ['babylights', { root: 'toScalp', lightPercent: 15 }, {}],
  ['dense babylights', { root: 'toScalp', lightPercent: 38 }, {}],
  ['top and sides', { root: 'toScalp', lightPercent: 10 }, {}],
  ['painted long hair', { root: 'melt', lightPercent: 25 }, { lengthCm: 55 }],
  ['all light', { lightPercent: 80 }, {}],
] satisfies [string, Partial<Goal>, Partial<HairState>][])(
  '%s come out with the wished share of light, within three points',
  (_what, goal, hair) => {
    const { plan, reasons } = propose(goal, hair)
    const { look } = computePlan(plan)
    expect(Math.abs(100 * look.light - goal.lightPercent)).toBeLessThanOrEqual(3)
    expect(reasons.join(' ')).toMatch(/bout \d+ % of the hair gets lighter, as wished/)
  },
)

it('more light is never fewer foils', () => {
  const foils = [15, 22, 30, 38].map(
    (lightPercent) => computePlan(propose({ root: 'toScalp', lightPercent }).plan).foilCount,
  )
  expect([...foils].sort((a, b) => a - b)).toEqual(foils)
})

it('says plainly when a kind of work cannot give the wished share', () => {
  const { plan, reasons } = propose({ wear: { straight: 0, waved: 0, tiedLow: 1, tiedHigh: 0 }, lightPercent: 70 })
  expect(reasons.join(' ')).toMatch(/as near to the wished 70 % as this kind of work comes/)
  expect(computePlan(plan).look.light).toBeLessThan(0.7)
})

it('puts a face frame, a shadow of the wished depth, and says when the time does not suffice', () => {
  const at = (plan: ReturnType<typeof propose>['plan']) =>
    plan.variants[0]!.stages[0]!.zones.find(({ role }) => role === 'frontLeft')!.placement
  const brightness = (faceFrame: Goal['faceFrame']) =>
    computePlan(propose({ root: 'toScalp', lightPercent: 25, faceFrame }).plan).look.faceToBack!
  expect(brightness('soft')).toBeGreaterThan(brightness('none'))
  expect(brightness('bold')).toBeGreaterThan(brightness('none'))
  expect(at(propose({ root: 'toScalp', lightPercent: 25, faceFrame: 'bold' }).plan).panel).toEqual({
    widthCm: 2.5,
    take: 'slice',
    rest: 'same',
  })
  const rooted = propose({ root: 'rooted', lightPercent: 25, shadowCm: 3.5, timeLimitMinutes: 30 })
  expect(
    rooted.plan.variants[0]!.stages.find(({ kind }) => kind === 'shadowRoot')!.zones[0]!.placement.take.bandCm,
  ).toBe(3.5)
  expect(rooted.reasons.join(' ')).toMatch(/minutes of hands alone, more than the 30 there are/)
})

it('lays panels over a side part and begins on the side with less hair', () => {
  const stageFor = (part: HairState['part']) =>
    propose({ root: 'toScalp', lightPercent: 10 }, { part }).plan.variants[0]!.stages[0]!
  const turns = (part: HairState['part']) => {
    const { zones, order } = stageFor(part)
    return order.map((id) => byId(zones, id).role).filter((role) => role.endsWith('Side'))
  }
  expect(stageFor('right').layout.parameters.partOffsetCm).toBe(-2.5)
  expect(turns('left')).toEqual(['leftSide', 'rightSide'])
  expect(turns('right')).toEqual(['rightSide', 'leftSide'])
})

/** Light lengths, hair that is to go darker, means that exclude lightener: what a colourist would do. */
describe('a proposal begins with the hair that is there', () => {
  const to = (level: number): Partial<Goal> => ({ targets: [{ region: 'all', level, hue: 'neutral', strength: 0 }] })
  const bleaches = ({ plan }: ReturnType<typeof propose>) =>
    plan.formulas.some(({ productId }) => isLightener(byId(plan.products, productId).kind))

  it('retouches the new growth of lengths that are light enough: on the scalp all over, else in foils', () => {
    const levels = { root: 5, lengths: 9 }
    const all = propose({ ...to(9.5), root: 'toScalp', lightPercent: 90 }, {}, 0, levels)
    expect(all.serviceId).toBe('onScalpRetouch')
    const growth = all.plan.variants[0]!.stages[0]!.zones[0]!.placement.take.bandCm
    expect(growth).toBeCloseTo((8 / 4.345) * 1.25, 0)
    expect(propose({ ...to(9.5), root: 'toScalp', lightPercent: 20 }, {}, 0, levels).serviceId).toBe('foilRetouch')
    expect(propose({ ...to(9.5), root: 'rooted', lightPercent: 20 }, {}, 0, levels).serviceId).toBe('rootedTeased')
    expect(propose({ ...to(9.5), root: 'toScalp', lightPercent: 90 }, {}, 0, { root: 5, lengths: 7 }).serviceId).toBe(
      'scalpToTip',
    )
  })

  it('never bleaches a blonde who wants to go darker, and says that warmth goes in first', () => {
    const darker = propose({ ...to(6), lightPercent: 30 }, { naturalLevel: 6 }, 0, { root: 6, lengths: 9 })
    expect(darker.serviceId).toBe('deeperAgain')
    expect(bleaches(darker)).toBe(false)
    expect(darker.plan.formulas[0]!.level).toBe(6)
    expect(darker.reasons.join(' ')).toMatch(/warm pigment goes in first/)
  })

  it('never bleaches where only permanent colour may be used, and says what is out of reach', () => {
    for (const [level, white, meanWhite] of [
      [9.5, 'keep', 0],
      [7, 'cover', 0.4],
      [4, 'blend', 0.5],
      [5, 'keep', 0],
    ] as const) {
      const proposed = propose({ ...to(level), means: 'permanentOnly', white, lightPercent: 40 }, {}, meanWhite)
      expect(bleaches(proposed)).toBe(false)
    }
    const far = propose({ ...to(9.5), means: 'permanentOnly' })
    expect(far.reasons.join(' ')).toMatch(/out of its reach/)
    expect(propose({ ...to(7), means: 'permanentOnly' }).reasons.join(' ')).not.toMatch(/out of its reach/)
  })

  it('uses deposit alone where nothing else may be used, darker or not', () => {
    const proposed = propose({ ...to(4), means: 'depositOnly', lightPercent: 30 }, {}, 0, { root: 5, lengths: 9 })
    expect(proposed.serviceId).toBe('shadowAndMelt')
    expect(bleaches(proposed)).toBe(false)
  })
})
