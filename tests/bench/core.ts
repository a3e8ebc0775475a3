import { readFileSync, readdirSync } from 'node:fs'
import { createHead } from '@/core/head'
import type { FaltoPlan } from '@/core/model'
import { computePlan, forgetAllButHeads } from '@/core/pipeline'
import { mapDrawing } from '@/core/sheet'
import { row } from './row'

/** Budgets of the core, measured in one thread of Node on the demo plan with the most foils. */
const plans = readdirSync('docs/examples').map((name) => JSON.parse(readFileSync(`docs/examples/${name}`, 'utf8')) as FaltoPlan)
const densest = plans.reduce((most, plan) => (computePlan(plan).foilCount > computePlan(most).foilCount ? plan : most))
const { foilCount, zones } = computePlan(densest)

function sample(runs: number, warmUp: number, work: (run: number) => void, prepare: (run: number) => void = () => {}): number[] {
  const times: number[] = []
  for (let run = -warmUp; run < runs; run++) {
    prepare(run)
    const start = performance.now()
    work(run)
    if (run >= 0) times.push(performance.now() - start)
  }
  return times
}

row(`full recompute`, `stages 1–4, ${foilCount} foils, ${zones.length} zones, budget p95 < 16 ms`, sample(400, 60, () => computePlan(densest), forgetAllButHeads))

const edited = structuredClone(densest)
const zone = edited.variants[0]!.stages[0]!.zones.find(({ role }) => role === 'back')!
row(
  'incremental recompute',
  `row gap of one zone changed, ${foilCount} foils, budget p95 < 4 ms`,
  sample(400, 60, () => computePlan(edited), (run) => (zone.placement.rowGapMm = 1 + ((run + 1000) % 400) / 100)),
)
row('map drawing', 'paths of all stitches', sample(100, 20, () => mapDrawing(densest, computePlan(densest))))
row('new head', 'tables of a head that was never seen', sample(40, 10, (run) => createHead({ circumferenceCm: 52 + run / 100 })))
