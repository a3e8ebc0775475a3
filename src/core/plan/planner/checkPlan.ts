import { createHead, HeadMeasureError, type Head } from '../../scalp/head'
import { checkStage } from '../../placement/layout'
import { isCompanion, LEAVE, type FaltoPlan } from '../../model'
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
  const products = new Set(plan.products.map(({ id }) => id))
  const formulas = new Set(plan.formulas.map(({ id }) => id))
  if (products.size < plan.products.length)
    problems.push({ path: 'products', message: 'Two products have the same id.' })
  if (formulas.size < plan.formulas.length)
    problems.push({ path: 'formulas', message: 'Two formulas have the same letter.' })
  plan.formulas.forEach((formula, i) => {
    const noProduct = (field: string, id: string) =>
      problems.push({ path: `formulas[${i}].${field}`, message: `There is no product "${id}" in this plan.` })
    if (!products.has(formula.productId)) noProduct('productId', formula.productId)
    else if (isCompanion(plan.products.find(({ id }) => id === formula.productId)!.kind))
      problems.push({
        path: `formulas[${i}].productId`,
        message: 'A developer or an additive cannot be a formula alone. Choose what it is mixed with.',
      })
    for (const [field, list] of [
      ['shades', formula.shades],
      ['additives', formula.additives],
    ] as const)
      list?.forEach(({ productId }, k) => {
        if (!products.has(productId)) noProduct(`${field}[${k}].productId`, productId)
      })
  })
  if (new Set(plan.variants.map(({ id }) => id)).size < plan.variants.length)
    problems.push({ path: 'variants', message: 'Two variants have the same id.' })
  if (!plan.variants.some(({ id }) => id === plan.activeVariantId))
    problems.push({ path: 'activeVariantId', message: 'There is no variant with this id.' })
  plan.variants.forEach((variant, v) =>
    variant.stages.forEach((stage, s) => {
      const path = `variants[${v}].stages[${s}]`
      stage.zones.forEach((zone, z) => {
        const noFormula = (field: string, id: string) =>
          problems.push({
            path: `${path}.zones[${z}].placement.${field}`,
            message: `There is no formula "${id}" in this plan.`,
          })
        zone.placement.sequence.forEach((id, i) => {
          if (id !== LEAVE && !formulas.has(id)) noFormula(`sequence[${i}]`, id)
        })
        zone.placement.ramps?.forEach(({ figure, way }, i) => {
          if (!rampWays(figure).includes(way))
            problems.push({
              path: `${path}.zones[${z}].placement.ramps[${i}].way`,
              message:
                'How far rows lie apart cannot change along a row. Let it change upwards, or choose another figure.',
            })
        })
        const { dropout } = zone.placement
        if (dropout && !formulas.has(dropout.formulaId)) noFormula('dropout.formulaId', dropout.formulaId)
      })
      const { worksOn } = stage
      if (
        worksOn &&
        worksOn.kind !== 'everything' &&
        !variant.stages.slice(0, s).some(({ id }) => id === worksOn.stageId)
      )
        problems.push({
          path: `${path}.worksOn.stageId`,
          message: `${stage.name} works on what another stage left, but no stage before it has that name. Choose an earlier stage, or let it work on everything.`,
        })
      if (head)
        problems.push(
          ...checkStage(head, stage).map((problem) => ({ path: `${path}.${problem.path}`, message: problem.message })),
        )
    }),
  )
  return problems
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
