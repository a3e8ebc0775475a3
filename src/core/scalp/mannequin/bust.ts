import type { Head } from '../head'
import { mannequinField } from './field'
import { sampleField, type Grid } from './grid'
import { surfaceNets, type Mesh } from './mesh'

/** A bust as its sampled field and as its skin. */
export interface Bust {
  grid: Grid
  mesh: Mesh
}

/** Busts of heads, as long as the heads live: they are dear, and no edit of a plan changes them. */
const known = new WeakMap<Head, Bust>()

/** The bust around a head. */
export function bustOf(head: Head): Bust {
  const remembered = known.get(head)
  if (remembered) return remembered
  const grid = sampleField(mannequinField(head))
  const bust = { grid, mesh: surfaceNets(grid) }
  known.set(head, bust)
  return bust
}
