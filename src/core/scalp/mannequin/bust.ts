import type { Head } from '../head'
import { mannequinField } from './field'
import { sampleField } from './grid'
import { surfaceNets, type Mesh } from './mesh'

/** Busts of heads, as long as the heads live: they are dear, and no edit of a plan changes them. */
const known = new WeakMap<Head, Mesh>()

/** The bust around a head, meshed. */
export function bustOf(head: Head): Mesh {
  const remembered = known.get(head)
  if (remembered) return remembered
  const bust = surfaceNets(sampleField(mannequinField(head)))
  known.set(head, bust)
  return bust
}
