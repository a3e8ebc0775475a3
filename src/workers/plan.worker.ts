import { expose } from 'comlink'
import { applyPatches, enablePatches, type Patch } from 'immer'
import { HeadMeasureError, localScale, mapFromPlace, placeFromMap, regionAt } from '@/core/scalp/head'
import { insidePolygon } from '@/core/placement/layout'
import { knowSeen } from '@/core/appearance/coarse'
import type { Canvas, FaltoPlan, HairState, MapPoint, PlanPatch, SeenCells } from '@/core/model'
import {
  checkPlan,
  createPlanner,
  derivationsOf,
  judgedFigures,
  judgePlan,
  planFigures,
  stageFigures,
  type Derivations,
  type JudgedFigures,
  type PlanFigures,
  type PlanProblem,
  type StageFigures,
} from '@/core/plan/planner'
import { paintRamp, pieceOutline, TooManyPiecesError, type PaintedRamp, type ZoneRamp } from '@/core/placement/foils'
import type { ComputedStages } from '@/core/placement/quantity'
import type { Surface } from '@/core/product/formula'
import { surfacesOf } from '@/core/time/fold'
import {
  headModel,
  mapDrawing,
  type HeadModel,
  type MapDetail,
  type MapDrawing,
  type PieceDrawing,
  type ZoneDrawing,
} from '@/core/plan/sheets'

export interface Answer {
  figures: StageFigures
  /** A zone that is drawn as in the answer before is sent by its id alone. */
  drawing: Omit<MapDrawing, 'zones'> & { zones: (ZoneDrawing | { id: string; same: true })[] }
}

/** What follows an answer once no newer plan waits: it is not needed while a hand still moves. */
export interface Judged {
  figures: JudgedFigures
  derivations: Derivations
  /** What each formula goes on, as the stages before left it. */
  surfaces: Record<string, Surface[]>
}

/** What lies under the pointer. */
export interface Probe {
  region: string
  /** Map cm per true cm along and across the meridian. */
  along: number
  across: number
  /** Angle of the meridian on the map, rad, clockwise from the right. */
  angle: number
  /** The foil, panel or parting there, and its place in the order of application of the whole plan. */
  piece: (PieceDrawing & { turn: number }) | undefined
}

enablePatches()
const { computePlan, computeStages, fold } = createPlanner()

/** The hair as it was recorded last. */
let recorded: Canvas | undefined

/** The plan as it was last sent, whether it could be computed or not. */
let sent: FaltoPlan | undefined
/** The plan in hand as it was last computed, and its drawing, of which the other side still has the zones. */
let inHand: { plan: FaltoPlan; stages: ComputedStages; drawing: MapDrawing } | undefined

function onlyChanges(drawing: MapDrawing, before: MapDrawing | undefined): Answer['drawing'] {
  const known = new Set(before?.zones)
  return { ...drawing, zones: drawing.zones.map((zone) => (known.has(zone) ? { id: zone.id, same: true } : zone)) }
}

function pieceAt(point: MapPoint, stageId: string): Probe['piece'] {
  if (!inHand) return undefined
  const { stages, drawing } = inHand
  for (const [i, { zoneId, stageId: own, placement, shape }] of stages.zones.entries()) {
    if (own !== stageId || !insidePolygon(point, shape.outline)) continue
    const at = placement.pieces.findIndex((piece) => insidePolygon(point, pieceOutline(piece)))
    return at < 0 ? undefined : { ...drawing.zones[i]!.pieces[at]!, turn: drawing.firstTurns[zoneId]! + at }
  }
  return undefined
}

const api = {
  /** What is seen of such hair, so that it need not be counted here. */
  knowSeen(hair: HairState, seen: SeenCells): void {
    knowSeen(hair, seen)
  },
  /** The hair as it was recorded last, for all plans from now on: a record is too long to come with every edit. */
  knowHair(canvas: Canvas): void {
    recorded = canvas
  },
  /**
   * Figures and drawing of a plan, or what is wrong with it.
   * @param patches what differs from the plan sent before, at first the whole of it: copying all of a plan at every
   * move of a hand would cost as much as computing it
   */
  compute(
    patches: readonly PlanPatch[],
    detail: MapDetail,
  ): { ok: true; answer: Answer } | { ok: false; problems: PlanProblem[] } {
    const plan = applyPatches(sent ?? {}, patches as readonly Patch[]) as FaltoPlan
    sent = plan
    try {
      const stages = computeStages(plan)
      const drawing = mapDrawing(plan, stages, detail)
      const answer = { figures: stageFigures(plan, stages), drawing: onlyChanges(drawing, inHand?.drawing) }
      inHand = { plan, stages, drawing }
      return { ok: true, answer }
    } catch (error) {
      if (error instanceof TooManyPiecesError) return { ok: false, problems: [{ path: '', message: error.message }] }
      const problems = checkPlan(plan)
      if (problems.length === 0 && !(error instanceof HeadMeasureError)) throw error
      return { ok: false, problems }
    }
  },
  /** Look, cautions, advice and what every total came from, of the plan in hand. */
  judge(): Judged | undefined {
    if (!inHand) return undefined
    const { plan, stages } = inHand
    const folded = fold(plan, stages, recorded)
    const computed = { ...stages, ...judgePlan(plan, stages, folded) }
    return {
      figures: judgedFigures(plan, computed),
      derivations: derivationsOf(plan, computed),
      surfaces: surfacesOf(plan, stages, folded),
    }
  },
  /**
   * Local scale and name of a place of the plan in hand, and the piece there; undefined off the scalp. `point` has y
   * downwards, as on screen.
   */
  probe(point: MapPoint, stageId: string): Probe | undefined {
    if (!inHand) return undefined
    const { head } = inHand.stages
    const onMap = { x: point.x, y: -point.y }
    const place = placeFromMap(head, onMap)
    if (place.s > 1) return undefined
    const edge = mapFromPlace(head, { ...place, s: 1 })
    return {
      region: regionAt(place),
      ...localScale(head, onMap),
      angle: Math.atan2(-edge.y, edge.x),
      piece: pieceAt(onMap, stageId),
    }
  },
  /**
   * What a ramp drawn over the map makes of a figure in the zones of a stage. The line has y downwards, as on screen.
   */
  paintRamp({ line: [start, end], from, to }: PaintedRamp, stageId: string, only: readonly string[]): ZoneRamp[] {
    const upright = ({ x, y }: MapPoint): MapPoint => ({ x, y: -y })
    return paintRamp(
      inHand?.stages.zones.filter((zone) => zone.stageId === stageId) ?? [],
      { line: [upright(start), upright(end)], from, to },
      only,
    )
  },
  /** The head in space of the plan in hand. */
  model(): HeadModel | undefined {
    if (!inHand) return undefined
    // Copied, not handed over: the bust is remembered here for the next edit.
    return headModel(inHand.stages)
  },
  /** Figures alone, for a variant that is held against the one in hand; on the same hair. */
  figures(plan: FaltoPlan): PlanFigures {
    return planFigures(plan, computePlan(plan, recorded))
  },
  /** The flat map of a plan, whole: for plans that are only looked at. */
  drawing(plan: FaltoPlan): MapDrawing {
    return mapDrawing(plan, computeStages(plan))
  },
}

export type PlanWorker = typeof api
expose(api)
