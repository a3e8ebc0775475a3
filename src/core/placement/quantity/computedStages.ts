/** What the stages head, layout, placement and quantity add up to, before anything is rounded. */
import type { Head } from '../../scalp/head'
import type { ZoneShape } from '../layout'
import type { PartingField, Piece, ZoneHair, ZonePlacement } from '../foils'
import type { FormulaGrams, PieceGrams, Range } from '.'

/** One zone, computed. */
export interface ZoneResult {
  stageId: string
  zoneId: string
  name: string
  shape: ZoneShape
  field: PartingField
  placement: ZonePlacement
  hair: ZoneHair
  /** Parallel to placement.pieces: mix in g and hands-on time in s. */
  grams: PieceGrams[]
  seconds: number[]
  /** Hands-on time in all with sectioning, s. */
  handsOn: number
}

/** A plan's stages, computed. Zones stand in working order, stage by stage. */
export interface ComputedStages {
  head: Head
  /** cm² under hair. */
  scalpArea: number
  zones: ZoneResult[]
  pieces: Piece[]
  foilCount: number
  grams: FormulaGrams[]
  /** s */
  handsOn: Range
  /** Hairs on the head, and share of them that each formula takes. */
  hairs: number
  shareByFormula: Record<string, number>
}
