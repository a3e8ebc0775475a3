import type { Takers } from '../paint'
import { isSkin, pointOf, type Exposure } from '../picture'
import type { Strands } from '../strands'

/** How many pixels show each point of the strands, from one side. */
export interface SeenPoints {
  counts: Uint32Array
  /** Of all hair, pixels. */
  total: number
}

export function seenPoints({ pixels }: Exposure, { owner }: Strands): SeenPoints {
  const counts = new Uint32Array(owner.length)
  let total = 0
  for (const pixel of pixels) {
    if (pixel === 0 || isSkin(pixel)) continue
    counts[pointOf(pixel)]!++
    total++
  }
  return { counts, total }
}

/** Shares of what is seen of the hair, 0…1; zones and formulas with the rest under '' sum to 1 each. */
export interface SeenShares {
  zones: Record<string, number>
  formulas: Record<string, number>
  /** By their place among the pieces: what product touched and is seen. A piece under another counts too. */
  pieces: Float64Array
}

/** Whose work is seen: at every place the last formula on it, and every piece that touched it. */
export function seenShares({ counts, total }: SeenPoints, { owner, along }: Strands, takers: Takers): SeenShares {
  const zones: Record<string, number> = {}
  const formulas: Record<string, number> = {}
  const pieces = new Float64Array(takers.pieces.length)
  const add = (to: Record<string, number>, name: string, share: number) => (to[name] = (to[name] ?? 0) + share)
  for (let point = 0; point < counts.length; point++) {
    if (counts[point] === 0) continue
    const share = counts[point]! / total
    const first = owner[point]! * takers.stages
    let [zone, formula] = ['', '']
    for (let k = 0; k < takers.stages; k++) {
      const piece = takers.taken[first + k]!
      if (piece < 0) continue
      const { stretches, zoneId } = takers.pieces[piece]!
      const on = stretches.findLast(({ fromCm, toCm }) => along[point]! >= fromCm && along[point]! <= toCm)
      if (!on) continue
      pieces[piece]! += share
      zone = zoneId
      formula = on.formulaId
    }
    add(zones, zone, share)
    add(formulas, formula, share)
  }
  return { zones, formulas, pieces }
}
