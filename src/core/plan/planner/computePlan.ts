import { adviceFor, cautionsFor } from '../../judgement/advice'
import { lookOf, type Look } from '../../judgement/look'
import { createHead, scalpArea, type Head } from '../../scalp/head'
import { shapeZone, type ZoneShape } from '../../placement/layout'
import {
  activeVariant,
  type Advice,
  type Caution,
  type FaltoPlan,
  type HairState,
  type HeadMeasures,
  type Placement,
  type Stage,
  type Zone,
} from '../../model'
import { mixPlan, type FormulaMix } from '../../product/bowls'
import {
  createField,
  placeZone,
  siteFor,
  takenShareByCell,
  zoneHair,
  type PartingField,
  type Piece,
  type Site,
  type ZoneHair,
} from '../../placement/foils'
import {
  bowlRulesFor,
  formulaGrams,
  pieceGrams,
  pieceSeconds,
  secondsRange,
  zoneSeconds,
  type PieceUse,
  type ComputedStages,
  type ZoneResult,
} from '../../placement/quantity'
import { memoByKey } from './memo'

/** A whole plan, computed and not rounded. */
export interface ComputedPlan extends ComputedStages, Judgement {}

/** What is read from the computed stages: how it will look, what to beware of, what could be better. */
export interface Judgement {
  look: Look
  /** Share of the head's hairs that nothing reaches. */
  shareLeft: number
  cautions: Caution[]
  advice: Advice[]
  /** What is mixed, formula by formula. */
  mixes: FormulaMix[]
}

/** Everything about a plan. @throws HeadMeasureError, TooManyPiecesError */
export function computePlan(plan: FaltoPlan): ComputedPlan {
  const computed = computeStages(plan)
  return { ...computed, ...judgePlan(plan, computed) }
}

/**
 * Stages 1–4: head → layout → placement → quantity, each remembered by what it depends on, so that an edit recomputes
 * only what it touches.
 * @throws HeadMeasureError, TooManyPiecesError
 */
export function computeStages(plan: FaltoPlan): ComputedStages {
  const head = headFor(plan.head)
  const kinds = new Map(
    plan.formulas.map((formula) => [formula.id, plan.products.find(({ id }) => id === formula.productId)!.kind]),
  )
  const { stages } = activeVariant(plan)
  const zones: ZoneResult[] = []
  for (const stage of stages)
    zones.push(...computeStage(plan, head, stage, kinds, stageShare(plan, head, stage, zones)))
  const pieces = zones.flatMap((zone) => zone.placement.pieces)
  const uses = usesByFormula(plan, stages, zones)
  const grams = plan.formulas.map((formula) =>
    formulaGrams(
      formula.id,
      uses.get(formula.id) ?? [],
      bowlRulesFor(
        formula,
        plan.products.find(({ id }) => id === formula.productId)!,
        plan.hair,
      ),
    ),
  )
  // Every stage has all of the head's hair in its zones.
  const hairs = zones.reduce((sum, zone) => sum + zone.hair.hairs, 0) / stages.length
  return {
    head,
    scalpArea: scalpArea(head),
    zones,
    pieces,
    foilCount: pieces.filter((piece) => piece.kind === 'foil').length,
    grams,
    handsOn: secondsRange(zones.reduce((sum, zone) => sum + zone.handsOn, 0)),
    hairs,
    shareByFormula: Object.fromEntries(
      plan.formulas.map(({ id }) => [
        id,
        zones.reduce((sum, zone) => sum + (zone.placement.takenByFormula[id] ?? 0) * zone.hair.hairs, 0) / hairs,
      ]),
    ),
  }
}

/**
 * Every piece under the letter it gets, with when it is laid: one pair of hands, stage after stage from the start of
 * each.
 */
function usesByFormula(
  plan: FaltoPlan,
  stages: readonly Stage[],
  zones: readonly ZoneResult[],
): Map<string, PieceUse[]> {
  const uses = new Map<string, PieceUse[]>()
  const clock = new Map<string, number>()
  let piece = 0
  for (const { stageId, placement, grams, seconds } of zones) {
    const stage = stages.findIndex(({ id }) => id === stageId)
    let at = (clock.get(stageId) ?? 0) + (placement.pieces.length > 0 ? zoneSeconds(plan.learned) : 0)
    placement.pieces.forEach(({ formulaId }, i) => {
      const use = { stage, piece: piece++, grams: grams[i]!, from: at, to: at + seconds[i]! }
      const own = uses.get(formulaId)
      if (own) own.push(use)
      else uses.set(formulaId, [use])
      at += seconds[i]!
    })
    clock.set(stageId, at)
  }
  return uses
}

/** Looks at computed stages as a colourist would. */
export function judgePlan(plan: FaltoPlan, computed: ComputedStages): Judgement {
  const { stages } = activeVariant(plan)
  const look = lookOf(plan, stages, computed)
  // Over several stages the same hair may be taken more than once; what nothing reaches is then the look's to tell.
  const shareLeft =
    stages.length > 1
      ? look.left
      : Math.max(0, 1 - Object.values(computed.shareByFormula).reduce((sum, share) => sum + share, 0))
  return {
    look,
    shareLeft,
    cautions: cautionsFor(plan, computed),
    advice: adviceFor(plan, stages, computed, look),
    mixes: mixPlan(plan, computed),
  }
}

/**
 * What a stage finds to work on, where that is not everything: share of each scalp cell's hair, and its name for
 * memory.
 */
