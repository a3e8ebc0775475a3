import { cellAt } from '../../hair/hairRecord'
import { activeVariant, byId, type Band, type FaltoPlan, type Selection } from '../../model'
import type { Piece } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import { createProcess, middleOf, ROOM_CELSIUS, type HairOf, type MetHair, type ServiceProcess } from '../lightening'
import { foldPlan, selects, worksOnLock, type Fold, type FoldOptions, type Lock } from './fold'

/** Which locks of a cell a stage's pieces go on: those it works on, of the hair that their take selects. */
export function lockFilter(plan: FaltoPlan, stageId: string, select: Selection | undefined): (lock: Lock) => boolean {
  const { stages } = activeVariant(plan)
  const worksOn = worksOnLock(byId(stages, stageId), stages)
  return (lock) => worksOn(lock) && selects(lock, select ?? 'all')
}

/** What every piece of a plan meets, as the stages before its own left it. */
export function hairMetBy(plan: FaltoPlan, { head, zones }: ComputedStages, fold: Fold): HairOf {
  const { stages } = activeVariant(plan)
  const cellsOf = new Map(stages.map(({ id }, i) => [id, fold.stages[i]!]))
  // A piece that is put on in two goes has an id of its own for each, which begins with stage and zone all the same.
  const zoneOf = ({ id }: Pick<Piece, 'id'>) => id.split('/', 2).join('/')
  const from = new Map(
    zones.map(({ stageId, zoneId }) => {
      const { select } = byId(byId(stages, stageId).zones, zoneId).placement
      return [`${stageId}/${zoneId}`, { stageId, fits: lockFilter(plan, stageId, select) }]
    }),
  )
  return (piece) => {
    const { stageId, fits } = from.get(zoneOf(piece))!
    return byBands(cellsOf.get(stageId)![cellAt(middleOf(head, piece))]!.filter(fits))
  }
}

/** Locks by what they are, commonest first. */
function byBands(locks: readonly Lock[]): MetHair[] {
  const shares = new Map<readonly Band[], number>()
  for (const { bands, share } of locks) shares.set(bands, (shares.get(bands) ?? 0) + share)
  return [...shares].map(([bands, share]) => ({ bands, share })).sort((a, b) => b.share - a.share)
}

/** The process of a visit, each stage on the hair that the one before left. */
export function processOf(
  plan: FaltoPlan,
  computed: ComputedStages,
  { roomCelsius = ROOM_CELSIUS, ...options }: FoldOptions & { roomCelsius?: number | undefined } = {},
): ServiceProcess {
  const fold = foldPlan(plan, computed, options)
  return createProcess(plan, computed.head, hairMetBy(plan, computed, fold), roomCelsius)
}
