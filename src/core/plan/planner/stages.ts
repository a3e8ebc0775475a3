import { scalpArea, type Head } from '../../scalp/head'
import {
  activeVariant,
  byId,
  hairAt,
  indexPlan,
  learnedIn,
  type FaltoPlan,
  type Selection,
  type Stage,
} from '../../model'
import { foilsOf, siteFor } from '../../placement/foils'
import {
  bowlRulesFor,
  formulaGrams,
  methodOf,
  pieceGrams,
  pieceSeconds,
  secondsRange,
  zoneSeconds,
  type Applied,
  type ComputedStages,
  type PieceUse,
  type ZoneResult,
} from '../../placement/quantity'
import type { Memory } from './memory'

/**
 * Stages 1–4: head → layout → placement → quantity, each remembered by what it depends on, so that an edit recomputes
 * only what it touches.
 * @throws HeadMeasureError, TooManyPiecesError
 */
export function computeStages(plan: FaltoPlan, memory: Memory): ComputedStages {
  const head = memory.head(plan.head)
  const { leadOf } = indexPlan(plan)
  const mixes: Mixes = new Map(
    plan.formulas.map((formula) => [formula.id, { kind: leadOf(formula).kind, consistency: formula.consistency }]),
  )
  const { stages } = activeVariant(plan)
  const zones: ZoneResult[] = []
  for (const stage of stages)
    zones.push(...computeStage(plan, head, stage, mixes, stageShare(plan, head, stage, zones, memory), memory))
  const pieces = zones.flatMap((zone) => zone.placement.pieces)
  const uses = usesByFormula(plan, stages, zones)
  const grams = plan.formulas.map((formula) =>
    formulaGrams(
      formula.id,
      uses.get(formula.id) ?? [],
      bowlRulesFor(formula, leadOf(formula), plan.hair),
      learnedIn(plan.learned, 'load', leadOf(formula).kind),
    ),
  )
  // Every stage has all of the head's hair in its zones.
  const hairs = zones.reduce((sum, zone) => sum + zone.hair.hairs, 0) / stages.length
  return {
    head,
    scalpArea: scalpArea(head),
    zones,
    pieces,
    foilCount: foilsOf(pieces),
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
  memory: Memory,
): StageShare | undefined {
  if (!worksOn || worksOn.kind === 'everything') return undefined
  const earlier = before.filter(({ stageId }) => stageId === worksOn.stageId)
  const placements = earlier.map(({ placement }) => placement)
  const pieces = placements.flatMap((placement) => placement.pieces)
  const name = memory.nameOfAll(placements)
  const taken = memory.taken(name, head, plan.hair, pieces)
  return {
    name: `${worksOn.kind}${name}`,
    share: worksOn.kind === 'took' ? taken : taken.map((share) => 1 - share),
  }
}

/** What is mixed under each letter. */
type Mixes = ReadonlyMap<string, Pick<Applied, 'kind' | 'consistency'>>

function computeStage(
  plan: FaltoPlan,
  head: Head,
  stage: Stage,
  mixes: Mixes,
  share: StageShare | undefined,
  memory: Memory,
): ZoneResult[] {
  const headKey = memory.nameOfText(JSON.stringify(plan.head))
  const here = hairAt(plan, stage)
  const hairKey = memory.nameOfText(JSON.stringify([here, plan.foils]))
  const mapKey = plan.hairMap ? memory.nameOfText(JSON.stringify(plan.hairMap)) : ''
  const edges = new Map(stage.layout.edges.map((edge) => [edge.id, edge]))
  const vertices = new Map(stage.layout.vertices.map((vertex) => [vertex.id, vertex]))
  return stage.order.map((id) => {
    const zone = byId(stage.zones, id)
    // A zone's shape depends on its own partings alone, so moving one leaves the other zones as they are.
    const around = zone.boundary.map(({ edge }) => edges.get(edge)!)
    const ends = new Set(around.flatMap(({ from, to }) => [from, to]))
    const shapeKey = memory.nameOfText(
      `${headKey}/${id}/${JSON.stringify([zone.boundary, around, [...ends].map((end) => vertices.get(end))])}`,
    )
    const shape = memory.shape(shapeKey, head, stage, zone)
    const { direction, angleDeg } = zone.placement
    const fieldKey = `${shapeKey}/${direction}/${direction.startsWith('diagonal') ? angleDeg : ''}`
    const field = memory.field(fieldKey, shape, zone.placement)
    const hair = memory.hair(`${shapeKey}/${hairKey}`, head, here, shape)
    const placementKey = `${fieldKey}/${hairKey}/${stage.id}/${share?.name ?? ''}/${mapKey}/${JSON.stringify(zone.placement)}`
    const siteOf = (select: Selection) => siteFor(head, here, select, share?.share, plan.hairMap)
    const { foils } = plan
    const placement = memory.placement(placementKey, stage.id, shape.id, field, zone.placement, { hair, siteOf, foils })
    const used = placement.pieces.length > 0
    const how = placement.pieces.map((piece) => {
      const { kind, consistency } = mixes.get(piece.formulaId)!
      return { kind, consistency, method: methodOf(stage, kind, piece) }
    })
    const grams = placement.pieces.map((piece, i) => pieceGrams(piece, how[i]!, here, plan.learned))
    const seconds = placement.pieces.map((piece, i) => pieceSeconds(piece, how[i]!.method, plan.learned))
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
