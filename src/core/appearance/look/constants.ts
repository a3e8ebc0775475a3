import type { Contrast, FaceFrame, RootWish } from '../../model'

/** A wished level is met within half a level, and near within one. Our estimate: what a level chart can tell apart. */
export const LEVEL_OFF = { met: 0.5, near: 1 } as const
/** Light that is seen against light that was wished for, points of a hundred. Our estimate. */
export const LIGHT_OFF = { met: 8, near: 16 } as const
/** Levels of contrast from which its words hold: 2 subtle, 3 clear, 5 bold (common practice; 4.5 our estimate). */
export const CONTRAST_FROM: Record<Contrast, number> = { subtle: 1.5, clear: 3, bold: 4.5 }
/** Levels by which the hair at the face is lighter than the rest that is seen in front. Our estimate. */
export const FACE_FRAME: Record<FaceFrame, { from: number; to: number; slack: number }> = {
  none: { from: -1, to: 0.35, slack: 0.25 },
  soft: { from: 0.25, to: 1, slack: 0.3 },
  bold: { from: 0.8, to: 6, slack: 0.35 },
}
/** Over how many cm light begins, by how the root was wished. Our estimate. */
export const ROOT_CM: Record<RootWish, { from: number; to: number; slack: number }> = {
  toScalp: { from: 0, to: 1, slack: 1 },
  rooted: { from: 0.5, to: 4, slack: 1 },
  melt: { from: 1.5, to: 12, slack: 1 },
}
