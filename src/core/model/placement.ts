export const DIRECTIONS = ['horizontal', 'vertical', 'diagonalBack', 'diagonalForward', 'radial', 'parallel'] as const
export const TAKE_KINDS = ['weave', 'babylight', 'slice', 'teased', 'painted', 'block', 'onScalp'] as const
export const ROW_ORDERS = ['bottomUp', 'topDown', 'fromPart'] as const
export const COVERS = ['foil', 'film', 'open'] as const
export const PAINT_SHAPES = ['v', 'w', 'diagonal', 'check'] as const
export const DROPOUT_KINDS = ['lowlight', 'sameFoil', 'paint', 'base'] as const
export const RAMP_FIGURES = [
  'stitchMm',
  'stitchGapMm',
  'subsectionMm',
  'rowGapMm',
  'startCm',
  'upToCm',
  'stopBeforeEndsCm',
  'bandCm',
  'saturation',
] as const
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

/** A pair of how a row's hairline end is taken, and what becomes of the rest. */
export const PANEL_TAKES = ['slice', 'same', 'leave'] as const
export const PANEL_RESTS = ['same', 'leave'] as const

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
  /** `painted`: what is painted on the panel. */
  shape?: PaintShape | undefined
  /** How generously product goes on: 0 half of the usual, 0.5 the usual, 1 half as much again. */
  saturation?: number | undefined
  /** Back-combed first, whatever is taken then: only what is left in the hand gets product. */
  teased?: boolean | undefined
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
  /** `slice`: all of it; `same`: as the rest; `leave`: nothing, so that the hairline keeps its colour. */
  take: (typeof PANEL_TAKES)[number]
  /** Whether the rest of the row is worked: `leave` is stitching of the hairline alone. */
  rest: (typeof PANEL_RESTS)[number]
}

/** One formula on a part of the strand. What lies between two stretches stays bare: a buffer. */
export interface Stretch {
  formulaId: string
  /** Distances from the scalp, cm. Left out: where the stretch before ends, or the zone's product starts. */
  fromCm?: number | undefined
  /** Left out: where the next one begins, or the zone's product ends. */
  toCm?: number | undefined
}

/** What a row gets where one letter does not say it. What is left out is as the zone has it. */
export interface RhythmEntry {
  /** From the scalp to the ends; they do not overlap. */
  stretches: Stretch[]
  take?: Take | undefined
  startCm?: number | undefined
  select?: Selection | undefined
  cover?: Cover | undefined
}

/** A formula's letter all along the strand, {@link LEAVE}, or an entry of its own. */
export type RowEntry = string | RhythmEntry

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
  /** What each row gets, repeated row after row. Empty: the zone is left alone. */
  sequence: RowEntry[]
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
  /** The section is one panel instead of rows. */
  onePanel?: boolean | undefined
  /** Partings that zigzag so far to either side, mm: nothing that is taken ends in a straight line. */
  zigzagMm?: number | undefined
  /** A second foil covers each first one. */
  secondFoil?: boolean | undefined
}

/** An entry in full. */
export const entryOf = (entry: RowEntry): RhythmEntry =>
  typeof entry === 'string' ? { stretches: entry === LEAVE ? [] : [{ formulaId: entry }] } : entry

/** Letters of an entry, from the scalp to the ends; none where the row is left. */
export const lettersOf = (entry: RowEntry): string[] => entryOf(entry).stretches.map(({ formulaId }) => formulaId)

/** Letters that a placement names in its rhythm, each once. */
export const rhythmLetters = ({ sequence }: Pick<Placement, 'sequence'>): string[] => [
  ...new Set(sequence.flatMap(lettersOf)),
]

/** Letters that a placement names, dropouts included. */
export const placementLetters = ({ sequence, dropout }: Pick<Placement, 'sequence' | 'dropout'>): string[] => [
  ...new Set([...rhythmLetters({ sequence }), ...(dropout ? [dropout.formulaId] : [])]),
]
