import { byId, type BoundaryStep, type LayoutEdge } from '../../model'

/** Corners in which a walk along an edge begins and ends. */
export const startOf = ({ from, to }: LayoutEdge, reversed: boolean): string => (reversed ? to : from)
export const endOf = ({ from, to }: LayoutEdge, reversed: boolean): string => (reversed ? from : to)

/** A closed walk begun at a corner. */
export function begunAt(edges: readonly LayoutEdge[], walk: readonly BoundaryStep[], vertex: string): BoundaryStep[] {
  const start = walk.findIndex(({ edge, reversed }) => startOf(byId(edges, edge), reversed) === vertex)
  return [...walk.slice(start), ...walk.slice(0, start)]
}

/**
 * Partings closed in themselves leave a zone with islands. Its boundary is still one walk: from the outline over a
 * bridge to the island, round it, and back over the bridge. A bridge is an edge that the same zone has on both sides:
 * nobody parts hair there and nothing is drawn.
 */
export function bridgesOf(boundary: readonly BoundaryStep[]): Set<string> {
  const walked = new Set<string>()
  return new Set(boundary.map(({ edge }) => edge).filter((edge) => walked.has(edge) || !walked.add(edge)))
}

/** A boundary as closed walks without its bridges: round the zone, and round each island in it. */
export function loopsOf(boundary: readonly BoundaryStep[]): BoundaryStep[][] {
  const bridges = bridgesOf(boundary)
  if (bridges.size === 0) return [[...boundary]]
  const crossed = new Set<string>()
  const waiting: BoundaryStep[][] = []
  const loops: BoundaryStep[][] = []
  let own: BoundaryStep[] = []
  for (const step of boundary) {
    if (!bridges.has(step.edge)) own.push(step)
    else if (!crossed.has(step.edge)) {
      crossed.add(step.edge)
      waiting.push(own)
      own = []
    } else {
      loops.push(own)
      own = waiting.pop()!
    }
  }
  return [own, ...loops].filter((loop) => loop.length > 0)
}

/** Closed walks put together from steps along edges, end to end; none where some lead nowhere. */
export function chained(edges: readonly LayoutEdge[], steps: readonly BoundaryStep[]): BoundaryStep[][] {
  const start = ({ edge, reversed }: BoundaryStep) => startOf(byId(edges, edge), reversed)
  const end = ({ edge, reversed }: BoundaryStep) => endOf(byId(edges, edge), reversed)
  const left = new Set(steps)
  const loops: BoundaryStep[][] = []
  for (const first of steps) {
    if (!left.delete(first)) continue
    const loop = [first]
    for (let at = end(first); at !== start(first); at = end(loop.at(-1)!)) {
      const next = [...left].find((step) => start(step) === at)
      if (!next) return []
      left.delete(next)
      loop.push(next)
    }
    loops.push(loop)
  }
  return loops
}
