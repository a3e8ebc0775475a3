import { regrowthCm } from '../../hair/fibre'
import { fadeBand, growBands, SCALP_CELLS, USUAL_WASHES_PER_WEEK } from '../../hair/hairRecord'
import type { Band, FaltoPlan } from '../../model'
import type { Fold, FoldedCells, Lock } from '../../time/fold'
import { chance, swing, type Strands } from '../strands'
import { SOFT_TAKES, SOFTNESS_CM, TABLE_STEP_CM } from './constants'
import { lockAfter, type Course } from './locks'
import { strandColour, type StrandColour } from './strandColour'
import type { Takers } from './takers'

/** The day of a picture: after so many stages of the visit (0: as the client came), and so many weeks later. */
export interface Moment {
  stages: number
  weeks: number
  /** At the end of those weeks its tone was put on again. */
  glossed?: boolean | undefined
}

/** Colour on every strand of a picture. */
export interface Paint {
  /** Level of every point. */
  levels: Float32Array
  /** Linear sRGB of every point. */
  rgb: Float32Array
  /** Mean colour of the roots of every scalp cell, linear sRGB. */
  roots: Float32Array
  /** Strands that got lighter and darker in the visit so far: their mean change, levels. */
  change: Float32Array
}

/** Colours the strands of a head as the fold has its hair at a moment. */
export function paintStrands(
  plan: FaltoPlan,
  fold: Fold,
  strands: Strands,
  takers: Takers,
  moment: Moment,
  seed: number,
): Paint {
  const { roots, along } = strands
  const { stages, weeks } = moment
  const cells = fold.stages[stages]!
  const coloured = colours(plan, moment)
  const paint = {
    levels: new Float32Array(along.length),
    rgb: new Float32Array(3 * along.length),
    roots: new Float32Array(3 * SCALP_CELLS.length),
    change: new Float32Array(roots.count),
  }
  const grown = regrowthCm(weeks, plan.hair.growthCmPerMonth)
  for (let i = 0; i < roots.count; i++) {
    const { lock, soft } = strandAt(cells, strands, takers, stages, i, seed)
    const colour = coloured(lock)
    const jitter = SOFTNESS_CM[soft ? 'soft' : 'foil'] * swing(seed, i >> 1, 31)
    // Fresh growth is as long on every strand.
    const shift = Math.max(grown > 0 ? -0.3 : -Infinity, jitter)
    colourPoints(paint, strands, i, colour, shift)
    paint.change[i] = meanOf(colour) - meanOf(coloured({ ...lock, bands: lock.was }))
  }
  meanRoots(paint, strands)
  return paint
}

/** The lock that a strand is part of, and whether its colour begins softly. */
function strandAt(
  cells: FoldedCells,
  { roots }: Strands,
  takers: Takers,
  stages: number,
  i: number,
  seed: number,
): { lock: Lock; soft: boolean } {
  const cell = roots.cell[i]!
  const course: Course = { start: takers.starts[i]!, took: 0, formulas: '' }
  const formulas: string[] = []
  let soft = false
  for (let k = 0; k < stages; k++) {
    const piece = takers.taken[i * takers.stages + k]!
    if (piece < 0) continue
    const placed = takers.pieces[piece]!
    course.took |= 1 << k
    formulas.push(...placed.stretches.map(({ formulaId }) => formulaId))
    soft ||= SOFT_TAKES.includes(placed.piece.take.kind)
  }
  course.formulas = formulas.join('+')
  return { lock: lockAfter(cells[cell]!, course, chance(seed, i >> 1, 33)), soft }
}

/** Colours of kinds of hair some weeks later, each worked out once. */
function colours({ hair }: FaltoPlan, { weeks, glossed }: Moment): (lock: Lock) => StrandColour {
  const known = [new Map<readonly Band[], StrandColour>(), new Map<readonly Band[], StrandColour>()] as const
  const grown = regrowthCm(weeks, hair.growthCmPerMonth)
  const washes = glossed ? 0 : weeks * (hair.washesPerWeek ?? USUAL_WASHES_PER_WEEK)
  return ({ bands, white }) => {
    const colours = known[white ? 1 : 0]
    const found = colours.get(bands)
    if (found) return found
    const later =
      weeks > 0
        ? growBands(
            bands.map((band) => fadeBand(band, washes)),
            grown,
            hair.naturalLevel,
          )
        : bands
    const colour = strandColour(later, white)
    colours.set(bands, colour)
    return colour
  }
}

function colourPoints(
  { levels, rgb }: Paint,
  { first, along }: Strands,
  i: number,
  colour: StrandColour,
  shift: number,
) {
  const last = colour.levels.length - 1
  for (let point = first[i]!; point < first[i + 1]!; point++) {
    const cm = along[point]!
    const at = Math.min(last, Math.max(0, (cm > 0 ? cm + shift : 0) / TABLE_STEP_CM))
    const low = Math.min(last, Math.floor(at))
    const high = Math.min(last, low + 1)
    const share = at - low
    levels[point] = colour.levels[low]! + share * (colour.levels[high]! - colour.levels[low]!)
    for (let k = 0; k < 3; k++)
      rgb[3 * point + k] = colour.rgb[3 * low + k]! + share * (colour.rgb[3 * high + k]! - colour.rgb[3 * low + k]!)
  }
}

const meanOf = ({ levels }: StrandColour): number => levels.reduce((sum, level) => sum + level, 0) / levels.length

function meanRoots({ rgb, roots }: Paint, { roots: { count, cell }, first }: Strands): void {
  const counts = new Float32Array(roots.length / 3)
  for (let i = 0; i < count; i++) {
    counts[cell[i]!]!++
    for (let k = 0; k < 3; k++) roots[3 * cell[i]! + k]! += rgb[3 * first[i]! + k]!
  }
  for (let at = 0; at < roots.length; at++) roots[at]! /= Math.max(1, counts[(at / 3) | 0]!)
}
