import { radians } from '../../units'

/** How far foils stand off the scalp, so that they are not lost in it, as a factor on the radius. Our choice. */
export const STAND_OFF = 1.012

/**
 * A turn sharper than this is a corner and stays one. Our estimate: partings and hairlines turn by a few degrees from
 * point to point.
 */
export const CORNER_TURN = radians(25)

/** Points of an outline of the head. Our choice: round to the eye. */
export const OUTLINE_POINTS = 144

/** Room that a label's middle keeps from a zone's outline, cm of the map. Our choice. */
export const LABEL_ROOM_CM = 0.9
