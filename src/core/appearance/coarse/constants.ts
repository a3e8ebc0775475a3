import type { Size } from '../picture'

/** Step of the grid of the usual head's bust, cm. Our choice: half as fine as a client's own. */
export const COARSE_GRID_CM = 1
/** Size of the pictures that are counted in, pixels: about one to a strand. Our choice. */
export const COARSE_SIZE: Size = { width: 90, height: 120 }
/** Lengths of hair are told apart in such steps, cm. Our choice: what is seen changes little within one. */
export const LENGTH_STEP_CM = 5
/** Kinds of hair whose counts are kept. Our choice: the clients of a few days. */
export const KEPT_HAIRS = 60
