import { useMemo } from 'react'
import {
  bridgedAnew,
  bridgesOf,
  diskFromPlace,
  DivisionError,
  edgeDrawer,
  placeOf,
  snapPoint,
  type DiskPoint,
  type Division,
  type Snap,
} from '@/core/placement/layout'
import { createHead, mapFromPlace, placeFromMap } from '@/core/scalp/head'
import type { LayoutEdge, MapPoint, Stage, Zone } from '@/core/model'
import type { MapDrawing } from '@/core/plan/sheets'
import { editStage, stageOf, usePlan, usePlanStore } from '../context'
import { divisionOf, faultOf, putIn } from './division'

/**
 * A point nearer than this to a corner, landmark or line is drawn to it, cm of the whole map; less where the map is
 * zoomed in.
 */
export const SNAP_CM = 0.7

export interface LayerProps {
  /** Map cm that stay as large on screen as one of the whole map. */
  scale: number
  drawing: MapDrawing
}

export type Partings = ReturnType<typeof usePartings>

/** The partings of the stage in hand on the plan's own head, and how they are changed. */
export function usePartings({ scale, drawing }: LayerProps) {
  const { store } = usePlanStore()
  const measures = usePlan((state) => state.document.head)
  const stage = usePlan(stageOf)
  const head = useMemo(() => createHead(measures), [measures])
  const draw = useMemo(() => edgeDrawer(head), [head])
  const lines = useMemo(() => draw(stage.layout), [draw, stage.layout])
  const toMap = ({ psiDeg, s }: { psiDeg: number; s: number }) => mapFromPlace(head, placeOf({ psiDeg, s }))
  const lineOf = (edgeId: string): readonly MapPoint[] => lines.get(edgeId)!
  const corners = stage.layout.vertices.map((vertex) => ({ id: vertex.id, ...toMap(vertex) }))
  // Nobody parts hair along a bridge, so none is taken hold of.
  const bridges = new Set(stage.zones.flatMap(({ boundary }) => [...bridgesOf(boundary)]))
  const partings = stage.layout.edges.filter(({ id, kind }) => kind === 'parting' && !bridges.has(id))

  /** Carries out a change of the division, or says why it cannot be. @returns whether it was done */
  function change(
    label: string,
    key: string,
    work: (division: Division<Zone>, parents: Map<string, string>) => Division<Zone>,
  ): boolean {
    const parents = new Map<string, string>()
    const before = divisionOf(stage)
    const [next, fault] = tried(() => bridgedAnew(work(before, parents)))
    const problem = fault ?? (next && faultOf(head, draw, stage, next))
    if (store.getState().partingProblem !== problem) store.setState({ partingProblem: problem })
    if (!next || problem) return false
    editStage(store, label, key, (draft) => putIn(draft, before, next, parents))
    return true
  }

  return {
    stage,
    corners,
    partings,
    lineOf,
    toMap,
    toDisk: (point: MapPoint): DiskPoint => diskFromPlace(placeFromMap(head, point)),
    change,
    /** Where a point is drawn to. @param besides corner that does not count, because it is the one that moves */
    snapped: (point: MapPoint, besides?: string): Snap =>
      snapPoint(point, targetsOf({ stage, corners, partings, drawing, lineOf }, besides), SNAP_CM * scale),
  }
}

/** What a change gives, or in words why it cannot be. */
function tried(work: () => Division<Zone>): [Division<Zone>, undefined] | [undefined, string] {
  try {
    return [work(), undefined]
  } catch (error) {
    if (!(error instanceof DivisionError)) throw error
    return [undefined, error.message]
  }
}

interface Ground {
  stage: Stage
  corners: readonly (MapPoint & { id: string })[]
  partings: readonly LayoutEdge[]
  drawing: MapDrawing
  lineOf: (edgeId: string) => readonly MapPoint[]
}

/** What points are drawn to: a corner that moves only to landmarks and to partings that do not end in it. */
function targetsOf({ stage, corners, partings, drawing, lineOf }: Ground, besides: string | undefined) {
  const apart = partings.filter(({ from, to }) => from !== besides && to !== besides)
  const hairlines = stage.layout.edges.filter(({ kind }) => kind === 'hairline')
  return {
    corners: besides ? [] : corners,
    landmarks: drawing.landmarks.map(({ x, y }) => ({ x, y: -y })),
    partings: apart.map(({ id }) => lineOf(id)),
    hairline: besides ? [] : hairlines.flatMap(({ id }) => lineOf(id)),
  }
}
