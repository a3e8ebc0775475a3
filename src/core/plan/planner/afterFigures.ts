import { activeVariant, type Band, type FaltoPlan, type ToneHue, type TreatmentKind } from '../../model'
import { hairsOfCells } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import { shownLevel, type Fold, type FoldedCells } from '../../time/fold'
import { roundToHundredth } from '../../units'

/** The hair that a visit leaves, and what each of its stages met and left. */
export interface AfterFigures {
  /** Kinds of hair of the whole head, commonest first; their shares add up to 1. */
  after: PopulationFigures[]
  stages: StageHairFigures[]
}

export interface PopulationFigures {
  /** Of all hair, 0…1. */
  share: number
  white: boolean
  bands: BandFigures[]
}

export interface BandFigures {
  fromCm: number
  toCm: number
  level: number
  tone: { hue: ToneHue; strength: number }
  history: TreatmentKind[]
}

export interface StageHairFigures {
  stageId: string
  name: string
  met: MeanBand[]
  left: MeanBand[]
}

/** Mean level of all hair along a stretch. */
export interface MeanBand {
  fromCm: number
  toCm: number
  level: number
}

/** Stretches of which means are told, cm from the scalp: finer at the root, where visits differ. Our choice. */
const STRETCHES_CM = [0, 1, 2, 4, 8, 15, 25, 40, 60, 100, Infinity]

/** Shares to 0.0001, levels to 0.01. */
export function afterFigures(plan: FaltoPlan, { head }: ComputedStages, fold: Fold): AfterFigures {
  const hairs = hairsOfCells(head, plan.hair)
  return {
    after: populationsOf(fold.stages.at(-1)!, hairs),
    stages: activeVariant(plan).stages.map(({ id, name }, i) => ({
      stageId: id,
      name,
      met: meanBands(fold.stages[i]!, hairs),
      left: meanBands(fold.stages[i + 1]!, hairs),
    })),
  }
}

function populationsOf(cells: FoldedCells, hairs: Float64Array): PopulationFigures[] {
  const whole = hairs.reduce((sum, one) => sum + one, 0)
  const kinds = new Map<string, PopulationFigures>()
  cells.forEach((locks, i) => {
    for (const { bands, white, share } of locks) {
      const figures = bands.map((band) => bandFigures(band, white))
      const key = JSON.stringify([white, figures])
      const known = kinds.get(key) ?? { share: 0, white, bands: figures }
      known.share += (share * hairs[i]!) / whole
      kinds.set(key, known)
    }
  })
  return [...kinds.values()]
    .sort((a, b) => b.share - a.share)
    .map((kind) => ({ ...kind, share: Math.round(1e4 * kind.share) / 1e4 }))
}

const bandFigures = (band: Band, white: boolean): BandFigures => ({
  fromCm: band.fromCm,
  toCm: band.toCm,
  level: roundToHundredth(shownLevel(band, white)),
  tone: { hue: band.hue, strength: roundToHundredth(band.strength) },
  history: band.treatments.map(({ kind }) => kind),
})

function meanBands(cells: FoldedCells, hairs: Float64Array): MeanBand[] {
  const sums = STRETCHES_CM.slice(1).map(() => ({ level: 0, weight: 0, toCm: 0 }))
  cells.forEach((locks, i) => {
    for (const { bands, white, share } of locks)
      for (const band of bands)
        sums.forEach((sum, k) => {
          const to = Math.min(band.toCm, STRETCHES_CM[k + 1]!)
          const weight = Math.max(0, to - Math.max(band.fromCm, STRETCHES_CM[k]!)) * share * hairs[i]!
          if (weight === 0) return
          sum.level += weight * shownLevel(band, white)
          sum.weight += weight
          sum.toCm = Math.max(sum.toCm, to)
        })
  })
  return sums.flatMap(({ level, weight, toCm }, k) =>
    weight > 0 ? [{ fromCm: STRETCHES_CM[k]!, toCm, level: roundToHundredth(level / weight) }] : [],
  )
}
