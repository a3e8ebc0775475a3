import { band, canvasWith } from '../../../../tests/support/canvas'
import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { foldPlan, type CameLevel } from '.'

describe('what was seen along a strand', () => {
  const plan = planWith({ only: ['backLeft'], placement: { rowGapMm: 0, take: { kind: 'slice' } } })
  const computed = computeStages(plan)
  const lightened = (bands: CameLevel['bands']) => {
    const levels = [{ zoneId: 'backLeft', formulaId: 'A', level: 7, bands }]
    const folded = foldPlan(plan, computed, { canvas: canvasWith([band(0, 36)]), came: { levels, leftOut: new Set() } })
    return folded.canvas().strands.find(({ bands: own }) => own.some(({ treatments }) => treatments.length > 0))!.bands
  }

  it('is in the record a third each; what nobody read is as the whole was', () => {
    const bands = lightened([
      { spot: 'scalpEnd', level: 8 },
      { spot: 'ends', level: 6 },
    ])
    expect(bands.map(({ level }) => level)).toEqual([8, 7, 6])
    expect(bands.every(({ treatments }) => treatments.length === 1)).toBe(true)
    expect([bands[0]!.fromCm, bands.at(-1)!.toCm]).toEqual([0, 36])
    for (const { fromCm, toCm } of bands) expect(Math.abs(toCm - fromCm - 12)).toBeLessThan(1)
  })

  it('is one band where it was read as one', () => {
    for (const none of [undefined, []]) expect(lightened(none).map(({ level }) => level)).toEqual([7])
  })
})
