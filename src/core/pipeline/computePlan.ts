import { cautionsFor } from '../advice'
import { createHead, scalpArea, type Head } from '../head'
import { shapeZones, type ZoneShape } from '../layout'
import type { Caution, FaltoPlan, HairState, HeadMeasures, Placement, Stage } from '../model'
import { createField, placeZone, zoneHair, type PartingField, type ZoneHair } from '../placement'
import { formulaGrams, pieceGrams, pieceSeconds, secondsRange, zoneSeconds } from '../quantity'
import type { ComputedStages, ZoneResult } from '../result'
import { memoByKey } from './memo'

/** A whole plan, computed and not rounded. */
export interface ComputedPlan extends ComputedStages {
  cautions: Caution[]
}

/** The variant a plan is computed for. @throws Error when the document names one that is not there */
export function activeVariant(plan: FaltoPlan): FaltoPlan['variants'][number] {
  const variant = plan.variants.find(({ id }) => id === plan.activeVariantId)
  if (!variant) throw new Error('The plan names an active variant that it does not hold.')
  return variant
}

/**
 * Stages 1–4: head → layout → placement → quantity, each remembered by what it depends on, so that an edit recomputes only
 * what it touches.
 * @throws HeadMeasureError
 */
export function computePlan(plan: FaltoPlan): ComputedPlan {
  const head = headFor(plan.head)
  const kinds = new Map(plan.formulas.map((formula) => [formula.id, plan.products.find(({ id }) => id === formula.productId)!.kind]))
  const zones = activeVariant(plan).stages.flatMap((stage) => computeStage(plan, head, stage, kinds))
  const pieces = zones.flatMap((zone) => zone.placement.pieces)
  const grams = plan.formulas.map((formula) =>
    formulaGrams(
      formula.id,
      zones.flatMap((zone) => zone.grams.filter((_, i) => zone.placement.pieces[i]!.formulaId === formula.id)),
    ),
  )
  const hairs = zones.reduce((sum, zone) => sum + zone.hair.hairs, 0)
  const shareByFormula = Object.fromEntries(
    plan.formulas.map(({ id }) => [
      id,
      zones.reduce((sum, zone) => sum + (zone.placement.takenByFormula[id] ?? 0) * zone.hair.hairs, 0) / hairs,
    ]),
  )
  const computed: ComputedStages = {
    head,
    scalpArea: scalpArea(head),
    zones,
    pieces,
    foilCount: pieces.filter((piece) => piece.kind === 'foil').length,
    grams,
    handsOn: secondsRange(zones.reduce((sum, zone) => sum + zone.handsOn, 0)),
    hairs,
    shareByFormula,
    shareLeft: Math.max(0, 1 - Object.values(shareByFormula).reduce((sum, share) => sum + share, 0)),
  }
  return { ...computed, cautions: cautionsFor(plan, computed) }
}

function computeStage(plan: FaltoPlan, head: Head, stage: Stage, kinds: Map<string, FaltoPlan['products'][number]['kind']>): ZoneResult[] {
  const headKey = JSON.stringify(plan.head)
  const layoutKey = shortName(headKey + JSON.stringify([stage.layout.vertices, stage.layout.edges, stage.zones.map(({ id, boundary }) => [id, boundary])]))
  const shapes = new Map(shapesFor(head, stage, layoutKey).map((shape) => [shape.id, shape]))
  const hairKey = JSON.stringify(plan.hair)
  return stage.order.map((id) => {
    const zone = stage.zones.find((candidate) => candidate.id === id)!
    const shape = shapes.get(id)!
    const { direction, angleDeg } = zone.placement
    const shapeKey = `${layoutKey}/${id}`
    const fieldKey = `${shapeKey}/${direction}/${direction.startsWith('diagonal') ? angleDeg : ''}`
    const field = fieldFor(shape, zone.placement, fieldKey)
    const hair = hairFor(head, plan.hair, shape, `${shapeKey}/${hairKey}`)
    const placementKey = `${fieldKey}/${hairKey}/${stage.id}/${JSON.stringify(zone.placement)}`
    const placement = placementFor(stage.id, shape, field, zone.placement, hair, placementKey)
    const used = placement.pieces.length > 0
    const grams = placement.pieces.map((piece) => pieceGrams(piece, kinds.get(piece.formulaId)!, plan.hair, plan.learned))
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
const shortName = memoByKey((_key: string) => String(named++), (key) => key, 32)
const headFor = memoByKey(
  (measures: HeadMeasures) => createHead(measures),
  (measures) => JSON.stringify(measures),
  8,
)
const shapesFor = memoByKey(
  (head: Head, stage: Stage, _key: string) => shapeZones(head, stage.layout, stage.zones),
  (_head, _stage, key) => key,
  8,
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
  (stageId: string, shape: ZoneShape, field: PartingField, placement: Placement, hair: ZoneHair, _key: string) =>
    placeZone(stageId, shape.id, field, placement, hair),
  (_stageId, _shape, _field, _placement, _hair, key) => key,
  400,
)

/** Forgets every remembered result except the heads. For measuring only. */
export function forgetAllButHeads(): void {
  for (const memo of [shapesFor, fieldFor, hairFor, placementFor]) memo.clear()
}
