import type { Base, Formula, Product, ProductKind, ToneHue } from '../../model'
import { findingsOf, fillerNeeded, recipeOf, type FormulaUse, type Surface } from '.'

/** A shade whose name says what it is. */
const shade = (
  level: number,
  hue: ToneHue,
  strength: number,
  kind: ProductKind = 'gloss',
  base: Base = 'toned',
): Product => ({
  id: `${hue}${level}`,
  name: `${level} ${hue}`,
  kind,
  line: 'One',
  maximumMinutes: 45,
  shade: { level, hue, strength, base, whiteCoverPercent: 100 },
})
const POWDER: Product = { id: 'powder', name: 'Powder', kind: 'powderLightener', maximumMinutes: 50 }
const permanent = (level: number, base: Base = 'natural') => shade(level, 'neutral', 0, 'permanentColour', base)

const hair = (state: Surface['state'], level: number, rest: Partial<Surface> = {}): Surface => ({
  name: 'Here',
  state,
  level,
  hue: 'neutral',
  strength: 0,
  porosity: 'normal',
  white: 0,
  metallic: false,
  ...rest,
})

interface Case {
  mix: Product[]
  on: Surface
  vol?: number
  as?: Partial<FormulaUse>
}

function findings({ mix, on, vol = 7, as = {} }: Case) {
  const formula: Formula = {
    id: 'A',
    name: 'A',
    productId: mix[0]!.id,
    shades: mix.map(({ id }) => ({ productId: id, amount: 1, unit: 'parts' })),
    developerVol: vol,
    ratio: 1.5,
    level: 7,
    tone: 'neutral',
  }
  const use: FormulaUse = { stageKind: 'gloss', onScalp: false, heat: false, damp: false, ...as }
  return findingsOf(recipeOf(formula, mix), use, [on])
}

const ASH = shade(7, 'ash', 0.8)
const LIFTED = hair('lightened', 7)
const YELLOW = hair('lightened', 9)
const PALE = hair('lightened', 10)
const POROUS: Partial<Surface> = { porosity: 'high' }

