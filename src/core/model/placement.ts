export const DIRECTIONS = ['horizontal', 'vertical', 'diagonalBack', 'diagonalForward', 'radial', 'parallel'] as const
export const TAKE_KINDS = ['weave', 'babylight', 'slice', 'teased', 'painted', 'block', 'onScalp'] as const
export const ROW_ORDERS = ['bottomUp', 'topDown', 'fromPart'] as const
export const COVERS = ['foil', 'film', 'open'] as const
export const PAINT_SHAPES = ['v', 'w', 'diagonal', 'check'] as const
export const DROPOUT_KINDS = ['lowlight', 'sameFoil', 'paint', 'base'] as const
export const RAMP_FIGURES = ['stitchMm', 'stitchGapMm', 'subsectionMm', 'rowGapMm', 'startCm'] as const
export const RAMP_WAYS = ['upwards', 'alongRow', 'alternating', 'afterRows'] as const
export const SELECTIONS = ['all', 'white', 'dark', 'copyWhite', 'earlier', 'notEarlier'] as const

export type Direction = (typeof DIRECTIONS)[number]
export type TakeKind = (typeof TAKE_KINDS)[number]
export type RowOrder = (typeof ROW_ORDERS)[number]
export type Cover = (typeof COVERS)[number]
export type PaintShape = (typeof PAINT_SHAPES)[number]
export type DropoutKind = (typeof DROPOUT_KINDS)[number]
export type RampFigure = (typeof RAMP_FIGURES)[number]
export type RampWay = (typeof RAMP_WAYS)[number]
export type Selection = (typeof SELECTIONS)[number]

/** In a sequence: this row is left as it is. */
export const LEAVE = 'leave'

/**
 * What is taken from a subsection. `slice` and `block` take all of it, `weave` and `babylight` take stitches, `teased`
 * what is left after back-combing, `painted` what the brush reaches, `onScalp` colours the new growth. The figures of
 * the other kinds are kept, so that switching back loses nothing.
 */
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
  /** `painted`: what is painted on the panel, and how much of it is soaked, 0…1. */
  shape?: PaintShape | undefined
  saturation?: number | undefined
  /** `painted`: how much higher it starts at the face than at the back, cm. */
  faceLiftCm?: number | undefined
}

/**
 * What becomes of hair in a worked subsection that was not picked up: closed in the next foil or in the same one,
 * painted open, or given base at the root. Left out: it stays as it is.
 */
export interface Dropout {
  kind: DropoutKind
  formulaId: string
}

/** A figure that changes over a zone, from the asked one (`Placement` or `Take`) to another. */
export interface Ramp {
  figure: RampFigure
  way: RampWay
  /**
   * What it comes to: at the upper edge, at the end of the row away from the hairline, on every other foil, or after so
   * many rows. How far rows lie apart cannot change along a row.
   */
  to: number
  /** `afterRows`: how many rows keep the asked figure. */
  rows?: number | undefined
}

/** The hairline end of every row, taken on its own. */
export interface RowPanel {
  widthCm: number
  /** `slice`: all of it; `same`: as the rest. */
  take: 'slice' | 'same'
  /** Whether the rest of the row is worked: `leave` is stitching of the hairline alone. */
  rest: 'same' | 'leave'
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
  cover?: Cover | undefined
  dropout?: Dropout | undefined
  ramps?: Ramp[] | undefined
  panel?: RowPanel | undefined
  /** Which hair of a subsection may be taken. */
  select?: Selection | undefined
  /** Left bare between this product and one nearer to the scalp, cm. */
  bufferCm?: number | undefined
  stopBeforeEndsCm?: number | undefined
  /** How far from the scalp product reaches at most, cm: the new growth of a retouch. Left out: to the ends. */
  upToCm?: number | undefined
}
