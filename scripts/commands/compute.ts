import { afterFigures, clockFigures, createPlanner, planFigures } from '@/core/plan/planner'
import { TooManyPiecesError } from '@/core/placement/foils'
import { foldPlan } from '@/core/time/fold'
import { ALONE } from '@/core/time/schedule'
import { checkPlanDocument, describeProblems } from '@/dto'
import { EntryError, jsonIn } from './entry'

/** `./falto compute FILE|-`: plan document in, figures out. @throws EntryError */
export function compute([file]: readonly string[]) {
  if (!file)
    throw new EntryError('say which plan to compute: ./falto compute FILE, or - to read it from standard input')
  const checked = checkPlanDocument(jsonIn(file))
  if (!checked.ok) throw new EntryError(`not a plan that can be computed: ${describeProblems(checked.problems)}`)
  const plan = checked.value
  try {
    const computed = createPlanner().computePlan(plan)
    return {
      ...planFigures(plan, computed),
      ...afterFigures(plan, computed, foldPlan(plan, computed)),
      clock: clockFigures(plan, computed, { crew: ALONE }),
    }
  } catch (error) {
    throw error instanceof TooManyPiecesError ? new EntryError(error.message) : error
  }
}
