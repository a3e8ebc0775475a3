import { createHead, defaultMeasures, radiusAt } from '../../scalp/head'
import { bustOf, fieldAt } from '../../scalp/mannequin'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import type { HairState } from '../../model'
import { growStrands, spreadRoots, WEARS, partAt, type Strands, type Wear } from '.'
import { combDown, isFringe } from './comb'
import { chance, swing } from './random'

const head = createHead(defaultMeasures())
const { grid } = bustOf(head)
const grow = (hair: Partial<HairState>, wear: Wear, count = 600): Strands => {
  const whole = { ...MEDIUM_HAIR, ...hair }
  return growStrands(head, grid, whole, spreadRoots(head, whole, count, 1), { wear, seed: 1 })
}
const pointOf = ({ positions }: Strands, at: number) =>
  [positions[3 * at]!, positions[3 * at + 1]!, positions[3 * at + 2]!] as const
const lastOf = ({ first }: Strands, i: number) => first[i + 1]! - 1
const all = ({ roots }: Strands) => Array.from({ length: roots.count }, (_, i) => i)

describe('chance', () => {
  it('is the same for the same, spread evenly, and alike neither by strand nor by use', () => {
    const draws = Array.from({ length: 4000 }, (_, i) => chance(3, i, 7))
    expect(draws).toEqual(Array.from({ length: 4000 }, (_, i) => chance(3, i, 7)))
    for (let tenth = 0; tenth < 10; tenth++)
      expect(draws.filter((draw) => Math.floor(10 * draw) === tenth).length / 4000).toBeCloseTo(0.1, 1)
    const together = (other: (i: number) => number) =>
      draws.reduce((sum, draw, i) => sum + (draw - 0.5) * (other(i) - 0.5), 0) / 4000
    expect(Math.abs(together((i) => chance(3, i + 1, 7)))).toBeLessThan(0.01)
    expect(Math.abs(together((i) => chance(3, i, 8)))).toBeLessThan(0.01)
    expect(Math.abs(together((i) => chance(4, i, 7)))).toBeLessThan(0.01)
    expect(swing(3, 5, 7)).toBe(2 * chance(3, 5, 7) - 1)
  })
})

describe('roots', () => {
  const roots = spreadRoots(head, MEDIUM_HAIR, 4000, 1)

  it('come in pairs that mirror each other, on the scalp and inside the hairline', () => {
    for (let i = 0; i < roots.count; i += 2) {
      expect(roots.space[3 * i]).toBe(-roots.space[3 * i + 3]!)
      expect(roots.space[3 * i]).toBeGreaterThanOrEqual(0)
      expect(roots.map[2 * i]).toBe(-roots.map[2 * i + 2]!)
      expect(roots.clump[i + 1]).toBe(roots.clump[i]! + 1)
      const [x, y, z] = [roots.space[3 * i]!, roots.space[3 * i + 1]!, roots.space[3 * i + 2]!]
      const theta = Math.atan2(Math.hypot(x, y), z)
      expect(Math.hypot(x, y, z)).toBeCloseTo(radiusAt(head.axes, theta, roots.psi[i]!), 3)
      expect(roots.s[i]).toBeLessThan(1)
    }
  })

  it('stand as densely as hair grows: as many in equal areas, fewer at the rim', () => {
    const within = (from: number, to: number) =>
      [...roots.s].filter((s) => s >= from && s < to).length / (to * to - from * from)
    expect(within(0.4, 0.7) / within(0, 0.4)).toBeCloseTo(1, 1)
    expect(within(0.92, 1) / within(0, 0.7)).toBeLessThan(0.93)
  })
})

