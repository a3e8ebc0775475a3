import { sum } from '../../numeric'
import { activeVariant, byId, learnedIn, type FaltoPlan, type ProductKind, type TakeKind } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { zoneOfStep, type LevelToConfirm } from '../../time/run'
import type { Job } from '../learning'
import type { VisitFacts } from './summary'

/**
 * What a visit says of its colourist: product used per kind, mix made against the plan, pace per kind of take, and
 * lift. Everything is held against the starting values, whatever the plan had learned already.
 */
export function jobsOf(
  facts: VisitFacts,
  computed: ComputedStages,
  levels: readonly Pick<LevelToConfirm, 'formulaId' | 'expected' | 'seen'>[],
): Job[] {
  return [...bowlJobs(facts, computed), ...paceJobs(facts), ...liftJobs(facts, levels)]
}

type Base = Pick<Job, 'visitId' | 'on' | 'who'>
const baseOf = ({ visitId, on, who }: VisitFacts): Base => ({ visitId, on, who })

/** Least that was planned for a figure to say anything: g, min, levels. Our estimates. */
const LEAST = { grams: 5, minutes: 2, levels: 0.5 } as const

function bowlJobs(facts: VisitFacts, computed: ComputedStages): Job[] {
  const { document, bowls } = facts
  return [...new Set(bowls.map(({ formulaId }) => formulaId))].flatMap((id): Job[] => {
    const formula = document.formulas.find((one) => one.id === id)
    const planned = computed.grams.find(({ formulaId }) => formulaId === id)
    if (!formula || !planned || planned.range.expected < LEAST.grams) return []
    const { kind } = byId(document.products, formula.productId)
    const own = bowls.filter(({ formulaId }) => formulaId === id)
    const weighed = sum(own.map((bowl) => bowl.weighed))
    const job = { ...baseOf(facts), context: kind }
    const jobs: Job[] = [
      { ...job, id: `mixed ${facts.visitId} ${id}`, of: 'mixed', planned: planned.range.expected, actual: weighed },
    ]
    // Only where what was left is known does one know what was used.
    if (own.some(({ left }) => left === null)) return jobs
    const lost = planned.edge + planned.residue
    const used = weighed - sum(own.map(({ left }) => left!)) - lost
    const taken = (planned.onHair + planned.onScalp) / loadOf(document, kind)
    if (used > 0) jobs.push({ ...job, id: `load ${facts.visitId} ${id}`, of: 'load', planned: taken, actual: used })
    return jobs
  })
}

/** Minutes of the colourist's own steps of application, over each kind of take. */
function paceJobs(facts: VisitFacts): Job[] {
  const { run, document } = facts
  if (!run) return []
  const takes = new Map(
    activeVariant(document).stages.flatMap(({ zones }) => zones.map(({ id, placement }) => [id, placement.take.kind])),
  )
  const sums = new Map<TakeKind, { planned: number; actual: number }>()
  const colourist = run.script.people[0]?.id
  for (const step of run.script.steps) {
    const state = run.state.steps.get(step.id)
    if (
      step.kind !== 'apply' ||
      state?.status !== 'done' ||
      (run.state.handed.get(step.id) ?? step.personId) !== colourist
    )
      continue
    if (state.begunAt === undefined || state.endedAt === undefined || state.leftOut.length + state.extra > 0) continue
    const take = takes.get(zoneOfStep(run.script, step)?.zoneId ?? '')
    if (!take) continue
    const so = sums.get(take) ?? { planned: 0, actual: 0 }
    so.planned += step.seconds / 60 / paceOf(document, take)
    so.actual += (state.endedAt - state.begunAt) / 60_000
    sums.set(take, so)
  }
  return [...sums].flatMap(([take, minutes]): Job[] =>
    minutes.planned < LEAST.minutes
      ? []
      : [{ ...baseOf(facts), id: `pace ${facts.visitId} ${take}`, of: 'pace', context: take, ...minutes }],
  )
}

/**
 * Levels that hair rose, as they were read against as was expected after the time they really had. One job a kind of
 * product: sections of one head say much the same.
 */
function liftJobs(
  facts: VisitFacts,
  levels: readonly Pick<LevelToConfirm, 'formulaId' | 'expected' | 'seen'>[],
): Job[] {
  const { document, visitId } = facts
  const from = document.hair.naturalLevel
  const sums = new Map<ProductKind, { planned: number; actual: number }>()
  for (const { formulaId, expected, seen } of levels) {
    const formula = document.formulas.find((one) => one.id === formulaId)
    if (!formula || seen === undefined || expected - from < LEAST.levels || seen - from < LEAST.levels) continue
    const { kind } = byId(document.products, formula.productId)
    const so = sums.get(kind) ?? { planned: 0, actual: 0 }
    sums.set(kind, { planned: so.planned + expected - from, actual: so.actual + seen - from })
  }
  return [...sums].map(([context, rise]) => ({
    ...baseOf(facts),
    id: `lift ${visitId} ${context}`,
    of: 'lift',
    context,
    ...rise,
  }))
}

/** What the plan had learned already. */
const loadOf = ({ learned }: FaltoPlan, kind: ProductKind): number =>
  learned.load * (learnedIn(learned, 'load', kind)?.mean ?? 1)
const paceOf = ({ learned }: FaltoPlan, take: TakeKind): number =>
  learned.seconds * (learnedIn(learned, 'pace', take)?.mean ?? 1)
