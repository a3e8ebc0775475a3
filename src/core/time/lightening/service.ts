import { virginBand } from '../../hair/hairRecord'
import { dyeOf, recipeOf, type Recipe } from '../../product/formula'
import { lengthRegionAt, placeFromMap, RIM_FROM_S, type Head } from '../../scalp/head'
import {
  isLightener,
  liftGoalOf,
  STRAND_SPOTS,
  type Band,
  type FaltoPlan,
  type HairState,
  type LengthRegion,
  type Place,
  type ProductKind,
  type StrandSpot,
} from '../../model'
import { MAP, pointCount, STRIDE, type Piece } from '../../placement/foils'
import { LIGHTENER_LIFE_MINUTES, type Range } from '../../placement/quantity'
import {
  BACK_RATE,
  HAIRLINE_RATE,
  LEAST_LIGHTENER_MINUTES,
  NAPE_RATE,
  NEAR_ENOUGH,
  ROOM_CELSIUS,
  TEMPLE_RATE,
  USUAL_MAXIMUM_LIFT,
  USUAL_MINUTES,
  LOOSE_INSULATION,
} from './constants'
import { driesAfter, exposureOf, fullRate, reappliedAt, sumAt, type Course, type CourseEvent } from './course'
import { mixRate } from './lift'
import { colouredAfter, exposureForLevel, levelAfter, strainOf, worksBy, type StrandPlace } from './strand'

/** When a piece got its product and lost it, min; how old its bowl was and how strong, and what was done meanwhile. */
export interface PieceTimes {
  on: number
  off: number
  bowlAgeMinutes: number
  vol: number
  events?: readonly CourseEvent[] | undefined
  /** How long colour is meant to sit, min; left out: as long as is usual. */
  meantMinutes?: number | undefined
}

export interface SpotResult {
  spot: StrandSpot
  distanceCm: number
  level: Range
  /** Of what the band stands, what peroxide has used up; 1 is all. */
  strain: number
}

/** What a label, or usual practice, says about how long a mix stays, min. */
export interface Stay {
  least: number
  most: number
}

export const stayOf = ({
  kind,
  maximumMinutes,
  rules,
}: {
  kind: ProductKind
  maximumMinutes: number
  rules?: { minimumMinutes: number } | undefined
}): Stay => ({
  least: Math.min(
    maximumMinutes,
    rules?.minimumMinutes || (isLightener(kind) ? LEAST_LIGHTENER_MINUTES : (USUAL_MINUTES[kind] ?? 0)),
  ),
  most: maximumMinutes,
})

export interface PlannedStay extends Stay {
  /** When it is near its goal everywhere along the strand, min; `short` where it does not come near it in its time. */
  ready: number
  short: boolean
  /** When fresh product goes over it, min, where it would not come there before it dries. */
  again: number[]
}

/** How long colour and care are meant to sit, min: what is usual, within what the label says. */
function meantMinutes(product: Parameters<typeof stayOf>[0]): number {
  const { least, most } = stayOf(product)
  return Math.max(least, Math.min(most, USUAL_MINUTES[product.kind] ?? least))
}

/**
 * A head under product: where each piece is looked at and what it is treated with, made once and asked for any times.
 */
export interface ServiceProcess {
  stay: (piece: Piece, bowlAgeMinutes: number, vol: number) => PlannedStay
  /** What there is after some minutes under product. */
  after: (piece: Piece, times: PieceTimes) => SpotResult[]
  /** The same for any minute up to the one at which it comes off: followed once, asked many times. */
  until: (piece: Piece, times: PieceTimes) => (off: number) => SpotResult[]
  /** What a piece is treated with, in the middle of the stretch that gets product. */
  course: (piece: Piece, bowlAgeMinutes: number, vol: number) => Omit<Course, 'events'>
  /**
   * Level after some minutes of product at full strength, see {@link FullStrength}: at a spot, or in the mean along the
   * stretch.
   */
  levelAtFullStrength: (piece: Piece, vol: number, minutes: number, spot?: StrandSpot) => number
}

/** Hair that a piece goes on: one of the kinds that it meets there, and its share of them, 0…1. */
export interface MetHair {
  bands: readonly Band[]
  share: number
}

/** What a piece meets, commonest first; none where nothing is known. */
export type HairOf = (piece: Piece) => readonly MetHair[]

/** A spot of a piece, on every kind of hair that the piece meets. */
interface Spot {
  spot: StrandSpot
  distanceCm: number
  places: { place: StrandPlace; share: number }[]
}

/** What all answers of a service's process lean on. */
interface Bench {
  recipeFor: (piece: Piece) => Recipe
  spotsOf: (piece: Piece) => Spot[]
  roomCelsius: number
  sidesOf: SidesOf
}

/** On how many sides of a piece other product lies: 2 in the midst of others, 1 at an end, 0 alone. */
export type SidesOf = (piece: Piece) => number

/**
 * @param hairOf what the stages before left for each piece; without it, virgin hair
 * @param sidesOf without it, every piece lies between two others
 */
