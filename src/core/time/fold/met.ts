import { cellAt } from '../../hair/hairRecord'
import { activeVariant, byId, type Band, type FaltoPlan, type Selection } from '../../model'
import type { Piece } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import {
  createProcess,
  middleOf,
  ROOM_CELSIUS,
  type HairOf,
  type MetHair,
  type ServiceProcess,
  type SidesOf,
} from '../lightening'
import { selects } from './cell'
import { foldPlan, worksOnLock, type Fold, type FoldOptions } from './fold'
import type { Lock } from './locks'

/** Which locks of a cell a piece of a stage goes on: those the stage works on, of the hair that the take selects. */
export function lockFilter(plan: FaltoPlan, stageId: string): (select: Selection) => (lock: Lock) => boolean {
  const { stages } = activeVariant(plan)
  const worksOn = worksOnLock(byId(stages, stageId), stages)
  return (select) => (lock) => worksOn(lock) && selects(lock, select)
}

/** What every piece of a plan meets, as the stages before its own left it. */
export function hairMetBy(plan: FaltoPlan, { head }: ComputedStages, fold: Fold): HairOf {
  const stages = new Map(
    activeVariant(plan).stages.map(({ id }, i) => [id, { cells: fold.stages[i]!, fits: lockFilter(plan, id) }]),
  )
  return (piece) => {
    const { cells, fits } = stages.get(stageOf(piece.id))!
    return byBands(cells[cellAt(middleOf(head, piece))]!.filter(fits(piece.select)))
  }
}

/** Locks by what they are, commonest first. */
function byBands(locks: readonly Lock[]): MetHair[] {
  const shares = new Map<readonly Band[], number>()
  for (const { bands, share } of locks) shares.set(bands, (shares.get(bands) ?? 0) + share)
  return [...shares].map(([bands, share]) => ({ bands, share })).sort((a, b) => b.share - a.share)
}

/**
 * On how many sides of a piece product lies: that of the row put on before it in its stage, and of the one after. The
 * last ones lag, and one alone is coldest.
 */
export function sidesIn({ pieces }: ComputedStages): SidesOf {
  const rowOf = ({ id, row }: Piece) => `${stageOf(id)}/${id.split('/', 2)[1]}/${row}`
  const rows = new Map<string, Set<string>>()
  for (const piece of pieces) {
    const own = rows.get(stageOf(piece.id)) ?? new Set()
    rows.set(stageOf(piece.id), own.add(rowOf(piece)))
  }
  const ends = [...rows.values()].flatMap((own) => [[...own][0]!, [...own].at(-1)!])
  const known = new Map<Piece, number>()
  return (piece) => {
    const sides = known.get(piece) ?? 2 - ends.filter((end) => end === rowOf(piece)).length
    known.set(piece, sides)
    return sides
  }
}

/** A piece that is put on in two goes has an id of its own for each, which begins with its stage all the same. */
const stageOf = (pieceId: string): string => pieceId.split('/', 1)[0]!

/** The process of a visit, each stage on the hair that the one before left. */
export function processOf(
  plan: FaltoPlan,
  computed: ComputedStages,
  { roomCelsius = ROOM_CELSIUS, ...options }: FoldOptions & { roomCelsius?: number | undefined } = {},
): ServiceProcess {
  const fold = foldPlan(plan, computed, options)
  return createProcess(plan, computed.head, hairMetBy(plan, computed, fold), roomCelsius, sidesIn(computed))
}
