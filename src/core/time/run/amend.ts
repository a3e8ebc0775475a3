import {
  activeVariant,
  type FaltoPlan,
  type Formula,
  type OpenRun,
  type RunEvent,
  type RunFormula,
  type RunMap,
  type Stage,
} from '../../model'
import { undoneIn } from './fold'
import type { RunScript } from './script'

/** What a visit became when a stage was added at the chair; the log holds it, so every device comes to the same. */
export interface Amendment {
  stage: Stage
  /** Where it comes among the stages, from 0. */
  at: number
  formula: Formula
  /** The visit with it: steps that were there keep their ids. */
  script: RunScript
  /** What the chair knows of the formula, and the outlines of the stage's zones. */
  shown: { formula: RunFormula; zones: RunMap['zones'] }
}

/** Amendments of a visit that still hold, in their order. */
export function amendmentsIn(events: readonly RunEvent[]): Amendment[] {
  const undone = undoneIn(events)
  return events.flatMap(({ id, kind, amends }) =>
    kind === 'amended' && amends && !undone.has(id) ? [amends as Amendment] : [],
  )
}

/** The plan that a visit follows by now: the pinned one with what was added. */
export function amendedPlan(
  plan: FaltoPlan,
  amendments: readonly Pick<Amendment, 'stage' | 'at' | 'formula'>[],
): FaltoPlan {
  if (amendments.length === 0) return plan
  const amended = structuredClone(plan)
  for (const { stage, at, formula } of amendments) {
    activeVariant(amended).stages.splice(at, 0, stage)
    amended.formulas.push(formula)
  }
  return amended
}

/** A visit as a device shows it by now: the newest script, with the formulas and outlines of what was added. */
export function amendedRun(open: OpenRun<RunScript>, amendments: readonly Amendment[]): OpenRun<RunScript> {
  if (amendments.length === 0) return open
  const shown = amendments.map((one) => one.shown)
  return {
    ...open,
    script: amendments.at(-1)!.script,
    formulas: [...open.formulas, ...shown.map(({ formula }) => formula)],
    map: { ...open.map, zones: [...open.map.zones, ...shown.flatMap(({ zones }) => zones)] },
  }
}
