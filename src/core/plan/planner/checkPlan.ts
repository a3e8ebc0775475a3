import { createHead, HeadMeasureError, type Head } from '../../scalp/head'
import { checkCanvas } from '../../hair/hairRecord'
import { checkStage } from '../../placement/layout'
import {
  entryOf,
  isCompanion,
  lettersOf,
  shortestLabel,
  type FaltoPlan,
  type Formula,
  type Placement,
  type Stage,
  type Stretch,
} from '../../model'
import { rampWays } from '../../placement/foils'

/** A law that a document breaks, at a path such as `variants[0].stages[0].zones[2].placement.sequence[1]`. */
export interface PlanProblem {
  path: string
  message: string
}

/**
 * Checks what no single field can tell: names that must exist, measures that must fit each other, zones that must cover
 * the scalp once. Fields are taken to have passed the document's schema.
 * @param passed a document that was found in order and shares with this one what was not edited: zones that lie on the
 *   head as they did there are not measured again, which is most of the work
 * @returns all problems in document order; empty when the plan can be computed
 */
export function checkPlan(plan: FaltoPlan, passed?: FaltoPlan): PlanProblem[] {
  const problems: PlanProblem[] = []
  const isMeasured = (stage: Stage) => passed !== undefined && plan.head === passed.head && liesAsIn(passed, stage)
  const isAllMeasured = plan.variants.every(({ stages }) => stages.every(isMeasured))
  const head = isAllMeasured ? undefined : headOf(plan, problems)
  const formulas = new Set(plan.formulas.map(({ id }) => id))
  return [
    ...problems,
    ...(plan.canvas ? checkCanvas(plan.canvas).map((problem) => within('canvas', problem)) : []),
    ...checkNames(plan),
    ...checkFoils(plan),
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
          ...checkRelations(stage, s, stages, path),
          ...checkLasts(plan, stage, path),
          ...(head && !isMeasured(stage) ? checkStage(head, stage).map((problem) => within(path, problem)) : []),
        ]
      }),
    ),
  ]
}

/** Whether a plan has a stage whose zones lie like this one's: the very same partings, outlines and order. */
const liesAsIn = ({ variants }: FaltoPlan, { layout, zones, order }: Stage): boolean =>
  variants.some(({ stages }) =>
    stages.some(
      (other) =>
        other.layout === layout &&
        other.order === order &&
        other.zones.length === zones.length &&
        other.zones.every(({ id, boundary }, i) => id === zones[i]!.id && boundary === zones[i]!.boundary),
    ),
  )

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
    ...sequence.flatMap((entry, i) =>
      typeof entry === 'string'
        ? lettersOf(entry).flatMap((id) => named(`sequence[${i}]`, id))
        : entry.stretches.flatMap(({ formulaId }, k) => named(`sequence[${i}].stretches[${k}].formulaId`, formulaId)),
    ),
    ...sequence.flatMap((entry, i) =>
      checkStretches(entryOf(entry).stretches).map((problem) => within(`${path}.sequence[${i}]`, problem)),
    ),
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

/** Stretches lie one behind the other along the strand, none inside another. */
function checkStretches(stretches: readonly Stretch[]): PlanProblem[] {
  return stretches.flatMap(({ fromCm, toCm }, k): PlanProblem[] => {
    const before = stretches[k - 1]
    const path = `stretches[${k}]`
    if (fromCm !== undefined && toCm !== undefined && toCm <= fromCm)
      return [{ path: `${path}.toCm`, message: `This stretch ends at ${toCm} cm but begins at ${fromCm} cm.` }]
    if (!before) return []
    const end = before.toCm ?? before.fromCm
    if (before.toCm === undefined && fromCm === undefined)
      return [{ path: `${path}.fromCm`, message: 'Say where this stretch begins, or where the one before it ends.' }]
    if (fromCm !== undefined && end !== undefined && fromCm < end)
      return [
        {
          path: `${path}.fromCm`,
          message: `This stretch begins at ${fromCm} cm, inside the one before it, which goes to ${end} cm.`,
        },
      ]
    if (fromCm === undefined && toCm !== undefined && toCm <= before.toCm!)
      return [
        { path: `${path}.toCm`, message: `This stretch ends at ${toCm} cm, before it begins at ${before.toCm} cm.` },
      ]
    return []
  })
}

/** Ready lengths of foil are named from the shortest on. */
const checkFoils = ({ foils }: FaltoPlan): PlanProblem[] =>
  foils?.lengthsCm.every((cm, i, all) => i === 0 || cm > all[i - 1]!) === false
    ? [{ path: 'foils.lengthsCm', message: 'Name the lengths of foil from the shortest to the longest.' }]
    : []

/** A stage begins on an earlier one, and what comes off together ends in one rinse, not in a circle. */
function checkRelations(
  { id, name, begins, comesOff }: Stage,
  index: number,
  stages: readonly Stage[],
  path: string,
): PlanProblem[] {
  const problems: PlanProblem[] = []
  if (begins && !stages.slice(0, index).some((stage) => stage.id === begins.stageId))
    problems.push({
      path: `${path}.begins.stageId`,
      message: `${name} begins after a stage that does not come before it. Choose an earlier stage, or let it begin after the one before it is rinsed.`,
    })
  if (begins?.kind === 'minutesAfter' && begins.minutes === undefined)
    problems.push({
      path: `${path}.begins.minutes`,
      message: `Say how many minutes after the other stage ${name} begins.`,
    })
  if (comesOff?.kind !== 'together') return problems
  const field = `${path}.comesOff.stageId`
  const met = new Set([id])
  let other = stages.find((stage) => stage.id === comesOff.stageId)
  if (!other || other.id === id)
    return [
      ...problems,
      { path: field, message: `${name} comes off together with a stage that is not there. Choose another one.` },
    ]
  while (other) {
    if (met.has(other.id))
      return [
        ...problems,
        {
          path: field,
          message: `${name} and ${other.name} each wait for the other to come off. Give one of them its own rinse.`,
        },
      ]
    met.add(other.id)
    const next: Stage['comesOff'] = other.comesOff
    other = next?.kind === 'together' ? stages.find((stage) => stage.id === next.stageId) : undefined
  }
  return problems
}

/** What is planned to last has to end by the label of everything that is worked with. */
function checkLasts(plan: FaltoPlan, stage: Stage, path: string): PlanProblem[] {
  const { name, lasts } = stage
  if (!lasts) return []
  const shortest = shortestLabel(plan, stage)
  if (!shortest || lasts.minutes <= shortest.maximumMinutes) return []
  return [
    {
      path: `${path}.lasts.minutes`,
      message: `${name} lasts ${lasts.minutes} min, but the label of ${shortest.name} ends at ${shortest.maximumMinutes} min.`,
    },
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
