import type { HairState } from '../../model'
import type { Paint, Takers } from '../paint'
import type { Exposure, ViewName } from '../picture'
import type { Strands } from '../strands'
import { CHANGED_BY, VIEW_WEIGHTS } from './constants'
import { extremes, growsAtFace, liesAtPart, meanLevel, rootSoftness, shelfOf, type Shelf } from './levels'
import { stripeWidth } from './stripes'
import { seenPoints, seenShares, type SeenPoints, type SeenShares } from './seen'

/** What is counted in one view. Shares 0…1 of the hair that is seen, levels, cm. */
export interface ViewFigures extends Omit<SeenShares, 'pieces'> {
  meanLevel: number
  /** Got lighter and darker in the visit. */
  lighter: number
  darker: number
  /** Mean level of what got lighter; undefined where nothing did. */
  lightLevel: number | undefined
  /** The lightest level that shows, and how far the deepest lies below it. */
  lightest: number
  contrastLevels: number
  stripeCm: number | undefined
  /** Mean level of the hair at the face against the rest that is seen. */
  face: { level: number; rest: number } | undefined
}

/** What is counted from all sides. */
export interface LookFigures {
  views: Partial<Record<ViewName, ViewFigures>>
  /** Of all views together, each by how often hair is seen so. */
  meanLevel: number
  lighter: number
  darker: number
  zones: Record<string, number>
  formulas: Record<string, number>
  /** By the takers' pieces. */
  pieces: Float64Array
  /** Levels from the hair at the face to the rest, in front; from the part line to all that is seen from above. */
  faceLevels: number | undefined
  partLevels: number | undefined
  /** Levels from what is seen from the client's left to what is seen from her right. */
  leftLevels: number | undefined
  rootSoftnessCm: number | undefined
  shelf: Shelf | undefined
}

/** A head of hair looked at from some sides. */
export interface Seen {
  strands: Strands
  exposures: Partial<Record<ViewName, Exposure>>
}

/** Counts what is seen. @param before the paint of the hair as the client came */
export function countSeen(
  { strands, exposures }: Seen,
  { paint, before, takers, hair }: { paint: Paint; before: Paint; takers: Takers; hair: HairState },
): LookFigures {
  const names = Object.keys(exposures) as ViewName[]
  const points = Object.fromEntries(names.map((name) => [name, seenPoints(exposures[name]!, strands)])) as Record<
    ViewName,
    SeenPoints
  >
  const atFace = growsAtFace(strands)
  const shares = names.map((name) => seenShares(points[name], strands, takers))
  const views = Object.fromEntries(
    names.map((name, i) => [name, viewFigures(exposures[name]!, points[name], shares[i]!, { paint, before, atFace })]),
  ) as Record<ViewName, ViewFigures>
  const all = names.reduce((sum, name) => sum + VIEW_WEIGHTS[name], 0)
  const mean = (of: (view: ViewFigures) => number) =>
    names.reduce((sum, name) => sum + (VIEW_WEIGHTS[name] / all) * of(views[name]), 0)
  const atPart = liesAtPart(strands, hair)
  const pieces = new Float64Array(takers.pieces.length)
  shares.forEach((share, i) =>
    share.pieces.forEach((own, piece) => (pieces[piece]! += (own * VIEW_WEIGHTS[names[i]!]) / all)),
  )
  return {
    views,
    meanLevel: mean((view) => view.meanLevel),
    lighter: mean((view) => view.lighter),
    darker: mean((view) => view.darker),
    zones: meanShares(names, all, (name) => views[name].zones),
    formulas: meanShares(names, all, (name) => views[name].formulas),
    pieces,
    faceLevels: views.front?.face && views.front.face.level - views.front.face.rest,
    partLevels: points.top && difference(meanLevel(points.top, paint, atPart), views.top?.meanLevel),
    leftLevels: difference(views.left?.meanLevel, views.right?.meanLevel),
    rootSoftnessCm: rootSoftness(strands, paint),
    shelf: exposures.back && shelfOf(exposures.back, paint),
  }
}

const difference = (one: number | undefined, other: number | undefined): number | undefined =>
  one === undefined || other === undefined ? undefined : one - other

function meanShares(names: readonly ViewName[], all: number, of: (name: ViewName) => Record<string, number>) {
  const sums: Record<string, number> = {}
  for (const name of names)
    for (const [key, share] of Object.entries(of(name)))
      sums[key] = (sums[key] ?? 0) + (share * VIEW_WEIGHTS[name]) / all
  return sums
}

function viewFigures(
  exposure: Exposure,
  points: SeenPoints,
  { zones, formulas }: SeenShares,
  { paint, before, atFace }: { paint: Paint; before: Paint; atFace: (point: number) => boolean },
): ViewFigures {
  const reach = extremes(points, paint)
  const face = meanLevel(points, paint, atFace)
  const rest = meanLevel(points, paint, (point) => !atFace(point))
  const changeAt = (point: number) => paint.levels[point]! - before.levels[point]!
  const changed = (isMeant: (levels: number) => boolean) => {
    let sum = 0
    for (let point = 0; point < points.counts.length; point++)
      if (points.counts[point]! > 0 && isMeant(changeAt(point))) sum += points.counts[point]!
    return points.total > 0 ? sum / points.total : 0
  }
  return {
    zones,
    formulas,
    meanLevel: meanLevel(points, paint, () => true) ?? 0,
    lighter: changed((levels) => levels > CHANGED_BY),
    darker: changed((levels) => levels < -CHANGED_BY),
    lightLevel: meanLevel(points, paint, (point) => changeAt(point) > CHANGED_BY),
    lightest: reach.light,
    contrastLevels: reach.light - reach.deep,
    stripeCm: stripeWidth(exposure, paint, reach),
    face: face === undefined || rest === undefined ? undefined : { level: face, rest },
  }
}
