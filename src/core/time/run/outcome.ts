import { byId, STRAND_SPOTS, type RunFormula, type StrandSpot } from '../../model'
import type { TaskKind } from '../schedule'
import { roundToTenth } from '../../units'
import { WAITING, type RunState, type StepState } from './fold'
import { endsOf, zoneOfStep, type RunScript, type ScriptStep } from './script'
import { underProduct, type UnderProduct } from './underProduct'

/** What was planned against what came of it. Minutes; null where a step was skipped or never ended. */
export interface RunOutcome {
  planned: number
  actual: number | null
  steps: {
    id: string
    kind: TaskKind
    about: string
    /** Who did it, or was to do it. */
    by: string
    planned: number
    actual: number | null
    skipped: boolean
  }[]
  /** What was put in beside the plan, and how many planned pieces were not. */
  pieces: { about: string; unplanned: StepState['unplanned']; leftOut: number }[]
  /** Levels that were read, against the range expected when the hair comes out. */
  levels: {
    about: string
    seen: number
    spot: StrandSpot | undefined
    minute: number
    expected: { low: number; high: number } | null
  }[]
}

const MINUTE = 60_000

/** Planned against actual, step by step and look by look. */
export function runOutcome(script: RunScript, state: RunState): RunOutcome {
  const { steps } = script
  const { startedAt } = state
  const people = new Map([...script.people, ...state.joined].map(({ id, name }) => [id, name]))
  const nameOf = (id: string) => people.get(id) ?? ''
  const ended = steps.map(({ id }) => state.steps.get(id)?.endedAt).filter((at) => at !== undefined)
  const over = steps.every(({ id }) => ['done', 'skipped'].includes((state.steps.get(id) ?? WAITING).status))
  return {
    planned: Math.max(...steps.map(({ start, seconds }) => start + seconds)) / 60,
    actual: over && startedAt !== undefined ? (Math.max(...ended) - startedAt) / MINUTE : null,
    steps: steps.map(({ id, kind, about, seconds, personId }) => {
      const { status, begunAt, endedAt } = state.steps.get(id) ?? WAITING
      return {
        id,
        kind,
        about,
        by: nameOf(state.handed.get(id) ?? personId),
        planned: seconds / 60,
        actual:
          status === 'done' && begunAt !== undefined && endedAt !== undefined ? (endedAt - begunAt) / MINUTE : null,
        skipped: status === 'skipped',
      }
    }),
    pieces: steps.flatMap(({ id, about }) => {
      const { unplanned, leftOut: left } = state.steps.get(id) ?? WAITING
      return unplanned.length + left.length > 0 ? [{ about, unplanned, leftOut: left.length }] : []
    }),
    levels: steps.flatMap((step) => {
      const zone = zoneOfStep(script, step)
      const { seen, begunAt = 0 } = state.steps.get(step.id) ?? WAITING
      return seen.map(({ level, at, spot }) => ({
        about: step.about,
        seen: level,
        spot,
        minute: (at - begunAt) / MINUTE,
        expected: zone ? { low: zone.level.low, high: zone.level.high } : null,
      }))
    }),
  }
}

/** A level that hair came to, to be confirmed by eye before it becomes the record. */
export interface LevelToConfirm {
  stageId: string
  zoneId: string
  formulaId: string
  name: string
  /** What was meant, what the process expects after the time it really had, and what was read last. */
  meant: number
  expected: number
  seen: number | undefined
  /** What is proposed: what was seen, else what was expected, to half a level. */
  proposed: number
  /** The same along the strand; none where that is not known. */
  bands: { spot: StrandSpot; expected: number; seen: number | undefined; proposed: number }[]
}

/** The new hair, zone by zone, where product lifted it. Zones whose steps were all skipped are left out. */
export function levelsToConfirm(
  { script, formulas }: { script: RunScript; formulas: readonly RunFormula[] },
  state: RunState,
): LevelToConfirm[] {
  return script.zones.flatMap((zone): LevelToConfirm[] => {
    const putIn = script.steps.filter(
      (step) =>
        step.kind === 'apply' && zoneOfStep(script, step) === zone && state.steps.get(step.id)?.status === 'done',
    )
    if (putIn.length === 0) return []
    const readings = putIn.flatMap(({ id }) => state.steps.get(id)!.seen).sort((a, b) => a.at - b.at)
    const found = putIn.map((step) => {
      const outs = endsOf(script, step.id).map((out) => byId(script.steps, out))
      const begun = outs.flatMap(({ id }) => state.steps.get(id)?.begunAt ?? [])
      const out = begun.length > 0 ? Math.min(...begun) : (state.endedAt ?? state.steps.get(step.id)!.endedAt!)
      return underProduct({ script, formulas }, state, step, out - 1000 * laterThanFirst(step, outs))
    })
    const levels = found.flatMap(({ level }) => (level ? [level.expected] : []))
    if (levels.length === 0) return []
    const expected = meanOf(levels)
    const seen = readings.findLast(({ spot }) => spot === undefined)?.level
    return [
      {
        stageId: zone.stageId,
        zoneId: zone.zoneId,
        formulaId: zone.formulaId,
        name: zone.name,
        meant: zone.goal,
        expected: roundToTenth(expected),
        seen,
        proposed: seen ?? toHalf(expected),
        bands: bandsOf(found, readings),
      },
    ]
  })
}

/** Each spot as it was read there last, else as all of the strand was, else as expected. */
function bandsOf(found: readonly Pick<UnderProduct, 'bySpot'>[], readings: StepState['seen']): LevelToConfirm['bands'] {
  return STRAND_SPOTS.flatMap((spot) => {
    const levels = found.flatMap(({ bySpot }) => bySpot.flatMap((one) => (one.spot === spot ? [one.level] : [])))
    if (levels.length === 0) return []
    const seen = readings.findLast((one) => one.spot === spot || one.spot === undefined)?.level
    const expected = meanOf(levels)
    return [{ spot, expected: roundToTenth(expected), seen, proposed: seen ?? toHalf(expected) }]
  })
}

const meanOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length
const toHalf = (level: number): number => Math.round(2 * level) / 2

/** By how much less a step's pieces sit than its first one on average, s: they come out faster than they went in. */
function laterThanFirst({ pieces }: ScriptStep, outs: readonly ScriptStep[]): number {
  const outAt = new Map(outs.flatMap((out) => out.pieces.map(({ id, at }) => [id, at])))
  const shift = pieces.map(
    ({ id, at }) => at - pieces[0]!.at - ((outAt.get(id) ?? 0) - (outAt.get(pieces[0]!.id) ?? 0)),
  )
  return shift.reduce((sum, one) => sum + one, 0) / Math.max(1, shift.length)
}

/** Pieces that a visit left out: themselves, or because their steps were skipped. */
export const leftOut = ({ steps }: RunScript, state: RunState): Set<string> =>
  new Set(
    steps.flatMap(({ id, kind, pieces }) => {
      const { status, leftOut } = state.steps.get(id) ?? WAITING
      return kind === 'apply' && status === 'skipped' ? pieces.map((piece) => piece.id) : leftOut
    }),
  )
