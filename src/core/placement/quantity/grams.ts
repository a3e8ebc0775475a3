import { fibreGramsPerCm } from '../../hair/fibre'
import {
  isLightener,
  type Formula,
  type HairState,
  type LearnedFactors,
  type Product,
  type ProductKind,
} from '../../model'
import type { Piece } from '../foils'
import { bowlCapacity, planBowls, type Bowl, type BowlRules, type BowlUse } from './bowls'
import {
  BOWL_RESIDUE_G,
  COLOUR_LIFE_MINUTES,
  EDGE_LOSS_G,
  GRAMS_VARIATION,
  LIGHTENER_LIFE_MINUTES,
  LOAD,
  LONG_HAIR_CM,
  LONG_HAIR_EXPONENT,
  SCALP_FILM_G_PER_CM2,
  WASTE_VARIATION,
} from './constants'
import { secondsFromMinutes } from '../../units'
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
  /** In the order in which they are mixed. */
  bowls: Bowl[]
  residue: number
  range: Range
  /** What it is used for, piece by piece. */
  uses: BowlUse[]
}

/** One piece of a formula, and what it needs. */
export interface PieceUse extends Omit<BowlUse, 'grams'> {
  grams: PieceGrams
}

/** Capacity and working life of a formula's bowls on some hair. */
export const bowlRulesFor = (
  { bowls }: Pick<Formula, 'bowls'>,
  { kind, rules }: Product,
  hair: Pick<HairState, 'lengthCm'>,
): BowlRules => ({
  capacity: bowlCapacity(hair.lengthCm),
  workingLife: secondsFromMinutes(
    rules?.workingLifeMinutes ?? (isLightener(kind) ? LIGHTENER_LIFE_MINUTES : COLOUR_LIFE_MINUTES),
  ),
  chosen: bowls,
})

/** Mix that goes on, into the scalp's film and onto the foil's edges, g. */
export const appliedGrams = ({ onHair, onScalp, edge }: PieceGrams): number => onHair + onScalp + edge

const GRAMS_SIGMA = combinedSigma(Object.values(GRAMS_VARIATION))
const WASTE_SIGMA = combinedSigma([WASTE_VARIATION])

/** Sums the pieces of a formula, divides them into bowls and adds what stays in those. */
export function formulaGrams(formulaId: string, uses: readonly PieceUse[], rules: BowlRules): FormulaGrams {
  const sum = (key: keyof PieceGrams) => uses.reduce((total, { grams }) => total + grams[key], 0)
  const [hair, onHair, onScalp, edge] = [sum('hair'), sum('onHair'), sum('onScalp'), sum('edge')]
  const applied = uses.map((use) => ({ ...use, grams: appliedGrams(use.grams) }))
  const bowls = planBowls(applied, rules)
  const residue = bowls.length * BOWL_RESIDUE_G
  return {
    formulaId,
    pieces: uses.length,
    hair,
    onHair,
    onScalp,
    edge,
    bowls,
    residue,
    range: rangeOf(onHair + onScalp, edge + residue, GRAMS_SIGMA, WASTE_SIGMA),
    uses: applied,
  }
}
