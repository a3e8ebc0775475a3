import { adviceFor, cautionsFor } from '../advice'
import { lookOf, type Look } from '../appearance'
import { createHead, scalpArea, type Head } from '../head'
import { shapeZones, type ZoneShape } from '../layout'
import type { Advice, Caution, FaltoPlan, HairState, HeadMeasures, Placement, Stage } from '../model'
import { createField, placeZone, siteFor, takenShareByCell, zoneHair, type PartingField, type Piece, type Site, type ZoneHair } from '../placement'
import { formulaGrams, pieceGrams, pieceSeconds, secondsRange, zoneSeconds } from '../quantity'
import type { ComputedStages, ZoneResult } from '../result'
import { memoByKey } from './memo'

/** A whole plan, computed and not rounded. */
export interface ComputedPlan extends ComputedStages {
  look: Look
  cautions: Caution[]
  advice: Advice[]
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
  const { stages } = activeVariant(plan)
  const zones: ZoneResult[] = []
  for (const stage of stages) zones.push(...computeStage(plan, head, stage, kinds, stageShare(plan, head, stage, zones)))
  const pieces = zones.flatMap((zone) => zone.placement.pieces)
  const grams = plan.formulas.map((formula) =>
    formulaGrams(
      formula.id,
      zones.flatMap((zone) => zone.grams.filter((_, i) => zone.placement.pieces[i]!.formulaId === formula.id)),
    ),
  )
  // Every stage has all of the head's hair in its zones.
  const hairs = zones.reduce((sum, zone) => sum + zone.hair.hairs, 0) / stages.length
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
  const look = lookOf(plan, stages, computed)
  // Over several stages the same hair may be taken more than once; what nothing reaches is then the look's to tell.
  if (stages.length > 1) computed.shareLeft = look.left
  return { ...computed, look, cautions: cautionsFor(plan, computed), advice: adviceFor(plan, stages, computed, look) }
}

/** What a stage finds to work on, where that is not everything: share of each scalp cell's hair, and its name for memory. */
interface StageShare {
  name: string
  share: Float64Array
}

function stageShare(plan: FaltoPlan, head: Head, { worksOn }: Stage, before: readonly ZoneResult[]): StageShare | undefined {
  if (!worksOn || worksOn.kind === 'everything') return undefined
  const earlier = before.filter(({ stageId }) => stageId === worksOn.stageId)
  const placements = earlier.map(({ placement }) => placement)
  const pieces = placements.flatMap((placement) => placement.pieces)
  const taken = shareFor(head, plan.hair, pieces, placements)
  return { name: `${worksOn.kind}${nameOf(placements)}`, share: worksOn.kind === 'took' ? taken : taken.map((share) => 1 - share) }
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

function computeStage(plan: FaltoPlan, head: Head, stage: Stage, kinds: Map<string, FaltoPlan['products'][number]['kind']>, share: StageShare | undefined): ZoneResult[] {
  const headKey = JSON.stringify(plan.head)
  const layoutKey = shortName(headKey + JSON.stringify([stage.layout.vertices, stage.layout.edges, stage.zones.map(({ id, boundary }) => [id, boundary])]))
  const shapes = new Map(shapesFor(head, stage, layoutKey).map((shape) => [shape.id, shape]))
  const hairKey = JSON.stringify(plan.hair)
  const mapKey = plan.hairMap ? shortName(JSON.stringify(plan.hairMap)) : ''
  return stage.order.map((id) => {
    const zone = stage.zones.find((candidate) => candidate.id === id)!
    const shape = shapes.get(id)!
    const { direction, angleDeg } = zone.placement
    const shapeKey = `${layoutKey}/${id}`
    const fieldKey = `${shapeKey}/${direction}/${direction.startsWith('diagonal') ? angleDeg : ''}`
    const field = fieldFor(shape, zone.placement, fieldKey)
    const hair = hairFor(head, plan.hair, shape, `${shapeKey}/${hairKey}`)
    const placementKey = `${fieldKey}/${hairKey}/${stage.id}/${share?.name ?? ''}/${mapKey}/${JSON.stringify(zone.placement)}`
    const site = () => siteFor(head, plan.hair, zone.placement.select, share?.share, plan.hairMap)
    const placement = placementFor(stage.id, shape, field, zone.placement, hair, site, placementKey)
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
  (stageId: string, shape: ZoneShape, field: PartingField, placement: Placement, hair: ZoneHair, site: () => Site, _key: string) =>
    placeZone(stageId, shape.id, field, placement, hair, site()),
  (_stageId, _shape, _field, _placement, _hair, _site, key) => key,
  400,
)
const shareFor = memoByKey(
  (head: Head, hair: HairState, pieces: readonly Piece[], _placements: readonly object[]) => takenShareByCell(head, hair, pieces),
  (_head, _hair, _pieces, placements) => nameOf(placements),
  24,
)

/** Forgets every remembered result except the heads. For measuring only. */
export function forgetAllButHeads(): void {
  for (const memo of [shapesFor, fieldFor, hairFor, placementFor, shareFor]) memo.clear()
}
