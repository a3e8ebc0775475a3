import { MIXING_MINUTES } from '../../placement/quantity'
import { secondsFromMinutes } from '../../units'
import { REAPPLY_SHARE } from './constants'
import { mixId, type Applied, type Draft, type RinsedGroup, type VisitTask } from './draft'
import { onTimes, type Chunk, type ServedPiece } from './stretches'

/** Rounds of fresh product that a stage needs, and the formulas that are put on afresh. */
interface Rounds {
  count: number
  formulas: ReadonlySet<string>
}

export function roundsOf(chunks: readonly Chunk[]): Rounds {
  const needing = chunks.flatMap(({ pieces }) => pieces.filter(({ again }) => again.length > 0))
  return {
    count: Math.max(0, ...needing.map(({ again }) => again.length)),
    formulas: new Set(needing.map(({ piece }) => piece.formulaId)),
  }
}

/** Once the first is due, one goes round all stretches of a stage with fresh product. All is done by the rinse. */
export function reapply(draft: Draft, group: RinsedGroup, { task: applied, pieces }: Applied, rounds: Rounds): void {
  const open = pieces.filter(({ piece }) => piece.cover === 'open' && rounds.formulas.has(piece.formulaId))
  if (open.length === 0) return
  let before = applied
  for (let round = 0; round < rounds.count; round++) {
    const own = onTimes(
      open.map((one) => ({ ...one, seconds: REAPPLY_SHARE * one.seconds })),
      0,
    )
    const { about, stageId } = applied
    const id = `${applied.id.replace('apply/', 'reapply/')}/${round + 1}`
    const task = draft.add({ id, kind: 'reapply', about, stageId, seconds: own.at(-1)!.on, pieces: own })
    for (const mix of freshMixes(draft, own, round, stageId)) draft.after(mix, task)
    draft.after(before, task)
    const first = group.roundOf.get(round)
    if (first) draft.after(first, task)
    else {
      const due = Math.min(...open.map(({ on, again }) => on + (again[round] ?? Infinity)))
      if (due < Infinity) draft.lags.push({ from: applied.id, to: task.id, least: Math.round(due) })
    }
    group.roundOf.set(round, task)
    before = task
  }
  group.before.push(before)
}

/** Bowls of re-applications are numbered from here: no plan has as many. */
const FRESH_BOWL = 100

/** What a round is put on with, mixed once for all stretches. */
function freshMixes(
  draft: Draft,
  pieces: readonly ServedPiece[],
  round: number,
  stageId: string | undefined,
): VisitTask[] {
  return [...new Set(pieces.map(({ piece }) => piece.formulaId))].map((formulaId) => {
    const id = mixId(formulaId, FRESH_BOWL + round)
    const seconds = secondsFromMinutes(MIXING_MINUTES)
    return (
      draft.tasks.find((task) => task.id === id) ??
      draft.add({ id, kind: 'mix', about: `${formulaId} afresh`, stageId, seconds })
    )
  })
}

/** The task that put on what a re-application goes over; undefined for anything else. */
export const reappliedBy = (taskId: string): string | undefined =>
  /^reapply\/(.+)\/\d+$/.exec(taskId)?.[1]?.replace(/^/, 'apply/')
