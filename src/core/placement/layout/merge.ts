import { byId, type BoundaryStep } from '../../model'
import { diskArea } from './disk'
import { DivisionError, withoutEdges, zoneOutline, type Bounded, type Division } from './division'
import { bridgesOf, chained, loopsOf } from './loops'
import { bridged } from './islands'

/**
 * Makes two neighbouring zones one; the larger keeps its name. What they lay around becomes an island in it.
 * @throws DivisionError when they share no parting
 */
export function merge<Z extends Bounded>(division: Division<Z>, oneId: string, otherId: string): Division<Z> {
  const [one, other] = [byId(division.zones, oneId), byId(division.zones, otherId)]
  const shared = new Set(
    one.boundary.map(({ edge }) => edge).filter((edge) => other.boundary.some((step) => step.edge === edge)),
  )
  if (shared.size === 0)
    throw new DivisionError(
      'These zones share no parting, so they cannot become one. Choose two that lie side by side.',
    )
  const larger = diskArea(zoneOutline(division, one)) >= diskArea(zoneOutline(division, other)) ? one : other
  const gone = larger === one ? other : one
  const [mine, theirs] = [one, other].map(({ boundary }) => withoutRun(boundary, shared))
  const bridges = new Set([one, other].flatMap(({ boundary }) => [...bridgesOf(boundary)]))
  const apart = withoutEdges(division, new Set([...shared, ...bridges]))
  const joined = (boundary: BoundaryStep[]): Division<Z> => ({
    ...apart,
    zones: division.zones.flatMap((zone) =>
      zone.id === gone.id ? [] : [zone.id === larger.id ? { ...zone, boundary } : zone],
    ),
  })
  if (mine && theirs && bridges.size === 0) return joined([...mine, ...theirs])
  const left = [one, other].flatMap(({ boundary }) => loopsOf(boundary).flat()).filter(({ edge }) => !shared.has(edge))
  return bridged(joined([]), larger.id, chained(division.edges, left))
}

/** A boundary without the stretch it shares, begun after it; nothing when it shares more than one stretch. */
function withoutRun(boundary: readonly BoundaryStep[], shared: ReadonlySet<string>): BoundaryStep[] | undefined {
  const start = boundary.findIndex(
    (step, i) => !shared.has(step.edge) && shared.has(boundary[(i + boundary.length - 1) % boundary.length]!.edge),
  )
  if (start < 0) return undefined
  const walked = [...boundary.slice(start), ...boundary.slice(0, start)]
  const own = walked.findIndex(({ edge }) => shared.has(edge))
  return walked.slice(own).every(({ edge }) => shared.has(edge)) ? walked.slice(0, own) : undefined
}
