import { absorbanceOf, colourDifference, labOfHair, type Absorbance, type Lab } from '../../hair/colour'
import { isColour, type Formula, type Product, type ProductKind, type ToneHue } from '../../model'
import { roundToTenth } from '../../units'
import { depositOn, depositor, type Dye } from './deposit'
import { findingsOf, strengthOf, type Finding, type FormulaUse } from './findings'
import { recipeOf, type Recipe } from './recipe'
import type { Surface } from './surface'
import {
  SHADE_PAIRS,
  THIRD_SHADES,
  KEPT_PAIRS,
  LOOKED_AT,
  LOOKED_AT_SINGLES,
  SUGGESTIONS,
  CAUTION_COST,
  NOTE_COST,
  NOTICEABLE,
  LEADING_SHARES,
  MIXED_LEVELS,
} from './constants'

/** What a suggestion is asked for. */
export interface Wanted {
  /** Where it goes; the first one counts most. */
  surfaces: readonly Surface[]
  goal: { level: number; hue: ToneHue; strength: number }
  kind: ProductKind
  use: FormulaUse
  developerVol: number
  /** Parts of developer; left out: the label's first. */
  ratio?: number
}

export interface Suggestion {
  formula: Formula
  recipe: Recipe
  /** On the first surface. */
  result: { lab: Lab; level: number }
  /** ΔE₀₀ to the goal there. */
  difference: number
  findings: Finding[]
  /** The hue that leads the toned part; `neutral` where none shows. */
  family: ToneHue
  /** Why one might take it rather than the first. */
  tradeOff: string
}

/**
 * Shades that hold a warm tone that is wished for. Warmth that the canvas alone shows fades to brass, so a mix without
 * any of them costs as much as a caution (common practice; the size is our estimate).
 */
const HOLDS: Partial<Record<ToneHue, ReadonlySet<ToneHue>>> = {
  beige: new Set(['beige', 'gold', 'pearl']),
  gold: new Set(['gold', 'beige']),
  copper: new Set(['copper', 'red', 'gold']),
  red: new Set(['red', 'copper']),
}

interface Candidate {
  /** Indices into the shades, and their parts. */
  at: number[]
  parts: number[]
  dye: Dye
  /** From the goal, in absorbance. */
  distance: number
}

/**
 * Looks for the mix of at most three shades that comes nearest to a goal (CIEDE2000) and that nothing speaks against:
 * every shade and every pair in simple parts, then a third shade to the best pairs, by distance in absorbance. The
 * nearest are looked at closely: true difference, and what speaks against them.
 * @param onProgress share of the search that is done, 0…1 @returns best first, each of another kind; empty where no
 * shade of the kind is there
 */
export function suggestFormulas(
  wanted: Wanted,
  products: readonly Product[],
  onProgress: (done: number) => void = () => {},
): Suggestion[] {
  const { surfaces, goal, kind, developerVol } = wanted
  const shades = products.filter(
    (product) => (product.kind === kind && product.shade) || (product.kind === 'clear' && isColour(kind)),
  )
  if (!shades.some(({ shade }) => shade) || surfaces.length === 0) return []
  const target = labOfHair(goal.level, goal.hue, goal.strength)
  const onto = depositor(surfaces[0]!, kind, developerVol)
  const goalAbsorbance = absorbanceOf(target)
  const mix = mixerFor(shades, wanted, products, (dye) => distance(onto.absorbance(dye), goalAbsorbance))
  const candidates = candidatesFrom(shades, mix, onProgress)
  const ranked = candidates
    .flatMap((candidate) => {
      const judged = judge(candidate, shades, wanted, products)
      if (!judged) return []
      const difference = colourDifference(onto.colour(candidate.dye).lab, target)
      return [{ ...judged, difference, cost: difference + judged.cost }]
    })
    .sort((a, b) => a.cost - b.cost)
  onProgress(1)
  return distinct(ranked).map(({ formula, recipe, findings, difference }, i, all) => ({
    formula,
    recipe,
    findings,
    difference,
    result: depositOn(surfaces[0]!, recipe.dye!),
    family: familyOf(recipe),
    tradeOff: i === 0 ? 'nearest, with the least against it' : tradeOff({ recipe, findings, difference }, all[0]!),
  }))
}

/** A mix of shades, by their places in the list, in parts. */
type Mixer = (at: number[], parts: number[]) => Candidate

/** Mixes shades as dyes. @param off how far a dye's colour lies from the goal, in absorbance */
function mixerFor(
  shades: readonly Product[],
  wanted: Wanted,
  products: readonly Product[],
  off: (dye: Dye) => number,
): Mixer {
  const dyes = shades.map((product): Dye => recipeOf(formulaOf([product], [1], wanted), products).dye!)
  return (at, parts) => {
    const own = at.map((i) => dyes[i]!)
    const dye = mixDyes(own, parts, wanted.kind, wanted.developerVol)
    return { at, parts, dye, distance: off(dye) }
  }
}

const distance = (one: Absorbance, other: Absorbance): number =>
  Math.hypot(one[0] - other[0], one[1] - other[1], one[2] - other[2])

/** Every shade, every pair in simple parts, a third shade to the best pairs; of these the nearest. */
function candidatesFrom(shades: readonly Product[], mix: Mixer, onProgress: (done: number) => void): Candidate[] {
  const singles = shades.flatMap(({ shade }, i) => (shade ? [mix([i], [1])] : []))
  const pairs: Candidate[] = []
  shades.forEach((_, i) => {
    for (let j = i + 1; j < shades.length; j++)
      if (together(shades[i]!, shades[j]!)) for (const parts of SHADE_PAIRS) pairs.push(mix([i, j], [...parts]))
    onProgress((0.4 * (i + 1)) / shades.length)
  })
  const best = nearest(pairs, KEPT_PAIRS)
  const triples: Candidate[] = []
  best.forEach(({ at, parts }, n) => {
    shades.forEach((shade, k) => {
      if (!at.includes(k) && at.every((i) => together(shades[i]!, shade)))
        for (const share of THIRD_SHADES) triples.push(mix([...at, k], [...parts, share * Math.min(...parts) * 2]))
    })
    onProgress(0.4 + (0.4 * (n + 1)) / best.length)
  })
  return [...nearest([...singles, ...pairs, ...triples], LOOKED_AT), ...nearest(singles, LOOKED_AT_SINGLES)]
}

