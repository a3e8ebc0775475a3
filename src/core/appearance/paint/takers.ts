import { activeVariant, byId, type FaltoPlan, type Placement, type Stage } from '../../model'
import { ARC, isStitched, MAP, PITCH, RISE, STRIDE, stitchSpans, takesAll, type Piece } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import { selects, worksOnLock, type Fold, type Lock } from '../../time/fold'
import { chance, type Roots } from '../strands'
import { drawLock } from './locks'
import { BESIDE_CM, LINE_ENDS, SQUARE_CM } from './constants'

/** A piece with where it stands in the plan. */
export interface PlacedPiece {
  piece: Piece
  zoneId: string
  stageId: string
  /** Place of its stage in the plan. */
  stage: number
  /**
   * Formulas on its hair with the stretches they go on, from the scalp on: its own, and those of pieces further along.
   */
  stretches: readonly Stretch[]
}

/** A formula from so far to so far along the strand, cm. */
export interface Stretch {
  formulaId: string
  fromCm: number
  toCm: number
}

/** What a picture's strands were before the visit, and which pieces take them. */
export interface Takers {
  /** The hair that each strand is of. */
  starts: readonly Lock[]
  pieces: readonly PlacedPiece[]
  /** Of strand i in stage k at i · stages + k: index of the piece, or −1. */
  taken: Int32Array
  stages: number
}

/**
 * Finds for every root the piece of every stage that takes it: under its parting, in one of its stitches, of the hair
 * that may be taken, and of what the stage works on.
 */
export function takersOf(plan: FaltoPlan, computed: ComputedStages, fold: Fold, roots: Roots, seed: number): Takers {
  const { stages } = activeVariant(plan)
  const pieces: PlacedPiece[] = []
  const starts = Array.from(roots.cell, (cell, i) => drawLock(fold.stages[0]![cell]!, chance(seed, i >> 1, 32)))
  const taken = new Int32Array(roots.count * stages.length).fill(-1)
  /** Stages that took each strand so far. */
  const tooks = starts.map((): number[] => [])
  stages.forEach((stage, k) => {
    const own = piecesOf(stage, k, computed)
    const squares = squaresOf(own.map(({ placed }) => placed.piece))
    const eligible = worksOnLock(stage, stages)
    for (let i = 0; i < roots.count; i++) {
      const lock = { ...starts[i]!, took: tooks[i]! }
      if (!eligible(lock)) continue
      const found = takerAt(own, squares, roots, i, seed)
      if (found < 0 || !selects(lock, own[found]!.placed.piece.select)) continue
      taken[i * stages.length + k] = pieces.length + found
      tooks[i]!.push(k)
    }
    pieces.push(...own.map(({ placed }) => placed))
  })
  return { starts, pieces, taken, stages: stages.length }
}

interface OwnPiece {
  placed: PlacedPiece
  /** Stretches along the parting that are picked up; undefined where it is a share of everything. */
  spans: [from: number, to: number][] | undefined
  /** Of the hair under it, 0…1. */
  share: number
  /** What its neighbour left out of it is taken by this piece: index among the stage's pieces. */
  dropout: number
  /** The section is worked whole, corners and all. */
  whole: boolean
}

function piecesOf(stage: Stage, k: number, { zones }: ComputedStages): OwnPiece[] {
  const own: OwnPiece[] = []
  for (const zone of zones.filter(({ stageId }) => stageId === stage.id)) {
    const placement = byId(stage.zones, zone.zoneId).placement
    const { pieces } = zone.placement
    const further = pieces.filter(({ along }) => along !== undefined)
    for (const piece of pieces) {
      if (piece.along !== undefined) continue
      const stretches = [piece, ...further.filter(({ along }) => along === piece.id)].map(stretchOf)
      const placed = { piece, zoneId: zone.zoneId, stageId: stage.id, stage: k, stretches }
      own.push({ placed, ...takeOf(piece, placement), dropout: -1 })
    }
  }
  const byName = new Map(own.map(({ placed }, i) => [placed.piece.id, i]))
  for (const one of own) one.dropout = byName.get(`${one.placed.piece.id}/dropout`) ?? -1
  return own
}

const stretchOf = ({ formulaId, fromCm, toCm }: Piece): Stretch => ({ formulaId, fromCm, toCm })

const takeOf = (piece: Piece, placement: Placement): Pick<OwnPiece, 'spans' | 'share' | 'whole'> => ({
  spans: isStitched(piece.take) ? stitchSpans(piece, placement.bricklay) : undefined,
  share: piece.hairs > 0 ? piece.takenHairs / piece.hairs : 1,
  whole: takesAll(placement),
})

