import { fibreGramsPerCm } from '../hair'
import type { HairState, LearnedFactors, ProductKind } from '../model'
import type { Piece } from '../placement'
import {
  BOWL_G,
  BOWL_RESIDUE_G,
  EDGE_LOSS_G,
  GRAMS_VARIATION,
  LOAD,
  LONG_HAIR_CM,
  LONG_HAIR_EXPONENT,
  SCALP_FILM_G_PER_CM2,
} from './constants'
import { combinedSigma, rangeOf, type Range } from './range'

/** What one piece needs of its formula. */
export interface PieceGrams {
  /** Hair that gets product, g. */
  hair: number
  /** Mix taken up by that hair, g. */
  onHair: number
  /** Mix in the film on the scalp, g. */
  onScalp: number
  /** Mix lost on the foil's edges, g. */
  edge: number
}

/** Grams of mix per gram of hair of a given length, cm. */
export function loadFor(kind: ProductKind, hairLength: number): number {
  return LOAD[kind] * Math.min(1, (LONG_HAIR_CM / hairLength) ** LONG_HAIR_EXPONENT)
}

/** Mix needed for one foil or scalp parting, g. */
export function pieceGrams(piece: Piece, kind: ProductKind, hair: HairState, learned: LearnedFactors): PieceGrams {
  const grams = piece.treatedFibre * fibreGramsPerCm(hair.texture)
  return {
    hair: grams,
    onHair: grams * loadFor(kind, piece.hairLength) * learned.load,
    onScalp: piece.kind === 'onScalp' ? piece.area * SCALP_FILM_G_PER_CM2 * learned.load : 0,
    edge: piece.kind === 'foil' ? EDGE_LOSS_G : 0,
  }
}

/** What all pieces of one formula need, with where it goes. */
export interface FormulaGrams {
  formulaId: string
  pieces: number
  hair: number
  onHair: number
  onScalp: number
  edge: number
  bowls: number
  residue: number
  range: Range
}

const GRAMS_SIGMA = combinedSigma(Object.values(GRAMS_VARIATION))

/** Sums the pieces of a formula and adds what stays in the bowls. */
export function formulaGrams(formulaId: string, pieces: readonly PieceGrams[]): FormulaGrams {
  const sum = (key: keyof PieceGrams) => pieces.reduce((total, piece) => total + piece[key], 0)
  const [hair, onHair, onScalp, edge] = [sum('hair'), sum('onHair'), sum('onScalp'), sum('edge')]
  const applied = onHair + onScalp + edge
  const bowls = Math.ceil(applied / (BOWL_G - BOWL_RESIDUE_G))
  const residue = bowls * BOWL_RESIDUE_G
  return {
    formulaId,
    pieces: pieces.length,
    hair,
    onHair,
    onScalp,
    edge,
    bowls,
    residue,
    range: rangeOf(onHair + onScalp, edge + residue, GRAMS_SIGMA),
  }
}
