import { v7 as newId } from 'uuid'
import { createHead } from '@/core/scalp/head'
import { lightenedSurface, suggestFormulas } from '@/core/product/formula'
import { mixPlan } from '@/core/product/bowls'
import { createPlanner, judgePlan } from '@/core/plan/planner'
import {
  ALONE,
  ASSISTANT,
  clockFor,
  exactSchedule,
  prepare,
  SECOND_COLOURIST,
  searchSchedule,
} from '@/core/time/schedule'
import { mapDrawing } from '@/core/plan/sheets'
import { DEMO_CATALOGUE, DEMO_CLIENTS } from '@/demo'
import { foldPlan, surfacesOf } from '@/core/time/fold'
import { visitsOf } from '../support/regular'
import { densePlan, servicePlan } from '../support/samples'
import { visitProblem } from '../support/visits'
import { row } from './row'
import { sample } from './sample'

const { computePlan, computeStages, fold, forget } = createPlanner()

/** Budgets of the core, measured in one thread of Node on a head with more than two hundred foils. */
const dense = densePlan()
const { foilCount, zones } = computePlan(dense)
const what = `${foilCount} foils, ${zones.length} zones`

/**
 * The same arithmetic every time, about as long as a recompute: what the machine itself adds to the spread of the row
 * it is measured with.
 */
function fixedWork(): number {
  let x = 0
  for (let i = 1; i < 4_000_000; i++) x += 1 / (i * i)
  return x
}
const machine: number[] = []
row(
  'full recompute',
  `stages 1–4, ${what}, budget p95 < 16 ms`,
  sample(
    400,
    60,
    () => computeStages(dense),
    () => {
      machine.push(...sample(1, 0, fixedWork))
      forget()
    },
  ),
)
row('machine', 'fixed arithmetic between the runs of the row above: its own spread is the machine’s', machine.slice(60))
row(
  'full recompute',
  `stages 1–4 and the fold, ${what}, budget p95 < 16 ms`,
  sample(400, 60, () => foldPlan(dense, computeStages(dense)), forget),
)
const demo = DEMO_CLIENTS.map(({ plan }) => plan(newId)).reduce((most, plan) =>
  computePlan(plan).foilCount > computePlan(most).foilCount ? plan : most,
)
row(
  'full recompute',
  `the densest demo plan, ${computePlan(demo).foilCount} foils, budget p95 < 16 ms`,
  sample(400, 60, () => computeStages(demo), forget),
)

const edited = structuredClone(dense)
const { layout, zones: editedZones } = edited.variants[0]!.stages[0]!
const zone = editedZones.find(({ role }) => role === 'backLeft')!
row(
  'incremental recompute',
  `row gap of one zone changed, ${what}, budget p95 < 4 ms`,
  sample(
    400,
    60,
    () => computeStages(edited),
    (run) => (zone.placement.rowGapMm = 1 + ((run + 1000) % 400) / 1000),
  ),
)
const bend = layout.edges.find(({ kind, via }) => kind === 'parting' && via.length > 2)!
const middle = bend.via[Math.floor(bend.via.length / 2)]!
const rest = middle.s
row(
  'parting moved',
  `two zones shaped anew, ${what}`,
  sample(
    200,
    40,
    () => computeStages(edited),
    (run) => (middle.s = rest * (1 + ((run + 1000) % 200) / 10_000)),
  ),
)
const computed = computeStages(dense)
row(
  'fold',
  `the hair after every stage, ${what}`,
  sample(200, 40, () => foldPlan(dense, computed)),
)
const staged = servicePlan('shadowAndMelt')
const stagedStages = computeStages(staged)
row(
  'fold',
  `three stages on everything, ${stagedStages.zones.length} zones`,
  sample(200, 40, () => foldPlan(staged, stagedStages)),
)
const regular = [...visitsOf('topAndSides', { weeks: 8, visits: 12, trimmedCm: 2, hair: { lengthCm: 25 } })].at(-1)!
const regularStages = computeStages(regular.plan)
row(
  'fold',
  'the twelfth visit of a client who is highlighted every eight weeks',
  sample(60, 10, () => foldPlan(regular.plan, regularStages)),
)
row(
  'judging',
  'the same, at an edit: fold, look, cautions, advice, what formulas go on; follows when no newer plan waits',
  sample(60, 10, () => {
    const folded = fold(regular.plan, regularStages, regular.plan.canvas)
    judgePlan(regular.plan, regularStages, folded)
    surfacesOf(regular.plan, regularStages, folded)
  }),
)
row(
  'record',
  'what that visit leaves; on the server',
  sample(20, 4, () => regular.fold.canvas()),
)
row(
  'judging',
  `fold, look, cautions, advice, ${what}; follows when no newer plan waits`,
  sample(200, 40, () => judgePlan(dense, computed, foldPlan(dense, computed))),
)
const toning = {
  surfaces: [lightenedSurface('lightened', 9)],
  goal: { level: 9, hue: 'beige' as const, strength: 0.4 },
  kind: 'gloss' as const,
  developerVol: 7,
  use: { stageKind: 'gloss' as const, onScalp: false, heat: false, damp: true },
}
row(
  'formula search',
  `up to three of ${DEMO_CATALOGUE.length} products, in a worker`,
  sample(30, 5, () => suggestFormulas(toning, DEMO_CATALOGUE)),
)
row(
  'bowl plan',
  `bowls, parts and options of all formulas, ${what}`,
  sample(200, 40, () => mixPlan(dense, computed)),
)
row(
  'clock',
  `process and schedule, ${what}, alone; in a worker`,
  sample(12, 3, () => clockFor(dense, computed, { crew: ALONE })),
)
const day = prepare(visitProblem({ clients: 5, zones: 5, people: [...ALONE.people, ASSISTANT, SECOND_COLOURIST] }))
row(
  'schedule search',
  `${day.tasks.length} tasks, ${day.people.length} people, budget < 300 ms`,
  sample(12, 3, () => searchSchedule(day)),
)
const small = Array.from({ length: 60 }, (_, seed) =>
  prepare(
    visitProblem({
      clients: 1,
      zones: 2 + (seed % 2),
      people: [...ALONE.people, ...(seed % 3 > 0 ? [ASSISTANT] : [])],
      seed,
    }),
  ),
)
const gaps = small.map((one) => 100 * (searchSchedule(one).cost / exactSchedule(one).cost - 1))
console.log(
  `**schedule search** | above the exact optimum on ${gaps.length} visits of ${Math.min(...small.map(({ tasks }) => tasks.length))}–${Math.max(...small.map(({ tasks }) => tasks.length))} tasks, budget ≤ 2 % | mean ${(gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length).toFixed(2)} % | worst ${Math.max(...gaps).toFixed(2)} %`,
)
row(
  'map drawing',
  'paths of all stitches of a plan that was never drawn',
  sample(100, 20, () => mapDrawing(dense, computeStages(dense)), forget),
)
row(
  'new head',
  'tables of a head that was never seen',
  sample(40, 10, (run) => createHead({ circumferenceCm: 52 + run / 100 })),
)
