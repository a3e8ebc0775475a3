import { scalpArea, type Head } from '../../scalp/head'
import type { Layout, Stage } from '../../model'
import { endOf, startOf } from './loops'
import { crossesItself, drawEdges, joinOutline, signedArea, type DrawnEdges } from './outline'
import { COVERAGE_TOLERANCE } from './constants'

/** A law of layouts that a document breaks. `path` is relative to the stage. */
export interface LayoutProblem {
  path: string
  message: string
}

/**
 * Checks what no single field can tell: edges and vertices exist, every parting lies between two zones and every
 * stretch of hairline belongs to one, outlines close, do not cross and run anticlockwise, together they cover the scalp
 * once, and the order names every zone once.
 * @param draw draws the stage's edges on the head; one that remembers them where a hand drags
 */
export function checkStage(
  head: Head,
  stage: Stage,
  draw: (layout: Layout) => DrawnEdges = (layout) => drawEdges(head, layout),
): LayoutProblem[] {
  const problems = checkReferences(stage)
  if (problems.length > 0) return problems
  const edges = draw(stage.layout)
  let covered = 0
  stage.zones.forEach((zone, i) => {
    const outline = joinOutline(edges, zone.boundary)
    const area = signedArea(outline)
    covered += area
    if (area <= 0.5) {
      problems.push({
        path: `zones[${i}].boundary`,
        message: `${zone.name} has no area or is walked the wrong way round.`,
      })
    } else if (crossesItself(outline)) {
      problems.push({
        path: `zones[${i}].boundary`,
        message: `The outline of ${zone.name} crosses itself, so zones overlap.`,
      })
    }
  })
  const scalp = scalpArea(head)
  if (problems.length === 0 && Math.abs(covered / scalp - 1) > COVERAGE_TOLERANCE) {
    problems.push({
      path: 'zones',
      message: `The zones cover ${covered.toFixed(1)} cm² of ${scalp.toFixed(1)} cm² of scalp: they must cover it once, without overlap.`,
    })
  }
  return problems
}

function checkReferences(stage: Stage): LayoutProblem[] {
  const problems: LayoutProblem[] = []
  const { layout, zones, order } = stage
  problems.push(
    ...repeated(layout.vertices, 'layout.vertices'),
    ...repeated(layout.edges, 'layout.edges'),
    ...repeated(zones, 'zones'),
  )
  const vertices = new Map(layout.vertices.map((vertex) => [vertex.id, vertex]))
  layout.edges.forEach((edge, i) => {
    for (const end of ['from', 'to'] as const) {
      const vertex = vertices.get(edge[end])
      if (!vertex) problems.push({ path: `layout.edges[${i}].${end}`, message: `There is no vertex "${edge[end]}".` })
      else if (edge.kind === 'hairline' && vertex.s !== 1)
        problems.push({
          path: `layout.edges[${i}].${end}`,
          message: `A hairline must end at the hairline (s = 1); "${vertex.id}" lies at s = ${vertex.s}.`,
        })
    }
  })
  const edges = new Map(layout.edges.map((edge) => [edge.id, edge]))
  const walks = new Map<string, { forward: number; backward: number }>()
  zones.forEach((zone, i) => {
    zone.boundary.forEach((step, j) => {
      const path = `zones[${i}].boundary[${j}].edge`
      const edge = edges.get(step.edge)
      if (!edge) return void problems.push({ path, message: `There is no edge "${step.edge}".` })
      const walk = walks.get(step.edge) ?? { forward: 0, backward: 0 }
      walk[step.reversed ? 'backward' : 'forward']++
      walks.set(step.edge, walk)
      const following = zone.boundary[(j + 1) % zone.boundary.length]!
      const next = edges.get(following.edge)
      if (next && endOf(edge, step.reversed) !== startOf(next, following.reversed))
        problems.push({ path, message: `The outline of ${zone.name} is broken after "${step.edge}".` })
    })
  })
  layout.edges.forEach((edge, i) => {
    const walk = walks.get(edge.id) ?? { forward: 0, backward: 0 }
    const wanted = edge.kind === 'hairline' ? { forward: 1, backward: 0 } : { forward: 1, backward: 1 }
    if (walk.forward !== wanted.forward || walk.backward !== wanted.backward)
      problems.push({
        path: `layout.edges[${i}]`,
        message:
          edge.kind === 'hairline'
            ? `The hairline "${edge.id}" must belong to one zone.`
            : `The parting "${edge.id}" must lie between two zones, so that none overlap and none are missing.`,
      })
  })
  const ids = zones.map((zone) => zone.id)
  if (order.length !== ids.length || new Set(order).size !== ids.length || order.some((id) => !ids.includes(id)))
    problems.push({ path: 'order', message: 'The order must name every zone once.' })
  return problems
}

function repeated(items: readonly { id: string }[], path: string): LayoutProblem[] {
  const seen = new Set<string>()
  return items.flatMap(({ id }, i) => {
    const known = seen.has(id)
    seen.add(id)
    return known ? [{ path: `${path}[${i}].id`, message: `"${id}" is used twice.` }] : []
  })
}
