import { radians } from '../../units'

/** Where a head is looked at from: turn from the face over the client's left, and tilt from above, rad. */
export interface View {
  turn: number
  tilt: number
}

/** The views that have a name. Common practice: both sides, front, back, and from above for the part. */
export const VIEWS = {
  front: { turn: 0, tilt: radians(6) },
  left: { turn: Math.PI / 2, tilt: radians(6) },
  right: { turn: -Math.PI / 2, tilt: radians(6) },
  back: { turn: Math.PI, tilt: radians(8) },
  top: { turn: Math.PI, tilt: radians(78) },
} as const satisfies Record<string, View>
export type ViewName = keyof typeof VIEWS
export const VIEW_NAMES = Object.keys(VIEWS) as ViewName[]

/**
 * Top of the picture, room over and under the hair, the least and the most that is shown below the ears, the most of
 * tied hair, cm. Our choice.
 */
export const FRAME = { top: 17.5, room: 2.5, least: 29, most: 84, tied: 34 } as const

/** Bins of depth in which pieces of strands are drawn, nearest first. Our choice. */
export const DEPTH_BINS = 512

/**
 * Tiles of 2 to so many pixels in which is kept what is covered, and after which shares of the strands that is looked
 * at. Our choice.
 */
export const TILE_BITS = 3
export const COVER_LOOKS = [0, 0.06, 0.12, 0.25, 0.4, 0.55] as const

/**
 * Directions of the light against the viewer (right, up, towards): from above and before her, and from below; alike on
 * both sides, so that no side looks lighter than it is. Our choice.
 */
export const KEY_LIGHT = [0, 0.68, 0.72] as const
export const FILL_LIGHT = [0, -0.35, 0.94] as const

/**
 * Shares of light on hair: from everywhere, from the lights, and the gloss with its sharpness (the power 2 to so many;
 * Kajiya & Kay 1989 for the form, figures our estimate).
 */
export const HAIR_LIGHT = { ambient: 0.3, key: 0.62, fill: 0.16, gloss: 0.3, sharpness: 5 } as const
/** Gloss is white from the surface of the hair, and coloured from inside it, in these shares. Our estimate. */
export const GLOSS = { white: 0.06, coloured: 0.6 } as const
/**
 * How much darker hair is that lies under other hair: looked for so far around it, begins and is whole so deep, cm.
 * Our estimate.
 */
export const UNDER = { shade: 0.62, reachCm: 0.45, fromCm: 0.25, wholeCm: 1.5 } as const
/** How far single strands differ, and shade at the scalp. Our estimates. */
export const DIFFERS = { strand: 0.1, clump: 0.13 } as const
export const ROOT_SHADE = { cm: 2.5, share: 0.16 } as const
/** Skin and clothes are grey: nobody in particular. Linear light, 0…1. Our choice. */
export const SKIN_LIGHT = { ambient: 0.28, key: 0.42, fill: 0.1 } as const
/** Scalp that shows between strands looks like its roots by this share, as they look in so much light. Our estimate. */
export const SCALP = { share: 0.85, light: 0.55 } as const

/** Behind the head, linear light: the grey of a quiet wall (sRGB 236). Our choice. */
export const WALL_LIGHT = [0.8388, 0.8388, 0.8228] as const

/** The bust goes on downwards as it ends, as far as hair may hang, cm from ear height. Our choice. */
export const TORSO_TO_Z = -90
/** It goes over into the wall from here to its end, cm from ear height. Our choice. */
export const FADES = { from: -20, to: -36 } as const
