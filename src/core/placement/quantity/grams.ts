import { FIBRE_DIAMETER_UM, fibreGramsPerCm } from '../../hair/fibre'
import {
  isLightener,
  learnedIn,
  type Consistency,
  type Formula,
  type HairState,
  type LearnedFactor,
  type LearnedFactors,
  type Method,
  type Product,
  type ProductKind,
  type Texture,
} from '../../model'
import { pieceTouchesScalp, takenShare, type Piece } from '../foils'
import { bowlCapacity, planBowls, type Bowl, type BowlRules, type BowlUse } from './bowls'
import {
  BARE_FOIL_G_PER_CM2,
  BOWL_RESIDUE_G,
  COATED_AT_UM,
  COLOUR_LIFE_MINUTES,
  CONSISTENCY_LOAD,
  EDGE_LOSS_G,
  FILM_G_PER_CM2,
  GRAMS_VARIATION,
  LEAST_MIX_G,
  LIGHTENER_FILM_G_PER_CM2,
  LIGHTENER_LIFE_MINUTES,
  LOAD,
  LONG_HAIR_CM,
  LONG_HAIR_EXPONENT,
  METHOD_LOAD,
  P90,
  PAINT_FILM_G_PER_CM2,
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

/** Grams of mix per gram of hair of a given length, cm, and texture. */
export function loadFor(kind: ProductKind, hairLength: number, texture: Texture): number {
  const coated = COATED_AT_UM / FIBRE_DIAMETER_UM[texture]
  return LOAD[kind] * coated * Math.min(1, (LONG_HAIR_CM / hairLength) ** LONG_HAIR_EXPONENT)
}

/** What goes on a piece, and how. */
export interface Applied {
  kind: ProductKind
  method: Method
  consistency?: Consistency | undefined
}

/** Mix needed for one foil, panel or scalp parting, g. */
export function pieceGrams(
  piece: Piece,
  { kind, method, consistency = 'cream' }: Applied,
  hair: HairState,
  learned: LearnedFactors,
): PieceGrams {
  const grams = piece.treatedFibre * fibreGramsPerCm(hair.texture)
  const thick = CONSISTENCY_LOAD[consistency] * learned.load * (learnedIn(learned, 'load', kind)?.mean ?? 1)
  const load = loadFor(kind, piece.hairLength, hair.texture) * METHOD_LOAD[method] * thick
  const inFoil = piece.kind === 'foil'
  return {
    hair: grams,
    onHair: grams * load + paintFilm(piece, method) * thick,
    onScalp: wetScalp(piece) * filmOf(kind, method) * thick,
    edge: (inFoil ? EDGE_LOSS_G : 0) + bareFoil(piece) * BARE_FOIL_G_PER_CM2,
  }
}

/** Scalp that product lies on, cm²: all of the subsection where product is put on the skin or begins at it. */
const wetScalp = (piece: Piece): number =>
  piece.kind === 'onScalp' ? piece.area : pieceTouchesScalp(piece) ? (piece.area * piece.takenHairs) / piece.hairs : 0

const filmOf = (kind: ProductKind, method: Method): number =>
  method === 'brushOnScalp' && isLightener(kind) ? LIGHTENER_FILM_G_PER_CM2 : FILM_G_PER_CM2[method]

/** Length of a piece's hair that gets product, cm. */
const treatedCm = ({ fromCm, toCm, hairLength }: Piece): number => Math.max(0, Math.min(toCm, hairLength) - fromCm)

/** Foil that shows between what was picked up, cm²; of what lies in a foil, however it got there. */
const bareFoil = (piece: Piece): number =>
  piece.cover !== 'foil' ? 0 : piece.width * treatedCm(piece) * (1 - takenShare(piece.take))

/** What lies on the surface of a painted panel, g. */
const paintFilm = (piece: Piece, method: Method): number =>
  method === 'painting' ? piece.width * treatedCm(piece) * takenShare(piece.take) * PAINT_FILM_G_PER_CM2 : 0

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

/** Spread of what hair takes up: as wide as between any two, or as narrow as this colourist's own figures make it. */
function gramsSigma(own: LearnedFactor | undefined): number {
  if (!own) return combinedSigma(Object.values(GRAMS_VARIATION))
  const { load: _, ...rest } = GRAMS_VARIATION
  return combinedSigma([...Object.values(rest), Math.log(own.high / own.low) / (2 * P90)])
}
const WASTE_SIGMA = combinedSigma([WASTE_VARIATION])

/**
 * Sums the pieces of a formula, divides them into bowls and adds what stays in those.
 * @param own what was learned of its kind of product, which narrows the range
 */
export function formulaGrams(
  formulaId: string,
  uses: readonly PieceUse[],
  rules: BowlRules,
  own?: LearnedFactor,
): FormulaGrams {
  const sum = (key: keyof PieceGrams) => uses.reduce((total, { grams }) => total + grams[key], 0)
  const [hair, onHair, onScalp, edge] = [sum('hair'), sum('onHair'), sum('onScalp'), sum('edge')]
  const applied = uses.map((use) => ({ ...use, grams: appliedGrams(use.grams) }))
  const bowls = planBowls(applied, rules)
  const used = onHair + onScalp + edge
  const residue = uses.length === 0 ? 0 : Math.max(bowls.length * BOWL_RESIDUE_G, LEAST_MIX_G - used)
  return {
    formulaId,
    pieces: uses.length,
    hair,
    onHair,
    onScalp,
    edge,
    bowls,
    residue,
    range: rangeOf(onHair + onScalp, edge + residue, gramsSigma(own), WASTE_SIGMA),
    uses: applied,
  }
}
