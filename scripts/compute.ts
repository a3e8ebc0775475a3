import { afterFigures, clockFigures, createPlanner, planFigures } from '@/core/plan/planner'
import { TooManyPiecesError } from '@/core/placement/foils'
import { foldPlan } from '@/core/time/fold'
import { ALONE } from '@/core/time/schedule'
import { checkPlanDocument, describeProblems } from '@/dto'
import { jsonIn, refuse } from './commandLine'

/**
 * `./falto compute FILE|-`: plan document in, figures out. One line on stderr and exit code 2 for an entry that cannot
 * be used.
 */
function main(file: string | undefined): void {
  if (!file)
    return refuse('compute', 'say which plan to compute: ./falto compute FILE, or - to read it from standard input')
  const entry = jsonIn('compute', file)
  if (entry === undefined) return
  const checked = checkPlanDocument(entry.value)
  if (!checked.ok) return refuse('compute', `not a plan that can be computed: ${describeProblems(checked.problems)}`)
  try {
    const plan = checked.value
    const computed = createPlanner().computePlan(plan)
    const figures = {
      ...planFigures(plan, computed),
      ...afterFigures(plan, computed, foldPlan(plan, computed)),
      clock: clockFigures(plan, computed, { crew: ALONE }),
    }
    process.stdout.write(`${JSON.stringify(figures, null, 2)}\n`)
  } catch (error) {
    if (!(error instanceof TooManyPiecesError)) throw error
    refuse('compute', error.message)
  }
}

main(process.argv[2])
