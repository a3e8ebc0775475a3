import type { BoundaryStep } from '../../model'

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

/** Steps along edges, closed walks put together from them end to end. @param ends where a step begins and ends */
export function chained(
  steps: readonly BoundaryStep[],
  ends: (step: BoundaryStep) => { from: string; to: string },
): BoundaryStep[][] {
  const left = new Set(steps)
  const loops: BoundaryStep[][] = []
  for (const first of steps) {
    if (!left.delete(first)) continue
    const loop = [first]
    const { from: start, to } = ends(first)
    for (let at = to; at !== start; at = ends(loop.at(-1)!).to) {
      const next = [...left].find((step) => ends(step).from === at)
      if (!next) return []
      left.delete(next)
      loop.push(next)
    }
    loops.push(loop)
  }
  return loops
}
