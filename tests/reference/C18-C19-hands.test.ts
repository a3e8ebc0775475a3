/**
 * Hands and amounts by the way product goes on, on whole heads. Kind: common practice, no source. Compared by
 * tolerance, not equality: grams ± 25 %, minutes ± 20 %.
 */
import type { Formula, Product, StageKind } from '@/core/model'
import { planWith, type Wanted } from '../support/plan'
import { computeStages } from '../support/planner'

const PRODUCTS: Product[] = [
  { id: 'gloss', name: 'Gloss', kind: 'gloss', maximumMinutes: 20 },
  { id: 'clay', name: 'Clay', kind: 'clayLightener', maximumMinutes: 60 },
]
const MIXES: Formula[] = [
  { id: 'D', name: 'Gloss', productId: 'gloss', developerVol: 7, ratio: 1.5, level: 8, tone: 'neutral' },
  { id: 'E', name: 'Clay', productId: 'clay', developerVol: 30, ratio: 1.5, level: 8, tone: 'neutral' },
]

/** A whole head of one kind of work: minutes of hands, grams of its mix, seconds of one piece. */
function head(
  letter: string,
  placement: Wanted['placement'],
  { kind = 'gloss' as StageKind, hair = {} as Wanted['hair'] } = {},
) {
  const plan = planWith({
    template: 'fourQuadrants',
    hair: { lengthCm: 35, ...hair },
    placement: { ...placement, sequence: [letter] },
  })
  plan.products.push(...PRODUCTS)
  plan.formulas.push(...MIXES)
  plan.variants[0]!.stages[0]!.kind = kind
  const computed = computeStages(plan)
  const { range, onHair, onScalp, edge } = computed.grams.find(({ formulaId }) => formulaId === letter)!
  const zone = computed.zones.find(({ placement: { pieces } }) => pieces.length > 0)!
  const mid = zone.placement.pieces.findIndex(({ width }) => width > 9)
  return {
    minutes: computed.handsOn.expected / 60,
    grams: range.expected,
    each: (onHair + onScalp + edge) / computed.pieces.length,
    seconds: zone.seconds[mid]!,
    pieces: computed.pieces.length,
  }
}
const within = (value: number, low: number, high: number, tolerance: number) => {
  expect(value).toBeGreaterThanOrEqual(low * (1 - tolerance))
  expect(value).toBeLessThanOrEqual(high * (1 + tolerance))
}
const ALL_OVER = { take: { kind: 'block' }, subsectionMm: 20, rowGapMm: 0 } as const
const ON_SCALP = { rowGapMm: 0, direction: 'vertical' } as const

describe('C18. minutes of hands', () => {
  it.each<[string, string, Wanted['placement'], [number, number]]>([
    ['a gloss by bottle and comb', 'D', ALL_OVER, [5, 10]],
    ['root colour', 'B', { ...ON_SCALP, take: { kind: 'onScalp', bandCm: 1.5 }, subsectionMm: 4 }, [15, 25]],
    ['a shadow root', 'D', { ...ON_SCALP, take: { kind: 'onScalp', bandCm: 3 }, subsectionMm: 20 }, [8, 15]],
    ['block colour by brush', 'B', ALL_OVER, [10, 20]],
  ])('%s', (_what, letter, placement, [low, high]) => {
    within(head(letter, placement).minutes, low, high, 0.2)
  })

  it.each<[string, Wanted['placement'], [number, number]]>([
    ['a slice', { take: { kind: 'slice' }, subsectionMm: 5 }, [30, 30]],
    ['a weave', { take: { kind: 'weave' }, subsectionMm: 7 }, [40, 45]],
    ['a babylight', { take: { kind: 'babylight', stitchMm: 1.5, stitchGapMm: 2 }, subsectionMm: 3 }, [55, 65]],
    ['a slice teased first', { take: { kind: 'slice', teased: true }, subsectionMm: 5 }, [40, 40]],
  ])('one foil of %s', (_what, placement, [low, high]) => {
    within(
      head('A', { rowGapMm: 10, ...placement }, { kind: 'lighten', hair: { lengthCm: 30 } }).seconds,
      low,
      high,
      0.2,
    )
  })

  it('one painted panel: 45–90 s', () => {
    within(
      head('E', { take: { kind: 'painted' }, subsectionMm: 18, rowGapMm: 18 }, { kind: 'lighten' }).seconds,
      45,
      90,
      0.2,
    )
  })
})

describe('C19. grams', () => {
  it('shadow root on a whole head: 30–60 g of mix', () => {
    const { grams } = head(
      'D',
      { ...ON_SCALP, take: { kind: 'onScalp', bandCm: 3 }, subsectionMm: 20 },
      { kind: 'shadowRoot' },
    )
    within(grams, 30, 60, 0.1)
  })

  it('root-and-lengths gloss of shoulder-length hair: 90–120 g', () => {
    within(head('D', ALL_OVER).grams, 90, 120, 0.25)
  })

  it('root colour on a whole head: 60–100 g (TRADE)', () => {
    within(head('B', { ...ON_SCALP, take: { kind: 'onScalp', bandCm: 1.5 }, subsectionMm: 4 }).grams, 60, 100, 0.1)
  })

  it('a woven foil takes 2–4 g, on fine hair too; a painted long head 100–250 g', () => {
    const weave = { take: { kind: 'weave' }, subsectionMm: 7, rowGapMm: 7 } as const
    for (const texture of ['fine', 'medium'] as const)
      within(head('A', weave, { kind: 'lighten', hair: { texture } }).each, 2, 4, 0.1)
    const painted = head(
      'E',
      { take: { kind: 'painted', saturation: 0.7 }, subsectionMm: 18, rowGapMm: 18, startCm: 12 },
      { kind: 'lighten', hair: { lengthCm: 45 } },
    )
    within(painted.grams, 100, 250, 0)
  })

  it('coarse and dense against fine and thin: at most about 2.5 times', () => {
    const slices = { take: { kind: 'slice' }, subsectionMm: 7, rowGapMm: 7 } as const
    const grams = (hair: Wanted['hair']) => head('A', slices, { kind: 'lighten', hair }).grams
    const ratio = grams({ texture: 'coarse', density: 'high' }) / grams({ texture: 'fine', density: 'low' })
    expect(ratio).toBeGreaterThan(1.8)
    expect(ratio).toBeLessThan(2.6)
  })

  it('a thicker mix takes more, a liquid one less', () => {
    const grams = (consistency: Formula['consistency']) => {
      const plan = planWith({ placement: { rowGapMm: 5 } })
      plan.formulas[0]!.consistency = consistency
      return computeStages(plan).grams[0]!.onHair
    }
    expect(grams('liquid')).toBeLessThan(grams(undefined))
    expect(grams('cream')).toBe(grams(undefined))
    expect(grams('thick')).toBeGreaterThan(grams('cream'))
  })
})
