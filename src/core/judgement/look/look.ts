import { cellAt, SCALP_CELLS } from '../../hair/hairRecord'
import { partX } from '../../hair/fibre'
import { hairsOfCells, hairsByCell, type Piece } from '../../placement/foils'
import { byId, isLightener, type FaltoPlan, type Formula, type Stage } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { fromFace, seenShares, WEARS, type WearKind } from './visibility'
import { LIGHTER_BY, UPKEEP, LOW_THAT_SHOWS, ALL_TAKEN } from './constants'

export type ContrastVerdict = 'none' | 'barely' | 'subtle' | 'clear' | 'bold'

/** Figures of what a plan will look like. */
export interface Look {
  /** Of all hair: what gets lighter, what gets darker, what stays. They add up to 1. */
  light: number
  low: number
  left: number
  /** Levels between the lightest pieces and what lies beside them. */
  contrastLevels: number
  contrast: ContrastVerdict
  /** How alike left and right are, 0…1. */
  symmetry: number
  /**
   * Light along the part against light on the whole top; below 1 the part line stays darker. Undefined without light on
   * top.
   */
  partLine: number | undefined
  /** Light at the face against light at the back. Undefined without light at the back. */
  faceToBack: number | undefined
  /** Mean level of what is seen. */
  meanLevel: Record<WearKind, number>
  /** Weeks until the root asks for work. */
  upkeepWeeks: { low: number; high: number } | undefined
}

/** Stages that decide what is lighter or darker; glosses and treatments follow them. */
const DECIDING: readonly Stage['kind'][] = ['lighten', 'dropoutPaint', 'base', 'blockTone']

/** Contrast ladder, levels: 1–2 barely visible, 2–3 subtle, 3–4 clear, 5 and more bold (common practice). */
const LADDER: readonly [number, ContrastVerdict][] = [
  [4.5, 'bold'],
  [3, 'clear'],
  [2, 'subtle'],
  [0.5, 'barely'],
]

const SOFT_TAKES: readonly string[] = ['teased', 'painted']

/** Estimates the look of a plan from its pieces. */
export function lookOf(plan: FaltoPlan, stages: readonly Stage[], { head, zones }: ComputedStages): Look {
  const whole = hairsOfCells(head, plan.hair)
  const formulas = new Map(plan.formulas.map((formula) => [formula.id, formula]))
  const pieces = zones.flatMap(({ stageId, placement }) => placement.pieces.map((piece) => ({ stageId, piece })))
  const cells = cellMixes(plan, stages, pieces, whole, { head, formulas })
  const deciding = stages.filter(({ kind }) => DECIDING.includes(kind)).map(({ id }) => id)
  const decided = pieces.flatMap(({ stageId, piece }) =>
    deciding.includes(stageId) ? [{ piece, formula: formulas.get(piece.formulaId)! }] : [],
  )
  const lightPieces = decided.filter(({ formula }) => isLight(plan, formula))
  const lowPieces = decided.filter(({ formula }) => !isLight(plan, formula))

  const hairs = whole.reduce((sum, one) => sum + one, 0)
  const taken = (own: typeof decided) => own.reduce((sum, { piece }) => sum + piece.takenHairs, 0) / hairs
  const mean = (which: 'light' | 'low') => cells.reduce((sum, mix, i) => sum + whole[i]! * mix[which], 0) / hairs
  // One stage takes no hair twice, so its pieces say the shares exactly; several cross each other cell by cell.
  const light = deciding.length === 1 ? Math.min(1, taken(lightPieces)) : mean('light')
  const low = deciding.length === 1 ? Math.min(1 - light, taken(lowPieces)) : mean('low')
  const contrastLevels = contrastOf({
    light,
    low,
    lightest: Math.max(0, ...lightPieces.map(({ formula }) => formula.level)),
    deepest: low > LOW_THAT_SHOWS ? Math.min(...lowPieces.map(({ formula }) => formula.level)) : plan.hair.naturalLevel,
    natural: plan.hair.naturalLevel,
  })
  const seen = seenShares(head, partX(plan.hair))
  const fromCentre = (i: number) => SCALP_CELLS[i]!.centre.s
  return {
    light,
    low,
    left: Math.max(0, 1 - light - low),
    contrastLevels,
    contrast: LADDER.find(([from]) => contrastLevels >= from)?.[1] ?? 'none',
    symmetry: symmetryOf(cells, whole),
    partLine: ratio(
      cells,
      whole,
      (i) => seen.straight[i] === 1,
      (i) => fromCentre(i) < 0.6,
    ),
    faceToBack: ratio(
      cells,
      whole,
      (i) => fromCentre(i) > 0.7 && azimuth(i) < 70,
      (i) => fromCentre(i) > 0.5 && azimuth(i) > 140,
    ),
    meanLevel: Object.fromEntries(WEARS.map((wear) => [wear, seenLevel(cells, whole, seen[wear])])) as Record<
      WearKind,
      number
    >,
    upkeepWeeks: upkeepOf(lightPieces.map(({ piece }) => piece)),
  }
}

