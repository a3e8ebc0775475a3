import { GOAL } from '../../../../tests/support/canvas'
import { planWith } from '../../../../tests/support/plan'
import { planner } from '../../../../tests/support/planner'
import { servicePlan } from '../../../../tests/support/samples'
import type { FaltoPlan, Take } from '../../model'
import { fitAmount, fitFaceFrame, fitRegrowth, fitShadow } from './fit'
import { CLOSEST_ROWS, FACE_PANEL_CM, SOFT_FRAME } from './constants'

const weave: Partial<Take> = { kind: 'weave', stitchMm: 4, stitchGapMm: 6 }
const woven = (more: Parameters<typeof planWith>[0] = {}) =>
  planWith({ ...more, placement: { take: weave, rowGapMm: 10, subsectionMm: 8, ...more.placement } })
const zonesOf = (plan: FaltoPlan) => plan.variants[0]!.stages.flatMap(({ zones }) => zones)
const zone = (plan: FaltoPlan, role: string) => zonesOf(plan).find((one) => one.role === role)!.placement
const copy = (plan: FaltoPlan) => structuredClone(plan)

describe('a face frame', () => {
  it('that is not wished for changes nothing, nor one where no light is woven at the face', () => {
    for (const [plan, wish] of [
      [woven(), 'none'],
      [woven({ only: ['backLeft', 'backRight'] }), 'bold'],
      [planWith({ placement: { take: { kind: 'slice' } } }), 'soft'],
      [woven({ placement: { sequence: ['B'] } }), 'soft'],
    ] as const) {
      const before = copy(plan)
      expect(fitFaceFrame(plan, { faceFrame: wish })).toBeUndefined()
      expect(plan).toEqual(before)
    }
  })

  it('that is bold slices the first of every row at the face, and leaves the back alone', () => {
    const plan = woven()
    const back = copy(plan)
    expect(fitFaceFrame(plan, { faceFrame: 'bold' })).toMatch(/bold face frame: the first 3|bold/)
    for (const role of ['frontLeft', 'frontRight'])
      expect(zone(plan, role).panel).toEqual({ widthCm: FACE_PANEL_CM, take: 'slice', rest: 'same' })
    expect(zone(plan, 'backLeft')).toEqual(zone(back, 'backLeft'))
    expect(zone(plan, 'frontLeft').take).toEqual(zone(back, 'frontLeft').take)
  })

  it('that is soft closes the stitches at the hairline and opens them to what they were', () => {
    const plan = woven()
    expect(fitFaceFrame(plan, { faceFrame: 'soft' })).toMatch(/soft face frame/)
    expect(zone(plan, 'frontLeft').take.stitchGapMm).toBeCloseTo(6 * SOFT_FRAME, 9)
    expect(zone(plan, 'frontLeft').ramps).toContainEqual({ figure: 'stitchGapMm', way: 'alongRow', to: 6 })
    expect(zone(plan, 'frontLeft').panel).toBeUndefined()
  })
})

describe('the amount of light', () => {
  const light = (plan: FaltoPlan) => 100 * planner.computePlan(plan).look.light

  it('is reached by how far rows lie apart, up and down', () => {
    const usual = light(woven())
    for (const wished of [Math.round(usual + 6), Math.round(usual - 6)]) {
      const plan = woven()
      expect(fitAmount(planner, plan, { lightPercent: wished })).toMatch(/as wished/)
      expect(Math.abs(light(plan) - wished)).toBeLessThan(3)
      const gap = zone(plan, 'backLeft').rowGapMm
      if (wished > usual) expect(gap).toBeLessThan(10)
      else expect(gap).toBeGreaterThan(10)
      expect((2 * gap) % 1).toBe(0)
    }
  })

  it('that is as wished stays as it is, and says so', () => {
    const plan = woven()
    const before = copy(plan)
    expect(fitAmount(planner, plan, { lightPercent: Math.round(light(plan)) })).toMatch(/^About \d+ % .* as wished\.$/)
    expect(plan).toEqual(before)
  })

  it('beyond what rows can do comes as near as they can, and says how near', () => {
    const plan = woven()
    expect(fitAmount(planner, plan, { lightPercent: 95 })).toMatch(/as near to the wished 95 %/)
    expect(zone(plan, 'backLeft').rowGapMm).toBeLessThan(10)
    expect(zone(plan, 'backLeft').rowGapMm).toBeGreaterThanOrEqual(0)
    const sparse = woven()
    expect(fitAmount(planner, sparse, { lightPercent: 1 })).toBeDefined()
    expect(zone(sparse, 'backLeft').rowGapMm).toBeGreaterThan(20)
    expect(CLOSEST_ROWS).toBeLessThan(1)
  })

  it('is not a matter of rows where there are none to lay: blocks, roots, the scalp, copied white, colour', () => {
    for (const placement of [
      { take: { kind: 'block' } },
      { take: { kind: 'onScalp' } },
      { take: weave, upToCm: 4 },
      { take: weave, select: 'copyWhite' },
      { take: weave, sequence: ['B'] },
    ] as const)
      expect(fitAmount(planner, planWith({ placement: placement as never }), { lightPercent: 20 })).toBeUndefined()
  })
})

describe('a shadow root', () => {
  it('is as deep as wished, within what is possible, where there is one', () => {
    const plan = servicePlan('shadowAndMelt')
    const shadow = () => plan.variants[0]!.stages.find(({ kind }) => kind === 'shadowRoot')!.zones
    expect(fitShadow(plan, { ...GOAL, shadowCm: 3.5 })).toBe('The shadow root is 3.5 cm deep, as wished.')
    expect(shadow().every(({ placement }) => placement.take.bandCm === 3.5)).toBe(true)
    expect(fitShadow(plan, { shadowCm: 0 })).toBeUndefined()
    expect(fitShadow(plan, { shadowCm: 400 })).toBeUndefined()
    expect(shadow().every(({ placement }) => placement.take.bandCm === 3.5)).toBe(true)
    expect(fitShadow(woven(), { shadowCm: 2 })).toBeUndefined()
  })
})

describe('a retouch', () => {
  const retouch = (weeks: number) =>
    planWith({ hair: { weeksSinceColour: weeks }, placement: { take: { kind: 'onScalp' }, sequence: ['C'] } })

  it('reaches as far as has grown', () => {
    const plan = retouch(8)
    expect(fitRegrowth(plan)).toMatch(/^8 weeks since the last colour: 2\.\d+ cm have grown/)
    expect(zone(plan, 'backLeft').take.bandCm).toBeCloseTo(2.3, 0)
    const later = retouch(16)
    fitRegrowth(later)
    expect(zone(later, 'backLeft').take.bandCm).toBeCloseTo(2 * zone(plan, 'backLeft').take.bandCm, 0)
  })

  it('is not one without lightener on the scalp, or where nobody knows when it was', () => {
    expect(fitRegrowth(retouch(0))).toBeUndefined()
    expect(fitRegrowth(woven())).toBeUndefined()
    expect(
      fitRegrowth(
        planWith({ hair: { weeksSinceColour: 8 }, placement: { take: { kind: 'onScalp' }, sequence: ['B'] } }),
      ),
    ).toBeUndefined()
  })
})
