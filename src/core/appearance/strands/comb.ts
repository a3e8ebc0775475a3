import { partX } from '../../hair/fibre'
import type { HairState } from '../../model'
import type { Head } from '../../scalp/head'
import { degrees } from '../../units'
import { foldTurn, smooth } from '../../numeric'
import { CROWN_BLEND_CM, FRINGE, FRINGE_CM, PART_ENDS_Y, ZIGZAG_CM } from './constants'

type Direction = readonly [x: number, y: number, z: number]

/** How much the hair of the sides falls towards the face or the back. Our estimate. */
const FALL_Y = { forward: 0.12, left: -0.08, right: -0.08, back: -0.3 } as const

/** Where the part runs at a distance from the back to the front, cm to the client's left. */
export function partAt(hair: HairState, y: number): number {
  const straight = partX(hair)
  if (hair.part !== 'zigzag') return straight
  const turn = y / ZIGZAG_CM.tooth
  return straight + ZIGZAG_CM.swing * (4 * Math.abs(turn - Math.floor(turn + 0.5)) - 1)
}

/** A root, as seen from its own side of the head: x away from the middle. */
export interface CombedRoot {
  x: number
  y: number
  z: number
  s: number
  psi: number
  length: number
}

/**
 * Where hair is combed at a root worn down: on top away from the part, behind its end out from the crown, at the sides
 * down; a short hairline at the face comes forward.
 * @param side 1 the client's left, −1 her right
 */
export function combDown(head: Head, hair: HairState, root: CombedRoot, side: 1 | -1): Direction {
  const { x, y, z } = root
  const part = side * partAt(hair, y)
  const away = x >= part ? 1 : -1
  if (isFringe(root)) return [-0.05 * away, 1, -0.2]
  const top = smooth((z / head.axes.up - 0.42) / 0.38)
  const behind = smooth((PART_ENDS_Y + CROWN_BLEND_CM - y) / CROWN_BLEND_CM)
  const outX = x - 0.5 * part
  const outY = y - 0.6 * PART_ENDS_Y
  const out = Math.sqrt(outX * outX + outY * outY) || 1
  const aside = y > 5 ? -0.75 : -0.35
  const fall = FALL_Y[hair.fall ?? 'left']
  return [
    top * ((1 - behind) * away + (behind * outX) / out),
    top * ((1 - behind) * aside + (behind * outY) / out) + (1 - top) * fall,
    -(1 - top),
  ]
}

/** Where hair goes that stands out all round: away from the top of the head. */
export const combOut = ({ x, y, z }: Pick<CombedRoot, 'x' | 'y' | 'z'>): Direction => [x, y, z > 0 ? 0 : -1]

export const isFringe = ({ psi, s, length }: Pick<CombedRoot, 'psi' | 's' | 'length'>): boolean =>
  length < FRINGE_CM && s > FRINGE.fromS && degrees(foldTurn(psi)) < FRINGE.azimuth
