import type { Base, Formula, Product, ProductKind, ToneHue } from '../../model'
import { lightenedSurface, mixShades, recipeOf, suggestFormulas, type MixPart } from '.'

const part = (level: number, hue: ToneHue, strength: number, parts = 1): MixPart => ({
  shade: { kind: 'shade', level, hue, strength },
  parts,
})
const product = (id: string, kind: ProductKind, shade?: Product['shade']): Product => ({
  id,
  name: id,
  kind,
  line: 'One',
  maximumMinutes: 20,
  ...(shade && { shade }),
})
const shaded = (level: number, hue: ToneHue, strength: number, base: Base = 'toned', kind: ProductKind = 'gloss') =>
  product(`${level}${hue}${base}`, kind, { level, hue, strength, base, whiteCoverPercent: 50 })
const CLEAR = product('clear', 'clear')
const formula = (shades: Formula['shades'], productId = shades![0]!.productId): Formula => ({
  id: 'A',
  name: 'A',
  productId,
  developerVol: 7,
  ratio: 1.5,
  level: 7,
  tone: 'neutral',
  shades,
})
const parts = (...of: [Product, number][]): Formula['shades'] =>
  of.map(([{ id }, amount]) => ({ productId: id, amount, unit: 'parts' as const }))

describe('the tones of a mix', () => {
  it('come strongest first, alike in the order of their names, by what colours in it', () => {
    const tones = (...mix: MixPart[]) => mixShades(mix).tones
    expect(tones(part(8, 'gold', 0.4), part(8, 'ash', 0.8))).toEqual([
      { hue: 'ash', strength: 0.4 },
      { hue: 'gold', strength: 0.2 },
    ])
    for (const mix of [
      [part(8, 'violet', 0.6), part(8, 'ash', 0.6)],
      [part(8, 'ash', 0.6), part(8, 'violet', 0.6)],
    ])
      expect(tones(...mix).map(({ hue }) => hue)).toEqual(['ash', 'violet'])
    expect(tones(part(8, 'gold', 0.5), part(6, 'gold', 0.3))).toEqual([{ hue: 'gold', strength: 0.4 }])
    // What has no tone names none, and clear takes none away.
    expect(tones(part(8, 'ash', 0), { shade: { kind: 'clear' }, parts: 9 })).toEqual([])
    expect(tones(part(8, 'ash', 0.8), { shade: { kind: 'clear' }, parts: 3 })).toEqual([{ hue: 'ash', strength: 0.8 }])
  })

  it('lie at the mean level by mass, as deep as there is colour in it', () => {
    expect(mixShades([part(9, 'neutral', 0), part(6, 'neutral', 0)])).toEqual({ level: 7.5, tones: [], depth: 1 })
    expect(mixShades([part(9, 'neutral', 0, 3), part(5, 'neutral', 0)]).level).toBe(8)
    expect(mixShades([part(8, 'neutral', 0), { shade: { kind: 'clear' }, parts: 3 }])).toMatchObject({
      level: 8,
      depth: 0.25,
    })
    expect(mixShades([{ shade: { kind: 'clear' }, parts: 1 }])).toEqual({ level: undefined, tones: [], depth: 0 })
    expect(() => mixShades([])).toThrow(RangeError)
    expect(() => mixShades([part(8, 'ash', 0.5, 0)])).toThrow(RangeError)
  })
})

describe('what a recipe is of', () => {
  const [natural, ash, none] = [
    shaded(7, 'neutral', 0, 'natural'),
    shaded(7, 'ash', 0.8),
    shaded(7, 'violet', 0.8, 'none'),
  ]
  const shelf = [natural, ash, none, CLEAR, product('powder', 'powderLightener'), product('mask', 'treatment')]
  const recipe = (shades: Formula['shades']) => recipeOf(formula(shades), shelf)

  it('is its shades by mass, a dash a share of all the rest', () => {
    const shares = (shades: Formula['shades']) => recipe(shades).products.map(({ share }) => share)
    expect(shares(parts([natural, 30], [ash, 10]))).toEqual([0.75, 0.25])
    const dashed = shares([...parts([natural, 30], [ash, 10])!, { productId: none.id, amount: 1, unit: 'dash' }])
    expect(dashed[0]! / dashed[1]!).toBeCloseTo(3, 9)
    expect(dashed.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9)
    const twice = shares([...parts([natural, 30], [ash, 10])!, { productId: none.id, amount: 2, unit: 'dash' }])
    expect(twice[2]! / twice[1]!).toBeCloseTo((2 * dashed[2]!) / dashed[1]!, 9)
    expect(recipeOf({ ...formula(parts([natural, 1])), shades: undefined }, shelf).products).toMatchObject([
      { share: 1 },
    ])
  })

  it('knows how much natural base there is in what colours, and clear is none of it', () => {
    const base = (...of: [Product, number][]) => recipe(parts(...of)).baseShare
    expect([base([natural, 1]), base([ash, 1]), base([none, 1])]).toEqual([1, 0.5, 0])
    expect(base([natural, 1], [none, 3])).toBeCloseTo(0.25, 9)
    expect(base([natural, 1], [CLEAR, 4])).toBe(1)
  })

  it('has a colour only where something colours', () => {
    expect(recipe(parts([ash, 1])).dye).toBeDefined()
    expect(recipe(parts([CLEAR, 1])).mixed).toMatchObject({ depth: 0 })
    for (const id of ['powder', 'mask'])
      expect(recipeOf({ ...formula(parts([natural, 1])), productId: id, shades: undefined }, shelf)).toMatchObject({
        mixed: undefined,
        dye: undefined,
        baseShare: 0,
      })
  })
})

describe('what is said beside a suggestion', () => {
  const shelf = [
    ...[7, 8, 9].flatMap((level) =>
      (['ash', 'beige', 'gold', 'violet'] as const).map((hue) => shaded(level, hue, 0.7)),
    ),
    ...[7, 8, 9].map((level) => shaded(level, 'neutral', 0, 'natural')),
    CLEAR,
  ]
  const list = suggestFormulas(
    {
      surfaces: [lightenedSurface('lightened', 9)],
      goal: { level: 8, hue: 'beige', strength: 0.4 },
      kind: 'gloss',
      developerVol: 7,
      use: { stageKind: 'gloss', onScalp: false, heat: false, damp: false },
    },
    shelf,
  )

  it('is true of it against the first', () => {
    const [first, ...others] = list
    expect(others.length).toBeGreaterThan(0)
    expect(list.length).toBeLessThanOrEqual(5)
    for (const one of others) {
      const says = (words: string) => one.tradeOff.includes(words)
      const further = one.difference - first!.difference
      expect(says('fewer shades to weigh')).toBe(one.recipe.products.length < first!.recipe.products.length)
      expect(says('more natural base')).toBe(one.recipe.baseShare > first!.recipe.baseShare + 0.2)
      expect(says('sheerer')).toBe(one.recipe.dye!.depth < first!.recipe.dye!.depth - 0.1)
      const near = says('as near to the goal') || says('nearer to the goal')
      if (!near) expect(says(`ΔE ${(Math.round(10 * further) / 10).toFixed(1)} further from the goal`)).toBe(true)
      else expect(further).toBeLessThan(2.5)
    }
  })
})