export function createProcess(
  plan: FaltoPlan,
  head: Head,
  hairOf: HairOf = () => [],
  roomCelsius = ROOM_CELSIUS,
  sidesOf: SidesOf = () => 2,
): ServiceProcess {
  const recipes = new Map(plan.formulas.map((formula) => [formula.id, recipeOf(formula, plan.products)]))
  const spots = new Map<Piece, Spot[]>()
  const bench: Bench = {
    recipeFor: ({ formulaId }) => recipes.get(formulaId)!,
    spotsOf: (piece) => {
      const known = spots.get(piece)
      if (known) return known
      const made = spotsOn(plan.hair, head, hairOf(piece), piece)
      spots.set(piece, made)
      return made
    },
    roomCelsius,
    sidesOf,
  }
  return {
    stay: (piece, bowlAgeMinutes, vol) => stayIn(bench, piece, bowlAgeMinutes, vol),
    after: (piece, times) => followIn(bench, piece, times)(times.off),
    until: (piece, times) => followIn(bench, piece, times),
    course: (piece, bowlAgeMinutes, vol) => {
      const { distanceCm } = bench.spotsOf(piece).find(({ spot }) => spot === 'middle')!
      const { events: _none, ...course } = courseOf(bench, piece, { distanceCm, bowlAgeMinutes, vol })
      return course
    },
    levelAtFullStrength: (piece, vol, minutes, spot) => {
      const lift = maximumLift(bench.recipeFor(piece))
      const spots = bench.spotsOf(piece).filter((one) => spot === undefined || one.spot === spot)
      const levels = spots.map(({ distanceCm, places }) => {
        const rate = fullRate(courseOf(bench, piece, { distanceCm, bowlAgeMinutes: 0, vol }))
        return meanOver(places, (place) => levelAfter(place, minutes * rate, lift)).expected
      })
      return levels.reduce((sum, level) => sum + level, 0) / levels.length
    },
  }
}

interface Circumstances {
  distanceCm: number
  bowlAgeMinutes: number
  vol: number
  events?: readonly CourseEvent[]
}

/** What a place on a piece is treated with. */
function courseOf(
  { recipeFor, roomCelsius, sidesOf }: Bench,
  piece: Piece,
  { distanceCm, bowlAgeMinutes, vol, events = [] }: Circumstances,
): Course {
  const recipe = recipeFor(piece)
  const { leading, formula } = recipe
  const lifts = isLightener(leading.kind)
  return {
    kind: leading.kind,
    mixRate: lifts ? mixRate({ developerVol: vol, ratio: formula.ratio }) * additivesFactor(recipe) : 0,
    peroxidePercent: (recipe.peroxidePercent * vol) / Math.max(formula.developerVol, 1),
    workingLifeMinutes: leading.rules?.workingLifeMinutes ?? LIGHTENER_LIFE_MINUTES,
    maximumMinutes: leading.maximumMinutes,
    cover: piece.cover,
    onScalp: piece.kind === 'onScalp',
    distanceCm,
    insulation: ((piece.edges ? 1 : LOOSE_INSULATION) * sidesOf(piece)) / 2,
    roomCelsius,
    bowlAgeMinutes,
    events,
  }
}

/** Kinds of hair below this share of what a piece meets do not decide how long it stays. Our estimate. */
const DECIDES_FROM = 0.15

/** How long a piece stays on: until all of it has reached its level, as far as the label lets it. */
function stayIn(bench: Bench, piece: Piece, bowlAgeMinutes: number, vol: number): PlannedStay {
  const { leading } = bench.recipeFor(piece)
  const { least, most } = stayOf(leading)
  if (!isLightener(leading.kind)) return { least, ready: meantMinutes(leading), most, short: false, again: [] }
  const dries = driesAfter({ kind: leading.kind, onScalp: piece.kind === 'onScalp' }, piece.cover)
  const rounds = piece.cover === 'open' ? Math.max(0, Math.floor((most - LEAST_LIGHTENER_MINUTES) / dries)) : 0
  for (let count = 0; ; count++) {
    // Early enough that fresh product has its time too.
    const every = Math.round(Math.min(dries, most / (count + 1)))
    const again = Array.from({ length: count }, (_, i) => (i + 1) * every)
    const ready = readyAfter(bench, piece, { bowlAgeMinutes, vol, again })
    if (ready !== undefined) return { least, ready, most, short: false, again }
    if (count === rounds) return { least, ready: most, most, short: true, again }
  }
}

/** When all of a piece is near its goal, min; undefined where that is not in its label's time. */
function readyAfter(
  bench: Bench,
  piece: Piece,
  { bowlAgeMinutes, vol, again }: { bowlAgeMinutes: number; vol: number; again: readonly number[] },
): number | undefined {
  const recipe = bench.recipeFor(piece)
  const { least, most } = stayOf(recipe.leading)
  const goal = liftGoalOf(recipe.formula)
  const events = reappliedAt(again)
  let ready = least
  for (const { distanceCm, places } of bench.spotsOf(piece)) {
    const course = courseOf(bench, piece, { distanceCm, bowlAgeMinutes, vol, events })
    const { levels } = exposureOf(course, Math.floor(most))
    const wanted = Math.max(
      ...places
        .filter(({ share }, i) => i === 0 || share >= DECIDES_FROM)
        .map(({ place }) => exposureForLevel(place, goal - NEAR_ENOUGH, maximumLift(recipe))),
    )
    const minute = levels.findIndex((level) => level >= wanted)
    if (minute < 0) return undefined
    ready = Math.max(ready, minute)
  }
  return ready
}