/** Stretches of partings by the squares of the map that they pass: square q has entries from[q] … from[q + 1] − 1. */
interface Squares {
  /** The square, of SIDE in a row, that a coordinate lies in. @param cm */
  at: (cm: number) => number
  from: Uint32Array
  /** Piece, and where its stretch begins in its line. */
  piece: Uint16Array
  offset: Uint32Array
}

/** Squares along one side of the map, whose middle is that of the head. */
const SIDE = 80

function squaresOf(pieces: readonly Piece[]): Squares {
  const thickest = pieces.reduce((most, { thickness }) => Math.max(most, thickness / 2), 0)
  const size = Math.max(SQUARE_CM, thickest + SQUARE_CM / 2)
  const squareAt = (cm: number): number => Math.min(SIDE - 2, Math.max(1, Math.floor(cm / size) + SIDE / 2))
  const eachStretch = (visit: (square: number, piece: number, offset: number) => void) =>
    pieces.forEach(({ line, id }, piece) => {
      if (id.endsWith('/dropout')) return
      for (let at = 0; at < line.length - STRIDE; at += STRIDE) {
        const x = (line[at + MAP]! + line[at + STRIDE + MAP]!) / 2
        const y = (line[at + MAP + 1]! + line[at + STRIDE + MAP + 1]!) / 2
        visit(squareAt(x) * SIDE + squareAt(y), piece, at)
      }
    })
  const from = new Uint32Array(SIDE * SIDE + 1)
  eachStretch((square) => from[square + 1]!++)
  for (let square = 0; square < SIDE * SIDE; square++) from[square + 1]! += from[square]!
  const next = from.slice()
  const piece = new Uint16Array(from.at(-1)!)
  const offset = new Uint32Array(from.at(-1)!)
  eachStretch((square, own, at) => {
    piece[next[square]!] = own
    offset[next[square]!++] = at
  })
  return { at: squareAt, from, piece, offset }
}

/** The piece that takes a root, or −1. */
function takerAt(own: readonly OwnPiece[], squares: Squares, { map }: Roots, i: number, seed: number): number {
  const [x, y] = [map[2 * i]!, map[2 * i + 1]!]
  const best = { piece: -1, across: Infinity, along: 0 }
  const column = squares.at(x)
  const row = squares.at(y)
  for (let a = column - 1; a <= column + 1; a++) {
    // Squares above one another lie side by side in the list.
    const last = squares.from[a * SIDE + row + 2]!
    for (let n = squares.from[a * SIDE + row - 1]!; n < last; n++)
      nearerOn(own[squares.piece[n]!]!.placed.piece, squares.piece[n]!, squares.offset[n]!, x, y, best)
  }
  if (best.piece < 0) return -1
  const one = own[best.piece]!
  if (best.across > 1 && !(one.whole && (best.across - 1) * (one.placed.piece.thickness / 2) < BESIDE_CM)) return -1
  return picksUp(one, best, i, seed) ? best.piece : one.dropout
}

/**
 * Takes a stretch of a parting for the nearest one if a point lies nearer to it, in halves of its section's thickness.
 */
function nearerOn(
  { line, thickness, edges }: Piece,
  piece: number,
  at: number,
  x: number,
  y: number,
  best: { piece: number; across: number; along: number },
): void {
  const ax = line[at + MAP]!
  const ay = line[at + MAP + 1]!
  const dx = line[at + STRIDE + MAP]! - ax
  const dy = line[at + STRIDE + MAP + 1]! - ay
  const rx = line[at + RISE]!
  const ry = line[at + RISE + 1]!
  // Where a parting slants across the meridians what rises from it does not stand square on it.
  const span = dx * ry - dy * rx
  if (span === 0) return
  const share = ((x - ax) * ry - (y - ay) * rx) / span
  // A stretch answers for what lies beside it; the ends of a line a little farther.
  const slack = at === 0 || at + 2 * STRIDE >= line.length ? LINE_ENDS : 0.02
  if (share < -slack || share > 1 + slack) return
  const off = (dx * (y - ay) - dy * (x - ax)) / span
  const half = edges ? (off > 0 ? edges.above : edges.below) * line[at + PITCH]! : thickness / 2
  const across = Math.abs(off) / Math.max(0.05, half)
  if (across >= best.across) return
  best.piece = piece
  best.across = across
  best.along = line[at + ARC]! + share * (line[at + STRIDE + ARC]! - line[at + ARC]!)
}

function picksUp({ spans, share, placed }: OwnPiece, at: { across: number; along: number }, i: number, seed: number) {
  if (!spans) return chance(seed, i >> 1, 40 + placed.stage) < share
  return at.across <= placed.piece.take.depthShare && spans.some(([from, to]) => at.along >= from && at.along < to)
}