/** Each thing that is said, word for word, and every case beside it in which one condition is not so. */
const CASES: [id: string, where: Case, said: string, elsewhere: Record<string, Case>][] = [
  [
    'ash-canvas',
    { mix: [ASH], on: LIFTED },
    'caution: Ash reads from a canvas of level 8 on; at 7 the orange is only muted. Lift further, or accept warmth.',
    {
      'on natural hair': { mix: [ASH], on: hair('natural', 7) },
      'light enough': { mix: [ASH], on: hair('lightened', 8) },
      'violet instead': { mix: [shade(7, 'violet', 0.8)], on: LIFTED },
      'warmer than cool': { mix: [shade(7, 'ash', 0.3), shade(7, 'gold', 0.8)], on: LIFTED },
      'a deep shade': { mix: [shade(5, 'ash', 0.8)], on: LIFTED },
    },
  ],
  [
    'blue-on-yellow',
    { mix: [shade(9, 'ash', 0.8)], on: YELLOW },
    'caution: Blue on yellow turns green. Calm yellow with violet and a natural shade.',
    {
      'on natural hair': { mix: [shade(9, 'ash', 0.8)], on: hair('natural', 9) },
      'on orange': { mix: [shade(9, 'ash', 0.8)], on: hair('lightened', 8) },
      'hardly any blue': { mix: [shade(9, 'ash', 0.05)], on: YELLOW },
      'more violet than blue': { mix: [shade(9, 'ash', 0.4), shade(9, 'violet', 0.8)], on: YELLOW },
      'more warmth than blue': { mix: [shade(9, 'ash', 0.4), shade(9, 'beige', 0.8)], on: YELLOW },
    },
  ],
  [
    'no-warmth',
    { mix: [shade(8, 'ash', 0.5)], on: PALE },
    'caution: Going darker on very light hair without warm pigment turns to mud or green. Keep gold or copper in the mix.',
    {
      'on natural hair': { mix: [shade(8, 'ash', 0.5)], on: hair('natural', 10) },
      'not so light': { mix: [shade(6, 'ash', 0.5)], on: hair('lightened', 8.5) },
      'hardly darker': { mix: [shade(9, 'ash', 0.5)], on: PALE },
      'with warmth': { mix: [shade(8, 'copper', 0.5)], on: PALE },
      'no shade at all': { mix: [POWDER], on: PALE },
    },
  ],
  [
    'white',
    { mix: [shade(9, 'beige', 0.4, 'gloss', 'none')], on: hair('natural', 6, { white: 0.5 }) },
    'caution: White is stained, not covered: level 9 is lighter than 7.5, less than half of it has a natural base, it is not permanent.',
    {
      'hardly any white': { mix: [shade(9, 'beige', 0.4)], on: hair('natural', 6, { white: 0.1 }) },
      'a shade that covers': { mix: [permanent(7)], vol: 20, on: hair('natural', 6, { white: 0.5 }) },
      'half with a natural base': {
        mix: [permanent(6), permanent(7, 'toned')],
        vol: 20,
        on: hair('natural', 6, { white: 0.5 }),
      },
      'no shade at all': { mix: [POWDER], on: hair('natural', 6, { white: 0.5 }) },
    },
  ],
  [
    'white',
    { mix: [permanent(7)], vol: 10, on: hair('natural', 6, { white: 0.2 }) },
    'caution: White is stained, not covered: 20 vol covers, 10 hardly.',
    {},
  ],
  [
    'porous',
    { mix: [shade(9, 'violet', 0.8)], on: hair('lightened', 9, POROUS) },
    'note: Porous hair takes deeper and cooler: these parts last, sheerer, and look every five minutes.',
    {
      'on natural hair': { mix: [shade(9, 'violet', 0.8)], on: hair('natural', 9, POROUS) },
      'not porous': { mix: [shade(9, 'violet', 0.8)], on: YELLOW },
      'a warm tone': { mix: [shade(9, 'gold', 0.8)], on: hair('lightened', 9, POROUS) },
    },
  ],
  [
    'lifts-dye',
    { mix: [permanent(8)], vol: 20, on: hair('dyed', 5) },
    'caution: Colour does not lift colour: level 8 on dyed level 5 only brightens the new growth. Lightener or a remover does.',
    {
      'on natural hair': { mix: [permanent(8)], vol: 20, on: hair('natural', 5) },
      'a gloss, which nobody thinks lifts': { mix: [shade(8, 'neutral', 0)], on: hair('dyed', 5) },
      'hardly lighter': { mix: [permanent(5)], vol: 20, on: hair('dyed', 5) },
      'a lightener': { mix: [POWDER], vol: 20, on: hair('dyed', 5) },
    },
  ],
  [
    'no-lift',
    { mix: [shade(8, 'beige', 0.5)], on: hair('natural', 5) },
    'caution: A deposit does not lighten: level 8 on natural level 5 shows tone at most.',
    {
      'on lightened hair': { mix: [shade(8, 'beige', 0.5)], on: hair('lightened', 5) },
      'permanent colour': { mix: [permanent(8)], vol: 20, on: hair('natural', 5) },
      'hardly lighter': { mix: [shade(5, 'beige', 0.5)], on: hair('natural', 5) },
    },
  ],
  [
    'reach',
    { mix: [permanent(9)], vol: 20, on: hair('natural', 4) },
    'caution: 20 vol takes natural level 4 to about 5.5, not to 9.',
    {
      'on dyed hair': { mix: [permanent(9)], vol: 20, on: hair('dyed', 4) },
      'near enough': { mix: [permanent(6)], vol: 20, on: hair('natural', 5) },
      'a gloss': { mix: [shade(9, 'neutral', 0)], on: hair('natural', 4) },
    },
  ],
  [
    'slips',
    { mix: [shade(6, 'gold', 0.6)], on: hair('lightened', 9, POROUS) },
    'note: Old lightened hair lets dark shades slip: a fuller base or 13–20 vol permanent, brushed through, full saturation.',
    {
      'on dyed hair': { mix: [shade(6, 'gold', 0.6)], on: hair('dyed', 9, POROUS) },
      'not porous': { mix: [shade(6, 'gold', 0.6)], on: YELLOW },
      'hardly darker': { mix: [shade(8, 'gold', 0.6)], on: hair('lightened', 9, POROUS) },
      'a full permanent': { mix: [permanent(6)], vol: 20, on: hair('lightened', 9, POROUS) },
    },
  ],
  [
    'filler',
    { mix: [shade(6, 'neutral', 0)], on: PALE },
    'caution: From level 10 to 6: put warm pigment back with a filler first.',
    {
      'on natural hair': { mix: [shade(6, 'neutral', 0)], on: hair('natural', 10) },
      'less than three levels': { mix: [shade(8, 'neutral', 0)], on: PALE },
      'not so light': { mix: [shade(5, 'neutral', 0)], on: hair('lightened', 8.5) },
      'still warm': { mix: [shade(6, 'neutral', 0)], on: hair('lightened', 10, { hue: 'gold', strength: 0.4 }) },
      'no shade at all': { mix: [POWDER], on: PALE },
    },
  ],
  [
    'metallic',
    { mix: [POWDER], on: hair('natural', 5, { metallic: true }) },
    'stop: Metallic salts: no lightener and no oxidative colour over them.',
    {
      'a gloss': { mix: [shade(6, 'gold', 0.5)], on: hair('natural', 5, { metallic: true }) },
      'no salts': { mix: [POWDER], on: hair('natural', 5) },
    },
  ],
  [
    'shadow-base',
    { mix: [shade(7, 'violet', 0.8, 'gloss', 'none')], on: YELLOW, as: { stageKind: 'shadowRoot' } },
    'caution: A shadow of tone alone covers weakly. Put a natural or beige shade in.',
    {
      'no shadow': { mix: [shade(7, 'violet', 0.8, 'gloss', 'none')], on: YELLOW },
      'with a natural shade': {
        mix: [shade(7, 'violet', 0.8), shade(7, 'neutral', 0, 'gloss', 'natural')],
        on: YELLOW,
        as: { stageKind: 'shadowRoot' },
      },
    },
  ],
  [
    'opposed',
    { mix: [shade(7, 'ash', 0.8), shade(7, 'copper', 0.8)], on: YELLOW },
    'caution: ash and copper in one bowl cancel each other: what is left is brown.',
    {
      'no opposites': { mix: [shade(7, 'violet', 0.8), shade(7, 'copper', 0.8)], on: YELLOW },
      'hardly any of one': { mix: [shade(7, 'ash', 0.05), shade(7, 'copper', 0.8)], on: YELLOW },
    },
  ],
]

