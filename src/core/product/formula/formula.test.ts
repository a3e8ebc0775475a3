/* eslint-disable max-lines -- tests of one room, by what they are about */
import fc from 'fast-check'
import { colourDifference, exposedLab, labOfHair } from '../../hair/colour'
import { TONE_HUES, type Formula, type Porosity, type Product, type ToneHue } from '../../model'
import {
  addDeveloper,
  BlendError,
  blendDeveloper,
  depositOn,
  dyeOfShades,
  fillerFor,
  findingsOf,
  gramsOfParts,
  lightenedSurface,
  mixShades,
  neutralisedBy,
  peroxideInMix,
  recipeOf,
  shadowRootLevel,
  splitExactly,
  suggestFormulas,
  wantsCompanion,
  type MixPart,
  type RecipePart,
  type Surface,
  type FormulaUse,
  type Wanted,
} from '.'

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)
const shade = (level: number, parts: number, hue: ToneHue = 'neutral', strength = 0): MixPart => ({
  shade: { kind: 'shade', level, hue, strength },
  parts,
})
const clear = (parts: number): MixPart => ({ shade: { kind: 'clear' }, parts })
const anyParts = fc
  .array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 5 })
  .filter((parts) => sum(parts) > 0)
const anyMix = fc
  .array(
    fc.record({
      level: fc.integer({ min: 1, max: 11 }),
      parts: fc.integer({ min: 1, max: 30 }),
      hue: fc.constantFrom(...TONE_HUES),
      strength: fc.integer({ min: 0, max: 10 }),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map((list) => list.map(({ level, parts, hue, strength }) => shade(level, parts, hue, strength / 10)))

describe('an amount split into parts', () => {
  it('adds up to the tenth of a gram, and no part is off by more than a step', () => {
    fc.assert(
      fc.property(anyParts, fc.integer({ min: 1, max: 4000 }), (parts, tenths) => {
        const grams = splitExactly(tenths / 10, parts)
        expect(sum(grams.map((gram) => Math.round(gram * 10)))).toBe(tenths)
        grams.forEach((gram, i) => {
          expect(Math.round(gram * 1e6) % 1e5).toBe(0)
          expect(Math.abs(gram - ((tenths / 10) * parts[i]!) / sum(parts))).toBeLessThan(0.1 + 1e-9)
        })
      }),
    )
  })

  it('gives equal parts evenly, and refuses nothing at all', () => {
    expect(splitExactly(100, [1, 1, 1])).toEqual([33.4, 33.3, 33.3])
    expect(() => splitExactly(10, [0, 0])).toThrow(RangeError)
    expect(() => splitExactly(10, [2, -1])).toThrow(RangeError)
  })
})

describe('a blend of developers', () => {
  it('has the wanted strength, from neighbours on the shelf, and stays inside them', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 40 }), { minLength: 2, maxLength: 5 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (shelf, at) => {
          const [low, high] = [Math.min(...shelf), Math.max(...shelf)]
          const wanted = low + at * (high - low)
          const blend = blendDeveloper(wanted, shelf)
          expect(sum(blend.map(({ vol, share }) => vol * share))).toBeCloseTo(wanted, 9)
          expect(sum(blend.map(({ share }) => share))).toBeCloseTo(1, 12)
          for (const { vol, share } of blend) {
            expect(shelf).toContain(vol)
            expect(share >= 0 && share <= 1).toBe(true)
          }
          expect(shelf.some((vol) => blend.length === 2 && vol > blend[0]!.vol && vol < blend[1]!.vol)).toBe(false)
        },
      ),
    )
  })

  it('says what the shelf reaches when it cannot be', () => {
    expect(() => blendDeveloper(35, [10, 30])).toThrow(BlendError)
    expect(() => blendDeveloper(35, [10, 30])).toThrow('The shelf reaches from 10 to 30 vol.')
    expect(() => blendDeveloper(20, [])).toThrow('There is no developer on the shelf.')
  })
})

