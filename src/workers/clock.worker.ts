import { expose } from 'comlink'
import type { Canvas, FaltoPlan, PersonAtHand } from '@/core/model'
import { checkPlan, clockFigures, createPlanner, type ClockFigures } from '@/core/plan/planner'
import { TooManyPiecesError } from '@/core/placement/foils'
import {
  arrivalFor,
  canWork,
  dayCrew,
  dayFor,
  visitFor,
  type ClockOptions,
  type DayClock,
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
  /** A day of several clients, where those who are there can do all of it. */
  day({ visits, people, closes }: AskedDay): DayClock | undefined {
    const own = placedIn(visits)
    return own.length > 0 && canWork(people) ? dayFor(own, dayCrew(people), closes) : undefined
  },
  /** The earliest time at which one more client fits in. */
  arrival({ visits, people, opens, closes }: AskedDay, added: AskedVisit): number | undefined {
    if (!canWork(people)) return undefined
    return arrivalFor(placedIn(visits), dayVisit(added), dayCrew(people), { opens, closes })?.arrives
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
  /** Who is there. */
  people: PersonAtHand[]
  /** min after midnight */
  opens: number
  closes: number
}

/** What a plan asks for, worked out once: a page of a day opens with its plans and they do not change on it. */
const known = new Map<string, DayVisit['visit']>()
function dayVisit({ id, plan, canvas }: AskedVisit): Omit<DayVisit, 'arrives'> {
  const visit = known.get(id) ?? visitFor(plan, computeStages(plan), { canvas: canvas ?? undefined })
  known.set(id, visit)
  return { id, visit }
}
/** Clients of a day; those in whose plans nothing is placed are left out. */
const placedIn = (visits: AskedDay['visits']): DayVisit[] =>
  visits.map((visit) => ({ ...dayVisit(visit), arrives: visit.arrives })).filter(({ visit }) => hasWork(visit))
const hasWork = ({ tasks }: DayVisit['visit']): boolean => tasks.some(({ kind }) => kind === 'apply')

export type ClockWorker = typeof api

expose(api)