interface StageShare {
  name: string
  share: Float64Array
}

function stageShare(
  plan: FaltoPlan,
  head: Head,
  { worksOn }: Stage,
  before: readonly ZoneResult[],
): StageShare | undefined {
  if (!worksOn || worksOn.kind === 'everything') return undefined
  const earlier = before.filter(({ stageId }) => stageId === worksOn.stageId)
  const placements = earlier.map(({ placement }) => placement)
  const pieces = placements.flatMap((placement) => placement.pieces)
  const taken = shareFor(head, plan.hair, pieces, placements)
  return {
    name: `${worksOn.kind}${nameOf(placements)}`,
    share: worksOn.kind === 'took' ? taken : taken.map((share) => 1 - share),
  }
}

/** A name for the very placements an earlier stage has, which keep their identity while nothing in them changes. */
const placementNames = new WeakMap<object, number>()
let placementsNamed = 0
function nameOf(placements: readonly object[]): string {
  return placements
    .map((placement) => {
      if (!placementNames.has(placement)) placementNames.set(placement, placementsNamed++)
      return placementNames.get(placement)
    })
    .join()
}

function computeStage(
  plan: FaltoPlan,
  head: Head,
  stage: Stage,
  kinds: Map<string, FaltoPlan['products'][number]['kind']>,
  share: StageShare | undefined,
): ZoneResult[] {
  const headKey = shortName(JSON.stringify(plan.head))
  const hairKey = shortName(JSON.stringify(plan.hair))
  const mapKey = plan.hairMap ? shortName(JSON.stringify(plan.hairMap)) : ''
  const edges = new Map(stage.layout.edges.map((edge) => [edge.id, edge]))
  const vertices = new Map(stage.layout.vertices.map((vertex) => [vertex.id, vertex]))
  return stage.order.map((id) => {
    const zone = stage.zones.find((candidate) => candidate.id === id)!
    // A zone's shape depends on its own partings alone, so moving one leaves the other zones as they are.
    const around = zone.boundary.map(({ edge }) => edges.get(edge)!)
    const ends = new Set(around.flatMap(({ from, to }) => [from, to]))
    const shapeKey = shortName(
      `${headKey}/${id}/${JSON.stringify([zone.boundary, around, [...ends].map((end) => vertices.get(end))])}`,
    )
    const shape = shapeFor(head, stage, zone, shapeKey)
    const { direction, angleDeg } = zone.placement
    const fieldKey = `${shapeKey}/${direction}/${direction.startsWith('diagonal') ? angleDeg : ''}`
    const field = fieldFor(shape, zone.placement, fieldKey)
    const hair = hairFor(head, plan.hair, shape, `${shapeKey}/${hairKey}`)
    const placementKey = `${fieldKey}/${hairKey}/${stage.id}/${share?.name ?? ''}/${mapKey}/${JSON.stringify(zone.placement)}`
    const site = () => siteFor(head, plan.hair, zone.placement.select, share?.share, plan.hairMap)
    const placement = placementFor(stage.id, shape, field, zone.placement, hair, site, placementKey)
    const used = placement.pieces.length > 0
    const grams = placement.pieces.map((piece) =>
      pieceGrams(piece, kinds.get(piece.formulaId)!, plan.hair, plan.learned),
    )
    const seconds = placement.pieces.map((piece) => pieceSeconds(piece, plan.learned))
    return {
      stageId: stage.id,
      zoneId: id,
      name: zone.name,
      shape,
      field,
      placement,
      hair,
      grams,
      seconds,
      handsOn: used ? seconds.reduce((sum, value) => sum + value, 0) + zoneSeconds(plan.learned) : 0,
    }
  })
}

/** Short names for long keys, which would otherwise be part of the key of every zone. */
let named = 0
const shortName = memoByKey(
  (_key: string) => String(named++),
  (key) => key,
  400,
)
const headFor = memoByKey(
  (measures: HeadMeasures) => createHead(measures),
  (measures) => JSON.stringify(measures),
  8,
)
const shapeFor = memoByKey(
  (head: Head, stage: Stage, zone: Zone, _key: string) => shapeZone(head, stage.layout, zone),
  (_head, _stage, _zone, key) => key,
  400,
)
const fieldFor = memoByKey(
  (shape: ZoneShape, placement: Placement, _key: string) => createField(shape, placement.direction, placement.angleDeg),
  (_shape, _placement, key) => key,
  200,
)
const hairFor = memoByKey(
  (head: Head, hair: HairState, shape: ZoneShape, _key: string) => zoneHair(head, hair, shape),
  (_head, _hair, _shape, key) => key,
  200,
)
const placementFor = memoByKey(
  (
    stageId: string,
    shape: ZoneShape,
    field: PartingField,
    placement: Placement,
    hair: ZoneHair,
    site: () => Site,
    _key: string,
  ) => placeZone(stageId, shape.id, field, placement, hair, site()),
  (_stageId, _shape, _field, _placement, _hair, _site, key) => key,
  400,
)
const shareFor = memoByKey(
  (head: Head, hair: HairState, pieces: readonly Piece[], _placements: readonly object[]) =>
    takenShareByCell(head, hair, pieces),
  (_head, _hair, _pieces, placements) => nameOf(placements),
  24,
)

/** Forgets every remembered result except the heads. For measuring only. */
export function forgetAllButHeads(): void {
  for (const memo of [shapeFor, fieldFor, hairFor, placementFor, shareFor]) memo.clear()
}
