import { createHead, HeadMeasureError, type Head } from '../../scalp/head'
import { checkCanvas } from '../../hair/hairRecord'
import { checkStage } from '../../placement/layout'
import { isCompanion, LEAVE, type FaltoPlan, type Formula, type Placement, type Stage } from '../../model'
import { rampWays } from '../../placement/foils'

/** A law that a document breaks, at a path such as `variants[0].stages[0].zones[2].placement.sequence[1]`. */
export interface PlanProblem {
  path: string
  message: string
}

/**
 * Checks what no single field can tell: names that must exist, measures that must fit each other, zones that must cover
 * the scalp once. Fields are taken to have passed the document's schema.
 * @returns all problems in document order; empty when the plan can be computed
 */
export function checkPlan(plan: FaltoPlan): PlanProblem[] {
  const problems: PlanProblem[] = []
  const head = headOf(plan, problems)
  const formulas = new Set(plan.formulas.map(({ id }) => id))
  return [
    ...problems,
    ...(plan.canvas ? checkCanvas(plan.canvas).map((problem) => within('canvas', problem)) : []),
    ...checkNames(plan),
    ...plan.formulas.flatMap((formula, i) => checkFormula(plan, formula, `formulas[${i}]`)),
    ...checkVariantNames(plan),
    ...plan.variants.flatMap(({ stages }, v) =>
      stages.flatMap((stage, s) => {
        const path = `variants[${v}].stages[${s}]`
        return [
          ...stage.zones.flatMap(({ placement }, z) =>
            checkPlacement(placement, formulas, `${path}.zones[${z}].placement`),
          ),
          ...checkWorksOn(stage, stages.slice(0, s), path),
          ...(head ? checkStage(head, stage).map((problem) => within(path, problem)) : []),
        ]
      }),
    ),
  ]
}

const within = (path: string, problem: PlanProblem): PlanProblem => ({ ...problem, path: `${path}.${problem.path}` })

const once = (ids: readonly { id: string }[]): boolean => new Set(ids.map(({ id }) => id)).size === ids.length

const checkNames = ({ products, formulas }: FaltoPlan): PlanProblem[] => [
  ...(once(products) ? [] : [{ path: 'products', message: 'Two products have the same id.' }]),
  ...(once(formulas) ? [] : [{ path: 'formulas', message: 'Two formulas have the same letter.' }]),
]

const checkVariantNames = ({ variants, activeVariantId }: FaltoPlan): PlanProblem[] => [
  ...(once(variants) ? [] : [{ path: 'variants', message: 'Two variants have the same id.' }]),
  ...(variants.some(({ id }) => id === activeVariantId)
    ? []
    : [{ path: 'activeVariantId', message: 'There is no variant with this id.' }]),
]

/** Products that a formula names must be in the plan, and its main one must be able to stand alone. */
function checkFormula({ products }: FaltoPlan, formula: Formula, path: string): PlanProblem[] {
  const named = (field: string, id: string): PlanProblem[] =>
    products.some((product) => product.id === id)
      ? []
      : [{ path: `${path}.${field}`, message: `There is no product "${id}" in this plan.` }]
  const main = products.find(({ id }) => id === formula.productId)
  const alone = main && isCompanion(main.kind)
  return [
    ...named('productId', formula.productId),
    ...(alone
      ? [
          {
            path: `${path}.productId`,
            message: 'A developer or an additive cannot be a formula alone. Choose what it is mixed with.',
          },
        ]
      : []),
    ...(formula.shades ?? []).flatMap(({ productId }, k) => named(`shades[${k}].productId`, productId)),
    ...(formula.additives ?? []).flatMap(({ productId }, k) => named(`additives[${k}].productId`, productId)),
  ]
}

/** Formulas that a placement names must be in the plan, and its ramps must be able to run as they say. */
function checkPlacement(
  { sequence, ramps = [], dropout }: Placement,
  formulas: ReadonlySet<string>,
  path: string,
): PlanProblem[] {
  const named = (field: string, id: string): PlanProblem[] =>
    formulas.has(id) ? [] : [{ path: `${path}.${field}`, message: `There is no formula "${id}" in this plan.` }]
  return [
    ...sequence.flatMap((id, i) => (id === LEAVE ? [] : named(`sequence[${i}]`, id))),
    ...ramps.flatMap(({ figure, way }, i) =>
      rampWays(figure).includes(way)
        ? []
        : [
            {
              path: `${path}.ramps[${i}].way`,
              message:
                'How far rows lie apart cannot change along a row. Let it change upwards, or choose another figure.',
            },
          ],
    ),
    ...(dropout ? named('dropout.formulaId', dropout.formulaId) : []),
  ]
}

/** A stage can only work on what a stage before it took or left; not on its own, nor on a later one's. */
function checkWorksOn({ name, worksOn }: Stage, before: readonly Stage[], path: string): PlanProblem[] {
  if (!worksOn || worksOn.kind === 'everything' || before.some(({ id }) => id === worksOn.stageId)) return []
  return [
    {
      path: `${path}.worksOn.stageId`,
      message: `${name} works on what another stage left, but no stage before it has that name. Choose an earlier stage, or let it work on everything.`,
    },
  ]
}

function headOf(plan: FaltoPlan, problems: PlanProblem[]): Head | undefined {
  try {
    return createHead(plan.head)
  } catch (error) {
    if (!(error instanceof HeadMeasureError)) throw error
    problems.push({ path: `head.${error.field}`, message: error.message })
    return undefined
  }
}
