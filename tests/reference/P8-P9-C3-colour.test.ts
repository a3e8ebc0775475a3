import {
  complementOf,
  EUMELANIN,
  HUE_CIRCLE,
  labFromPigments,
  PHEOMELANIN,
  underlyingPigment,
} from '@/core/hair/colour'
import { TONE_CANVAS } from '@/core/judgement/feasibility'

const degrees = ({ a, b }: { a: number; b: number }) => (Math.atan2(b, a) * 180) / Math.PI

describe('P8. melanin absorption (d’Eon et al. 2011) and the albedo fit of Chiang et al. 2016 at roughness 0.3, both from memory', () => {
  it('keeps the published absorption per unit of each melanin', () => {
    expect(EUMELANIN).toEqual([0.419, 0.697, 1.37])
    expect(PHEOMELANIN).toEqual([0.187, 0.4, 1.05])
  })

  it('comes, with the two melanins alone, near a trial on paper: L* 69 and hue 83° at eumelanin 0.008, pheomelanin 0.055', () => {
    const lab = labFromPigments({ eumelanin: 0.008, pheomelanin: 0.055, residue: 0 })
    expect(Math.abs(lab.l - 69)).toBeLessThan(2)
    expect(Math.abs(degrees(lab) - 83)).toBeLessThan(3)
  })

  it('is near black and red-brown with much of both (paper: hue 36°; the floor of surface reflection lifts L* from 1)', () => {
    const lab = labFromPigments({ eumelanin: 2, pheomelanin: 0.5, residue: 0 })
    expect(lab.l).toBeLessThan(14)
    expect(degrees(lab)).toBeLessThan(45)
  })
})

describe('P9. complementary hues: red–green, orange–blue, yellow–violet on a circle of twelve (colour theory)', () => {
  it.each([
    ['red', 'green'],
    ['orange', 'blue'],
    ['yellow', 'violet'],
    ['yellow-orange', 'blue-violet'],
    ['red-orange', 'blue-green'],
  ] as const)('%s and %s cancel each other', (one, other) => {
    expect(complementOf(one)).toBe(other)
    expect(complementOf(other)).toBe(one)
  })

  it('pairs every hue with exactly one other', () => {
    expect(new Set(HUE_CIRCLE.map(complementOf)).size).toBe(12)
    for (const hue of HUE_CIRCLE) expect(complementOf(complementOf(hue))).toBe(hue)
  })
})

describe('C3. orange is exposed around 6–7, above 7 it turns yellow, palest yellow is 10; ash and cool browns need 8 or lighter (common practice, no source)', () => {
  it.each([
    [6, 'orange'],
    [6.75, 'orange'],
    [7.5, 'yellow-orange'],
    [9, 'yellow'],
    [10, 'pale yellow'],
  ] as const)('at level %s there is %s beneath', (level, name) => {
    expect(underlyingPigment(level).name).toBe(name)
  })

  it('goes red-brown, red, red-orange, orange, yellow-orange, yellow, pale yellow on the way up', () => {
    const names = [...new Set(Array.from({ length: 37 }, (_, i) => underlyingPigment(1 + i / 4).name))]
    expect(names).toEqual(['red-brown', 'red', 'red-orange', 'orange', 'yellow-orange', 'yellow', 'pale yellow'])
  })

  it('asks for 8 under ash and neutral browns, 7–8 under gold, 10 under silver', () => {
    expect(TONE_CANVAS.ash).toBe(8)
    expect(TONE_CANVAS.neutral).toBe(8)
    expect(TONE_CANVAS.gold).toBeGreaterThanOrEqual(7)
    expect(TONE_CANVAS.gold).toBeLessThanOrEqual(8)
    expect(TONE_CANVAS.silver).toBe(10)
  })

  it('calms yellow with violet, orange with blue', () => {
    expect(underlyingPigment(9).cancelledBy).toBe('violet')
    expect(underlyingPigment(6.5).cancelledBy).toBe('blue')
  })
})
