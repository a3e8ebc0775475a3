import { createHead, directionFromMap, mapFromPlace, surfacePoint } from '../../scalp/head'
import { LAYOUT_TEMPLATES, type LayoutParameters } from '../../model'
import { radians } from '../../units'
import { planWith, stageOf } from '../../../../tests/support/plan'
import { diskFromPlace, mirrorRole, otherSideFirst, sideBegun, zoneAt } from '.'

const stageWith = (parameters: Partial<LayoutParameters>) => stageOf(planWith({ parameters }))

describe('a front line past a side part', () => {
  const head = createHead({ circumferenceCm: 54 })
  /**
   * How far across the head the front line runs, cm: between the rightmost place of the left front and the leftmost of
   * the right.
   */
  const across = (parameters: Partial<LayoutParameters>): [left: number, right: number] => {
    const { layout, zones } = stageWith(parameters)
    const on = (role: string): number[] =>
      Array.from({ length: 60 * 40 }, (_, i) => ({
        psi: radians(-60 + 2 * (i % 60)),
        s: 0.2 + 0.019 * Math.floor(i / 60),
      })).flatMap((place) => {
        if (zoneAt({ ...layout, zones }, diskFromPlace(place))?.role !== role) return []
        const { theta, psi } = directionFromMap(head, mapFromPlace(head, place))
        return [surfacePoint(head.axes, theta, psi).x]
      })
    return [Math.min(...on('frontLeft')), Math.max(...on('frontRight'))]
  }

  it('lies on a part in the middle, and as far past a side part as asked on either side', () => {
    for (const [parameters, x] of [
      [{}, 0],
      [{ partOffsetCm: 3 }, 3],
      [{ partOffsetCm: 3, pastPartCm: 2.5 }, 0.5],
      [{ partOffsetCm: 3, pastPartCm: 5 }, -2],
      [{ partOffsetCm: -3, pastPartCm: 5 }, 2],
    ] as const) {
      const [left, right] = across(parameters)
      // The places looked at lie up to 3 mm apart.
      expect(left).toBeGreaterThan(x - 0.1)
      expect(left).toBeLessThan(x + 0.4)
      expect(right).toBeLessThan(x + 0.1)
      expect(right).toBeGreaterThan(x - 0.4)
    }
  })
})

describe('the side that is begun on', () => {
  it('is changed by one step and changed back by another, and zones on the middle keep their turn', () => {
    for (const template of LAYOUT_TEMPLATES) {
      const stage = stageOf(planWith({ template }))
      const other = { ...stage, order: otherSideFirst(stage) }
      expect([...other.order].sort()).toEqual([...stage.order].sort())
      expect(otherSideFirst(other)).toEqual(stage.order)
      expect(sideBegun(other)).toBe(-sideBegun(stage))
    }
    const strip = stageOf(planWith({ template: 'topStrip' }))
    expect(otherSideFirst(strip)).toEqual(['nape', 'back', 'rightSide', 'leftSide', 'top'])
  })

  it('is that of the first zone that lies to a side', () => {
    const strip = stageOf(planWith({ template: 'topStrip' }))
    for (const [order, side] of [
      [['leftSide', 'rightSide'], 1],
      [['rightSide', 'leftSide'], -1],
      [['top', 'nape', 'rightSide', 'leftSide'], -1],
    ] as const)
      expect(sideBegun({ ...strip, order: [...order] })).toBe(side)
  })

  it('is nobody’s where all zones lie on the middle', () => {
    const { layout, zones } = stageOf(planWith({ template: 'occipitalV' }))
    expect(sideBegun({ layout, zones, order: ['underV', 'insideV'] })).toBe(0)
  })
})

it('roles mirror left and right, and those without a side stay', () => {
  expect(['backLeft', 'rightSide', 'left', 'nape', 'partStrip'].map(mirrorRole)).toEqual([
    'backRight',
    'leftSide',
    'right',
    'nape',
    'partStrip',
  ])
})
