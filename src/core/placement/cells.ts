import { cellArea, cellAt, SCALP_CELLS } from '../canvas'
import { hairsPerCm2 } from '../hair'
import { placeFromMap, type Head } from '../head'
import type { HairState } from '../model'
import type { Piece } from './foils'
import { ARC, DENSITY, MAP, RISE, STRIDE } from './polyline'

/** Cells under a piece, remembered as long as the piece lives: an edit elsewhere asks for them again. */
const known = new WeakMap<Piece, [cell: number, hairs: number][]>()

/** Hairs of a piece that grow in each scalp cell under it, as [cell, hairs] pairs; a cell may come more than once. */
export function hairsByCell(head: Head, piece: Piece): [cell: number, hairs: number][] {
  const remembered = known.get(piece)
  if (remembered) return remembered
  const cells = countByCell(head, piece)
  known.set(piece, cells)
  return cells
}

function countByCell(head: Head, { line, thickness, takenHairs }: Piece): [cell: number, hairs: number][] {
  const points: [number, number][] = []
  let total = 0
  for (let at = STRIDE; at < line.length; at += STRIDE) {
    const before = at - STRIDE
    const weight = ((line[at + DENSITY]! + line[before + DENSITY]!) / 2) * (line[at + ARC]! - line[before + ARC]!)
    // Two samples beside the middle of every segment stand for the thickness of the subsection.
    for (const side of [-thickness / 4, thickness / 4]) {
      const x = (line[at + MAP]! + line[before + MAP]!) / 2 + side * line[at + RISE]!
      const y = (line[at + MAP + 1]! + line[before + MAP + 1]!) / 2 + side * line[at + RISE + 1]!
      points.push([cellAt(placeFromMap(head, { x, y })), weight])
      total += weight
    }
  }
  return points.map(([cell, weight]) => [cell, (takenHairs * weight) / total])
}

/** Hairs in every scalp cell of a head. */
export const hairsOfCells = (head: Head, hair: HairState): Float64Array =>
  Float64Array.from(SCALP_CELLS, (cell) => cellArea(head, cell) * hairsPerCm2(hair, cell.centre))

/** Share of each scalp cell's hair that pieces take, 0…1. */
export function takenShareByCell(head: Head, hair: HairState, pieces: readonly Piece[]): Float64Array {
  const whole = hairsOfCells(head, hair)
  const taken = new Float64Array(whole.length)
  for (const piece of pieces) for (const [cell, hairs] of hairsByCell(head, piece)) taken[cell]! += hairs
  return taken.map((hairs, i) => Math.min(1, hairs / whole[i]!))
}