describe('strands', () => {
  it('begin at their root, keep their length, and say how far along they are', () => {
    const strands = grow({ lengthCm: 30 }, 'straight')
    for (const i of all(strands)) {
      const from = strands.first[i]!
      expect(strands.along[from]).toBe(0)
      expect(strands.along[lastOf(strands, i)]).toBeCloseTo(strands.roots.length[i]!, 4)
      expect(strands.owner[from]).toBe(i)
      expect(Math.hypot(...pointOf(strands, from).map((x, k) => x - strands.roots.space[3 * i + k]!))).toBeLessThan(
        1e-4,
      )
    }
    const total = all(strands).map((i) => {
      let length = 0
      for (let at = strands.first[i]!; at < lastOf(strands, i); at++)
        length += Math.hypot(...pointOf(strands, at + 1).map((x, k) => x - pointOf(strands, at)[k]!))
      return length / strands.roots.length[i]!
    })
    expect(total.reduce((sum, share) => sum + share, 0) / total.length).toBeCloseTo(1, 0)
  })

  it('keep out of the bust, whatever their curl and wear', () => {
    for (const curl of ['straight', 'wavy', 'curly', 'coily'] as const)
      for (const wear of WEARS) {
        const strands = grow({ curl, lengthCm: 30 }, wear, 200)
        let inside = 0
        for (let at = 0; at < strands.along.length; at++) if (fieldAt(grid, ...pointOf(strands, at)) < -0.6) inside++
        // A curl may dip a little below the skin where its layer is thin.
        expect(inside / strands.along.length).toBeLessThan(0.02)
      }
  })

  it('keep off the face when they are not a fringe', () => {
    for (const wear of WEARS) {
      const strands = grow({ lengthCm: 40 }, wear)
      let before = 0
      for (let at = 0; at < strands.along.length; at++) {
        const [x, y, z] = pointOf(strands, at)
        if (Math.abs(x) < 4.5 && y > 6 && z < 4 && z > -10) before++
      }
      expect(before / strands.along.length).toBeLessThan(0.002)
    }
  })

  it('mirror each other where the part is in the middle', () => {
    const strands = grow({ part: 'centre' }, 'waved')
    for (let i = 0; i < strands.roots.count; i += 2) {
      const [one, other] = [pointOf(strands, lastOf(strands, i)), pointOf(strands, lastOf(strands, i + 1))]
      expect(one[0]).toBeCloseTo(-other[0], 4)
      expect(one[1]).toBeCloseTo(other[1], 4)
      expect(one[2]).toBeCloseTo(other[2], 4)
    }
  })

  it('hang to one line where they are cut so, and further down from low roots where all are as long', () => {
    const spread = (cutLine: HairState['cutLine']) => {
      const strands = grow({ cutLine, lengthCm: 35 }, 'straight')
      const ends = all(strands).map((i) => pointOf(strands, lastOf(strands, i))[2])
      const mean = ends.reduce((sum, z) => sum + z, 0) / ends.length
      return Math.sqrt(ends.reduce((sum, z) => sum + (z - mean) ** 2, 0) / ends.length)
    }
    expect(spread('oneLength')).toBeLessThan(2.5)
    expect(spread('layered')).toBeGreaterThan(2 * spread('oneLength'))
  })

  it('fall to the side of the part that they grow on', () => {
    const strands = grow({ part: 'left', lengthCm: 30 }, 'straight')
    const part = partAt({ ...MEDIUM_HAIR, part: 'left' }, 4)
    expect(part).toBeGreaterThan(1)
    for (const i of all(strands)) {
      const [x, y, z] = [0, 1, 2].map((k) => strands.roots.space[3 * i + k]!) as [number, number, number]
      if (z < 11 || y < 0 || Math.abs(x - part) < 1.2) continue
      const [fallen] = pointOf(strands, Math.min(lastOf(strands, i), strands.first[i]! + 2))
      expect(Math.sign(fallen - x)).toBe(Math.sign(x - part))
    }
  })

  it('are gathered in a tail when tied, low or high, and only above the ears half up', () => {
    const ends = (wear: Wear) => {
      const strands = grow({ lengthCm: 45 }, wear)
      return all(strands).map((i) => ({
        root: strands.roots.space[3 * i + 2]!,
        end: pointOf(strands, lastOf(strands, i)),
      }))
    }
    for (const wear of ['low', 'high'] as const) {
      const inTail = ends(wear).filter(({ end: [x, y] }) => Math.abs(x) < 5 && y < -4)
      expect(inTail.length / 600).toBeGreaterThan(0.97)
    }
    const heights = (wear: Wear) => ends(wear).reduce((sum, { end }) => sum + end[2], 0) / 600
    expect(heights('high')).toBeGreaterThan(heights('low') + 5)
    const halfUp = ends('halfUp')
    const isAside = ({ end: [x] }: (typeof halfUp)[number]) => Math.abs(x) > 5
    expect(halfUp.filter(({ root }) => root > 4).some(isAside)).toBe(false)
    expect(halfUp.filter(({ root }) => root < 2).filter(isAside).length).toBeGreaterThan(60)
  })

  it('are worn shorter the more they curl, and stand out further', () => {
    const [straight, coily] = (['straight', 'coily'] as const).map((curl) => grow({ curl, lengthCm: 30 }, 'natural'))
    const lowest = (strands: Strands) => Math.min(...all(strands).map((i) => pointOf(strands, lastOf(strands, i))[2]))
    const widest = ({ positions }: Strands) =>
      positions.reduce((most, x, at) => (at % 3 === 0 ? Math.max(most, x) : most), 0)
    expect(lowest(coily!)).toBeGreaterThan(lowest(straight!) + 4)
    expect(widest(coily!)).toBeGreaterThan(widest(straight!) + 1.5)
    expect(lowest(grow({ curl: 'coily', lengthCm: 30 }, 'straight'))).toBeCloseTo(lowest(straight!), 0)
  })

  it('are as broad in all whatever their number, finer at the tip', () => {
    const breadth = (strands: Strands) => strands.halfWidths[0]! ** 2 * strands.roots.count
    const [few, many] = [grow({}, 'straight', 400), grow({}, 'straight', 1600)]
    expect(breadth(few)).toBeCloseTo(breadth(many), 5)
    for (const i of all(few)) expect(few.halfWidths[lastOf(few, i)]!).toBeLessThan(0.6 * few.halfWidths[few.first[i]!]!)
  })
})