describe('a mix of shades', () => {
  it('does not depend on the order or the size of its parts', () => {
    fc.assert(
      fc.property(anyMix, fc.integer({ min: 2, max: 9 }), (mix, times) => {
        const one = mixShades(mix)
        for (const other of [
          mixShades([...mix].reverse()),
          mixShades(mix.map((part) => ({ ...part, parts: part.parts * times }))),
        ]) {
          expect(other.level).toBeCloseTo(one.level!, 9)
          expect(other.tones.map(({ hue }) => hue).sort()).toEqual(one.tones.map(({ hue }) => hue).sort())
          expect(other.depth).toBeCloseTo(one.depth, 12)
        }
      }),
    )
  })

  it('lies between its lightest and its darkest shade', () => {
    fc.assert(
      fc.property(anyMix, (mix) => {
        const levels = mix.map(({ shade: one }) => (one.kind === 'shade' ? one.level : 0))
        const { level } = mixShades(mix)
        expect(level!).toBeGreaterThanOrEqual(Math.min(...levels) - 1e-9)
        expect(level!).toBeLessThanOrEqual(Math.max(...levels) + 1e-9)
      }),
    )
  })

  it('keeps level and tone when clear goes in, and becomes sheerer', () => {
    const mixed = mixShades([shade(8, 1, 'ash', 0.8), clear(3)])
    expect(mixed).toEqual({ level: 8, tones: [{ hue: 'ash', strength: 0.8 }], depth: 0.25 })
    expect(mixShades([clear(1)])).toEqual({ level: undefined, tones: [], depth: 0 })
    expect(() => mixShades([])).toThrow(RangeError)
  })
})

const PRODUCTS: Product[] = [
  {
    id: 'sand',
    name: '7 Sand',
    kind: 'gloss',
    line: 'One',
    maximumMinutes: 20,
    shade: { level: 7, hue: 'beige', strength: 0.5, base: 'toned', whiteCoverPercent: 30 },
    rules: {
      ratios: [1, 1.5],
      developerMinVol: 5,
      developerMaxVol: 10,
      workingLifeMinutes: 40,
      minimumMinutes: 5,
      maximumLift: 0,
      heat: false,
      onScalp: true,
      damp: true,
    },
  },
  {
    id: 'slate',
    name: '8 Slate',
    kind: 'gloss',
    line: 'One',
    maximumMinutes: 20,
    shade: { level: 8, hue: 'ash', strength: 0.8, base: 'none', whiteCoverPercent: 10 },
  },
  { id: 'clear', name: 'Clear', kind: 'clear', line: 'One', maximumMinutes: 20 },
  { id: 'powder', name: 'Powder', kind: 'powderLightener', maximumMinutes: 50 },
  {
    id: 'cream',
    name: '6 Natural',
    kind: 'permanentColour',
    maximumMinutes: 45,
    shade: { level: 6, hue: 'neutral', strength: 0, base: 'natural', whiteCoverPercent: 100 },
  },
  {
    id: 'bond',
    name: 'Bond',
    kind: 'bondAdditive',
    maximumMinutes: 60,
    additive: { percent: 5, maximumPercent: 10, liftFactor: 0.85, timeFactor: 1.2 },
  },
]
const formula = (rest: Partial<Formula> = {}): Formula => ({
  id: 'A',
  name: 'A',
  productId: 'sand',
  developerVol: 7,
  ratio: 1.5,
  level: 7,
  tone: 'neutral',
  ...rest,
})
const inParts = (...amounts: [string, number][]): Pick<Formula, 'productId' | 'shades'> => ({
  productId: amounts[0]![0],
  shades: amounts.map(([productId, amount]) => ({ productId, amount, unit: 'parts' })),
})

