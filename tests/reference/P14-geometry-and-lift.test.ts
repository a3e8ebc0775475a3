/**
 * P14. Mathematics: Ramanujan's ellipse, closed forms of lift, the area law of rows, ponytails from N, d and packing
 * 0.65.
 */
import { createHead, horizontalCircumference } from '@/core/scalp/head'
import { ponytailCircumference } from '@/core/hair/fibre'
import { liftAfter, liftRate } from '@/core/time/lightening'
import { planWith } from '../support/plan'
import { computeStages } from '../support/planner'

/** Ramanujan's second approximation of an ellipse's circumference, 1914. */
function ramanujan(a: number, b: number): number {
  const h = ((a - b) / (a + b)) ** 2
  return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)))
}

it('has the circumference of two half-ellipses', () => {
  for (const circumferenceCm of [50, 54, 60]) {
    const { axes } = createHead({ circumferenceCm })
    const halves = (ramanujan(axes.breadth, axes.front) + ramanujan(axes.breadth, axes.back)) / 2
    expect(horizontalCircumference(axes)).toBeCloseTo(halves, 4)
    expect(halves).toBeCloseTo(circumferenceCm, 4)
  }
})

it('lifts in proportion to time where headroom does not matter', () => {
  const conditions = { developerVol: 20, ratio: 2, celsius: 33, moist: 1, fresh: 1, maximumLift: 1e6, rate: 1 }
  expect(liftAfter(40, conditions)).toBeCloseTo(40 * liftRate(conditions), 6)
})

it('lifts as dL/dt = k (1 − (L/m)⁸) says, followed step by step (Runge and Kutta, fourth order)', () => {
  const conditions = { developerVol: 20, ratio: 1, celsius: 33, moist: 0.9, fresh: 0.95, maximumLift: 8, rate: 1 }
  const k = liftRate(conditions)
  const pace = (lift: number) => k * (1 - (lift / 8) ** 8)
  const [step, minutes] = [0.1, 120]
  let lift = 0
  for (let at = 0; at < minutes / step; at++) {
    const one = pace(lift)
    const two = pace(lift + (step / 2) * one)
    const three = pace(lift + (step / 2) * two)
    const four = pace(lift + step * three)
    lift += (step / 6) * (one + 2 * two + 2 * three + four)
    const minute = (at + 1) * step
    if (minute % 10 < step / 2) expect(liftAfter(minute, conditions)).toBeCloseTo(lift, 6)
  }
})

it('keeps Σ row width × pitch at the zone’s area within 1 % on every template zone', () => {
  for (const template of ['fourQuadrants', 'topStrip'] as const)
    for (const { placement, shape } of computeStages(planWith({ template, placement: { rowGapMm: 0 } })).zones) {
      const widths = placement.rowWidths.reduce((sum, width) => sum + width, 0)
      const lines = placement.rowLineLengths.reduce((sum, length) => sum + length, 0)
      expect(Math.abs((widths * placement.pitch) / shape.area - 1)).toBeLessThan(0.01)
      expect(Math.abs((lines * placement.pitch) / shape.area - 1)).toBeLessThan(0.01)
    }
})

it.each([
  [150 * 646, 'fine', 6.7],
  [200 * 646, 'medium', 9.8],
  [230 * 646, 'coarse', 13.5],
] as const)('gathers %i hairs (%s) into a ponytail of %d cm', (hairs, texture, expected) => {
  expect(ponytailCircumference(hairs, texture)).toBeCloseTo(expected, 1)
})
