import { SCALP_CELLS } from '../../hair/hairRecord'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { foldTurn, sum } from '../../numeric'
import { hairsOfCells } from '../../placement/foils'
import { createHead, defaultMeasures } from '../../scalp/head'
import { degrees } from '../../units'
import type { HairState, WearKind } from '../../model'
import { knowSeen, seenCells } from '.'

const meanOf = (wear: WearKind, isMeant: (cell: (typeof SCALP_CELLS)[number]) => boolean) => {
  const own = SCALP_CELLS.filter(isMeant).map(({ index }) => seenCells(MEDIUM_HAIR)[wear][index]!)
  return own.reduce((sum, share) => sum + share, 0) / own.length
}
const azimuth = ({ centre }: (typeof SCALP_CELLS)[number]) => degrees(foldTurn(centre.psi))

describe('what is seen of the hair of each part of the scalp', () => {
  it('is most of what grows on top when worn straight, next to nothing of the nape', () => {
    const top = meanOf('straight', ({ centre }) => centre.s < 0.3)
    expect(top).toBeGreaterThan(3)
    expect(meanOf('straight', ({ region }) => region === 'nape')).toBeLessThan(0.2 * top)
  })

  it('is all of it: shares of what grows in each cell add up to one head, however it is worn', () => {
    const grows = hairsOfCells(createHead(defaultMeasures()), MEDIUM_HAIR)
    const all = sum([...grows])
    for (const seen of Object.values(seenCells(MEDIUM_HAIR))) {
      expect(Math.min(...seen)).toBeGreaterThanOrEqual(0)
      expect(sum(seen.map((share, cell) => (share * grows[cell]!) / all))).toBeCloseTo(1, 1)
    }
  })

  it('is the hairline more than the rest when tied', () => {
    const rim = meanOf('tied', ({ centre }) => centre.s > 0.86)
    expect(rim).toBeGreaterThan(meanOf('tied', ({ centre }) => centre.s > 0.4 && centre.s < 0.8))
    expect(meanOf('tied', (cell) => cell.centre.s > 0.86 && azimuth(cell) > 140)).toBeGreaterThan(
      2 * meanOf('straight', (cell) => cell.centre.s > 0.86 && azimuth(cell) > 140),
    )
  })

  it('is alike on both sides where the part is in the middle, and not where it is at a side', () => {
    const sides = (shares: readonly number[]) =>
      SCALP_CELLS.reduce((sum, { index, centre }) => {
        const side = Math.round(10 * Math.sin(centre.psi))
        return sum + Math.sign(side) * shares[index]!
      }, 0)
    expect(Math.abs(sides(seenCells({ ...MEDIUM_HAIR, part: 'centre' }).straight))).toBeLessThan(4)
    expect(Math.abs(sides(seenCells({ ...MEDIUM_HAIR, part: 'left' }).straight))).toBeGreaterThan(8)
  })

  it('is counted once for hair that falls alike', () => {
    const seen = seenCells(MEDIUM_HAIR)
    expect(seenCells({ ...MEDIUM_HAIR, naturalLevel: 2, texture: 'coarse', lengthCm: MEDIUM_HAIR.lengthCm + 1 })).toBe(
      seen,
    )
    expect(seenCells({ ...MEDIUM_HAIR, lengthCm: MEDIUM_HAIR.lengthCm + 10 })).not.toBe(seen)
    expect(seenCells({ ...MEDIUM_HAIR, curl: 'curly' })).not.toBe(seen)
    expect(seenCells({ ...MEDIUM_HAIR, lengthCm: 1 })).toBe(seenCells({ ...MEDIUM_HAIR, lengthCm: 3 }))
  })

  it('is what was said of it where it was counted elsewhere', () => {
    const hair: HairState = { ...MEDIUM_HAIR, curl: 'coily', part: 'left', lengthCm: 95 }
    const told = structuredClone(seenCells(MEDIUM_HAIR))
    knowSeen({ ...hair, naturalLevel: 3 }, told)
    expect(seenCells(hair)).toBe(told)
    knowSeen(hair, structuredClone(told))
    expect(seenCells(hair)).toBe(told)
  })
})
