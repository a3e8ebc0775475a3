import { expose } from 'comlink'
import type { Canvas, FaltoPlan } from '@/core/model'
import { checkPlan, clockFigures, createPlanner, type ClockFigures } from '@/core/plan/planner'
import { TooManyPiecesError } from '@/core/placement/foils'
import {
  arrivalFor,
  dayFor,
  helpersFor,
  visitFor,
  withHelp,
  type ClockOptions,
  type DayClock,
  type Helper,
  type DayVisit,
} from '@/core/time/schedule'
import { rescuesFor, type Rescue, type RunScript, type RunState } from '@/core/time/run'

export type ClockAnswer = { ok: true; figures: ClockFigures } | { ok: false; message: string }

const { computeStages } = createPlanner()

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
  /** A day of several clients; those in whose plans nothing is placed are left out. */
  day({ visits, helping, closes }: AskedDay): DayClock | undefined {
    const own = visits
      .map((visit) => ({ ...dayVisit(visit), arrives: visit.arrives }))
      .filter(({ visit }) => hasWork(visit))
    return own.length > 0 ? dayFor(own, crewOf(helping), closes) : undefined
  },
  /** The earliest time at which one more client fits in. */
  arrival({ visits, helping, opens, closes }: AskedDay, added: AskedVisit): number | undefined {
    const own = visits
      .map((visit) => ({ ...dayVisit(visit), arrives: visit.arrives }))
      .filter(({ visit }) => hasWork(visit))
    return arrivalFor(own, dayVisit(added), crewOf(helping), { opens, closes })?.arrives
  },
  /** How the rest of a visit could go on. */
  rescues(script: RunScript, state: RunState, now: number): Rescue[] {
    return rescuesFor(script, state, now)
  },
}
/** A client of a day, as a page knows her. */
export interface AskedVisit {
  id: string
  plan: FaltoPlan
  canvas: Canvas | null
}

export interface AskedDay {
  visits: (AskedVisit & { arrives: number })[]
  helping: Helper[]
  /** min after midnight */
  opens: number
  closes: number
}

const crewOf = (helping: Helper[]) => withHelp(helpersFor(helping))
/** What a plan asks for, worked out once: a page of a day opens with its plans and they do not change on it. */
const known = new Map<string, DayVisit['visit']>()
function dayVisit({ id, plan, canvas }: AskedVisit): Omit<DayVisit, 'arrives'> {
  const visit = known.get(id) ?? visitFor(plan, computeStages(plan), { canvas: canvas ?? undefined })
  known.set(id, visit)
  return { id, visit }
}
const hasWork = ({ tasks }: DayVisit['visit']): boolean => tasks.some(({ kind }) => kind === 'apply')

export type ClockWorker = typeof api

expose(api)
