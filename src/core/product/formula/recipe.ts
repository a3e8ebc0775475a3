import { isColour, type Formula, type Product } from '../../model'
import { dyeOfShades, type Dye } from './deposit'
import { BlendError, blendDeveloper, peroxideInMix, type BlendPart } from './developer'
import { mixShades, type MixedShade } from './mix'
import { splitExactly } from './split'
import { toneOfFormula } from '../../hair/colour'
import { DASH_SHARE, USUAL_SHELF, BASE_SHARE, USUAL_DENSITY_G_PER_ML, USUAL_WHITE_COVER } from './constants'

/** What is in a bowl, by mass of the whole. */
export interface RecipePart {
  role: 'product' | 'additive' | 'developer'
  name: string
  productId: string | undefined
  /** Of the bowl, 0…1. */
  share: number
}

/** A formula with its products looked up. */
export interface Recipe {
  formula: Formula
  /** What decides kind, times and rules. */
  leading: Product
  products: { product: Product; share: number }[]
  additives: { product: Product; percent: number }[]
  blend: (BlendPart & { product: Product | undefined })[]
  /** Why the developer cannot be blended, if it cannot. */
  blendProblem: string | undefined
  /** What the bowl holds, in pouring order: products, additives, developers. */
  parts: RecipePart[]
  peroxidePercent: number
  /** Of the shades; undefined for what leaves no colour or where none is chosen. */
  mixed: MixedShade | undefined
  dye: Dye | undefined
  /** Share of the coloured part that has a natural base, 0…1; toned bases count half. */
  baseShare: number
}

/**
 * Looks up what a formula is mixed from. Order of shades does not matter.
 * @throws Error when it names a product that is not there
 */
export function recipeOf(formula: Formula, products: readonly Product[]): Recipe {
  const find = (id: string) => {
    const product = products.find((one) => one.id === id)
    if (!product) throw new Error(`Formula ${formula.id} names a product that the plan does not hold.`)
    return product
  }
  const leading = find(formula.productId)
  const chosen = sharesOf(formula).map(({ productId, share }) => ({ product: find(productId), share }))
  const additives = (formula.additives ?? []).map(({ productId, percent }) => ({ product: find(productId), percent }))
  const { blend, problem } = blended(formula, products)
  const parts = partsOf(chosen, additives, blend, formula.ratio)
  return {
    formula,
    leading,
    products: chosen,
    additives,
    blend,
    blendProblem: problem,
    parts,
    peroxidePercent: formula.ratio > 0 ? peroxideInMix(formula.developerVol, formula.ratio) : 0,
    ...colourOf(leading, chosen, formula),
  }
}

/** Shares of the chosen products by mass. A dash is a share of everything else. */
function sharesOf({ productId, shades }: Formula): { productId: string; share: number }[] {
  if (!shades || shades.length === 0) return [{ productId, share: 1 }]
  const measured = shades.reduce((sum, { amount, unit }) => (unit === 'dash' ? sum : sum + amount), 0)
  const amounts = shades.map(({ amount, unit }) => (unit === 'dash' ? (measured || 1) * DASH_SHARE * amount : amount))
  const whole = amounts.reduce((sum, amount) => sum + amount, 0)
  return shades.map((shade, i) => ({ productId: shade.productId, share: amounts[i]! / whole }))
}

function blended(
  { developerVol, ratio }: Formula,
  products: readonly Product[],
): { blend: Recipe['blend']; problem: string | undefined } {
  if (ratio === 0) return { blend: [], problem: undefined }
  const shelf = products.filter(({ developerVol: vol }) => vol !== undefined)
  const strengths = shelf.length > 0 ? shelf.map(({ developerVol: vol }) => vol!) : USUAL_SHELF
  try {
    return {
      blend: blendDeveloper(developerVol, strengths).map((part) => ({
        ...part,
        product: shelf.find(({ developerVol: vol }) => vol === part.vol),
      })),
      problem: undefined,
    }
  } catch (error) {
    if (!(error instanceof BlendError)) throw error
    return { blend: [{ vol: developerVol, share: 1, product: undefined }], problem: error.message }
  }
}

function partsOf(
  products: Recipe['products'],
  additives: Recipe['additives'],
  blend: Recipe['blend'],
  ratio: number,
): RecipePart[] {
  const extra = additives.reduce((sum, { percent }) => sum + percent / 100, 0)
  const whole = (1 + extra) * (1 + ratio)
  return [
    ...products.map(({ product, share }): RecipePart => ({
      role: 'product',
      name: product.name,
      productId: product.id,
      share: share / whole,
    })),
    ...additives.map(({ product, percent }): RecipePart => ({
      role: 'additive',
      name: product.name,
      productId: product.id,
      share: percent / 100 / whole,
    })),
    ...blend.map(({ product, vol, share }): RecipePart => ({
      role: 'developer',
      name: product?.name ?? `Developer ${vol} vol`,
      productId: product?.id,
      share: (share * ratio * (1 + extra)) / whole,
    })),
  ]
}

function colourOf(
  leading: Product,
  chosen: Recipe['products'],
  { developerVol }: Formula,
): Pick<Recipe, 'mixed' | 'dye' | 'baseShare'> {
  const shades = chosen.filter(({ product }) => product.shade || product.kind === 'clear')
  if (!isColour(leading.kind) && leading.kind !== 'clear' && leading.kind !== 'filler')
    return { mixed: undefined, dye: undefined, baseShare: 0 }
  if (shades.length === 0) return { mixed: undefined, dye: undefined, baseShare: 0 }
  const mixed = mixShades(
    shades.map(({ product: { shade }, share }) => ({
      shade: shade ? { kind: 'shade', ...shade } : { kind: 'clear' },
      parts: share,
    })),
  )
  const coloured = shades.flatMap(({ product: { shade }, share }) => (shade ? [{ shade, share }] : []))
  const whole = coloured.reduce((sum, { share }) => sum + share, 0)
  return {
    mixed,
    dye: dyeOfShades(
      leading.kind,
      developerVol,
      mixed.depth,
      coloured.map(({ shade, share }) => ({ shade, share: share / whole })),
    ),
    baseShare: coloured.reduce((sum, { shade, share }) => sum + (share / whole) * BASE_SHARE[shade.base], 0),
  }
}

/**
 * The dye of a mix; where no shade was chosen yet, one that is what its formula is to show.
 * @param level to show, where something else was seen
 */
export function dyeOf({ dye, leading: { kind }, formula }: Recipe, level = formula.level): Dye {
  if (dye) return dye
  const whiteCoverPercent = USUAL_WHITE_COVER[kind] ?? 0
  const shade = { level, ...toneOfFormula(formula.tone), base: 'natural', whiteCoverPercent } as const
  return dyeOfShades(kind, formula.developerVol, 1, [{ shade, share: 1 }])
}

/**
 * Grams of every part of a bowl, to the scale's step; together they are the bowl exactly. In the order of the recipe's
 * parts.
 */
export const gramsOfParts = ({ parts }: Pick<Recipe, 'parts'>, totalG: number): number[] =>
  splitExactly(
    totalG,
    parts.map(({ share }) => share),
  )

/** A mix in ml, where it is measured so. */
export const millilitres = (grams: number, product: Product | undefined): number =>
  grams / (product?.pack?.densityGPerMl ?? USUAL_DENSITY_G_PER_ML)
