import { planWith, type Wanted } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { servicePlan } from '../../../../tests/support/samples'
import { labOfHair, levelFromLab, labFromAbsorbance } from '../../hair/colour'
import { virginBand } from '../../hair/hairRecord'
import type { FaltoPlan } from '../../model'
import { bustOf } from '../../scalp/mannequin'
import { foldPlan, type Lock } from '../../time/fold'
import { growStrands, spreadRoots } from '../strands'
import { paintStrands, takersOf, type Moment } from '.'
import { drawLock, lockAfter } from './locks'
import { strandColour } from './strandColour'

const COUNT = 4_000

function painted(plan: FaltoPlan, moment?: Moment) {
  const computed = computeStages(plan)
  const fold = foldPlan(plan, computed)
  const { head } = computed
  const roots = spreadRoots(head, plan.hair, COUNT, 1)
  const strands = growStrands(head, bustOf(head).grid, plan.hair, roots, { wear: 'straight', seed: 1 })
  const takers = takersOf(plan, computed, fold, roots, 1)
  const at = moment ?? { stages: fold.stages.length - 1, weeks: 0 }
  return { computed, fold, roots, strands, takers, paint: paintStrands(plan, fold, strands, takers, at, 1) }
}
const shareTaken = ({ takers }: ReturnType<typeof painted>, stage = 0) =>
  takers.starts.filter((_, i) => takers.taken[i * takers.stages + stage]! >= 0).length / takers.starts.length
const weave = { kind: 'weave', stitchMm: 6, stitchGapMm: 6, depthShare: 1 } as const
const wanted = (more: Wanted['placement']): Wanted => ({ placement: { rowGapMm: 10, ...more } })

describe('which foil takes a strand', () => {
  it('takes as much of every zone as its foils do', () => {
    for (const placement of [
      { take: weave },
      { take: { ...weave, depthShare: 0.5 } },
      { take: { kind: 'slice' } },
      { take: { kind: 'teased' } },
      { take: weave, bricklay: true },
      { take: weave, direction: 'diagonalBack' },
      { take: weave, direction: 'vertical' },
    ] as const) {
      const one = painted(planWith(wanted(placement)))
      const { hairs, pieces } = one.computed
      expect(shareTaken(one)).toBeCloseTo(pieces.reduce((sum, piece) => sum + piece.takenHairs, 0) / hairs, 1)
      for (const zone of one.computed.zones) {
        const taken = zone.placement.pieces.reduce((sum, piece) => sum + piece.takenHairs, 0) / hairs
        const ids = new Set(zone.placement.pieces.map(({ id }) => id))
        const own = one.takers.taken.filter((piece) => piece >= 0 && ids.has(one.takers.pieces[piece]!.piece.id)).length
        expect(Math.abs(own / COUNT - taken)).toBeLessThan(0.2 * taken + 0.004)
      }
    }
  })

  it('takes every strand of what is worked whole, and none of what is left', () => {
    expect(shareTaken(painted(planWith({ placement: { rowGapMm: 0, take: { kind: 'block' } } })))).toBeGreaterThan(
      0.995,
    )
    const left = painted(planWith({ only: ['frontLeft'], placement: { take: weave } }))
    left.takers.starts.forEach((_, i) => {
      if (left.takers.taken[i]! >= 0) expect(left.roots.space[3 * i]).toBeGreaterThan(-1.2)
    })
    expect(shareTaken(painted(planWith({ only: [] })))).toBe(0)
  })

  it('gives what a foil leaves out to the piece that takes it', () => {
    const plan = planWith({ placement: { take: weave, rowGapMm: 0, dropout: { kind: 'base', formulaId: 'B' } } })
    const { takers } = painted(plan)
    const kinds = takers.taken.reduce(
      (counts, piece) => {
        if (piece >= 0) counts[takers.pieces[piece]!.stretches[0]!.formulaId as 'A' | 'B']++
        return counts
      },
      { A: 0, B: 0 },
    )
    expect(kinds.A / COUNT).toBeGreaterThan(0.4)
    expect(kinds.B / COUNT).toBeGreaterThan(0.4)
  })

  it.each([
    ['hairlineAndPart', 'took'],
    ['faceFrame', 'took'],
    ['baseAndLight', 'dropped'],
  ] as const)('takes in a later stage of %s only what the one before %s', (kind, on) => {
    const plan = servicePlan(kind)
    expect(plan.variants[0]!.stages[1]!.worksOn?.kind).toBe(on)
    const { takers } = painted(plan)
    const later = [...takers.starts.keys()].filter((i) => takers.taken[takers.stages * i + 1]! >= 0)
    const before = later.filter((i) => takers.taken[takers.stages * i]! >= 0)
    expect(later.length).toBeGreaterThan(10)
    expect(before.length).toBe(on === 'took' ? later.length : 0)
  })

  it('takes white hair alone where it is asked for', () => {
    const one = painted(servicePlan('whiteCopied'))
    for (let i = 0; i < COUNT; i++) {
      const piece = one.takers.taken[i * one.takers.stages]!
      if (piece >= 0 && one.takers.pieces[piece]!.piece.select === 'white')
        expect(one.takers.starts[i]!.white).toBe(true)
    }
  })
})

