/** What is measured on a head with a tape. Omitted arcs follow from the circumference. */
export interface HeadMeasures {
  /** Around the forehead and the back of the head, cm. */
  circumferenceCm: number
  /** From the middle of the front hairline over the crown to the nape hairline, cm. */
  frontToNapeCm?: number | undefined
  /** From hairline to hairline above the ears, over the top of the head, cm. */
  earToEarCm?: number | undefined
  /** How much higher (+) or lower (−) than usual the front hairline sits, cm. */
  frontHairlineOffsetCm?: number | undefined
}

/** The head of whom nothing is known yet: the middle of adult heads, see the core's head constants. */
export const STARTING_HEAD: HeadMeasures = { circumferenceCm: 54 }

/**
 * A place on any head. `psi`: azimuth in radians, 0 at the face, positive towards the client's left.
 * `s`: 0 at the apex, 1 at the hairline, measured on the equal-area map. Independent of the size of the head.
 */
export interface Place {
  psi: number
  s: number
}

/** A point of the equal-area map, cm from the apex. `x` grows to the right (client's right), `y` towards the face. */
export interface MapPoint {
  x: number
  y: number
}

/** A point in space, cm from the head's centre at ear height. x: client's left, y: towards the face, z: up. */
export interface Point3 {
  x: number
  y: number
  z: number
}
