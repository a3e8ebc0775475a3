/** Numbers by chance that are the same every time. */
export interface Chance {
  /** Evenly from 0 to 1. */
  even: () => number
  /** With mean 0 and standard deviation 1. */
  normal: () => number
}

/** A small generator (Mulberry32, from memory), and normal numbers after Box & Muller 1958. */
export function chance(seed: number): Chance {
  let state = seed >>> 0
  const even = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
  return { even, normal: () => Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even()) }
}
