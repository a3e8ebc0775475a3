import { readAlong, type Reading } from '../../numeric'
import {
  absorbanceOf,
  exposedLab,
  labFromAbsorbance,
  labOfHair,
  levelFromLab,
  type Absorbance,
  type Lab,
} from '../../hair/colour'
import type { ProductKind, ProductShade } from '../../model'
import { labOfSurface, type Surface } from './surface'
import {
  WHITE_HAIR,
  UPTAKE,
  POROSITY_UPTAKE,
  DEPTH_EXPONENT,
  SOFTNESS,
  TONE_TAKES,
  BASE_DEPTH,
  FULL_WARMTH_LIFT,
  LIGHT_SHADE_EXPONENT,
} from './constants'

/** How deep an absorbance looks: weights near those of the eye. Our estimate. */
const depthOf = ([red, green, blue]: Absorbance): number => 0.3 * red + 0.6 * green + 0.1 * blue

/**
 * Levels that permanent colour lifts natural pigment. Common practice (10 vol deposit, 20 vol 1–2, 30 vol 2–3, 40 vol
 * 3–4); between them interpolated.
 */
const COLOUR_LIFT: readonly Reading[] = [
  [10, 0],
  [20, 1.5],
  [30, 2.5],
  [40, 3.5],
]

/** Levels that permanent colour lifts natural pigment at a strength, vol. It lifts nothing else. */
export const colourLift = (vol: number): number => readAlong(COLOUR_LIFT, vol)

/** What of a mix matters to the colour it leaves. Sums of its shades by mass, so that dyes mix as shades do. */
export interface Dye {
  kind: ProductKind
  /** Brown of the coloured shades' bases, and what their tones take away. */
  base: Absorbance
  tone: Absorbance
  /** Share of the mix that carries colour, 0…1. */
  depth: number
  /** Strength of the developer, vol. */
  vol: number
  /** How much of white hair it covers, 0…1. */
  whiteCover: number
}

/**
 * A mix of shades as a dye.
 * @param shades with their shares of the coloured part; empty for clear alone
 * @param depth share of the mix that carries colour
 */
export function dyeOfShades(
  kind: ProductKind,
  vol: number,
  depth: number,
  shades: readonly { shade: ProductShade; share: number }[],
): Dye {
  const base: [number, number, number] = [0, 0, 0]
  const tone: [number, number, number] = [0, 0, 0]
  let whiteCover = 0
  for (const { shade, share } of shades) {
    const brown = absorbanceOf(labOfHair(shade.level, 'neutral', 0))
    const strength = share * shade.strength * depthOf(brown)
    for (const k of [0, 1, 2] as const) {
      base[k] += share * BASE_DEPTH[shade.base] * brown[k]
      tone[k] += strength * TONE_TAKES[shade.hue][k]
    }
    whiteCover += (share * shade.whiteCoverPercent) / 100
  }
  return { kind, vol, base, tone, depth, whiteCover }
}

/**
 * A dye as it is after a share of its time, 0…1: what a fibre takes up grows with the root of time (Fickian diffusion
 * at early times; Crank, The Mathematics of Diffusion, from memory).
 */
export const depositAfter = (dye: Dye, share: number): Dye => ({
  ...dye,
  depth: dye.depth * Math.min(1, Math.max(0, share)) ** (0.5 / DEPTH_EXPONENT),
})

/** Colour that a mix leaves on a surface, and how light that is. */
export interface Deposited {
  lab: Lab
  level: number
}

/**
 * Colour after a mix has had its time. Its base makes the hair as deep as itself where it is lighter, in brown, which
 * leaves warmth as it is; its tones take their part of the light away on top. Nothing is ever given back, so a deposit
 * cannot lighten, blue on yellow turns green, and a cool result comes out deeper than its number. Our own model, in
 * absorbance, where dyes add up; the tone of a shade with a base lighter than hair that was not
 * lightened hardly shows on it.
 */
export const depositOn = (surface: Surface, dye: Dye): Deposited => depositor(surface, dye.kind, dye.vol).colour(dye)

/** A surface made ready for many dyes of one kind and strength. */
export interface Depositor {
  colour: (dye: Dye) => Deposited
  /** What the dyed surface absorbs: a quick stand-in for its colour. */
  absorbance: (dye: Dye) => Absorbance
}

export function depositor(surface: Surface, kind: ProductKind, vol: number): Depositor {
  const { porosity, white } = surface
  const canvas = absorbanceOf(openedBy(surface, kind, vol))
  const most = Math.min(1, (UPTAKE[kind] ?? 0) * POROSITY_UPTAKE[porosity])
  const uptakeOf = ({ depth }: Dye) => most * depth ** DEPTH_EXPONENT
  const shown = ({ base }: Dye): number =>
    surface.state === 'lightened' || depthOf(base) === 0
      ? 1
      : Math.min(1, depthOf(base) / depthOf(canvas)) ** LIGHT_SHADE_EXPONENT
  const pigmented = (dye: Dye) => dyed(canvas, dye, uptakeOf(dye), shown(dye))
  const whiteHairs = (dye: Dye) => dyed(WHITE_ABSORBANCE, dye, uptakeOf(dye) * dye.whiteCover)
  return {
    colour: (dye) => {
      const dark = labFromAbsorbance(pigmented(dye))
      const lab = white > 0 ? blended(dark, labFromAbsorbance(whiteHairs(dye)), white) : dark
      return { lab, level: levelFromLab(lab) }
    },
    absorbance: (dye) => {
      const dark = pigmented(dye)
      if (white === 0) return dark
      const pale = whiteHairs(dye)
      const mix = (k: 0 | 1 | 2) => (1 - white) * dark[k] + white * pale[k]
      return [mix(0), mix(1), mix(2)]
    },
  }
}

const WHITE_ABSORBANCE = absorbanceOf(WHITE_HAIR)

function dyed(canvas: Absorbance, { base, tone }: Dye, uptake: number, shows = 1): Absorbance {
  const depth = depthOf(base)
  const deeper = depth > 0 ? softly(depth - depthOf(canvas)) / depth : 0
  const channel = (k: 0 | 1 | 2) => canvas[k] + uptake * (deeper * base[k] + shows * tone[k])
  return [channel(0), channel(1), channel(2)]
}

/** max(0, x) with a rounded corner. */
const softly = (x: number): number => (x > 8 * SOFTNESS ? x : SOFTNESS * Math.log1p(Math.exp(x / SOFTNESS)))

/**
 * The canvas after the lift that permanent colour gives natural pigment: from its own colour to the warmth that this
 * exposes.
 */
function openedBy(surface: Surface, kind: ProductKind, vol: number): Lab {
  const before = labOfSurface(surface)
  if (kind !== 'permanentColour' || surface.state !== 'natural') return before
  const lift = colourLift(vol)
  if (lift === 0) return before
  const opened = exposedLab(surface.level + lift)
  const warmth = Math.min(1, lift / FULL_WARMTH_LIFT)
  return { l: opened.l, a: before.a + warmth * (opened.a - before.a), b: before.b + warmth * (opened.b - before.b) }
}

function blended(pigmented: Lab, white: Lab, share: number): Lab {
  const mix = (one: number, other: number) => (1 - share) * one + share * other
  return { l: mix(pigmented.l, white.l), a: mix(pigmented.a, white.a), b: mix(pigmented.b, white.b) }
}
