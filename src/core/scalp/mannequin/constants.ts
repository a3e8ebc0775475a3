import type { Point3 } from '../../model'

/** Radius of the round between two parts, cm: features small, jaw and neck soft, shoulders wide. Our estimate. */
export const ROUND = { feature: 0.5, face: 1.2, jaw: 2.2, neck: 2.6, shoulder: 6 } as const
export type Round = keyof typeof ROUND

/**
 * A part of the bust beside the cranium: an ellipsoid about a centre, or a capsule from one point to another; parts off
 * the middle are there on both sides. `cut` takes away instead of adding; `overHair` lies over the
 * scalp where hair grows.
 */
export type Part = { name: string; round: Round; cut?: true; overHair?: true } & (
  | { at: readonly [number, number, number]; axes: readonly [number, number, number] }
  | { at: readonly [number, number, number]; to: readonly [number, number, number]; radius: number }
)

/**
 * Face, ears, neck and shoulders around the reference head, cm: x to the client's left, y towards the face, z up from
 * ear height. A plain head, nobody's in particular. Our estimate, from the usual canon of a face (eyes halfway down,
 * nose and mouth by thirds).
 */
export const PARTS: readonly Part[] = [
  { name: 'jaw', round: 'jaw', at: [0, 4.1, -7], axes: [5.1, 4.6, 4.6] },
  { name: 'chin', round: 'face', at: [0, 7, -9.9], axes: [2, 1.5, 1.5] },
  { name: 'cheek', round: 'jaw', at: [3.6, 5.9, -3.3], axes: [2.2, 2, 2.4] },
  { name: 'brow', round: 'face', at: [2.6, 7.9, 0.7], axes: [2.5, 0.8, 0.6] },
  { name: 'socket', round: 'face', cut: true, at: [3, 9.6, -0.8], axes: [1.7, 1.35, 0.85] },
  { name: 'lid', round: 'feature', at: [3, 7.75, -0.85], axes: [1.25, 1, 0.75] },
  { name: 'nose', round: 'feature', at: [0, 8.7, 0.1], to: [0, 9.9, -3.5], radius: 0.65 },
  { name: 'nose tip', round: 'feature', at: [0, 9.9, -3.8], axes: [0.8, 0.95, 0.65] },
  { name: 'nostril', round: 'feature', at: [0.7, 9.1, -4], axes: [0.6, 1.05, 0.5] },
  { name: 'upper lip', round: 'feature', at: [0, 8.6, -6.55], axes: [1.9, 0.75, 0.42] },
  { name: 'lower lip', round: 'feature', at: [0, 8.55, -7.3], axes: [1.6, 0.75, 0.48] },
  { name: 'ear', round: 'feature', overHair: true, at: [7.5, -0.9, -1.6], axes: [0.7, 1.7, 2.8] },
  { name: 'ear hollow', round: 'feature', cut: true, overHair: true, at: [8.2, -0.5, -1.4], axes: [0.5, 0.95, 1.6] },
  { name: 'neck', round: 'neck', at: [0, -0.8, -7], to: [0, -3, -18], radius: 4.9 },
  { name: 'shoulder', round: 'shoulder', at: [0, -3.2, -22], to: [12.5, -3.6, -24.4], radius: 4.2 },
  { name: 'chest', round: 'shoulder', at: [0, -2.2, -27], axes: [14, 6.5, 7] },
]

/**
 * The scalp is exact as far as hair grows; from its hairline to so many times its polar angle the parts come in. Our
 * choice: two centimetres of forehead.
 */
export const PARTS_FROM = 1
export const PARTS_WHOLE = 1.18

/** Step of the grid on which the field is sampled and meshed, cm, and the box it fills. Our choice. */
export const GRID_STEP = 0.5
export const BOX: { from: Point3; to: Point3 } = {
  from: { x: -19, y: -14, z: -28 },
  to: { x: 19, y: 14, z: 15.5 },
}
