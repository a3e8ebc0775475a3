import { CROWN_POLAR_ANGLE, mapFromDirection, pointFromMap, type Head } from '../../scalp/head'
import type { BoundaryStep, Layout, MapPoint, Point3 } from '../../model'
import { loopsOf } from './loops'
import { createMesh, type ZoneMesh } from './mesh'
import { drawEdges, joinOutline, signedArea } from './outline'

/** A zone on a real head. */
export interface ZoneShape {
  id: string
  role: string
  /** One closed walk; over a bridge and back where there is an island in the zone. */
  outline: MapPoint[]
  /** The outline round the zone, and the other way round each island in it. */
  loops: MapPoint[][]
  /** cm² of scalp. */
  area: number
  mesh: ZoneMesh
  /** Area-weighted mean of the outward normals, not normalised, and the mean point. */
  meanNormal: Point3
  meanPoint: Point3
  /** Heights over the ears that the zone spans, cm. */
  height: { min: number; max: number }
  /** What partings go by that do not lie in parallel planes; worked out when it is asked for. */
  landmarks: () => Landmarks
}

/** Points in space, cm. */
export interface Landmarks {
  /**
   * What partings parallel to an edge follow: the zone's stretch of hairline, or its whole outline where it has none.
   */
  rim: Point3[]
  /** Where partings that fan out meet: the place of the outline nearest to the crown. */
  pivot: Point3
}

type Bounded = { id: string; role: string; boundary: BoundaryStep[] }

/** Draws one zone of a layout on a head. */
export function shapeZone(
  head: Head,
  { vertices, edges }: Pick<Layout, 'vertices' | 'edges'>,
  { id, role, boundary }: Bounded,
): ZoneShape {
  const used = new Set(boundary.map(({ edge }) => edge))
  const own = edges.filter((edge) => used.has(edge.id))
  const drawn = drawEdges(head, { vertices, edges: own })
  const outline = joinOutline(drawn, boundary)
  const walks = loopsOf(boundary)
  const loops = walks.length === 1 ? [outline] : walks.map((walk) => joinOutline(drawn, walk))
  const mesh = createMesh(head, loops)
  const hairline = own.filter(({ kind }) => kind === 'hairline').flatMap((edge) => drawn.get(edge.id)!)
  return {
    id,
    role,
    outline,
    loops,
    area: signedArea(outline),
    mesh,
    ...summarise(mesh),
    landmarks: () => landmarksOf(head, mesh, hairline),
  }
}

function landmarksOf(head: Head, { rim, space }: ZoneMesh, hairline: readonly MapPoint[]): Landmarks {
  const around = Array.from({ length: rim }, (_, i): Point3 => ({
    x: space[3 * i]!,
    y: space[3 * i + 1]!,
    z: space[3 * i + 2]!,
  }))
  const crown = pointFromMap(head, mapFromDirection(head, CROWN_POLAR_ANGLE, Math.PI))
  const away = ({ x, y, z }: Point3) => (x - crown.x) ** 2 + (y - crown.y) ** 2 + (z - crown.z) ** 2
  return {
    rim: hairline.length > 0 ? hairline.map((point) => pointFromMap(head, point)) : around,
    pivot: around.reduce((best, point) => (away(point) < away(best) ? point : best)),
  }
}

function summarise({ areas, triangles, space }: ZoneMesh): Pick<ZoneShape, 'meanNormal' | 'meanPoint' | 'height'> {
  // Sums in variables of their own: a number kept in an object is made anew at every addition.
  let [normalX, normalY, normalZ, centreX, centreY, centreZ, area] = [0, 0, 0, 0, 0, 0, 0]
  for (let t = 0; t < areas.length; t++) {
    const a = 3 * triangles[3 * t]!
    const b = 3 * triangles[3 * t + 1]!
    const c = 3 * triangles[3 * t + 2]!
    const ux = space[b]! - space[a]!
    const uy = space[b + 1]! - space[a + 1]!
    const uz = space[b + 2]! - space[a + 2]!
    const vx = space[c]! - space[a]!
    const vy = space[c + 1]! - space[a + 1]!
    const vz = space[c + 2]! - space[a + 2]!
    const nx = uy * vz - uz * vy
    const ny = uz * vx - ux * vz
    const nz = ux * vy - uy * vx
    const x = (space[a]! + space[b]! + space[c]!) / 3
    const y = (space[a + 1]! + space[b + 1]! + space[c + 1]!) / 3
    const z = (space[a + 2]! + space[b + 2]! + space[c + 2]!) / 3
    // The head is convex about its centre, so the outward side is the one away from it.
    const outward = nx * x + ny * y + nz * z > 0 ? 0.5 : -0.5
    normalX += outward * nx
    normalY += outward * ny
    normalZ += outward * nz
    centreX += areas[t]! * x
    centreY += areas[t]! * y
    centreZ += areas[t]! * z
    area += areas[t]!
  }
  let min = Infinity
  let max = -Infinity
  for (let i = 2; i < space.length; i += 3) {
    min = Math.min(min, space[i]!)
    max = Math.max(max, space[i]!)
  }
  return {
    meanNormal: { x: normalX, y: normalY, z: normalZ },
    meanPoint: { x: centreX / area, y: centreY / area, z: centreZ / area },
    height: { min, max },
  }
}
