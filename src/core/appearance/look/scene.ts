import type { HairState } from '../../model'
import type { Head } from '../../scalp/head'
import { bustOf } from '../../scalp/mannequin'
import {
  blank,
  cameraAt,
  exposeSkin,
  exposeStrands,
  reachOf,
  skinOf,
  type Exposure,
  type Reach,
  type Size,
  type Skin,
  type View,
} from '../picture'
import { growStrands, spreadRoots, type Roots, type Strands, type Wear } from '../strands'

/** A head with its hair as it is worn, ready to be looked at. */
export interface Scene {
  strands: Strands
  skin: Skin
  reach: Reach
}

/** Hair in front of a camera: what is seen at each pixel. */
export function expose({ strands, skin, reach }: Scene, view: View, size: Size): Exposure {
  const exposure = blank(cameraAt(view, size, reach))
  // Skin first: most hair lies behind it.
  exposeSkin(exposure, skin)
  exposeStrands(exposure, strands)
  return exposure
}

/** Chance is the same everywhere unless somebody asks for another. Our choice. */
export const SEED = 1

/** Remembers the last few answers under their keys, the oldest goes first. */
export function remember<T>(most: number): (key: string, make: () => T) => T {
  const known = new Map<string, T>()
  return (key, make) => {
    const found = known.get(key)
    if (found !== undefined) return found
    const made = make()
    known.set(key, made)
    if (known.size > most) known.delete(known.keys().next().value!)
    return made
  }
}

/** What the fall of hair depends on. */
const hairKey = (hair: HairState): string => {
  const { density, curl, cutLine, lengthCm, regionLengthsCm, part, fall } = hair
  return JSON.stringify({ density, curl, cutLine, lengthCm, regionLengthsCm, part, fall })
}

/** How a head of hair is to be drawn. */
export interface Drawn {
  wear: Wear
  /** Strands, even. */
  count: number
  seed?: number
}

/**
 * Roots, wears and views kept for the next time. Our choice: two ideas in a few wears, and a turn all round, small;
 * large ones take ten megabytes each.
 */
const KEPT = { skins: 2, roots: 4, scenes: 8, large: 4, small: 48 } as const

/** Pictures of at most so many pixels count as small. Our choice. */
const SMALL_PIXELS = 480 * 640

/**
 * Makes scenes and exposures and keeps them: an edit of the plan changes neither how hair falls nor what is seen of
 * it.
 */
export function createStudio() {
  const skins = new WeakMap<Head, Skin>()
  const names = new WeakMap<Head, number>()
  let named = 0
  const rootsOf = remember<Roots>(KEPT.roots)
  const scenes = remember<Scene>(KEPT.scenes)
  const large = remember<Exposure>(KEPT.large)
  const small = remember<Exposure>(KEPT.small)
  const nameOf = (head: Head): number => {
    const name = names.get(head) ?? named++
    names.set(head, name)
    return name
  }
  const skinFor = (head: Head): Skin => {
    const skin = skins.get(head) ?? skinOf(head, bustOf(head).mesh)
    skins.set(head, skin)
    return skin
  }
  const keyOf = (head: Head, hair: HairState, { wear, count, seed = SEED }: Drawn) =>
    `${nameOf(head)} ${count} ${seed} ${hairKey(hair)} ${wear}`

  function scene(head: Head, hair: HairState, drawn: Drawn): Scene {
    const { wear, count, seed = SEED } = drawn
    return scenes(keyOf(head, hair, drawn), () => {
      const key = `${nameOf(head)} ${count} ${seed} ${hairKey(hair)}`
      const roots = rootsOf(key, () => spreadRoots(head, hair, count, seed))
      const strands = growStrands(head, bustOf(head).grid, hair, roots, { wear, seed })
      return { strands, skin: skinFor(head), reach: reachOf(strands) }
    })
  }

  return {
    scene,
    exposure: (head: Head, hair: HairState, drawn: Drawn, view: View, size: Size): Exposure =>
      (size.width * size.height > SMALL_PIXELS ? large : small)(
        `${keyOf(head, hair, drawn)} ${view.turn.toFixed(4)} ${view.tilt.toFixed(4)} ${size.width}x${size.height}`,
        () => expose(scene(head, hair, drawn), view, size),
      ),
  }
}

export type Studio = ReturnType<typeof createStudio>
