import { seenCells } from '@/core/appearance/coarse'
import type { Canvas, Caution, Consultation, FaltoPlan, HairState, More, SeenCells } from '@/core/model'
import { createPlanner, planFigures } from '@/core/plan/planner'
import { proposePlan, stageFor, wishedIn, type Person } from '@/core/plan/serviceKinds'
import { mapDrawing } from '@/core/plan/sheets'
import { summariseVisit, type VisitFacts, type VisitSummary } from '@/core/record/visit'
import { foldPlan, type FoldOptions } from '@/core/time/fold'
import { amendedPlan, scriptFor, type RunScript } from '@/core/time/run'
import type { ClockOptions } from '@/core/time/schedule'
import type { ReadingUnits } from '@/core/units'
import { v7 as newId } from 'uuid'
import {
  appointmentMinutes,
  calendarOf,
  documentOf,
  feedOf,
  type BookedVisit,
  type FollowedVisit,
  type Documented,
  type DocumentKind,
} from '../documents'

const planner = createPlanner()

/** What a plan asks off the shelf, g of each product. */
export type Needs = readonly [productId: string, grams: number][]

function needs(plan: FaltoPlan): Needs {
  const byProduct = new Map<string, number>()
  for (const { bowls } of planFigures(plan, planner.computePlan(plan)).mix)
    for (const { parts } of bowls)
      for (const { productId, grams } of parts)
        if (productId) byProduct.set(productId, (byProduct.get(productId) ?? 0) + grams)
  return [...byProduct]
}

function outlines(plan: FaltoPlan) {
  const { hairline, extent, zones } = mapDrawing(plan, planner.computeStages(plan), 'strips')
  return {
    hairline,
    extent,
    zones: zones.map(({ id: zoneId, stageId, outline, label }) => ({ zoneId, stageId, outline, label })),
  }
}

/** What takes longer than a web thread may be held, by name: all of it the core's, with nothing kept or read. */
export const jobs = {
  /** @param canvas the hair as it was recorded last */
  cautions: (plan: FaltoPlan, canvas: Canvas | undefined): Caution[] => planner.computePlan(plan, canvas).cautions,
  needs,
  /** What is seen of each part of such hair. */
  seen: (hair: HairState): SeenCells => seenCells(hair),
  /** Who does what when, for a visit that begins. */
  script: (plan: FaltoPlan, options: ClockOptions): RunScript => scriptFor(plan, planner.computeStages(plan), options),
  /** A visit with a stage more, as its log is to hold it; steps that were there keep their ids. */
  more(plan: FaltoPlan, more: More, begun: readonly string[], options: ClockOptions) {
    const added = stageFor(plan, more, new Set(begun), newId)
    const amended = amendedPlan(plan, [added])
    return { ...added, script: jobs.script(amended, options), zones: outlines(amended).zones }
  },
  /** The head in outlines, for the small map at the chair. */
  outlines,
  /** The hair after a plan was carried out. */
  after: (plan: FaltoPlan, done: FoldOptions): Canvas => foldPlan(plan, planner.computeStages(plan), done).canvas(),
  /** A plan proposed from what the newest consultation says. */
  proposal: (person: Omit<Person, 'newId'>, newest: Pick<Consultation, 'hair' | 'canvas' | 'goal'>) =>
    proposePlan(planner, wishedIn(person.head, newest), { ...person, newId }).plan,
  /** What a visit came to. */
  visit: (facts: VisitFacts): VisitSummary => summariseVisit(facts, planner.computeStages(facts.document)),
  document: (documented: Documented, kind: DocumentKind, units: ReadingUnits) =>
    documentOf(planner, documented, kind, units),
  calendar: (visit: BookedVisit): string => calendarOf(planner, visit),
  /** Minutes in the book for a plan. */
  minutes: (plan: FaltoPlan): number => appointmentMinutes(planner, plan),
  feed: (name: string, visits: readonly FollowedVisit[]): string => feedOf(name, visits),
}

export type Jobs = typeof jobs
