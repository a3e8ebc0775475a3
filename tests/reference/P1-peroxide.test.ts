/**
 * P1. 10 vol = 3 %, 20 = 6 %, 30 = 9 %, 40 = 12 % H₂O₂, 40 vol the ceiling for hair products.
 * Source: Regulation (EC) 1223/2009 Annex III, from memory; physics of 2 H₂O₂ → 2 H₂O + O₂ with molar volume 22.414 L
 * and molar mass 34.0147 g/mol, from memory.
 */
import { LIMITS } from '@/core/model'
import { oxygenVolumes, percentFromVolume, volumeFromPercent } from '@/core/units'

it.each([
  [10, 3],
  [20, 6],
  [30, 9],
  [40, 12],
])('%i vol is %i %% peroxide, and back', (volume, percent) => {
  expect(percentFromVolume(volume)).toBeCloseTo(percent, 12)
  expect(volumeFromPercent(percent)).toBeCloseTo(volume, 12)
})

it('agrees with the physics: 3 % w/v sets free about 9.9 volumes of oxygen', () => {
  expect(oxygenVolumes(30)).toBeCloseTo(9.88, 2)
  expect(Math.abs(oxygenVolumes(30) / volumeFromPercent(3) - 1)).toBeLessThan(0.02)
})

it('lets no document ask for more than 40 vol', () => {
  expect(LIMITS.developerVol.max).toBe(40)
})