describe('a bowl', () => {
  it('is its shades, additive and developers exactly, in the asked ratios', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 3000 }),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 0, max: 10 }),
        fc.constantFrom(1, 1.5, 2),
        fc.integer({ min: 5, max: 10 }),
        (tenths, one, other, percent, ratio, vol) => {
          const recipe = recipeOf(
            formula({
              ...inParts(['sand', one], ['slate', other]),
              additives: [{ productId: 'bond', percent }],
              ratio,
              developerVol: vol,
            }),
            PRODUCTS,
          )
          const grams = gramsOfParts(recipe, tenths / 10)
          expect(sum(grams.map((gram) => Math.round(gram * 10)))).toBe(tenths)
          const of = (role: RecipePart['role']) =>
            sum(recipe.parts.flatMap((part, i) => (part.role === role ? [grams[i]!] : [])))
          expect(Math.abs(of('developer') - ratio * (of('product') + of('additive')))).toBeLessThan(1)
          expect(Math.abs(of('additive') - (percent / 100) * of('product'))).toBeLessThan(0.5)
          expect(sum(recipe.blend.map(({ vol: strength, share }) => strength * share))).toBeCloseTo(vol, 9)
        },
      ),
    )
  })

  it('does not care in which order or in which unit its shades are named', () => {
    const one = recipeOf(formula(inParts(['sand', 2], ['slate', 1])), PRODUCTS)
    const other = recipeOf(
      formula({
        productId: 'sand',
        shades: [
          { productId: 'slate', amount: 10, unit: 'grams' },
          { productId: 'sand', amount: 20, unit: 'grams' },
        ],
      }),
      PRODUCTS,
    )
    expect(new Map(other.products.map(({ product, share }) => [product.id, share]))).toEqual(
      new Map(one.products.map(({ product, share }) => [product.id, share])),
    )
    expect(other.dye!.tone[0]).toBeCloseTo(one.dye!.tone[0], 12)
    const dash = recipeOf(
      formula({
        productId: 'sand',
        shades: [
          { productId: 'sand', amount: 30, unit: 'grams' },
          { productId: 'slate', amount: 1, unit: 'dash' },
        ],
      }),
      PRODUCTS,
    )
    expect(gramsOfParts({ parts: dash.parts.slice(0, 2) }, 31)).toEqual([30, 1])
  })

  it('says what the shelf cannot blend, and takes a product that is used as it is without developer', () => {
    const weak: Product[] = [
      ...PRODUCTS,
      { id: 'ten', name: 'Developer 10 vol', kind: 'developer', maximumMinutes: 60, developerVol: 10 },
    ]
    expect(recipeOf(formula({ developerVol: 7 }), weak).blendProblem).toContain('cannot be blended')
    expect(recipeOf(formula({ developerVol: 10 }), weak).blend[0]!.product!.id).toBe('ten')
    expect(recipeOf(formula({ ratio: 0, developerVol: 0 }), PRODUCTS)).toMatchObject({ blend: [], peroxidePercent: 0 })
    expect(() => recipeOf(formula({ productId: 'gone' }), PRODUCTS)).toThrow('does not hold')
  })

  it('changes ratio and strength when developer is added on the way', () => {
    expect(peroxideInMix(20, 1)).toBeCloseTo(3, 12)
    const thinned = addDeveloper({ productG: 30, developerG: 45, vol: 20 }, { g: 15, vol: 10 })
    expect(thinned.ratio).toBeCloseTo(2, 12)
    expect(thinned.vol).toBeCloseTo(17.5, 12)
    expect(thinned.peroxidePercent).toBeCloseTo(3.5, 12)
  })
})

const lightened = (level: number, rest: Partial<Surface> = {}): Surface => ({
  ...lightenedSurface(`lightened to ${level}`, level),
  ...rest,
})
const shadeProduct = (level: number, hue: ToneHue, much: number, kind: Product['kind'] = 'gloss'): Product => ({
  id: `${kind}-${level}-${hue}`,
  name: `${level} ${hue}`,
  kind,
  line: 'One',
  maximumMinutes: 20,
  shade: {
    level,
    hue,
    strength: much,
    base: hue === 'neutral' ? 'natural' : 'none',
    whiteCoverPercent: hue === 'neutral' ? 100 : 30,
  },
})
const dyeFrom = (product: Product, vol = 7) =>
  recipeOf(formula({ productId: product.id, developerVol: vol }), [product]).dye!