describe('locks', () => {
  const lock = (more: Partial<Lock>): Lock => ({
    bands: [virginBand(5, 0, 20)],
    was: [virginBand(5, 0, 20)],
    share: 0.5,
    white: false,
    sources: [],
    took: [],
    ...more,
  })

  it('are drawn by their shares', () => {
    const [one, other] = [lock({ share: 0.3 }), lock({ share: 0.7 })]
    expect(drawLock([one, other], 0)).toBe(one)
    expect(drawLock([one, other], 0.29)).toBe(one)
    expect(drawLock([one, other], 0.31)).toBe(other)
    expect(drawLock([one, other], 1)).toBe(other)
    expect(drawLock([lock({ share: 0.1 }), other], 0.2)).toBe(other)
  })

  it('after the visit are those that the same stages took, of the same hair, under the same formulas', () => {
    const start = lock({ sources: ['old/Z'] })
    const left = lock({ was: start.bands })
    const light = lock({ was: start.bands, took: [0], sources: ['old/Z', 'now/A'] })
    const low = lock({ was: start.bands, took: [0], sources: ['old/Z', 'now/B'] })
    const white = lock({ was: start.bands, took: [0], sources: ['old/Z', 'now/A'], white: true })
    const locks = [left, light, low, white]
    const find = (course: { took: number; formulas: string }, of = start) =>
      lockAfter(locks, { start: of, ...course }, 0.5)
    expect(find({ took: 0, formulas: '' })).toBe(left)
    expect(find({ took: 1, formulas: 'A' })).toBe(light)
    expect(find({ took: 1, formulas: 'B' })).toBe(low)
    expect(find({ took: 1, formulas: 'A' }, { ...start, white: true })).toBe(white)
  })
})

describe('colour along a strand', () => {
  const band = (level: number, from: number, to: number) => ({ ...virginBand(level, from, to), level })

  it('is that of its bands, each as far as it goes', () => {
    const { levels, rgb } = strandColour([band(4, 0, 3), band(9, 3, 10)], false)
    expect(levels[0]).toBe(4)
    expect(levels[5]).toBe(4)
    expect(levels[6]).toBe(9)
    expect(levels.at(-1)).toBe(9)
    expect(rgb[3 * 10]!).toBeGreaterThan(3 * rgb[0]!)
  })

  it('agrees with the level chart through the way to light and back (two colour peers: culori’s linear light, CIE L*)', () => {
    for (const level of [2, 4, 6, 8, 10]) {
      const { rgb } = strandColour([band(level, 0, 10)], false)
      const absorbed = [0, 1, 2].map((k) => -Math.log(Math.max(1e-4, rgb[k]!))) as [number, number, number]
      const back = labFromAbsorbance(absorbed)
      expect(levelFromLab(back)).toBeCloseTo(level, 1)
      // Relative luminance of linear sRGB (IEC 61966-2-1) and L* of it (CIE 1976).
      const luminance = 0.2126 * rgb[0]! + 0.7152 * rgb[1]! + 0.0722 * rgb[2]!
      const lightness = luminance > 0.008856 ? 116 * Math.cbrt(luminance) - 16 : 903.3 * luminance
      expect(lightness).toBeCloseTo(labOfHair(level, 'neutral', 0).l, 0)
    }
  })

  it('is white where white hair was never touched, and not where it was', () => {
    const virgin = strandColour([band(4, 0, 10)], true)
    expect(virgin.levels[0]).toBeGreaterThan(9)
    const dyed = strandColour([{ ...band(4, 0, 10), treatments: [{ kind: 'permanent', on: '' }] }], true)
    expect(dyed.levels[0]).toBe(4)
  })
})

