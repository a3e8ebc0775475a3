import type { HairState } from '../../model'
import { foldTurn } from '../../numeric'
import { degrees } from '../../units'
import type { Paint } from '../paint'
import { isSkin, pointOf, type Exposure } from '../picture'
import { partAt, type Strands } from '../strands'
import { FACE_HAIR, PART_HAIR, SHELF, SHOWS_FROM, SOFTNESS, CHANGED_BY } from './constants'
import type { SeenPoints } from './seen'

/** A mean of what is seen; undefined where nothing of it is. */
type Mean = number | undefined

/** Mean level of the points that are seen and meant. */
export function meanLevel({ counts }: SeenPoints, { levels }: Paint, isMeant: (point: number) => boolean): Mean {
  let sum = 0
  let weight = 0
  for (let point = 0; point < counts.length; point++) {
    if (counts[point] === 0 || !isMeant(point)) continue
    sum += counts[point]! * levels[point]!
    weight += counts[point]!
  }
  return weight > 0 ? sum / weight : undefined
}

/** Whether the strand of a point grows at the face. */
export const growsAtFace = ({ roots, owner }: Strands): ((point: number) => boolean) => {
  const isFace = Uint8Array.from(
    { length: roots.count },
    (_, i) => +(roots.s[i]! > FACE_HAIR.fromS && degrees(foldTurn(roots.psi[i]!)) < FACE_HAIR.azimuth),
  )
  return (point) => isFace[owner[point]!] === 1
}

/** Whether a point lies at the part: near it, and near the scalp. */
export function liesAtPart({ roots, owner, along }: Strands, hair: HairState): (point: number) => boolean {
  const isNear = Uint8Array.from({ length: roots.count }, (_, i) => {
    const [x, y, z] = [roots.space[3 * i]!, roots.space[3 * i + 1]!, roots.space[3 * i + 2]!]
    return +(z > 0 && y > -5 && Math.abs(x - partAt(hair, y)) < PART_HAIR.besideCm)
  })
  return (point) => along[point]! < PART_HAIR.alongCm && isNear[owner[point]!] === 1
}

/** The lightest and the deepest level that shows: a lesser share of what is seen does not. */
export function extremes({ counts, total }: SeenPoints, { levels }: Paint): { light: number; deep: number } {
  const tenths = new Float64Array(140)
  for (let point = 0; point < counts.length; point++)
    if (counts[point]! > 0) tenths[Math.max(0, Math.round(10 * levels[point]!))]! += counts[point]!
  const enough = SHOWS_FROM * total
  const reach = (from: number, step: 1 | -1): number => {
    let sum = 0
    for (let at = from; at >= 0 && at < tenths.length; at += step) if ((sum += tenths[at]!) > enough) return at / 10
    return 0
  }
  return { light: reach(tenths.length - 1, -1), deep: reach(0, 1) }
}

/** A step in lightness from one height to the next, seen from behind. */
export interface Shelf {
  /** How much lighter it is above, levels; negative where it is lighter below. */
  levels: number
  /** Height of it, cm from the ears. */
  z: number
}

/** The greatest step between a band of height and the next. */
export function shelfOf({ camera, pixels }: Exposure, { levels }: Paint): Shelf | undefined {
  const rows = Math.max(1, Math.round(SHELF.bandCm * camera.scale))
  const bands = Math.floor(camera.height / rows)
  const means = Array.from({ length: bands }, (_, band): Mean => {
    let [sum, count] = [0, 0]
    for (let index = band * rows * camera.width; index < (band + 1) * rows * camera.width; index++) {
      const pixel = pixels[index]!
      if (pixel === 0 || isSkin(pixel)) continue
      sum += levels[pointOf(pixel)]!
      count++
    }
    return count / camera.scale ** 2 >= SHELF.leastCm2 ? sum / count : undefined
  })
  let shelf: Shelf | undefined
  for (let band = 0; band + 1 < bands; band++) {
    const [above, below] = [means[band], means[band + 1]]
    if (above === undefined || below === undefined) continue
    if (shelf && Math.abs(above - below) <= Math.abs(shelf.levels)) continue
    const z = camera.centre[2] + (camera.height / 2 - (band + 1) * rows) / camera.scale / camera.up[2]
    shelf = { levels: above - below, z }
  }
  return shelf
}

/**
 * Over how many cm the strands that got lighter go over from their root's level to their own: a hard line is short.
 * Undefined where nothing got lighter.
 */
export function rootSoftness({ along, owner }: Strands, { levels, change }: Paint): Mean {
  const sums: number[] = []
  const weights: number[] = []
  for (let point = 0; point < owner.length; point++) {
    if (change[owner[point]!]! < CHANGED_BY) continue
    const band = Math.floor(along[point]! / SOFTNESS.bandCm)
    sums[band] = (sums[band] ?? 0) + levels[point]!
    weights[band] = (weights[band] ?? 0) + 1
  }
  const means = sums.map((sum, band) => sum / weights[band]!).filter(Number.isFinite)
  if (means.length < 2) return undefined
  const [root, lightest] = [means[0]!, Math.max(...means)]
  if (lightest - root < CHANGED_BY) return 0
  const crossing = (share: number) => means.findIndex((level) => level >= root + share * (lightest - root))
  return (crossing(SOFTNESS.to) - crossing(SOFTNESS.from)) * SOFTNESS.bandCm
}
