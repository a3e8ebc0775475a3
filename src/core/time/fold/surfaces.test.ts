import { SCALP_CELLS } from '../../hair/hairRecord'
import { hairsByCell } from '../../placement/foils'
import type { Band, Canvas } from '../../model'
import { band } from '../../../../tests/support/canvas'
import { planWith, type Wanted } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { foldPlan, surfacesOf } from '.'

/** Every cell has the same kinds of hair, in these shares. */
const mixed = (...kinds: [share: number, bands: Band[], white?: number][]): Canvas => ({
  recordedOn: '2026-09-15',
  strands: kinds.map(([, bands], i) => ({ id: `s${i}`, bands })),
  cells: SCALP_CELLS.map(() => ({
    populations: kinds.map(([share, , white = 0], i) => ({ strandId: `s${i}`, share, white, sources: [] })),
  })),
})
const dyed = (level: number) => [band(0, 35, { level, treatments: [{ kind: 'permanent' as const }] })]

const whole: Wanted['placement'] = { rowGapMm: 0, sequence: ['A'], take: { kind: 'slice' } }
function met(canvas: Canvas, placement: Wanted['placement'] = whole) {
  const plan = planWith({ placement, only: ['backLeft'] })
  const computed = computeStages(plan)
  return surfacesOf(plan, computed, foldPlan(plan, computed, { canvas }))['A']!
}

describe('the looks of hair that a formula goes on', () => {
  it('come commonest first, whatever their order in the record', () => {
    const names = (...shares: [number, number, number]) =>
      met(mixed([shares[0], dyed(4)], [shares[1], dyed(5)], [shares[2], dyed(6)])).map(({ level }) => level)
    expect(names(0.2, 0.5, 0.3)).toEqual([5, 6, 4])
    expect(names(0.5, 0.2, 0.3)).toEqual([4, 6, 5])
  })

  it('are those of the cells that its pieces lie on, and of every cell where nothing is worked with it', () => {
    const plan = planWith({ placement: whole, only: ['backLeft'] })
    const computed = computeStages(plan)
    const reached = new Set(computed.pieces.flatMap((piece) => [...hairsByCell(computed.head, piece).cells]))
    expect(reached.size).toBeGreaterThan(5)
    const canvas: Canvas = {
      ...mixed([0.5, dyed(4)], [0.5, dyed(8)]),
      cells: SCALP_CELLS.map((_, cell) => ({
        populations: [{ strandId: reached.has(cell) ? 's0' : 's1', share: 1, white: 0, sources: [] }],
      })),
    }
    const surfaces = surfacesOf(plan, computed, foldPlan(plan, computed, { canvas }))
    expect(surfaces['A']!.map(({ level }) => level)).toEqual([4])
    // Nothing of the plan is worked with B.
    expect(surfaces['B']!.map(({ level }) => level)).toEqual([8, 4])
  })

  it('are of the stretch that product lies on, and count by how long and how much of it there is', () => {
    const bands = (light: number) => [band(0, 10, { level: 4 }), band(10, 35, { level: light })]
    const levels = (startCm: number, ...kinds: [number, Band[]][]) =>
      met(mixed(...kinds), { ...whole, startCm }).map(({ level }) => level)
    expect(levels(0, [1, bands(8)])).toEqual([8, 4])
    expect(levels(10, [1, bands(8)])).toEqual([8])
    expect(levels(9.75, [1, bands(8)])).toEqual([8])
    expect(levels(0, [0.7, bands(4)], [0.3, bands(8)])).toEqual([4, 8])
    // 35 cm of every tenth strand against 10 cm of the other nine: the longer stretch of less hair is less.
    expect(levels(0, [0.9, bands(9)], [0.1, [band(0, 35, { level: 7 })]])).toEqual([9, 4, 7])
  })

  it('leave out what is rare, but for the commonest, and are six at most', () => {
    expect(met(mixed([0.985, dyed(4)], [0.015, dyed(8)])).map(({ level }) => level)).toEqual([4])
    expect(met(mixed([0.96, dyed(4)], [0.04, dyed(8)])).map(({ level }) => level)).toEqual([4, 8])
    const eight = Array.from({ length: 8 }, (_, i): [number, Band[]] => [0.125 + (4 - i) / 1000, dyed(3 + i)])
    expect(met(mixed(...eight)).map(({ level }) => level)).toEqual([3, 4, 5, 6, 7, 8])
  })

  it('tell where along the strand they are, the whole stretch over all of them', () => {
    const bands = (from: number, to: number) => [
      band(0, from),
      band(from, to, { level: 8, treatments: [{ kind: 'lightened' }] }),
      band(to, 35, { level: 4, treatments: [{ kind: 'permanent' }] }),
    ]
    const names = met(mixed([0.5, bands(3, 20)], [0.5, bands(5, 25)]), { ...whole, startCm: 0 }).map(({ name }) => name)
    expect(names.sort()).toEqual(['20–35 cm, level 4', '3–25 cm, level 8', 'Natural, level 5'])
  })

  it('have white hair beside the natural hair that it grows among, and alone where there is no other', () => {
    const [natural] = met(mixed([1, [band(0, 35)], 0.25]))
    expect(natural!.white).toBeCloseTo(0.25, 6)
    const [white] = met(mixed([1, [band(0, 35)], 1]))
    expect(white!.white).toBe(1)
    // Dyed white hair is dyed hair.
    expect(met(mixed([1, dyed(6), 0.5])).map(({ white: share }) => share)).toEqual([0, 0].slice(0, 1))
  })
})
