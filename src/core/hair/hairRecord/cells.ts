import { hairlineRadius, lengthRegionAt, mapFromPlace, type Head } from '../../scalp/head'
import type { LengthRegion, MapPoint, Place } from '../../model'
import { ARC_STEPS, CELL_RINGS, RIM_STEPS } from './constants'

/** One of the fixed cells on which hair is stored: a piece of a ring of the disk (ψ, s), the same on every head. */
export interface ScalpCell {
  index: number
  centre: Place
  /** Bounds: s and azimuth (rad, growing). */
  s: readonly [number, number]
  psi: readonly [number, number]
  region: LengthRegion
}

const sectorsOf = (ring: number): number => 3 * (2 * ring + 1)

function createCells(): ScalpCell[] {
  const cells: ScalpCell[] = []
  for (let ring = 0; ring < CELL_RINGS; ring++) {
    const sectors = sectorsOf(ring)
    for (let sector = 0; sector < sectors; sector++) {
      const s = [ring / CELL_RINGS, (ring + 1) / CELL_RINGS] as const
      const psi = [(2 * Math.PI * sector) / sectors, (2 * Math.PI * (sector + 1)) / sectors] as const
      const centre = { psi: (psi[0] + psi[1]) / 2, s: (s[0] + s[1]) / 2 }
      cells.push({ index: cells.length, centre, s, psi, region: lengthRegionAt(centre) })
    }
  }
  return cells
}

/** All scalp cells, from the apex outwards and around over the client's left. */
export const SCALP_CELLS: readonly ScalpCell[] = createCells()

/** Index of the cell a place lies in; places beyond the hairline belong to the rim. */
export const cellAt = ({ psi, s }: Place): number => cellOn(psi, s)

function cellOn(psi: number, s: number): number {
  const ring = Math.min(CELL_RINGS - 1, Math.max(0, Math.floor(s * CELL_RINGS)))
  const turn = psi / (2 * Math.PI)
  const sector = Math.min(sectorsOf(ring) - 1, Math.floor((turn - Math.floor(turn)) * sectorsOf(ring)))
  return 3 * ring * ring + sector
}

/** Index of the cell that a point of a head's map lies in, cm; see {@link cellAt}. */
export type CellFinder = (x: number, y: number) => number

const finders = new WeakMap<Head, CellFinder>()

/** Finds cells on a head's map, thousands at a time: the hairline is tabulated once and read along straight lines. */
export function cellFinder(head: Head): CellFinder {
  const known = finders.get(head)
  if (known) return known
  const rim = Float64Array.from({ length: RIM_STEPS + 2 }, (_, i) => hairlineRadius(head, (i * Math.PI) / RIM_STEPS))
  const finder: CellFinder = (x, y) => {
    const psi = Math.atan2(-x, y)
    const at = (Math.abs(psi) / Math.PI) * RIM_STEPS
    const before = Math.floor(at)
    const radius = rim[before]! + (at - before) * (rim[before + 1]! - rim[before]!)
    return cellOn(psi, Math.sqrt(x * x + y * y) / radius)
  }
  finders.set(head, finder)
  return finder
}

/** Scalp a cell covers on a head, cm²: ½(s₁² − s₀²) ∫ρ_h² dψ. */
export function cellArea(head: Head, cell: ScalpCell): number {
  const step = (cell.psi[1] - cell.psi[0]) / ARC_STEPS
  let sum = 0
  for (let i = 0; i < ARC_STEPS; i++) sum += hairlineRadius(head, cell.psi[0] + (i + 0.5) * step) ** 2
  return 0.5 * (cell.s[1] ** 2 - cell.s[0] ** 2) * sum * step
}

/** The outline of a cell on the map, closed. */
export function cellOutline(head: Head, cell: ScalpCell): MapPoint[] {
  const along = (s: number) =>
    Array.from({ length: ARC_STEPS + 1 }, (_, i) =>
      mapFromPlace(head, { psi: cell.psi[0] + ((cell.psi[1] - cell.psi[0]) * i) / ARC_STEPS, s }),
    )
  return [...along(cell.s[1]), ...along(cell.s[0]).reverse()]
}
