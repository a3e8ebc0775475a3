import { expose, transfer } from 'comlink'
import { HeadMeasureError, localScale, mapFromPlace, placeFromMap, regionAt } from '@/core/head'
import type { FaltoPlan, MapPoint } from '@/core/model'
import { checkPlan, computePlan, derivationsOf, planFigures, type Derivations, type PlanFigures, type PlanProblem } from '@/core/pipeline'
import { TooManyPiecesError } from '@/core/placement'
import { headModel, mapDrawing, type HeadModel, type MapDrawing, type ZoneDrawing } from '@/core/sheet'

export interface Answer {
  figures: PlanFigures
  /** A zone that is drawn as in the answer before is sent by its id alone. */
  drawing: Omit<MapDrawing, 'zones'> & { zones: (ZoneDrawing | { id: string; same: true })[] }
  derivations: Derivations
}

/** What lies under the pointer. */
export interface Probe {
  region: string
  /** Map cm per true cm along and across the meridian. */
  along: number
  across: number
  /** Angle of the meridian on the map, rad, clockwise from the right. */
  angle: number
}

/** The zones of the answer before, which is all that the other side still has. */
let sent = new Map<string, ZoneDrawing>()

function onlyChanges(drawing: MapDrawing): Answer['drawing'] {
  const before = sent
  sent = new Map(drawing.zones.map((zone) => [zone.id, zone]))
  return { ...drawing, zones: drawing.zones.map((zone) => (before.get(zone.id) === zone ? { id: zone.id, same: true } : zone)) }
}

const api = {
  /** Figures and drawing of a plan, or what is wrong with it. */
  compute(plan: FaltoPlan): { ok: true; answer: Answer } | { ok: false; problems: PlanProblem[] } {
    try {
      const computed = computePlan(plan)
      return {
        ok: true,
        answer: { figures: planFigures(plan, computed), drawing: onlyChanges(mapDrawing(plan, computed)), derivations: derivationsOf(plan, computed) },
      }
    } catch (error) {
      if (error instanceof TooManyPiecesError) return { ok: false, problems: [{ path: '', message: error.message }] }
      const problems = checkPlan(plan)
      if (problems.length === 0 && !(error instanceof HeadMeasureError)) throw error
      return { ok: false, problems }
    }
  },
  /** Local scale and name of a place; undefined off the scalp. `point` has y downwards, as on screen. */
  probe(plan: FaltoPlan, point: MapPoint): Probe | undefined {
    const { head } = computePlan(plan)
    const onMap = { x: point.x, y: -point.y }
    const place = placeFromMap(head, onMap)
    if (place.s > 1) return undefined
    const edge = mapFromPlace(head, { ...place, s: 1 })
    return { region: regionAt(place), ...localScale(head, onMap), angle: Math.atan2(-edge.y, edge.x) }
  },
  /** Figures alone, for a variant that is held against the one in hand. */
  figures(plan: FaltoPlan): PlanFigures {
    return planFigures(plan, computePlan(plan))
  },
  /** The flat map of a plan, whole: for plans that are only looked at. */
  drawing(plan: FaltoPlan): MapDrawing {
    return mapDrawing(plan, computePlan(plan))
  },
  /** The head in space. */
  model(plan: FaltoPlan): HeadModel {
    const model = headModel(computePlan(plan))
    return transfer(model, [model.surface.positions.buffer, model.surface.indices.buffer, model.hairline.buffer] as Transferable[])
  },
}

export type PlanWorker = typeof api
expose(api)
