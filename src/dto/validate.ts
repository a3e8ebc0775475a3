import 'reflect-metadata'
import { checkPlan, type PlanProblem } from '@/core/plan/planner'
import { upgradePlan, type FaltoPlan } from '@/core/model'
import { changedParts } from './changed'
import { fieldProblems } from './fields'
import { FaltoPlanDto } from './plan'
import { shapeProblem } from './shape'

/** What is wrong with an entry, field by field. `path` is empty when it is the entry as a whole. */
export type FieldProblem = PlanProblem

export type Checked<T> = { ok: true; value: T } | { ok: false; problems: FieldProblem[] }

/** How many problems are reported at once: enough to mend, not enough to drown. */
const MOST_PROBLEMS = 20

/** Holds an entry against a DTO class: wrong types, values out of range and unknown fields are all problems. */
export function checkEntry<T extends object>(type: new () => T, entry: unknown): Checked<T> {
  if (typeof entry !== 'object' || entry === null || Array.isArray(entry))
    return { ok: false, problems: [{ path: '', message: 'must be a JSON object' }] }
  const problems = problemsOf(type, entry)
  // The entry itself and not the instance: nothing was changed, and plain objects are what patches and JSON work on.
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: entry as T }
}

/** @param isLeftOut places of which nothing that is said counts */
function problemsOf(type: new () => object, entry: object, isLeftOut = (_path: string) => false): FieldProblem[] {
  const unfit = shapeProblem(entry)
  if (unfit) return [unfit]
  return fieldProblems(type, entry)
    .filter(({ path }) => !isLeftOut(path))
    .slice(0, MOST_PROBLEMS)
}

/**
 * Holds a document against the schema of `falto-plan` and against the laws the core knows. One of an earlier version is
 * brought to this one first.
 * @param passed see {@link checkPlan}
 */
export function checkPlanDocument(entry: unknown, passed?: FaltoPlan): Checked<FaltoPlan> {
  const document = upgradePlan(entry)
  const checked = passed ? checkChanged(document, passed) : checkEntry<FaltoPlan>(FaltoPlanDto, document)
  if (!checked.ok) return checked
  const problems = checkPlan(checked.value, passed)
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) } : checked
}

/** As {@link checkEntry} of the whole document, where it came out of one that passed. */
export function checkChanged(document: unknown, passed: FaltoPlan): Checked<FaltoPlan> {
  if (document === passed) return { ok: true, value: passed }
  if (typeof document !== 'object' || document === null) return checkEntry<FaltoPlan>(FaltoPlanDto, document)
  const { light, isLeftOut } = changedParts(document, passed)
  const problems = problemsOf(FaltoPlanDto, light, isLeftOut)
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: document as FaltoPlan }
}

/** One line that names the fields and what they need. The core's messages are sentences that stand alone. */
export const describeProblems = (problems: readonly FieldProblem[]): string =>
  problems.map(({ path, message }) => (path && /^[a-z]/.test(message) ? `${path} ${message}` : message)).join('; ')
