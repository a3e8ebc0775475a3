import type { Paint } from '../paint'
import { isSkin, pointOf, type Exposure } from '../picture'
import { STRIPES } from './constants'

/**
 * Breadth of the light stripes in a view, cm: twice their area over the length of their outline, whichever way they
 * run. The outline is counted from how often rows and columns enter them (Crofton's formula, from memory); strands
 * that stray are smoothed away first. Undefined where there is not enough contrast to see any, or no stripe as broad
 * as that.
 */
export function stripeWidth(
  { camera, pixels }: Exposure,
  { levels }: Paint,
  { light, deep }: { light: number; deep: number },
): number | undefined {
  if (light - deep < STRIPES.fromLevels) return undefined
  const middle = (light + deep) / 2
  const { width, height, scale } = camera
  const isLight = new Uint8Array(pixels.length)
  const isHair = new Uint8Array(pixels.length)
  for (let index = 0; index < pixels.length; index++) {
    const pixel = pixels[index]!
    if (pixel === 0 || isSkin(pixel)) continue
    isHair[index] = 1
    if (levels[pointOf(pixel)]! > middle) isLight[index] = 1
  }
  const reach = Math.max(1, Math.round(STRIPES.smoothCm * scale))
  const around = boxSums(isLight, width, height, reach)
  const hairAround = boxSums(isHair, width, height, reach)
  const inStripe = isHair.map((hair, index) => (hair === 1 && 2 * around[index]! > hairAround[index]! ? 1 : 0))
  let [area, entries] = [0, 0]
  for (let y = 0, index = 0; y < height; y++)
    for (let x = 0; x < width; x++, index++) {
      if (inStripe[index] === 0) continue
      area++
      if (x === 0 || inStripe[index - 1] === 0) entries++
      if (y === 0 || inStripe[index - width] === 0) entries++
    }
  return entries > 0 ? (4 * area) / (Math.PI * entries) / scale : undefined
}

/** Sums over squares around every pixel. @param reach pixels to each side */
function boxSums(mask: Uint8Array, width: number, height: number, reach: number): Float32Array {
  const rows = new Float32Array(mask.length)
  const sums = new Float32Array(mask.length)
  for (let y = 0; y < height; y++) {
    let sum = 0
    for (let x = -reach; x < width; x++) {
      if (x + reach < width) sum += mask[y * width + x + reach]!
      if (x - reach - 1 >= 0) sum -= mask[y * width + x - reach - 1]!
      if (x >= 0) rows[y * width + x] = sum
    }
  }
  for (let x = 0; x < width; x++) {
    let sum = 0
    for (let y = -reach; y < height; y++) {
      if (y + reach < height) sum += rows[(y + reach) * width + x]!
      if (y - reach - 1 >= 0) sum -= rows[(y - reach - 1) * width + x]!
      if (y >= 0) sums[y * width + x] = sum
    }
  }
  return sums
}
