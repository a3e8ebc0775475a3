import type { Strands } from '../strands'
import { FRAME, type View } from './constants'

/** Width and height in pixels. */
export interface Size {
  width: number
  height: number
}

/** A camera far away: which way the picture's right, up and the viewer lie, and how space comes to lie on pixels. */
export interface Camera extends Size {
  right: readonly [number, number, number]
  up: readonly [number, number, number]
  towards: readonly [number, number, number]
  /** Pixels per cm. */
  scale: number
  /** Place in space of the middle of the picture, cm. */
  centre: readonly [number, number, number]
}

/** The axis of the head, cm behind its middle. Our choice. */
const MIDDLE_Y = -1

/**
 * Looks at a head so that all its hair is in the picture.
 * @param reach how far the hair reaches; see {@link reachOf}
 */
export function cameraAt({ turn, tilt }: View, { width, height }: Size, reach: Reach): Camera {
  const [sinTurn, cosTurn, sinTilt, cosTilt] = [Math.sin(turn), Math.cos(turn), Math.sin(tilt), Math.cos(tilt)]
  const bottom = -Math.min(FRAME.most, Math.max(FRAME.least, FRAME.room - reach.lowest))
  const top = Math.max(FRAME.top, reach.highest + FRAME.room)
  const span = top - bottom
  // From above all of it is foreshortened to the breadth of the shoulders.
  const shown = span * cosTilt + (FRAME.top + FRAME.least) * sinTilt * (1 - cosTilt)
  const middle = (top + bottom) / 2
  return {
    width,
    height,
    right: [cosTurn, -sinTurn, 0],
    up: [-sinTilt * sinTurn, -sinTilt * cosTurn, cosTilt],
    towards: [cosTilt * sinTurn, cosTilt * cosTurn, sinTilt],
    scale: Math.min(height / shown, width / 2 / (reach.aside + FRAME.room)),
    centre: [0, MIDDLE_Y, middle],
  }
}

/** How far down and up hair reaches, cm from ear height, and how far aside from the middle of the head, cm. */
export interface Reach {
  lowest: number
  highest: number
  aside: number
}

/** Of tied hair the head is looked at more than the tail, which may hang out of the picture. */
export function reachOf({ positions, wear }: Strands): Reach {
  const reach = { lowest: Infinity, highest: -Infinity, aside: 0 }
  for (let at = 0; at < positions.length; at += 3) {
    const z = positions[at + 2]!
    const y = positions[at + 1]! - MIDDLE_Y
    const aside2 = positions[at]! * positions[at]! + y * y
    if (z < reach.lowest) reach.lowest = z
    if (z > reach.highest) reach.highest = z
    if (aside2 > reach.aside) reach.aside = aside2
  }
  reach.aside = Math.sqrt(reach.aside)
  if (wear === 'low' || wear === 'high') reach.lowest = Math.max(reach.lowest, -FRAME.tied)
  return reach
}

/** Points as they lie in the picture: column, row (downwards, both in pixels) and depth towards the viewer, cm. */
export function project(camera: Camera, positions: Float32Array): Float32Array {
  const { right, up, towards, scale, centre, width, height } = camera
  const seen = new Float32Array(positions.length)
  for (let at = 0; at < positions.length; at += 3) {
    const x = positions[at]! - centre[0]
    const y = positions[at + 1]! - centre[1]
    const z = positions[at + 2]! - centre[2]
    seen[at] = width / 2 + scale * (x * right[0] + y * right[1] + z * right[2])
    seen[at + 1] = height / 2 - scale * (x * up[0] + y * up[1] + z * up[2])
    seen[at + 2] = x * towards[0] + y * towards[1] + z * towards[2]
  }
  return seen
}
