import { expose } from 'comlink'
import type { FaltoPlan } from '@/core/model'
import { checkPlan, clockFigures, computeStages, type ClockFigures } from '@/core/pipeline'
import { TooManyPiecesError } from '@/core/placement'
import { rescuesFor, type Rescue, type RunScript, type RunState } from '@/core/run'
import type { ClockOptions } from '@/core/schedule'

export type ClockAnswer = { ok: true; figures: ClockFigures } | { ok: false; message: string }

const api = {
  /** Who does what when for a plan, or why there is nothing to say. */
  clock(plan: FaltoPlan, options: ClockOptions): ClockAnswer {
    try {
      return { ok: true, figures: clockFigures(plan, computeStages(plan), options) }
    } catch (error) {
      if (error instanceof TooManyPiecesError) return { ok: false, message: error.message }
      const [problem] = checkPlan(plan)
      if (!problem) throw error
      return { ok: false, message: problem.message }
    }
  },
  /** How the rest of a visit could go on. */
  rescues(script: RunScript, state: RunState, now: number): Rescue[] {
    return rescuesFor(script, state, now)
  },
}
export type ClockWorker = typeof api

expose(api)