describe.each(CASES)('%s', (id, where, said, elsewhere) => {
  const told = (one: Case) => findings(one).filter((finding) => finding.id === id)

  it('is said in these words where it is so', () => {
    expect(told(where).map(({ severity, text }) => `${severity}: ${text}`)).toEqual([said])
  })

  if (Object.keys(elsewhere).length > 0)
    it.each(Object.entries(elsewhere))('is not said %s', (_what, one) => expect(told(one)).toEqual([]))
})

it('names the hair it is about, and none where the label itself speaks against it', () => {
  const both = findings({ mix: [POWDER], vol: 50, on: hair('natural', 5, { metallic: true }) })
  expect(both.map(({ id, surface }) => [id, surface])).toEqual([
    ['peroxide', undefined],
    ['blend', undefined],
    ['metallic', 'Here'],
  ])
})

it('a filler is needed from nine on, for three levels, and not where warmth is left', () => {
  const needed = (rest: Partial<Surface>, to = 6) => fillerNeeded({ ...PALE, ...rest }, to)
  expect([needed({}), needed({ level: 9 }), needed({ level: 9 }, 6.5), needed({ level: 8.9 }, 5)]).toEqual([
    true,
    true,
    false,
    false,
  ])
  expect(needed({ hue: 'gold', strength: 0.3 })).toBe(false)
  expect(needed({ hue: 'gold', strength: 0.2 })).toBe(true)
  expect(needed({ hue: 'ash', strength: 0.6 })).toBe(true)
  expect(needed({ state: 'natural' })).toBe(false)
})
