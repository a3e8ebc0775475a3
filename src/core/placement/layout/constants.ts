import { radians } from '../../units'

/** Zones must add up to the scalp within this share. Our choice. */
export const COVERAGE_TOLERANCE = 0.001

/** Step of azimuth in which the hairline is drawn. About 3 mm on the head. Our choice. */
export const HAIRLINE_STEP = radians(2)

/** Nearer than this to a vertex a parting ends in it, in the disk: about 1 mm. Our estimate. */
export const SNAP_WITHIN = 0.008

/** Nearer than this to an edge a circle lies against it, in the disk: 0.1 mm or so, less than a parting. Our choice. */
export const CLOSEST_PARTINGS = 0.001

/** A piece smaller than this is no zone, in the disk: about 1 cm². Our estimate. */
export const SMALLEST_ZONE = 0.005

/** Most places stored along one parting; a longer line is thinned evenly. Our choice. */
export const MOST_VIA = 60

/**
 * Distance of the grid's points from each other, cm: fine enough that rows are true to a hair's breadth. Our choice.
 */
export const LATTICE_SPACING = 1.15
export const LATTICE_ROW_HEIGHT = (LATTICE_SPACING * Math.sqrt(3)) / 2

/**
 * So many numbers a located point: x, y on the map and x, y, z in space (cm), polar angle and azimuth (rad), share of
 * the way to the hairline. By definition.
 */
export const LATTICE_LOCATED = 8

/** Azimuths at which the scalp's reach on the map is asked for, rad. Our choice. */
export const REACH_STEP = 0.05

/**
 * Distance that inner points keep from the outline's corners, cm. Our estimate: less makes slivers, more leaves gaps.
 */
export const MESH_CLEARANCE = 0.52

/** Halvings after which an outline that still does not fit is given up. Our choice. */
export const MOST_REFINEMENTS = 12

/** Longest straight piece of a parting in the unit disk. About 6 mm on the head. Our choice. */
export const DISK_STEP = 0.05

/**
 * A zone whose middle is nearer to the middle of the head than this lies on both sides, as a share of the way to the
 * hairline. Our estimate.
 */
export const MIDDLE = 0.12

/** A top strip whose edge lies further out than this from the middle would run over the temple, cm. Our estimate. */
export const STRIP_REACH_CM = 5.5
export const NARROWEST_STRIP_CM = 3

/**
 * Radius of a circle on top for medium hair, cm. Our estimate; finer hair carries a larger one, denser hair a smaller
 * one (common practice).
 */
export const CIRCLE_CM = 6.5

/** How far past a side part the side with less hair is usually worked, cm. Common practice: 2.5–5. */
export const PAST_PART_CM = 2.5

/** Places along one parting. Our choice. */
export const LINE_STEPS = 12

/**
 * How far a line runs beyond what it is meant to end in, so that it is sure to cross it; a share of its own length. Our
 * choice.
 */
export const LINE_OVERSHOOT = 0.04

/**
 * Where a nape section's parting leaves the hairline and crosses the middle: under the occipital bone. Our estimate.
 */
export const NAPE_LINE = { hairlinePsi: radians(118), middleTheta: radians(106) }

/** A closed line is at least so many times as long as the gap between its ends may be wide. Our choice. */
export const CLOSED_LENGTH = 4
/** How far a line may run on beyond its beginning, in the reach of a hand. Our choice. */
export const CLOSING_OVERRUN = 3
/** Ends that cross lie within this share of the line from its begin and its end. Our choice. */
export const NEAR_THE_ENDS = 0.12
