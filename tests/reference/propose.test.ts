/** Which kind of service a colourist would take for a wish: common practice, no source. */
import { checkPlan, computePlan } from '@/core/pipeline'
import type { Goal, HairState } from '@/core/model'
import { proposePlan } from '@/core/services'
import { DEMO_HEADS } from '@/server/demo'
import { GOAL } from '../support/canvas'
import { MEDIUM_HAIR } from '../support/plan'

let n = 0
const propose = (goal: Partial<Goal>, hair: Partial<HairState> = {}, meanWhite = 0) =>
  proposePlan({ hair: { ...MEDIUM_HAIR, ...hair }, goal: { ...GOAL, ...goal }, meanWhite }, { head: { circumferenceCm: 55 }, hair: { ...MEDIUM_HAIR, ...hair }, newId: () => `id-${n++}` })
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
] satisfies [string, Partial<Goal>, Partial<HairState>, number, string][])('%s is answered by the kind a colourist would take, with reasons', (_what, goal, hair, white, expected) => {
  const { serviceId, reasons, plan } = propose(goal, hair, white)
  expect(serviceId).toBe(expected)
  expect(reasons.length).toBeGreaterThan(0)
  expect(plan.proposal).toEqual(reasons)
})

it.each(DEMO_HEADS.map((demo) => [demo.key, demo] as const))('%s gets a whole plan that computes, at the wished level', (_key, { head, hair, goal }) => {
  const { plan } = proposePlan({ hair, goal, meanWhite: 0 }, { head, hair, newId: () => `id-${n++}` })
  expect(checkPlan(plan)).toEqual([])
  expect(computePlan(plan).pieces.length).toBeGreaterThan(0)
})

it('leaves a fragile nape alone and takes the developer of the school', () => {
  const { plan } = propose({ root: 'rooted', lightPercent: 25, school: 'stepUp' }, { fragile: ['nape'] })
  expect(plan.variants[0]!.stages[0]!.zones.find(({ role }) => role === 'nape')!.placement.sequence).toEqual([])
  expect(plan.formulas[0]!.developerVol).toBe(30)
})
