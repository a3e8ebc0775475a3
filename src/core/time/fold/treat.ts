import { isVirgin, lastDyeOf, SHORTEST_BAND_CM, strandLength, toQuarterLevel } from '../../hair/hairRecord'
import { toneOfFormula } from '../../hair/colour'
import { depositOn, dyeOf, surfaceOfBand, type Recipe } from '../../product/formula'
import {
  isLightener,
  type Band,
  type Integrity,
  type Porosity,
  type ProductKind,
  type ToneHue,
  type TreatmentKind,
} from '../../model'
import { historyRate, LIGHTEST_LEVEL, lightestOf, softened, USUAL_MAXIMUM_LIFT } from '../lightening'
import { FILLER_TONE, REMOVED_LEVELS, TONE_IS_LOST_LEVELS, WHITE_LEVEL } from './constants'

/** One mix on a stretch of strands. */
export interface Application {
  recipe: Recipe
  /** Level the mix is to come to: what was seen, what the lightener is to reach, or what the hair is to show. */
  goal: number
  /** The level was seen at the chair: it is so, whatever the mix could do. */
  seen: boolean
  /** Distances from the scalp, cm; `toCm` may lie beyond the tip. */
  fromCm: number
  toCm: number
  /** The day it was done. */
  on: string
}

/** What the hair itself is, whatever was done to it. */
export interface Fibre {
  naturalLevel: number
  /** Whether it grows white. */
  white: boolean
}

/** Lightening opens the hair, overlapping wears it (common practice; one step each is our estimate). */
const MORE_POROUS: Record<Porosity, Porosity> = { low: 'normal', normal: 'high', high: 'high' }
const MORE_WORN: Record<Integrity, Integrity> = {
  sound: 'worn',
  worn: 'fragile',
  fragile: 'breaking',
  breaking: 'breaking',
}

/** What a colour is called in a record. */
const COLOURED = {
  permanentColour: 'permanent',
  demiColour: 'demi',
  gloss: 'demi',
  directDye: 'demi',
} as const satisfies Partial<Record<ProductKind, TreatmentKind>>

const coloursAs = (kind: ProductKind): TreatmentKind | undefined =>
  kind in COLOURED ? COLOURED[kind as keyof typeof COLOURED] : undefined

/** Level that a band shows: white hair that nothing was done to is white. */
export const shownLevel = (band: Band, white: boolean): number => (white && isVirgin(band) ? WHITE_LEVEL : band.level)

/**
 * A band after a mix did its work. Lightener comes to its goal as far as product and hair allow, and never darkens;
 * colour goes on what it meets and never lightens, except permanent colour on natural pigment; a remover takes
 * artificial pigment, a filler puts warmth back; what only cares leaves the record as it is.
 */
export function treatBand(band: Band, application: Application, fibre: Fibre): Band {
  const { kind } = application.recipe.leading
  if (isLightener(kind)) return lightened(band, application, fibre)
  if (coloursAs(kind)) return coloured(band, application, fibre)
  if (kind === 'filler') return filled(band, application)
  if (kind === 'remover') return withoutDye(band)
  return band
}

function lightened(band: Band, { recipe, goal, seen, on }: Application, { naturalLevel, white }: Fibre): Band {
  if (historyRate(band, 'medium') === 0) return band
  const maximumLift = recipe.leading.rules?.maximumLift || USUAL_MAXIMUM_LIFT
  const reach = Math.min(lightestOf(band), Math.min(naturalLevel, band.level) + maximumLift)
  const overlaps = band.treatments.some((one) => one.kind === 'lightened')
  const { beneathLevel: _gone, ...bare } = band
  return {
    ...bare,
    level: seen ? goal : white && isVirgin(band) ? WHITE_LEVEL : Math.max(band.level, Math.min(goal, reach)),
    hue: 'neutral',
    strength: 0,
    porosity: MORE_POROUS[band.porosity],
    integrity: overlaps ? MORE_WORN[band.integrity] : band.integrity,
    treatments: [...band.treatments, { kind: 'lightened', on }],
  }
}

function coloured(band: Band, { recipe, goal, seen, on }: Application, { white }: Fibre): Band {
  const treatment = coloursAs(recipe.leading.kind)!
  const before = shownLevel(band, white)
  const dye = dyeOf(recipe, goal)
  const lifts = treatment === 'permanent' && isVirgin(band) && !white
  const left = toQuarterLevel(depositOn(surfaceOfBand('', band, white ? 1 : 0), dye).level)
  const level = seen ? goal : lifts ? left : Math.min(before, left)
  return {
    ...band,
    level,
    ...toneOn(band, before, recipe, goal),
    beneathLevel: band.beneathLevel ?? Math.max(level, before),
    treatments: [...band.treatments, { kind: treatment, on }],
  }
}

const filled = (band: Band, { recipe, on }: Application): Band => ({
  ...band,
  ...(recipe.mixed ? toneOf(recipe) : FILLER_TONE),
  beneathLevel: band.beneathLevel ?? band.level,
  treatments: [...band.treatments, { kind: 'demi', on }],
})

/** What a remover leaves: the hair beneath the dye, open and warm; what was never dyed stays as it is. */
function withoutDye(band: Band): Band {
  const dye = lastDyeOf(band)
  if (!dye || dye === 'metallic' || dye === 'henna') return band
  const { beneathLevel, ...bare } = band
  return {
    ...bare,
    level: beneathLevel ?? Math.min(LIGHTEST_LEVEL, band.level + REMOVED_LEVELS),
    hue: 'neutral',
    strength: 0,
    porosity: MORE_POROUS[band.porosity],
    treatments: softened(band.treatments),
  }
}

/** The tone that shows afterwards: the mix's, as far as its shade is deep enough to show there, or the one that was. */
function toneOn(band: Band, before: number, recipe: Recipe, goal: number): Pick<Band, 'hue' | 'strength'> {
  const { hue, strength } = toneOf(recipe)
  const lighter = (recipe.mixed ? recipe.mixed.level : goal) ?? Infinity
  const shows = strength * Math.min(1, Math.max(0, 1 - (lighter - before) / TONE_IS_LOST_LEVELS))
  const stays = { hue: band.hue, strength: band.strength }
  // A shade as deep as the hair puts its own tone there, even where that is none.
  if (lighter <= before) return { hue, strength: shows }
  return shows > stays.strength ? { hue, strength: Math.round(100 * shows) / 100 } : stays
}

/** The tone that leads a mix. */
function toneOf({ mixed, formula }: Recipe): { hue: ToneHue; strength: number } {
  if (!mixed) return toneOfFormula(formula.tone)
  return mixed.tones[0] ?? { hue: 'neutral', strength: 0 }
}

/**
 * Treats the stretch of a strand that an application reaches; edges nearer than the shortest band to one that is there
 * use that one.
 */
export function treatStrand(bands: readonly Band[], application: Application, fibre: Fibre): Band[] {
  const length = strandLength(bands)
  const from = nearEdge(bands, Math.min(application.fromCm, length))
  const to = nearEdge(bands, Math.min(application.toCm, length))
  return cutAt(cutAt(bands, from), to).map((band) =>
    band.fromCm >= from - 1e-9 && band.toCm <= to + 1e-9 ? treatBand(band, application, fibre) : band,
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