/** What a piece comes to, spot by spot, with the times it really has, if it comes off then or sooner. */
function followIn(bench: Bench, piece: Piece, times: PieceTimes): (off: number) => SpotResult[] {
  const { on, bowlAgeMinutes, vol, events } = times
  const recipe = bench.recipeFor(piece)
  const { most } = stayOf(recipe.leading)
  const meant = times.meantMinutes ?? meantMinutes(recipe.leading)
  const longest = Math.ceil(Math.max(0, times.off - on))
  const followed = bench.spotsOf(piece).map(({ spot, distanceCm, places }) => {
    const course = courseOf(bench, piece, { distanceCm, bowlAgeMinutes, vol, events })
    return { spot, distanceCm, places, exposure: exposureOf(course, longest) }
  })
  return (off) => {
    const minutes = Math.max(0, off - on)
    return followed.map(({ spot, distanceCm, places, exposure }) => ({
      spot,
      distanceCm,
      level: meanOver(places, (place) =>
        levelOf(recipe, place, sumAt(exposure.levels, minutes), Math.min(minutes, most), meant),
      ),
      strain: Math.max(...places.map(({ place }) => strainOf(place, sumAt(exposure.dose, minutes)))),
    }))
  }
}

function levelOf(recipe: Recipe, place: StrandPlace, exposure: number, minutes: number, fullMinutes: number): Range {
  const certain = (level: number): Range => ({ low: level, expected: level, high: level })
  switch (worksBy(recipe.leading.kind)) {
    case 'lift':
      return levelAfter(place, exposure, maximumLift(recipe))
    case 'colour': {
      return certain(
        minutes > 0 ? colouredAfter(place, dyeOf(recipe), minutes, Math.max(1, fullMinutes)) : place.band.level,
      )
    }
    case 'care':
      return certain(place.band.level)
  }
}

const maximumLift = ({ leading }: Recipe): number => leading.rules?.maximumLift || USUAL_MAXIMUM_LIFT

const additivesFactor = ({ additives }: Recipe): number =>
  additives.reduce((factor, { product }) => factor * (product.additive?.liftFactor ?? 1), 1)

/** A range over every kind of hair that is met, weighted by how much there is of it. */
function meanOver(places: Spot['places'], read: (place: StrandPlace) => Range): Range {
  const ranges = places.map(({ place, share }) => ({ range: read(place), share }))
  const mean = (of: keyof Range) => ranges.reduce((sum, { range, share }) => sum + share * range[of], 0)
  return { low: mean('low'), expected: mean('expected'), high: mean('high') }
}

function spotsOn(hair: HairState, head: Head, met: readonly MetHair[], piece: Piece): Spot[] {
  const root = middleOf(head, piece)
  const region = lengthRegionAt(root)
  const kinds =
    met.length > 0 ? met : [{ bands: [virginBand(hair.naturalLevel, 0, Math.max(1, piece.hairLength))], share: 1 }]
  const whole = kinds.reduce((sum, { share }) => sum + share, 0)
  const { fromCm } = piece
  const toCm = Math.min(piece.toCm, piece.hairLength)
  return STRAND_SPOTS.map((spot, i) => {
    const distanceCm = fromCm + [0.05, 0.5, 0.95][i]! * Math.max(0, toCm - fromCm)
    const fragile = isFragile(hair, region, root, spot)
    const places = kinds.map(({ bands, share }) => {
      const own = bands.find((band) => band.toCm > distanceCm) ?? bands.at(-1)!
      const band = fragile && own.integrity !== 'breaking' ? { ...own, integrity: 'fragile' as const } : own
      return {
        place: { band, naturalLevel: hair.naturalLevel, texture: hair.texture, placeRate: placeRate(region, root) },
        share: share / whole,
      }
    })
    return { spot, distanceCm, places }
  })
}

/** Head-free place in the middle of a piece's parting. */
export function middleOf(head: Head, { line }: Piece): Place {
  const at = STRIDE * Math.floor(pointCount(line) / 2) + MAP
  return placeFromMap(head, { x: line[at]!, y: line[at + 1]! })
}

function placeRate(region: LengthRegion, { s }: Place): number {
  if (region === 'nape') return NAPE_RATE
  if (region === 'back') return BACK_RATE
  if (s < RIM_FROM_S) return 1
  return region === 'sides' ? TEMPLE_RATE : HAIRLINE_RATE
}

function isFragile({ fragile = [] }: HairState, region: LengthRegion, { s }: Place, spot: StrandSpot): boolean {
  return (
    (fragile.includes('nape') && region === 'nape') ||
    (fragile.includes('hairline') && s >= RIM_FROM_S) ||
    (fragile.includes('temples') && region === 'sides' && s >= RIM_FROM_S) ||
    (fragile.includes('ends') && spot === 'ends')
  )
}
