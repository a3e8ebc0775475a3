import { LRUCache } from 'lru-cache'
import { kindOfHair } from '@/core/appearance/coarse'
import type { HairState, SeenCells } from '@/core/model'
import { computing } from './pool'

/** Kinds of hair that are remembered, some kB each. Our choice: more than a salon's clients have. */
const REMEMBERED_KINDS = 300

const known = new LRUCache<string, SeenCells>({ max: REMEMBERED_KINDS })
const counting = new Set<string>()

/** What is seen of each part of such hair, or null: then it is counted for whoever asks next, and nobody waits. */
export function seenOf(hair: HairState): SeenCells | null {
  const kind = kindOfHair(hair)
  const found = known.get(kind)
  if (!found && !counting.has(kind)) {
    counting.add(kind)
    computing
      .seen(hair)
      .then((seen) => known.set(kind, seen))
      // Where there is too much to do, the device counts by itself.
      .catch(() => undefined)
      .finally(() => counting.delete(kind))
  }
  return found ?? null
}
