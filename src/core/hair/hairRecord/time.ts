import { regrowthCm } from '../fibre'
import type { Band, Canvas, HairState, ToneHue, TreatmentKind } from '../../model'
import { fitBands, growBands, toQuarterLevel, strandLength, trimBands } from './bands'
import { tidy } from './canvas'
import {
  COOL_HALF_LIFE_SHARE,
  DEPTH_HALF_LIFE_FACTOR,
  EXPOSED_WARMTH,
  HALF_LIFE_WASHES,
  READABLE_STRENGTH,
  USUAL_WASHES_PER_WEEK,
} from './constants'
import { bandInShort } from './past'

const COOL: readonly ToneHue[] = ['ash', 'green', 'violet', 'pearl', 'silver']
export const isCool = (hue: ToneHue): boolean => COOL.includes(hue)

const DAY_MS = 86_400_000

/** Whole days from one calendar day to another; negative backwards. @param from @param to `YYYY-MM-DD` */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS)

/** A calendar day so many days after another; before it where that is negative. @param on `YYYY-MM-DD` */
export const dayAfter = (on: string, days: number): string =>
  new Date(Date.parse(on) + days * DAY_MS).toISOString().slice(0, 10)

/** The dye that shows on a band: the last one put on. */
export const lastDyeOf = ({ treatments }: Pick<Band, 'treatments'>): TreatmentKind | undefined =>
  treatments.findLast(({ kind }) => HALF_LIFE_WASHES[kind] !== undefined)?.kind

/**
 * A band after a number of washes. Tone leaves with its half-life, depth more slowly, towards the level beneath; when a
 * cool tone can no longer be read the warmth of the lightened hair under it comes back.
 */
export function fadeBand(band: Band, washes: number): Band {
  const dye = lastDyeOf(band)
  if (!dye || washes <= 0) return band
  const halfLife = HALF_LIFE_WASHES[dye]!
  const tone = 2 ** (-washes / (halfLife * (isCool(band.hue) ? COOL_HALF_LIFE_SHARE : 1)))
  const depth = 2 ** (-washes / (halfLife * DEPTH_HALF_LIFE_FACTOR))
  const level =
    band.beneathLevel === undefined
      ? band.level
      : toQuarterLevel(band.beneathLevel + (band.level - band.beneathLevel) * depth)
  const strength = Math.round(band.strength * tone * 100) / 100
  const warmBeneath =
    isCool(band.hue) && strength < READABLE_STRENGTH && band.treatments.some(({ kind }) => kind === 'lightened')
  return warmBeneath
    ? { ...band, level, hue: level < 6.75 ? 'copper' : 'gold', strength: EXPOSED_WARMTH }
    : { ...band, level, strength }
}

/** What is known about the time since the record. */
export interface Since {
  /** The day to predict for. */
  on: string
  /** Cut off the ends since, cm. */
  trimmedCm?: number
}

/**
 * The canvas as it should be on a later day: roots grown, dyes washed out, ends cut. A day before the record leaves it
 * as it is, but for pasts that are told in short: records of earlier versions say more than an entry may.
 * @throws BandError when more is cut than there is
 */
export function predictCanvas(canvas: Canvas, hair: HairState, { on, trimmedCm = 0 }: Since): Canvas {
  const weeks = Math.max(0, daysBetween(canvas.recordedOn, on) / 7)
  const grown = regrowthCm(weeks, hair.growthCmPerMonth)
  const washes = weeks * (hair.washesPerWeek ?? USUAL_WASHES_PER_WEEK)
  const strands = canvas.strands.map((strand) => ({
    ...strand,
    bands: trimBands(
      growBands(
        strand.bands.map((band) => fadeBand(bandInShort(band), washes)),
        grown,
        hair.naturalLevel,
      ),
      trimmedCm,
    ),
  }))
  return tidy({ ...canvas, recordedOn: weeks > 0 ? on : canvas.recordedOn, strands })
}

/** The hair in short on a later day. */
export function predictHair(hair: HairState, recordedOn: string, on: string): HairState {
  const weeks = Math.max(0, Math.round(daysBetween(recordedOn, on) / 7))
  return hair.weeksSinceColour > 0 ? { ...hair, weeksSinceColour: hair.weeksSinceColour + weeks } : hair
}

/**
 * Cuts so much off every strand; a negative amount takes a cut back by letting the last band be longer.
 * @throws BandError
 */
export const cutCanvas = (canvas: Canvas, cm: number): Canvas =>
  tidy({
    ...canvas,
    strands: canvas.strands.map((strand) => ({
      ...strand,
      bands: cm > 0 ? trimBands(strand.bands, cm) : fitBands(strand.bands, strandLength(strand.bands) - cm),
    })),
  })
