export const DIRECTIONS = ['horizontal', 'vertical', 'diagonalBack', 'diagonalForward'] as const
export const TAKE_KINDS = ['weave', 'babylight', 'slice', 'onScalp'] as const
export const ROW_ORDERS = ['bottomUp', 'topDown'] as const

export type Direction = (typeof DIRECTIONS)[number]
export type TakeKind = (typeof TAKE_KINDS)[number]
export type RowOrder = (typeof ROW_ORDERS)[number]

/** In a sequence: this row is left as it is. */
export const LEAVE = 'leave'

/** What is taken from a subsection. `slice` takes all of it, `weave` and `babylight` take stitches, `onScalp` colours the
 * new growth without foils. The figures of the other kinds are kept, so that switching back loses nothing. */
export interface Take {
  kind: TakeKind
  /** Width of a picked-up stitch, mm. */
  stitchMm: number
  /** Hair left between two stitches, mm. */
  stitchGapMm: number
  /** How deep into the subsection the comb picks, 0…1. */
  depthShare: number
  /** `onScalp`: length of the new growth that gets product, cm. */
  bandCm: number
}

/** Everything that is decided for one zone. */
export interface Placement {
  direction: Direction
  /** Slope of diagonal partings, degrees. */
  angleDeg: number
  subsectionMm: number
  rowGapMm: number
  /** Offset every other row, so that gaps and foil joints never line up. */
  bricklay: boolean
  take: Take
  /** Formula ids or {@link LEAVE}, repeated row after row. Empty: the zone is left alone. */
  sequence: string[]
  /** Distance from the scalp at which product starts, cm. */
  startCm: number
  rowOrder: RowOrder
}
