/**
 * A number 0…1 that looks like chance and is the same for the same seed, strand and use (mixing of 32-bit integers;
 * splitmix, from memory).
 */
export function chance(seed: number, index: number, use: number): number {
  let h = (seed * 0x9e3779b1 + index * 0x85ebca6b + use * 0xc2b2ae35) | 0
  h = Math.imul(h ^ (h >>> 16), 0x7feb352d)
  h = Math.imul(h ^ (h >>> 15), 0x846ca68b)
  return ((h ^ (h >>> 16)) >>> 0) / 4_294_967_296
}

/** The same between −1 and 1. */
export const swing = (seed: number, index: number, use: number): number => 2 * chance(seed, index, use) - 1
