import { isVirgin, SHORTEST_BAND_CM, strandLength } from '../../hair/hairRecord'
import { toneOfFormula } from '../../hair/colour'
import type { Band, Formula, Integrity, Porosity, ProductKind, TreatmentKind } from '../../model'

/** One formula on a stretch of strands. */
export interface Application {
  formula: Pick<Formula, 'level' | 'tone'>
  kind: ProductKind
  /** Distances from the scalp, cm; `toCm` may lie beyond the tip. */
  fromCm: number
  toCm: number
  /** The day it was done. */
  on: string
}

/** What stays in the hair's record; products that are not named leave nothing there. */
const TREATMENT: Partial<Record<ProductKind, TreatmentKind>> = {
  powderLightener: 'lightened',
  clayLightener: 'lightened',
  creamLightener: 'lightened',
  permanentColour: 'permanent',
  demiColour: 'demi',
  gloss: 'demi',
  directDye: 'demi',
  filler: 'demi',
}
/** Lightening opens the hair, overlapping wears it (common practice; one step each is our estimate). */
const MORE_POROUS: Record<Porosity, Porosity> = { low: 'normal', normal: 'high', high: 'high' }
const MORE_WORN: Record<Integrity, Integrity> = {
  sound: 'worn',
  worn: 'fragile',
  fragile: 'breaking',
  breaking: 'breaking',
}

/**
 * A band after an application came out as its formula says: lightener never darkens, colour never lightens artificial
 * pigment, gloss never lightens at all.
 */
export function treatBand(band: Band, { formula, kind, on }: Application): Band {
  const treatment = TREATMENT[kind]
  if (!treatment) return band
  const tone = toneOfFormula(formula.tone)
  const treated = { ...band, ...tone, treatments: [...band.treatments, { kind: treatment, on }] }
  switch (treatment) {
    case 'lightened': {
      const overlaps = band.treatments.some((one) => one.kind === 'lightened')
      const { beneathLevel: _gone, ...bare } = treated
      return {
        ...bare,
        level: Math.max(band.level, formula.level),
        porosity: MORE_POROUS[band.porosity],
        integrity: overlaps ? MORE_WORN[band.integrity] : band.integrity,
      }
    }
    case 'permanent': {
      const level = isVirgin(band) ? formula.level : Math.min(band.level, formula.level)
      return { ...treated, level, beneathLevel: band.beneathLevel ?? Math.max(level, band.level) }
    }
    default:
      return { ...treated, level: Math.min(band.level, formula.level), beneathLevel: band.beneathLevel ?? band.level }
  }
}

/**
 * Treats the stretch of a strand that an application reaches; edges nearer than the shortest band to one that is there
 * use that one.
 */
export function treatStrand(bands: readonly Band[], application: Application): Band[] {
  const length = strandLength(bands)
  const from = nearEdge(bands, Math.min(application.fromCm, length))
  const to = nearEdge(bands, Math.min(application.toCm, length))
  return cutAt(cutAt(bands, from), to).map((band) =>
    band.fromCm >= from - 1e-9 && band.toCm <= to + 1e-9 ? treatBand(band, application) : band,
  )
}

function nearEdge(bands: readonly Band[], cm: number): number {
  const edges = [0, ...bands.map(({ toCm }) => toCm)]
  const nearest = edges.reduce((best, edge) => (Math.abs(edge - cm) < Math.abs(best - cm) ? edge : best))
  return Math.abs(nearest - cm) < SHORTEST_BAND_CM ? nearest : cm
}

const cutAt = (bands: readonly Band[], cm: number): Band[] =>
  bands.flatMap((band) =>
    cm > band.fromCm && cm < band.toCm
      ? [
          { ...band, toCm: cm },
          { ...band, fromCm: cm },
        ]
      : [band],
  )
