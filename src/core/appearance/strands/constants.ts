import type { Curl, Density } from '../../model'

/**
 * Ways of wearing hair in which it is looked at (common practice). `natural`: as it dries by itself, with its own
 * curl.
 */
export const WEARS = ['natural', 'straight', 'waved', 'low', 'high', 'halfUp'] as const
export type Wear = (typeof WEARS)[number]

/** Strands of a picture, and of the coarse pass that keeps up with edits. Our choice. */
export const FINE_STRANDS = 12_000
export const COARSE_STRANDS = 2_000

/**
 * Half the width of a drawn strand, cm, where 8 000 stand for a head of middle density; more of them are finer. Our
 * estimate.
 */
export const HALF_WIDTH_CM = 0.105
export const WIDTH_AT = 8_000
/** A strand narrows to this share of its breadth at the tip. Our estimate. */
export const TIP_WIDTH = 0.45

/**
 * A curl: share of the stretched length that it hangs, radius and pitch of its helix (cm), lift and bulk as factors.
 */
export interface CurlShape {
  worn: number
  radius: number
  pitch: number
  /** Length of the pieces it is drawn in, cm. */
  step: number
  bulk: number
  /** Way over which a strand turns to the ground, cm. */
  bend: number
  /** How steeply it leaves the scalp: outwards for one along it. */
  lift: number
  /** How far apart the strands of a clump turn, 0 (as one) … 1. */
  loose: number
  /** How far neighbouring clumps do, 0 (in one long wave round the head) … 1. */
  apart: number
  /** How much narrower clumps are at the tips, 0…1. */
  closes: number
}

/** Curl patterns as they are worn, and waves put in for the day. Our estimates. */
export const CURL_SHAPES: Record<Curl | 'waved', CurlShape> = {
  straight: {
    worn: 1,
    radius: 0,
    pitch: 1,
    step: 2.1,
    bulk: 1,
    bend: 3.2,
    lift: 0.3,
    loose: 0.2,
    apart: 0,
    closes: 0.1,
  },
  waved: {
    worn: 0.94,
    radius: 0.6,
    pitch: 9,
    step: 1.25,
    bulk: 1.35,
    bend: 3.4,
    lift: 0.35,
    loose: 0.1,
    apart: 0.12,
    closes: 0.3,
  },
  wavy: {
    worn: 0.93,
    radius: 0.5,
    pitch: 7,
    step: 1.1,
    bulk: 1.3,
    bend: 3.4,
    lift: 0.35,
    loose: 0.12,
    apart: 0.3,
    closes: 0.3,
  },
  curly: {
    worn: 0.72,
    radius: 0.75,
    pitch: 3.4,
    step: 0.55,
    bulk: 2,
    bend: 4.5,
    lift: 0.7,
    loose: 0.15,
    apart: 1,
    closes: 0.45,
  },
  coily: {
    worn: 0.5,
    radius: 0.42,
    pitch: 1.7,
    step: 0.3,
    bulk: 2.1,
    bend: 3,
    lift: 1,
    loose: 0.35,
    apart: 1,
    closes: 0.4,
  },
}

/**
 * Layer of hair over the head at full length of it, cm: least for hair that grows low, more for what lies over it. Our
 * estimate.
 */
export const LAYER_CM = { low: 0.25, more: 1.5 } as const
/** How far strands leave their layer for those below, as a share of it. Our estimate. */
export const LAYERS_MIX = 0.1
export const DENSITY_BULK: Record<Density, number> = { low: 0.8, medium: 1, high: 1.25 }
/** Way from the root in which a strand comes to lie in its layer, cm. Our estimate. */
export const LAYER_FROM_CM = 5
/** How steeply tied hair leaves the scalp: outwards for one along it. Our estimate. */
export const TIED_LIFT = 0.12

/** Curls begin so far from the scalp and are full so far on, cm. Our estimate. */
export const CURL_FROM_CM = 1.5
export const CURL_FULL_CM = 7

/** Hair falls together in clumps of about this breadth on the scalp, cm. Our estimate. */
export const CLUMP_CM = 1.1
/** How far clumps and strands wander off their way, cm per root of a cm. Our estimate. */
export const WANDER = { clump: 0.05, strand: 0.03 } as const
/** One strand in so many flies away, wandering so many times as far. Our estimate. */
export const FLYAWAY = { oneIn: 90, times: 5 } as const

/**
 * The part runs from the front hairline to here, cm behind the middle of the head; behind it hair falls from the
 * crown. Our estimate.
 */
export const PART_ENDS_Y = -5.5
export const CROWN_BLEND_CM = 4
/** A zigzag part swings so far to either side, cm, in teeth so long. Our estimate. */
export const ZIGZAG_CM = { swing: 0.6, tooth: 2.4 } as const

/** Hair that leaves the scalp so steeply has no part: it stands out all round. Our estimate. */
export const NO_PART_FROM_LIFT = 1

/** Hair shorter than this at the front hairline is a fringe and is combed forward, cm. Our estimate. */
export const FRINGE_CM = 14
/** Azimuth from the face up to which hair at the hairline is a fringe, and how far in from it, s. Our estimate. */
export const FRINGE = { azimuth: 48, fromS: 0.55 } as const

/**
 * The face is kept free: half its breadth at the brow and the jaw, how far forward it begins, from where to where, and
 * how far forward hair lies beside it, cm; how far it goes back there and aside before it, cm per cm. Our estimate.
 */
export const FACE = { half: 6.7, fromY: 2.5, top: 8, bottom: -13, besideY: 3.6, backwards: 0.22, aside: 0.8 } as const

/**
 * Hair that comes near the shoulders parts before and behind them: from this height down, within so far of the skin,
 * along this line of the shoulders (y), as strongly as this a cm. Our estimate.
 */
export const SHOULDERS = { fromZ: -12, withinCm: 2.2, y: -3, turn: 0.12 } as const

/**
 * Where tied hair is gathered on the reference head, cm, and the tail's half thickness there and lower down. Our
 * estimate.
 */
export const TIE = {
  low: { y: -9.6, z: -5.6 },
  high: { y: -9.2, z: 8.6 },
  gatherCm: 1.6,
  tailCm: 1.1,
  tailGrowsTo: 2.6,
} as const
/** Hair of the front goes over the ear on its way to the tie, here on the reference head, cm. Our estimate. */
export const OVER_EAR: Record<'low' | 'high', { beforeY: number; y: number; z: number }> = {
  low: { beforeY: -1, y: -4.5, z: 1.5 },
  high: { beforeY: 1, y: -3, z: 7 },
}
/** The tail leaves the head in this direction (y, z). Our estimate. */
export const TAIL_LEAVES: Record<'low' | 'high', readonly [y: number, z: number]> = {
  low: [-0.35, -0.94],
  high: [-0.92, 0.38],
}
/** Hair that grows above this height is tied up in `halfUp`, cm from ear height. Our estimate. */
export const HALF_UP_FROM_Z = 3.2