describe('a deposit', () => {
  it('never lightens, and is stronger on porous hair and weaker with clear in it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 10, noNaN: true }),
        fc.integer({ min: 2, max: 10 }),
        fc.constantFrom(...TONE_HUES),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (canvas, level, hue, much) => {
          const dye = dyeFrom(shadeProduct(level, hue, much))
          const on = (porosity: Porosity, depth = 1) =>
            depositOn(lightened(canvas, { porosity }), { ...dye, depth }).lab.l
          expect(on('normal')).toBeLessThanOrEqual(exposedLab(canvas).l + 1e-6)
          expect(on('high')).toBeLessThanOrEqual(on('normal') + 1e-6)
          expect(on('normal', 0.5)).toBeGreaterThanOrEqual(on('normal') - 1e-6)
        },
      ),
    )
  })

  it('of violet calms yellow, of blue turns it green, of blue calms orange', () => {
    const yellow = lightened(9)
    const violet = depositOn(yellow, dyeFrom(shadeProduct(9, 'violet', 0.8))).lab
    const blue = depositOn(yellow, dyeFrom(shadeProduct(9, 'ash', 0.8))).lab
    expect(Math.hypot(violet.a, violet.b)).toBeLessThan(Math.hypot(exposedLab(9).a, exposedLab(9).b))
    // Greener than any hair that is natural or toned well.
    expect(blue.a).toBeLessThan(0.5)
    expect(violet.a).toBeGreaterThan(blue.a + 2)
    expect(labOfHair(9, 'neutral', 0).a).toBeGreaterThan(blue.a + 2)
    const orange = depositOn(lightened(7), dyeFrom(shadeProduct(6, 'ash', 0.8))).lab
    expect(Math.hypot(orange.a, orange.b)).toBeLessThan(0.7 * Math.hypot(exposedLab(7).a, exposedLab(7).b))
  })

  it('of clear leaves everything as it is', () => {
    const { lab } = depositOn(lightened(8), dyeOfShades('clear', 7, 0, []))
    expect(colourDifference(lab, exposedLab(8))).toBeLessThan(0.2)
  })

  it('of permanent colour lifts what is natural by its developer, and nothing else', () => {
    const natural: Surface = { ...lightened(5), state: 'natural', porosity: 'normal' }
    const light = (vol: number, surface: Surface) =>
      depositOn(surface, dyeFrom(shadeProduct(9, 'neutral', 0, 'permanentColour'), vol)).level
    expect(light(10, natural)).toBeLessThan(5.2)
    expect(light(30, natural)).toBeGreaterThan(light(20, natural) + 0.5)
    expect(light(40, { ...natural, state: 'dyed' })).toBeLessThan(5.2)
  })

  it('covers white by its shade’s cover', () => {
    const white: Surface = { ...lightened(5), state: 'natural', porosity: 'normal', white: 1 }
    const covered = depositOn(white, dyeFrom(shadeProduct(5, 'neutral', 0, 'permanentColour'), 20)).level
    const stained = depositOn(white, dyeFrom(shadeProduct(5, 'ash', 0.8, 'permanentColour'), 20)).level
    expect(covered).toBeLessThan(6)
    expect(stained).toBeGreaterThan(covered + 1)
  })
})

