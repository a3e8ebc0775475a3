import { LRUCache } from 'lru-cache'
import { kindOfHair } from '@/core/appearance/coarse'
import type { HairState, SeenCells } from '@/core/model'
import { computing } from './pool'

/** Kinds of hair that are remembered, some kB each. Our choice: more than a salon's clients have. */
const REMEMBERED_KINDS = 300

const known = new LRUCache<string, SeenCells, HairState>({
  max: REMEMBERED_KINDS,
  fetchMethod: (_kind, _before, { context }) => computing.seen(context),
})

/** What is seen of each part of such hair, or null: then it is counted for whoever asks next, and nobody waits. */
export function seenOf(hair: HairState): SeenCells | null {
  const kind = kindOfHair(hair)
  const found = known.get(kind)
  // Once, however many ask meanwhile; where there is too much to do, the device counts by itself.
  if (!found) known.fetch(kind, { context: hair }).catch(() => undefined)
  return found ?? null
}