describe('paint', () => {
  const plan = planWith({ hair: { naturalLevel: 5 }, placement: { take: weave, rowGapMm: 5, startCm: 3 } })

  it('lightens what foils take from where they begin, and nothing else', () => {
    const { takers, strands, paint } = painted(plan)
    for (let i = 0; i < COUNT; i++) {
      const taken = takers.taken[i]! >= 0
      const [root, tip] = [strands.first[i]!, strands.first[i + 1]! - 1]
      expect(paint.levels[root]).toBe(5)
      if (taken) expect(paint.levels[tip]!).toBeGreaterThan(7)
      else expect(paint.levels[tip]).toBe(5)
      expect(paint.change[i]! > 0.5).toBe(taken)
    }
  })

  it('begins within a third of a centimetre of where foils do, less evenly where hair is teased or painted', () => {
    const spread = (take: NonNullable<NonNullable<Wanted['placement']>['take']>) => {
      const { takers, strands, paint } = painted(planWith({ placement: { take, rowGapMm: 5, startCm: 6 } }))
      const begins = takers.starts.flatMap((_, i) => {
        if (takers.taken[i]! < 0) return []
        for (let at = strands.first[i]!; at < strands.first[i + 1]!; at++)
          if (paint.levels[at]! > paint.levels[strands.first[i]!]! + 1) return [strands.along[at]!]
        return []
      })
      const mean = begins.reduce((sum, cm) => sum + cm, 0) / begins.length
      return Math.sqrt(begins.reduce((sum, cm) => sum + (cm - mean) ** 2, 0) / begins.length)
    }
    expect(spread({ kind: 'teased' })).toBeGreaterThan(1.3 * spread(weave))
  })

  it('is as she comes before the first stage', () => {
    const { paint } = painted(plan, { stages: 0, weeks: 0 })
    expect(new Set(paint.levels)).toEqual(new Set([5]))
    expect(paint.change.every((change) => change === 0)).toBe(true)
  })

  it('grows out at the root, and fades unless its tone is put on again', () => {
    const toned = servicePlan('fullBabylights')
    for (const formula of toned.formulas) formula.tone = 'cool'
    const [today, later, glossed] = [
      painted(toned),
      painted(toned, { stages: 2, weeks: 12 }),
      painted(toned, { stages: 2, weeks: 12, glossed: true }),
    ]
    const taken = today.takers.starts.findIndex(
      (_, i) => today.takers.taken[2 * i]! >= 0 && today.takers.taken[2 * i + 1]! >= 0,
    )
    const levelAt = ({ strands, paint }: typeof today, cm: number) => {
      for (let at = strands.first[taken]!; ; at++) if (strands.along[at]! >= cm) return paint.levels[at]!
    }
    expect(levelAt(today, 1.5)).toBeGreaterThan(levelAt(later, 1.5) + 1)
    expect(levelAt(later, 12)).toBeGreaterThan(levelAt(later, 1.5) + 1)
    const tint = ({ paint }: typeof today) =>
      paint.rgb.reduce((sum, channel, at) => sum + (at % 3 === 2 ? channel : 0), 0)
    expect(tint(later)).not.toBe(tint(glossed))
  })

  it('knows the roots of every cell for the scalp between them', () => {
    const { paint, roots } = painted(plan)
    const cell = roots.cell[0]!
    const natural = strandColour([virginBand(5, 0, 10)], false).rgb
    for (let k = 0; k < 3; k++) expect(paint.roots[3 * cell + k]!).toBeCloseTo(natural[k]!, 5)
  })
})