describe('what speaks against a formula', () => {
  const use: FormulaUse = { stageKind: 'gloss', onScalp: false, heat: false, damp: false }
  const ids = (
    rest: Partial<Formula>,
    surface: Surface = lightened(9),
    as: Partial<FormulaUse> = {},
    products: Product[] = PRODUCTS,
  ) => findingsOf(recipeOf(formula(rest), products), { ...use, ...as }, [surface]).map(({ id }) => id)
  const of = (...list: Product[]): [Partial<Formula>, Product[]] => [
    inParts(...list.map(({ id }): [string, number] => [id, 1])),
    list,
  ]
  const raised = (list: Product[], surface: Surface, rest: Partial<Formula> = {}, as: Partial<FormulaUse> = {}) =>
    ids({ ...of(...list)[0], ...rest }, surface, as, list)
  const natural = (level: number, white = 0): Surface => ({
    ...lightened(level),
    state: 'natural',
    porosity: 'normal',
    white,
  })

  it.each<[string, string[], string[]]>([
    ['ratio', ids({ ratio: 2 }), ids({ ratio: 1.5 })],
    ['developer', ids({ developerVol: 20 }), ids({})],
    ['gloss-strength', ids({ developerVol: 20 }), ids({ developerVol: 10 })],
    ['peroxide', ids({ productId: 'cream', developerVol: 50 }), ids({ productId: 'cream', developerVol: 40 })],
    [
      'scalp-strength',
      ids({ productId: 'powder', developerVol: 30 }, natural(5), { onScalp: true }),
      ids({ productId: 'powder', developerVol: 20 }, natural(5), { onScalp: true }),
    ],
    ['heat', ids({}, lightened(9), { heat: true }), ids({}, lightened(9), { damp: true, onScalp: true })],
    ['kinds', ids(inParts(['sand', 1], ['cream', 1])), ids(inParts(['sand', 1], ['clear', 1]))],
    [
      'lines',
      raised([shadeProduct(7, 'beige', 0.5), { ...shadeProduct(8, 'gold', 0.5), line: 'Other' }], lightened(9)),
      raised([shadeProduct(7, 'beige', 0.5), shadeProduct(8, 'gold', 0.5)], lightened(9)),
    ],
    [
      'additive-dose',
      ids({ additives: [{ productId: 'bond', percent: 12 }] }),
      ids({ additives: [{ productId: 'bond', percent: 10 }] }),
    ],
    ['additive-slows', ids({ additives: [{ productId: 'bond', percent: 5 }] }), ids({})],
    ['blend', ids({ developerVol: 41, productId: 'cream' }), ids({ productId: 'cream', developerVol: 25 })],
    [
      'opposed',
      raised([shadeProduct(7, 'ash', 0.8), shadeProduct(7, 'copper', 0.8)], lightened(8)),
      raised([shadeProduct(7, 'violet', 0.8), shadeProduct(7, 'beige', 0.5)], lightened(8)),
    ],
    [
      'shadow-base',
      raised([shadeProduct(7, 'violet', 0.8)], lightened(9), {}, { stageKind: 'shadowRoot' }),
      raised(
        [shadeProduct(7, 'violet', 0.8), shadeProduct(7, 'neutral', 0)],
        lightened(9),
        {},
        { stageKind: 'shadowRoot' },
      ),
    ],
    [
      'metallic',
      ids({ productId: 'powder', developerVol: 20 }, { ...natural(5), metallic: true }),
      ids({}, { ...natural(5), metallic: true }),
    ],
    [
      'ash-canvas',
      raised([shadeProduct(7, 'ash', 0.8)], lightened(7)),
      raised([shadeProduct(7, 'ash', 0.8)], lightened(8)),
    ],
    [
      'blue-on-yellow',
      raised([shadeProduct(9, 'ash', 0.8)], lightened(9.5)),
      raised([shadeProduct(9, 'violet', 0.8)], lightened(9.5)),
    ],
    [
      'no-warmth',
      raised([shadeProduct(7, 'ash', 0.8)], lightened(10)),
      raised([shadeProduct(7, 'gold', 0.6)], lightened(10)),
    ],
    [
      'white',
      raised([shadeProduct(9, 'beige', 0.5, 'permanentColour')], natural(6, 0.5), { developerVol: 20 }),
      raised([shadeProduct(6, 'neutral', 0, 'permanentColour')], natural(6, 0.5), { developerVol: 20 }),
    ],
    [
      'porous',
      raised([shadeProduct(9, 'violet', 0.8)], lightened(9)),
      raised([shadeProduct(9, 'violet', 0.8)], lightened(9, { porosity: 'normal' })),
    ],
    [
      'lifts-dye',
      raised(
        [shadeProduct(8, 'neutral', 0, 'permanentColour')],
        { ...natural(5), state: 'dyed' },
        { developerVol: 40 },
      ),
      raised(
        [shadeProduct(5, 'neutral', 0, 'permanentColour')],
        { ...natural(5), state: 'dyed' },
        { developerVol: 20 },
      ),
    ],
    [
      'no-lift',
      raised([shadeProduct(8, 'beige', 0.5)], natural(5)),
      raised([shadeProduct(5, 'beige', 0.5)], natural(5)),
    ],
    [
      'reach',
      raised([shadeProduct(9, 'neutral', 0, 'permanentColour')], natural(4), { developerVol: 20 }),
      raised([shadeProduct(6, 'neutral', 0, 'permanentColour')], natural(5), { developerVol: 20 }),
    ],
    [
      'slips',
      raised([shadeProduct(6, 'gold', 0.6)], lightened(9)),
      raised([shadeProduct(8, 'gold', 0.6)], lightened(9)),
    ],
    [
      'filler',
      raised([shadeProduct(6, 'neutral', 0)], lightened(10)),
      raised([shadeProduct(8, 'neutral', 0)], lightened(10)),
    ],
  ])('%s: where it is so, and only there', (id, where, elsewhere) => {
    expect(where).toContain(id)
    expect(elsewhere).not.toContain(id)
  })

  it('tells cancelling from muting', () => {
    const verdict = (product: Product, level: number) =>
      neutralisedBy(recipeOf(formula({ productId: product.id }), [product]), lightened(level))!.verdict
    expect(verdict(shadeProduct(9, 'silver', 1), 10)).toBe('cancels')
    expect(verdict(shadeProduct(9, 'violet', 0.8), 9)).toBe('mutes')
    expect(verdict(shadeProduct(9, 'gold', 0.8), 9)).toBe('keeps')
    expect(neutralisedBy(recipeOf(formula({ productId: 'powder' }), PRODUCTS), lightened(9))).toBeUndefined()
  })
})