interface Contrast {
  /** Shares of the hair, 0…1. */
  light: number
  low: number
  lightest: number
  deepest: number
  natural: number
}

/** Levels between the lightest and the deepest that stand beside one another. */
function contrastOf({ light, low, lightest, deepest, natural }: Contrast): number {
  if (light > 0) return lightest - Math.min(deepest, light + low < ALL_TAKEN ? natural : deepest)
  return low > 0 ? Math.abs(natural - deepest) : 0
}

interface CellMix {
  light: number
  low: number
  /** Mean level of the cell's hair. */
  level: number
}

const isLight = (plan: FaltoPlan, { productId, level }: Formula): boolean => {
  const { kind } = byId(plan.products, productId)
  return isLightener(kind) || level > plan.hair.naturalLevel + LIGHTER_BY
}

function cellMixes(
  plan: FaltoPlan,
  stages: readonly Stage[],
  pieces: readonly { stageId: string; piece: Piece }[],
  whole: Float64Array,
  { head, formulas }: { head: ComputedStages['head']; formulas: ReadonlyMap<string, Formula> },
): CellMix[] {
  const mixes = Array.from(whole, (): CellMix => ({ light: 0, low: 0, level: plan.hair.naturalLevel }))
  for (const stage of stages.filter(({ kind }) => DECIDING.includes(kind))) {
    const here = Array.from(whole, () => ({ light: 0, low: 0, levels: 0 }))
    for (const { piece } of pieces.filter(({ stageId }) => stageId === stage.id)) {
      const formula = formulas.get(piece.formulaId)!
      const light = isLight(plan, formula)
      const { cells, hairs } = hairsByCell(head, piece)
      for (let i = 0; i < cells.length; i++) {
        const mix = here[cells[i]!]!
        const share = hairs[i]! / whole[cells[i]!]!
        mix[light ? 'light' : 'low'] += share
        mix.levels += share * formula.level
      }
    }
    here.forEach(({ light, low, levels }, i) => {
      const taken = light + low
      if (taken === 0) return
      const mix = mixes[i]!
      // A stage on what an earlier one took or dropped adds to it; one on everything crosses it by chance.
      const over =
        stage.worksOn && stage.worksOn.kind !== 'everything'
          ? Math.max(0, taken + mix.light + mix.low - 1)
          : Math.min(1, taken) * (mix.light + mix.low)
      const before = mix.light + mix.low
      const keep = before > 0 ? Math.max(0, 1 - over / before) : 1
      const fit = Math.min(1, 1 / taken)
      mixes[i] = {
        light: Math.min(1, mix.light * keep + light * fit),
        low: Math.min(1, mix.low * keep + low * fit),
        level: mix.level * (1 - Math.min(1, taken)) + levels * fit,
      }
    })
  }
  return mixes
}

const azimuth = (i: number): number => fromFace(SCALP_CELLS[i]!.centre)

/** The cell opposite each in the mirror of the centre line. */
const MIRROR = SCALP_CELLS.map(({ centre }) => cellAt({ psi: -centre.psi, s: centre.s }))

function symmetryOf(cells: readonly CellMix[], whole: Float64Array): number {
  let off = 0
  let sum = 0
  cells.forEach((mix, i) => {
    const other = cells[MIRROR[i]!]!
    off += whole[i]! * (Math.abs(mix.light - other.light) + Math.abs(mix.low - other.low))
    sum += whole[i]! * (mix.light + other.light + mix.low + other.low)
  })
  return sum > 0 ? 1 - off / sum : 1
}

function ratio(
  cells: readonly CellMix[],
  whole: Float64Array,
  one: (i: number) => boolean,
  other: (i: number) => boolean,
): number | undefined {
  const mean = (which: (i: number) => boolean) => {
    let light = 0
    let hairs = 0
    cells.forEach((mix, i) => {
      if (!which(i)) return
      light += whole[i]! * mix.light
      hairs += whole[i]!
    })
    return hairs > 0 ? light / hairs : 0
  }
  const against = mean(other)
  return against > 0.005 ? mean(one) / against : undefined
}

function seenLevel(cells: readonly CellMix[], whole: Float64Array, seen: Float64Array): number {
  let level = 0
  let weights = 0
  cells.forEach((mix, i) => {
    const weight = whole[i]! * seen[i]!
    level += weight * mix.level
    weights += weight
  })
  return level / weights
}

function upkeepOf(pieces: readonly Piece[]): Look['upkeepWeeks'] {
  if (pieces.length === 0) return undefined
  const hairs = pieces.reduce((sum, { takenHairs }) => sum + takenHairs, 0)
  const start =
    pieces.reduce(
      (sum, piece) =>
        sum + piece.takenHairs * (SOFT_TAKES.includes(piece.take.kind) ? Math.max(piece.fromCm, 2) : piece.fromCm),
      0,
    ) / hairs
  const { low, high } = UPKEEP.find(({ from }) => start >= from)!
  return { low, high }
}
