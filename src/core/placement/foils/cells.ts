import { cellArea, cellFinder, SCALP_CELLS } from '../../hair/hairRecord'
import { hairsPerCm2 } from '../../hair/fibre'
import type { Head } from '../../scalp/head'
import type { HairState } from '../../model'
import type { Piece } from './pieces'
import { ARC, DENSITY, MAP, RISE, STRIDE } from './polyline'

/** Cells under a piece, remembered as long as the piece lives: an edit elsewhere asks for them again. */
const known = new WeakMap<Piece, CellHairs>()

/** Cells and the hairs of a piece that grow in each, side by side; a cell comes once. */
export interface CellHairs {
  cells: Uint16Array
  hairs: Float64Array
}

/** Weights of the piece in hand by cell; all 0 between calls. */
const weights = new Float64Array(SCALP_CELLS.length)
/** Cells that it grows in, in the order met. */
const touched = new Uint16Array(SCALP_CELLS.length)

/** Hairs that a piece takes, by the scalp cell they grow in. */
export function hairsByCell(head: Head, piece: Piece): CellHairs {
  const remembered = known.get(piece)
  if (remembered) return remembered
  const counted = countByCell(head, piece)
  known.set(piece, counted)
  return counted
}

function countByCell(head: Head, { line, thickness, takenHairs }: Piece): CellHairs {
  const cellAt = cellFinder(head)
  let count = 0
  let total = 0
  // Lines have a point about every half centimetre and cells are two wide, so every other one is enough.
  const last = line.length - STRIDE
  for (let before = 0; before < last; before += 2 * STRIDE) {
    const at = Math.min(before + 2 * STRIDE, last)
    const weight = ((line[at + DENSITY]! + line[before + DENSITY]!) / 2) * (line[at + ARC]! - line[before + ARC]!)
    // Two samples beside the middle of every stretch stand for the thickness of the subsection.
    for (let side = -thickness / 4; side <= thickness / 4; side += thickness / 2) {
      const x = (line[at + MAP]! + line[before + MAP]!) / 2 + side * line[at + RISE]!
      const y = (line[at + MAP + 1]! + line[before + MAP + 1]!) / 2 + side * line[at + RISE + 1]!
      const cell = cellAt(x, y)
      if (weights[cell] === 0) touched[count++] = cell
      weights[cell]! += weight
      total += weight
    }
  }
  const cells = touched.slice(0, count)
  const hairs = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    const cell = cells[i]!
    hairs[i] = (takenHairs * weights[cell]!) / total
    weights[cell] = 0
  }
  return { cells, hairs }
}

/** Hairs of the cells of a head, by its density: all that they depend on. */
const wholeHeads = new WeakMap<Head, Map<string, Float64Array>>()

/** Hairs in every scalp cell of a head. */
export function hairsOfCells(head: Head, hair: HairState): Float64Array {
  const byDensity = wholeHeads.get(head) ?? new Map<string, Float64Array>()
  wholeHeads.set(head, byDensity)
  const remembered = byDensity.get(hair.density)
  if (remembered) return remembered
  const cells = Float64Array.from(SCALP_CELLS, (cell) => cellArea(head, cell) * hairsPerCm2(hair, cell.centre))
  byDensity.set(hair.density, cells)
  return cells
}

/** Share of each scalp cell's hair that pieces take, 0…1. */
export function takenShareByCell(head: Head, hair: HairState, pieces: readonly Piece[]): Float64Array {
  const whole = hairsOfCells(head, hair)
  const taken = new Float64Array(whole.length)
  for (const piece of pieces) {
    if (piece.along) continue
    const { cells, hairs } = hairsByCell(head, piece)
    for (let i = 0; i < cells.length; i++) taken[cells[i]!]! += hairs[i]!
  }
  return taken.map((hairs, i) => Math.min(1, hairs / whole[i]!))
}