describe('combing', () => {
  const at = (place: Partial<Parameters<typeof combDown>[2]>) => ({
    x: 1,
    y: 3,
    z: 12,
    s: 0.3,
    psi: 0.3,
    length: 30,
    ...place,
  })

  it('takes a short hairline forward as a fringe, a long one aside', () => {
    expect(isFringe(at({ s: 0.9, length: 9, psi: 0.2 }))).toBe(true)
    expect(isFringe(at({ s: 0.9, length: 30, psi: 0.2 }))).toBe(false)
    expect(isFringe(at({ s: 0.9, length: 9, psi: 2 }))).toBe(false)
    expect(isFringe(at({ s: 0.3, length: 9, psi: 0.2 }))).toBe(false)
    expect(combDown(head, MEDIUM_HAIR, at({ s: 0.9, length: 9 }), 1)[1]).toBeGreaterThan(0.5)
    expect(combDown(head, MEDIUM_HAIR, at({}), 1)[1]).toBeLessThan(0)
  })

  it('goes down at the sides, away from the part on top, and out from the crown behind', () => {
    expect(combDown(head, MEDIUM_HAIR, at({ z: 0, x: 7 }), 1)[2]).toBeLessThan(-0.9)
    expect(combDown(head, { ...MEDIUM_HAIR, part: 'centre' }, at({ x: 0.5 }), 1)[0]).toBeGreaterThan(0.5)
    expect(combDown(head, { ...MEDIUM_HAIR, part: 'left' }, at({ x: 0.5 }), 1)[0]).toBeLessThan(-0.5)
    expect(combDown(head, { ...MEDIUM_HAIR, part: 'left' }, at({ x: 0.5 }), -1)[0]).toBeGreaterThan(0.5)
    expect(combDown(head, MEDIUM_HAIR, at({ y: -8, x: 0.2, z: 10 }), 1)[1]).toBeLessThan(-0.5)
  })

  it('runs a zigzag part to either side of the middle', () => {
    const xs = Array.from({ length: 40 }, (_, i) => partAt({ ...MEDIUM_HAIR, part: 'zigzag' }, i / 5))
    expect(Math.max(...xs)).toBeGreaterThan(0.4)
    expect(Math.min(...xs)).toBeLessThan(-0.4)
  })
})