describe('what goes along with a formula', () => {
  it('a filler where very light, cool hair goes three levels darker, in the warmth that lies there', () => {
    expect(fillerFor(lightened(10), 6)).toMatchObject({ needed: true, level: 7, hue: 'copper' })
    expect(fillerFor(lightened(10), 3)).toMatchObject({ needed: true, hue: 'red' })
    expect(fillerFor(lightened(9), 7)).toMatchObject({ needed: false })
    expect(fillerFor(lightened(10, { state: 'dyed', hue: 'gold', strength: 0.5 }), 6).needed).toBe(false)
  })

  it('a shadow near the natural level, and a companion beside dark foils', () => {
    expect(shadowRootLevel(5.25, 9)).toBe(5)
    expect(shadowRootLevel(8, 8)).toBe(7)
    expect(wantsCompanion(9, [8, 5])).toBe(true)
    expect(wantsCompanion(9, [7])).toBe(false)
  })
})

describe('a suggestion', () => {
  const hues = ['neutral', 'ash', 'violet', 'beige', 'gold'] as const
  const shelf = [
    ...[7, 8, 9].flatMap((level) => hues.map((hue) => shadeProduct(level, hue, hue === 'neutral' ? 0 : 0.7))),
    { ...PRODUCTS[2]!, line: 'One' },
  ]
  const wanted = (rest: Partial<Wanted> = {}): Wanted => ({
    surfaces: [lightened(9)],
    goal: { level: 8, hue: 'beige', strength: 0.4 },
    kind: 'gloss',
    developerVol: 7,
    use: { stageKind: 'gloss', onScalp: false, heat: false, damp: false },
    ...rest,
  })

  it('is as near as anything that trying every pair finds, never breaks a label and holds at most three shades', () => {
    for (const level of [7.5, 8, 8.5, 9]) {
      const list = suggestFormulas(wanted({ goal: { level, hue: 'beige', strength: 0.4 } }), shelf)
      const target = labOfHair(level, 'beige', 0.4)
      const everyPair = shelf
        .flatMap((one) => shelf.flatMap((other) => [1, 2, 3].map((parts) => ({ one, other, parts }))))
        .flatMap(({ one, other, parts }) => {
          if (one === other || !one.shade) return []
          const recipe = recipeOf(formula(inParts([one.id, parts], [other.id, 1])), shelf)
          return findingsOf(recipe, wanted().use, [lightened(9)]).some(({ severity }) => severity !== 'note')
            ? []
            : [colourDifference(depositOn(lightened(9), recipe.dye!).lab, target)]
        })
      expect(list[0]!.difference).toBeLessThan(Math.min(...everyPair) + 1.01)
      for (const { recipe, findings } of list) {
        expect(recipe.products.length).toBeLessThanOrEqual(3)
        expect(findings.some(({ severity }) => severity === 'stop')).toBe(false)
      }
    }
  })

  it('offers a choice, says how far it is on the way, and gives nothing where there is nothing', () => {
    const seen: number[] = []
    const list = suggestFormulas(wanted(), shelf, (done) => seen.push(done))
    expect(new Set(list.map(({ family, recipe }) => `${family}${recipe.products.length > 1}`)).size).toBe(list.length)
    expect(seen.at(-1)).toBe(1)
    expect([...seen].sort((a, b) => a - b)).toEqual(seen)
    expect(suggestFormulas(wanted({ kind: 'permanentColour' }), shelf)).toEqual([])
    expect(suggestFormulas(wanted({ surfaces: [] }), shelf)).toEqual([])
  })
})
