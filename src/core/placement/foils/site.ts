import type { Head } from '../../scalp/head'
import { partX } from '../../hair/fibre'
import type { HairMap, HairState, Selection } from '../../model'
import { cellFinder } from '../../hair/hairRecord'

/** What a zone's placement has to know of the head around it. */
export interface Site {
  head: Head
  /** Where the natural part runs, cm from the middle, positive towards the client's left. */
  partX: number
  /** Share of the hair at a map point that may be taken here, 0…1. */
  open: (x: number, y: number) => number
  /** Share of white hair at a map point, 0…1, where the take copies it. */
  white: ((x: number, y: number) => number) | undefined
}

/**
 * A site where only some hair may be taken: what an earlier stage left for this one, and what the take selects.
 * @param stageShare share of the hair of each scalp cell that the stage works on; undefined for all @param map what is
 * known place by place
 */
export function siteFor(
  head: Head,
  hair: HairState,
  select: Selection | undefined,
  stageShare: Float64Array | undefined,
  map: HairMap | undefined,
): Site {
  const at = cellFinder(head)
  const white = (x: number, y: number) => (map ? map.whitePercent[at(x, y)]! / 100 : 0)
  const earlier = (x: number, y: number) => (map ? map.earlierPercent[at(x, y)]! / 100 : 0)
  const chosen: Record<Selection, (x: number, y: number) => number> = {
    all: () => 1,
    copyWhite: () => 1,
    white,
    dark: (x, y) => 1 - white(x, y),
    earlier,
    notEarlier: (x, y) => 1 - earlier(x, y),
  }
  const pick = chosen[select ?? 'all']
  return {
    head,
    partX: partX(hair),
    open: stageShare ? (x, y) => pick(x, y) * stageShare[at(x, y)]! : pick,
    white: select === 'copyWhite' ? white : undefined,
  }
}
