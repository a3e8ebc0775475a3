import { createHead, DEFAULT_CIRCUMFERENCE_CM } from '@/core/scalp/head'
import {
  FIBRE_DIAMETER_UM,
  GROWTH_CM_PER_MONTH,
  HAIRS_PER_CM2,
  hairsOnHead,
  KERATIN_DENSITY,
  regrowthCm,
} from '@/core/hair/fibre'
import { MEDIUM_HAIR } from '../support/plan'

const head = createHead({ circumferenceCm: DEFAULT_CIRCUMFERENCE_CM })

describe('P4. adult female heads: circumference 54–57 cm, length 18.5–19 cm, breadth 14.5–15 cm (anthropometric surveys, from memory)', () => {
  it('assumes a circumference in that range', () => {
    expect(DEFAULT_CIRCUMFERENCE_CM).toBeGreaterThanOrEqual(54)
    expect(DEFAULT_CIRCUMFERENCE_CM).toBeLessThanOrEqual(57)
  })
  it('has length and breadth within 3 % of it', () => {
    const length = head.axes.front + head.axes.back
    expect(length).toBeGreaterThan(18.5 * 0.97)
    expect(length).toBeLessThan(19 * 1.03)
    expect(2 * head.axes.breadth).toBeGreaterThan(14.5 * 0.97)
    expect(2 * head.axes.breadth).toBeLessThan(15 * 1.03)
  })
})

describe('P5. density 227 ± 55, 190 ± 40 and 175 ± 54 hairs/cm², growth 396 ± 55 µm/day in one sample (Loussouarn et al. 2001, 2005, from memory)', () => {
  it('keeps the density classes within one standard deviation of at least one sample each', () => {
    const samples = [
      [227, 55],
      [190, 40],
      [175, 54],
    ] as const
    for (const density of Object.values(HAIRS_PER_CM2))
      expect(samples.some(([mean, sd]) => Math.abs(density - mean) <= sd)).toBe(true)
  })
  it('grows as fast as the sample within one standard deviation', () => {
    const perDay = (regrowthCm(1) / 7) * 10_000
    expect(Math.abs(perDay - 396)).toBeLessThan(55)
  })
})

describe('P6. fibre 50–100 µm, keratin 1.32 g/cm³, 80 000–150 000 hairs (Robbins, Chemical and Physical Behavior of Human Hair, from memory)', () => {
  it('has fibre classes in that range', () => {
    for (const diameter of Object.values(FIBRE_DIAMETER_UM)) {
      expect(diameter).toBeGreaterThanOrEqual(50)
      expect(diameter).toBeLessThanOrEqual(100)
    }
    expect(KERATIN_DENSITY).toBe(1.32)
  })
  it('has between 80 000 and 150 000 hairs on a medium head', () => {
    const hairs = hairsOnHead(head, MEDIUM_HAIR)
    expect(hairs).toBeGreaterThan(80_000)
    expect(hairs).toBeLessThan(150_000)
  })
})

describe('P7. about 1.25 cm of growth a month (public dermatology guidance, from memory)', () => {
  it('grows 1.25 cm in a month and 15 cm in a year', () => {
    expect(GROWTH_CM_PER_MONTH).toBe(1.25)
    expect(regrowthCm(365.2425 / 7)).toBeCloseTo(15, 9)
  })
})