/** A candidate as a formula, with what speaks against it and what that costs; undefined where something forbids it. */
function judge(
  { at, parts }: Candidate,
  shades: readonly Product[],
  wanted: Wanted,
  products: readonly Product[],
): (Pick<Suggestion, 'formula' | 'recipe' | 'findings'> & { cost: number }) | undefined {
  const own = at.map((i) => shades[i]!)
  const formula = formulaOf(own, wholeParts(parts), wanted)
  const recipe = recipeOf(formula, products)
  const findings = findingsOf(recipe, wanted.use, wanted.surfaces)
  if (findings.some(({ severity }) => severity === 'stop')) return undefined
  const held = HOLDS[wanted.goal.hue]
  const misses = held && wanted.goal.strength >= LEADING_SHARES && strengthOf(recipe, held) < LEADING_SHARES
  const against = findings.reduce((sum, { severity }) => sum + (severity === 'caution' ? CAUTION_COST : NOTE_COST), 0)
  const cost = against + NOTICEABLE * (at.length - 1) + (misses ? CAUTION_COST : 0)
  return { formula, recipe, findings, cost }
}

const together = (one: Product, other: Product): boolean =>
  one.line === other.line &&
  (!one.shade || !other.shade || Math.abs(one.shade.level - other.shade.level) <= MIXED_LEVELS)

const nearest = (candidates: readonly Candidate[], count: number): Candidate[] =>
  [...candidates].sort((a, b) => a.distance - b.distance || a.at.length - b.at.length).slice(0, count)

/** Dyes mix as their shades do: sums by mass of what colours. */
function mixDyes(dyes: readonly Dye[], parts: readonly number[], kind: ProductKind, vol: number): Dye {
  const base: [number, number, number] = [0, 0, 0]
  const tone: [number, number, number] = [0, 0, 0]
  let [whiteCover, whole] = [0, 0]
  const coloured = dyes.reduce((sum, { depth }, i) => sum + depth * parts[i]!, 0)
  dyes.forEach((dye, i) => {
    whole += parts[i]!
    const share = (dye.depth * parts[i]!) / coloured
    for (const k of [0, 1, 2] as const) {
      base[k] += share * dye.base[k]
      tone[k] += share * dye.tone[k]
    }
    whiteCover += share * dye.whiteCover
  })
  return { kind, vol, base, tone, depth: coloured / whole, whiteCover }
}

/** Parts as whole numbers: halves and quarters doubled until none is left. */
function wholeParts(parts: readonly number[]): number[] {
  const scale = [1, 2, 4].find((times) => parts.every((part) => Number.isInteger(part * times)))!
  return parts.map((part) => part * scale)
}

function formulaOf(products: readonly Product[], parts: readonly number[], { developerVol, ratio }: Wanted): Formula {
  const leading = products.find(({ shade }) => shade) ?? products[0]!
  return {
    id: 'A',
    name: '',
    productId: leading.id,
    developerVol,
    ratio: ratio ?? leading.rules?.ratios[0] ?? 1,
    level: 1,
    tone: 'neutral',
    shades: products.map(({ id }, i) => ({ productId: id, amount: parts[i]!, unit: 'parts' })),
  }
}

/** The hue that leads the toned part of a mix. */
function familyOf({ mixed }: Recipe): ToneHue {
  const [first] = mixed?.tones.filter(({ hue }) => hue !== 'neutral') ?? []
  return first && first.strength >= LEADING_SHARES ? first.hue : 'neutral'
}

type Ranked = Pick<Suggestion, 'formula' | 'recipe' | 'findings' | 'difference'>

/** The best, then the best of every other family or of fewer shades, so that the list is a choice. */
function distinct<T extends Ranked>(ranked: readonly T[]): T[] {
  const seen = new Set<string>()
  const chosen: T[] = []
  for (const one of ranked) {
    const key = `${familyOf(one.recipe)}/${one.recipe.products.length === 1 ? 'one' : 'more'}`
    if (seen.has(key)) continue
    seen.add(key)
    chosen.push(one)
    if (chosen.length === SUGGESTIONS) break
  }
  return chosen
}

function tradeOff(
  one: Pick<Ranked, 'recipe' | 'findings' | 'difference'>,
  first: Pick<Ranked, 'recipe' | 'findings' | 'difference'>,
): string {
  const further = one.difference - first.difference
  const cautions = (findings: readonly Finding[]) => findings.filter(({ severity }) => severity === 'caution').length
  const words = [
    ...(one.recipe.products.length < first.recipe.products.length ? ['fewer shades to weigh'] : []),
    ...(one.recipe.baseShare > first.recipe.baseShare + 0.2 ? ['more natural base'] : []),
    ...(one.recipe.dye!.depth < first.recipe.dye!.depth - 0.1 ? ['sheerer'] : []),
    ...(Math.abs(further) < NOTICEABLE
      ? ['as near to the goal']
      : further > 0
        ? [`ΔE ${roundToTenth(further).toFixed(1)} further from the goal`]
        : ['nearer to the goal']),
    ...(cautions(one.findings) > cautions(first.findings) ? ['something speaks against it'] : []),
  ]
  return words.join(', ')
}
