import fc from 'fast-check'
import { createHead } from '../../scalp/head'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import {
  fibreGramsPerCm,
  fibreLengthBetween,
  hairsOnHead,
  hairsPerCm2,
  meanLengthShare,
  regrowthCm,
  rootLength,
} from '.'

const head = createHead({ circumferenceCm: 54 })
const length = fc.double({ min: 2, max: 150, noNaN: true })

describe('fibre in a lock', () => {
  it('adds up over neighbouring stretches', () => {
    fc.assert(
      fc.property(length, fc.double({ min: 0, max: 1, noNaN: true }), (total, share) => {
        const cut = total * share
        const parts = fibreLengthBetween(total, 0, cut) + fibreLengthBetween(total, cut, total)
        expect(parts).toBeCloseTo(fibreLengthBetween(total, 0, total), 9)
      }),
    )
  })

  it('amounts to the mean length over the whole lock', () => {
    fc.assert(
      fc.property(length, (total) =>
        expect(fibreLengthBetween(total, 0, total)).toBeCloseTo(total * meanLengthShare(total), 9),
      ),
    )
  })

  it('is none beyond the tip or where the stretch is empty', () => {
    expect(fibreLengthBetween(30, 30, 50)).toBe(0)
    expect(fibreLengthBetween(30, 20, 10)).toBe(0)
  })

  it('tapers: 0.95 at 30 cm, 0.80 from 60 cm on', () => {
    expect(meanLengthShare(30)).toBeCloseTo(0.95, 12)
    expect(meanLengthShare(60)).toBeCloseTo(0.8, 12)
    expect(meanLengthShare(120)).toBeCloseTo(0.8, 12)
  })
})

describe('hair on the scalp', () => {
  it('is thinner at hairline and temples than in the middle', () => {
    const full = hairsPerCm2(MEDIUM_HAIR, { psi: Math.PI, s: 0.4 })
    expect(full).toBe(190)
    expect(hairsPerCm2(MEDIUM_HAIR, { psi: 0, s: 1 })).toBeCloseTo(190 * 0.75, 6)
    expect(hairsPerCm2(MEDIUM_HAIR, { psi: (55 * Math.PI) / 180, s: 1 })).toBeCloseTo(190 * 0.7, 6)
  })

  it('counts more hairs on a denser head', () => {
    const counts = (['low', 'medium', 'high'] as const).map((density) => hairsOnHead(head, { ...MEDIUM_HAIR, density }))
    expect(counts[0]).toBeLessThan(counts[1]!)
    expect(counts[1]).toBeLessThan(counts[2]!)
  })

  it('gives layered hair one length and a one-length cut a short nape', () => {
    const layered = rootLength(head, MEDIUM_HAIR)
    expect(layered(0.2, 1)).toBe(35)
    const bob = rootLength(head, { ...MEDIUM_HAIR, cutLine: 'oneLength', lengthCm: 28 })
    const crown = bob(Math.PI / 6, Math.PI)
    const nape = bob(head.hairline(Math.PI), Math.PI)
    expect(crown).toBeCloseTo(28, 6)
    expect(nape).toBeLessThan(12)
    expect(nape).toBeGreaterThanOrEqual(1)
  })

  it('hangs lower roots shorter, all the way down', () => {
    const lengthAt = rootLength(head, { ...MEDIUM_HAIR, cutLine: 'oneLength', lengthCm: 60 })
    for (let theta = 0.2; theta < 2; theta += 0.1) expect(lengthAt(theta + 0.1, 3)).toBeLessThan(lengthAt(theta, 3))
  })
})

describe('mass and growth', () => {
  it('is heavier the coarser the fibre', () => {
    expect(fibreGramsPerCm('fine')).toBeLessThan(fibreGramsPerCm('medium'))
    expect(fibreGramsPerCm('medium')).toBeCloseTo((Math.PI / 4) * 0.007 ** 2 * 1.32, 12)
  })

  it('grows in proportion to time', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), (weeks) =>
        expect(regrowthCm(2 * weeks)).toBeCloseTo(2 * regrowthCm(weeks), 9),
      ),
    )
  })
})
