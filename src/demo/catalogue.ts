import {
  byId,
  type CatalogueItem,
  type Product,
  type ProductAdditive,
  type ProductKind,
  type ProductRules,
  type ProductShade,
  type ToneHue,
} from '@/core/model'
import { STARTING_PRODUCTS } from '@/core/plan/serviceKinds'

/** Plain words for the hues of the invented shades. */
const SHADE_WORDS: Record<ToneHue, string> = {
  neutral: 'Natural',
  ash: 'Slate',
  green: 'Lichen',
  violet: 'Heather',
  pearl: 'Shell',
  silver: 'Mist',
  beige: 'Sand',
  gold: 'Straw',
  copper: 'Rust',
  red: 'Rosehip',
}
const STRENGTH: Record<ToneHue, number> = {
  neutral: 0,
  ash: 0.8,
  green: 0.8,
  violet: 0.8,
  pearl: 0.6,
  silver: 0.8,
  beige: 0.5,
  gold: 0.6,
  copper: 0.8,
  red: 0.8,
}

/** From–to of the levels a hue is made in. */
type Range = Partial<Record<ToneHue, readonly [number, number]>>
const FATHOM: Range = {
  neutral: [2, 10],
  ash: [5, 10],
  green: [4, 6],
  violet: [9, 10],
  beige: [5, 10],
  gold: [5, 9],
  copper: [4, 8],
  red: [3, 6],
}
const LULL: Range = {
  neutral: [4, 10],
  ash: [5, 10],
  green: [5, 7],
  violet: [7, 10],
  pearl: [8, 10],
  silver: [9, 10],
  beige: [6, 10],
  gold: [6, 10],
  copper: [5, 8],
  red: [4, 6],
}

const lineOf = (id: string): Product & { line: string; rules: ProductRules } => {
  const { line, rules, ...rest } = byId(STARTING_PRODUCTS, id)
  return { ...rest, line: line!, rules: rules! }
}

/**
 * Of white hair, %: permanent shades with a natural base cover, light and toned ones less; a gloss blends. Common
 * practice; figures made up.
 */
function coverOf(kind: ProductKind, level: number, base: ProductShade['base']): number {
  const full = kind === 'permanentColour' ? 100 : 45
  return Math.round(full * { natural: 1, toned: 0.7, none: 0.4 }[base] * (level <= 7 ? 1 : 0.55))
}

function shadesOf(id: 'fathom' | 'lull', ranges: Range, priceMinor: number): CatalogueItem[] {
  const { line, kind, rules, maximumMinutes } = lineOf(id)
  return (Object.keys(ranges) as ToneHue[]).flatMap((hue) => {
    const [from, to] = ranges[hue]!
    return Array.from({ length: to - from + 1 }, (_, i): CatalogueItem => {
      const level = from + i
      const base = hue === 'neutral' ? 'natural' : kind === 'permanentColour' || hue === 'beige' ? 'toned' : 'none'
      return {
        id: `${id}-${level}-${hue}`,
        name: `${line} ${level} ${SHADE_WORDS[hue]}${hue === 'neutral' ? '' : `, ${hue === 'green' ? 'green-matte' : hue}`}`,
        line,
        kind,
        maximumMinutes,
        rules,
        shade: { level, hue, strength: STRENGTH[hue], base, whiteCoverPercent: coverOf(kind, level, base) },
        pack: { grams: 60, priceMinor, densityGPerMl: 1 },
        reorderG: 120,
      }
    })
  })
}

const NOTHING_MIXED: ProductRules = {
  ratios: [],
  developerMinVol: 0,
  developerMaxVol: 0,
  workingLifeMinutes: 60,
  minimumMinutes: 1,
  maximumLift: 0,
  heat: false,
  onScalp: false,
  damp: true,
}
const lone = (
  id: string,
  name: string,
  line: string,
  kind: ProductKind,
  maximumMinutes: number,
  grams: number,
  priceMinor: number,
  rest: Partial<CatalogueItem> = {},
): CatalogueItem => ({
  id,
  name,
  line,
  kind,
  maximumMinutes,
  rules: NOTHING_MIXED,
  pack: { grams, priceMinor, densityGPerMl: 1 },
  reorderG: grams,
  ...rest,
})
/** A filler, undiluted or with little developer. */
const FILLS: ProductRules = {
  ...lineOf('fathom').rules,
  ratios: [0, 1],
  developerMinVol: 0,
  developerMaxVol: 10,
  minimumMinutes: 10,
  maximumLift: 0,
}
const KEEL: ProductAdditive = { percent: 6, maximumPercent: 10, liftFactor: 0.85, timeFactor: 1.2 }

/** The made-up catalogue of the demo salon. No real product, line or shade is meant. */
export const DEMO_CATALOGUE: CatalogueItem[] = [
  ...['marl', 'whin', 'skerry'].map((id): CatalogueItem => {
    const product = lineOf(id)
    return { ...product, pack: product.pack!, reorderG: product.pack!.grams }
  }),
  ...shadesOf('fathom', FATHOM, 690),
  ...shadesOf('lull', LULL, 720),
  lone('lull-clear', 'Lull Clear', 'Lull', 'clear', 20, 60, 720, { rules: lineOf('lull').rules, reorderG: 120 }),
  lone('fathom-filler-gold', 'Fathom filler, straw', 'Fathom', 'filler', 20, 60, 690, {
    rules: FILLS,
    shade: { level: 8, hue: 'gold', strength: 0.8, base: 'none', whiteCoverPercent: 0 },
  }),
  lone('fathom-filler-copper', 'Fathom filler, rust', 'Fathom', 'filler', 20, 60, 690, {
    rules: FILLS,
    shade: { level: 6, hue: 'copper', strength: 0.8, base: 'none', whiteCoverPercent: 0 },
  }),
  lone('keel', 'Keel bond additive', 'Keel', 'bondAdditive', 60, 250, 4200, { additive: KEEL }),
  lone('ebb', 'Ebb remover', 'Ebb', 'remover', 30, 300, 2600, { rules: { ...NOTHING_MIXED, damp: false } }),
  lone('ebb-even', 'Ebb porosity equaliser', 'Ebb', 'equaliser', 5, 250, 1650),
  lone('ebb-prime', 'Ebb primer', 'Ebb', 'primer', 5, 250, 1500),
  lone('lull-seal', 'Lull acid sealer', 'Lull', 'acidSealer', 10, 500, 1900),
  lone('keel-mask', 'Keel treatment', 'Keel', 'treatment', 15, 500, 2300, { rules: { ...NOTHING_MIXED, heat: true } }),
  ...[5, 10, 20, 30, 40].map((vol) =>
    lone(`tern-${vol}`, `Tern developer ${vol} vol`, 'Tern', 'developer', 60, 1000, 850, { developerVol: vol }),
  ),
]
