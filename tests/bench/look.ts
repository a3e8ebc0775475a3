import { seenCells } from '@/core/appearance/coarse'
import { countSeen } from '@/core/appearance/figures'
import { COUNTED_COARSELY, expose, type Scene } from '@/core/appearance/look'
import { paintStrands, takersOf } from '@/core/appearance/paint'
import { develop, reachOf, skinOf, VIEW_NAMES, VIEWS } from '@/core/appearance/picture'
import { COARSE_STRANDS, growStrands, spreadRoots } from '@/core/appearance/strands'
import { STARTING_HAIR } from '@/core/model'
import { createPlanner, judgePlan } from '@/core/plan/planner'
import { createHead } from '@/core/scalp/head'
import { mannequinField, sampleField, surfaceNets } from '@/core/scalp/mannequin'
import { foldPlan } from '@/core/time/fold'
import { densePlan } from '../support/samples'
import { row } from './row'
import { sample } from './sample'

/** Budgets of the Look, in one thread of Node: everything is drawn without a graphics card. */
const plan = densePlan()
const computed = createPlanner().computeStages(plan)
const fold = foldPlan(plan, computed)
const { head } = computed

row(
  'look',
  'grid and mesh of a new head, budget < 700 ms',
  sample(6, 2, (run) => {
    surfaceNets(sampleField(mannequinField(createHead({ circumferenceCm: 52 + ((run + 9) % 9) * 0.5 }))))
  }),
)
const grid = sampleField(mannequinField(head))
const skin = skinOf(head, surfaceNets(grid))

const sceneOf = (count: number): Scene => {
  const strands = growStrands(head, grid, plan.hair, spreadRoots(head, plan.hair, count, 1), {
    wear: 'straight',
    seed: 1,
  })
  return { strands, skin, reach: reachOf(strands) }
}
row(
  'look',
  '8 000 strands with their roots, budget < 150 ms',
  sample(12, 4, () => void sceneOf(8_000)),
)

const scene = sceneOf(8_000)
const moment = { stages: fold.stages.length - 1, weeks: 0 }
const takers = takersOf(plan, computed, fold, scene.strands.roots, 1)
const paint = paintStrands(plan, fold, scene.strands, takers, moment, 1)
for (const [words, times] of [
  ['a view 480 × 640, drawn once, budget < 100 ms', 1],
  ['the same at twice the size and averaged down, budget < 300 ms', 2],
] as const)
  row(
    'look',
    words,
    sample(20, 8, (run) => {
      const view = VIEWS[VIEW_NAMES[(run + 40) % VIEW_NAMES.length]!]
      const exposure = expose(scene, view, { width: 480 * times, height: 640 * times })
      develop(exposure, scene.strands, paint, { fine: times, seed: 1 })
    }),
  )

const angles = VIEW_NAMES.map((name) => expose(scene, VIEWS[name], { width: 480, height: 640 }))
row(
  'look',
  'turning, a kept angle, budget < 50 ms (20 frames a second)',
  sample(
    40,
    10,
    (run) => void develop(angles[(run + 40) % angles.length]!, scene.strands, paint, { fine: 1, seed: 1 }),
  ),
)

const coarse = sceneOf(COARSE_STRANDS)
const exposures = Object.fromEntries(VIEW_NAMES.map((name) => [name, expose(coarse, VIEWS[name], COUNTED_COARSELY)]))
const coarseTakers = takersOf(plan, computed, fold, coarse.strands.roots, 1)
const before = paintStrands(plan, fold, coarse.strands, coarseTakers, { stages: 0, weeks: 0 }, 1)
row(
  'look',
  'coarse figures of an edit, 2 000 strands from five sides, budget < 60 ms',
  sample(20, 6, () => {
    const own = takersOf(plan, computed, fold, coarse.strands.roots, 1)
    const now = paintStrands(plan, fold, coarse.strands, own, moment, 1)
    countSeen({ strands: coarse.strands, exposures }, { paint: now, before, takers: own, hair: plan.hair })
  }),
)
row(
  'look',
  'figures that follow an edit in the totals strip, budget < 60 ms',
  sample(20, 6, () => void judgePlan(plan, computed, fold)),
)
row(
  'look',
  'what is seen of a kind of hair not met before, once (no budget)',
  sample(6, 1, (run) => void seenCells({ ...STARTING_HAIR, lengthCm: 15 + 5 * (run + 2) })),
)
