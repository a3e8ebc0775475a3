import { cellAt, SCALP_CELLS, wornLevel } from '../../hair/hairRecord'
import { partX } from '../../hair/fibre'
import { hairsOfCells, type Piece } from '../../placement/foils'
import { lighteningLetters, type Band, type FaltoPlan, type WearKind } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { shownLevel, type Fold, type Lock } from '../../time/fold'
import { seenCells } from '../../appearance/coarse'
import { pointFromMap, mapFromPlace, type Head } from '../../scalp/head'
import { foldTurn } from '../../numeric'
import { degrees } from '../../units'
import { CHANGED_BY, SHOWS_FROM } from '../../appearance/figures'
import { SOFT_TAKES } from '../../appearance/paint'
import { COVERING_CM, SOFT_START_CM, UPKEEP } from './constants'

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

/** Contrast ladder, levels: 1–2 barely visible, 2–3 subtle, 3–4 clear, 5 and more bold (common practice). */
const LADDER: readonly [number, ContrastVerdict][] = [
  [4.5, 'bold'],
  [3, 'clear'],
  [2, 'subtle'],
  [0.5, 'barely'],
]

/**
 * The look of a plan: the hair as the fold leaves it against the hair as it was. A strand counts by what is worn of it,
 * its lower two thirds, so that work on the root alone makes no strand light.
 */
export function lookOf(plan: FaltoPlan, { head, zones }: ComputedStages, fold: Fold): Look {
  const whole = hairsOfCells(head, plan.hair)
  const asWorn = worn()
  const after = fold.stages.at(-1)!.map((locks) => locks.map(asWorn))
  const cells = after.map(cellMix)
  const hairs = whole.reduce((sum, one) => sum + one, 0)
  const mean = (which: 'light' | 'low') => cells.reduce((sum, mix, i) => sum + whole[i]! * mix[which], 0) / hairs
  const [light, low] = [mean('light'), mean('low')]
  const contrastLevels = contrastOf(after, whole)
  const seen = seenCells(plan.hair)
  const besidePart = cellsBesidePart(head, partX(plan.hair))
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
      (i) => besidePart[i] === true,
      (i) => fromCentre(i) < 0.6,
    ),
    faceToBack: ratio(
      cells,
      whole,
      (i) => fromCentre(i) > 0.7 && azimuth(i) < 70,
      (i) => fromCentre(i) > 0.5 && azimuth(i) > 140,
    ),
    meanLevel: {
      straight: seenLevel(cells, whole, seen.straight),
      waved: seenLevel(cells, whole, seen.waved),
      tied: seenLevel(cells, whole, seen.tied),
    },
    upkeepWeeks: light > SHOWS_FROM ? upkeepOf(Math.max(rootOf(after), softStart(plan, zones))) : undefined,
  }
}

/** A lock with how light it looks where it is worn, and how much lighter that is than before the visit. */
interface WornLock {
  lock: Lock
  level: number
  change: number
}

/** Looks at locks, at every kind of hair once. */
function worn(): (lock: Lock) => WornLock {
  const known = { white: new Map<readonly Band[], number>(), pigmented: new Map<readonly Band[], number>() }
  const levelOf = (bands: readonly Band[], white: boolean): number => {
    const levels = known[white ? 'white' : 'pigmented']
    const level = levels.get(bands) ?? wornLevel(bands, (band) => shownLevel(band, white))
    levels.set(bands, level)
    return level
  }
  return (lock) => {
    const level = levelOf(lock.bands, lock.white)
    return { lock, level, change: lock.took.length > 0 ? level - levelOf(lock.was, lock.white) : 0 }
  }
}

interface CellMix {
  light: number
  low: number
  /** Mean level of the cell's hair. */
  level: number
}

/** What of a cell got lighter and what darker. */
function cellMix(locks: readonly WornLock[]): CellMix {
  const mix = { light: 0, low: 0, level: 0 }
  for (const { lock, level, change } of locks) {
    mix.level += lock.share * level
    if (change > CHANGED_BY) mix.light += lock.share
    else if (change < -CHANGED_BY) mix.low += lock.share
  }
  return mix
}

/** Levels between the lightest and the deepest hair of the head that is enough to show. */
function contrastOf(cells: readonly (readonly WornLock[])[], whole: Float64Array): number {
  const shares = new Map<number, number>()
  let hairs = 0
  cells.forEach((locks, i) => {
    hairs += whole[i]!
    for (const { lock, level } of locks) {
      const tenth = Math.round(10 * level) / 10
      shares.set(tenth, (shares.get(tenth) ?? 0) + whole[i]! * lock.share)
    }
  })
  const levels = [...shares].sort(([a], [b]) => a - b)
  const from = (list: readonly (readonly [number, number])[]) => {
    let sum = 0
    return list.find(([, share]) => (sum += share) > SHOWS_FROM * hairs)![0]
  }
  return from(levels.toReversed()) - from(levels)
}

/** How far from the scalp the strands that got lighter leave the colour they grow with, cm, in the mean. */
function rootOf(cells: readonly (readonly WornLock[])[]): number {
  let [sum, weight] = [0, 0]
  for (const locks of cells)
    for (const { lock, change } of locks) {
      if (change <= CHANGED_BY) continue
      const grown = shownLevel(lock.was[0]!, lock.white) + CHANGED_BY
      sum += lock.share * (lock.bands.find((band) => shownLevel(band, lock.white) > grown)?.fromCm ?? 0)
      weight += lock.share
    }
  return weight > 0 ? sum / weight : 0
}

/** Teased and painted takes begin softly: where they lead, the root is as soft as if it began further down, cm. */
function softStart(plan: FaltoPlan, zones: ComputedStages['zones']): number {
  const lighteners = lighteningLetters(plan)
  const light = zones.flatMap(({ placement }) => placement.pieces.filter(({ formulaId }) => lighteners.has(formulaId)))
  const hairs = light.reduce((sum, { takenHairs }) => sum + takenHairs, 0)
  if (hairs === 0) return 0
  const soft = ({ take, fromCm }: Piece) => (SOFT_TAKES.includes(take.kind) ? Math.max(fromCm, SOFT_START_CM) : fromCm)
  return light.reduce((sum, piece) => sum + piece.takenHairs * soft(piece), 0) / hairs
}

function upkeepOf(rootCm: number): Look['upkeepWeeks'] {
  const { low, high } = UPKEEP.find(({ from }) => rootCm >= from)!
  return { low, high }
}

/** How far round from the face a cell lies, 0…180°. */
const azimuth = (i: number): number => degrees(foldTurn(SCALP_CELLS[i]!.centre.psi))

/**
 * Cells whose hair covers most of the rest worn straight: beside the part, on top. @param part cm to the client's left
 */
const cellsBesidePart = (head: Head, part: number): boolean[] =>
  SCALP_CELLS.map(({ centre }, i) => {
    const { x, y, z } = pointFromMap(head, mapFromPlace(head, centre))
    return Math.abs(x - part) < COVERING_CM && z > 4 && y > -6 && azimuth(i) < 179
  })

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

function seenLevel(cells: readonly CellMix[], whole: Float64Array, seen: readonly number[]): number {
  let level = 0
  let weights = 0
  cells.forEach((mix, i) => {
    const weight = whole[i]! * seen[i]!
    level += weight * mix.level
    weights += weight
  })
  return level / weights
}
