import { bowlVol } from '../../product/formula'
import { activeVariant, lighteningLetters, type CountsFrom, type FaltoPlan, type Stage } from '../../model'
import type { Piece } from '../../placement/foils'
import type { ComputedStages, ZoneResult } from '../../placement/quantity'
import { minutesFromSeconds, secondsFromMinutes } from '../../units'
import type { ServiceProcess } from '../lightening'
import { SCALP_CM, TAKE_OUT_SECONDS, TWICE_SHARE } from './constants'
import type { Task } from './problem'

/** A piece with what serves it. */
export interface ServedPiece {
  piece: Piece
  zoneId: string
  /** Bowl among its formula's, from 0; its strength, and its planned age when the piece is done, min. */
  bowl: number
  vol: number
  bowlAgeMinutes: number
  /** When it has its product, s from the start of its task. */
  on: number
  /** How long it has to stay by its label, how long until it is near its goal, and how long it may, s. */
  least: number
  ready: number
  most: number
  /** Whether its goal is out of reach in the time its label gives. */
  short: boolean
  /** When it is to get fresh product, s after its own. */
  again: readonly number[]
  seconds: number
  /** What its times count from: its own start, or the end of the application. */
  counts: CountsFrom
}

/** Pieces that are put in without a break. */
export interface Chunk {
  stage: Stage
  zone: ZoneResult
  /** Whether sectioning the zone comes first. */
  opens: boolean
  part: number
  parts: number
  pieces: ServedPiece[]
  /** Work on the scalp that follows the lengths of the same zone after a while. */
  follows?: 'lengths' | undefined
}

/**
 * Zones one after the other, as planned or the other way; or lengths everywhere first and the scalp, which is warm and
 * fast, afterwards.
 */
export const WORKING_ORDERS = ['planned', 'reversed', 'lengthsFirst'] as const
export type WorkingOrder = (typeof WORKING_ORDERS)[number]

/** Where foils come out. */
export const FOILS_OUT = ['chair', 'basin'] as const
export type FoilsOut = (typeof FOILS_OUT)[number]

/** How a visit is worked, beside what its plan says. */
export interface Working {
  order?: WorkingOrder | undefined
  /** What lies open or under film is rinsed all at once, or section by section as its time is up. */
  rinse?: 'together' | 'bySection' | undefined
  /** Foils come out one by one at the chair, or those that can wait for it are stripped at the basin with the rinse. */
  foils?: FoilsOut | undefined
  /** Whether fresh product goes over what dries; left out: where it is needed and the labels' times allow it. */
  afresh?: boolean | undefined
  /** Only these zones; left out: all. */
  only?: ReadonlySet<string> | undefined
}

/**
 * Divides the zones into stretches of work: a new one where a new bowl is begun, and where pieces of one stretch could
 * not all stay as long as they have to and no longer than they may.
 */
export function chunksOf(
  plan: FaltoPlan,
  computed: ComputedStages,
  process: ServiceProcess,
  { order = 'planned', only }: Working = {},
): Chunk[] {
  const { stages } = activeVariant(plan)
  let index = 0
  const serve = server(plan, computed, process)
  const served = computed.zones.map((zone) => ({ zone, first: [] as ServedPiece[], then: [] as ServedPiece[] }))
  for (const { zone, first, then } of served)
    zone.placement.pieces.forEach((piece, i) => {
      const at = index++
      if (order !== 'lengthsFirst' || !reachesScalpAndLengths(piece))
        return void first.push(serve(zone, piece, zone.seconds[i]!, at))
      const seconds = TWICE_SHARE * zone.seconds[i]!
      first.push(serve(zone, { ...piece, id: `${piece.id}/lengths`, fromCm: SCALP_CM }, seconds, at))
      then.push(serve(zone, { ...piece, id: `${piece.id}/scalp`, toCm: SCALP_CM }, seconds, at))
    })
  return stages.flatMap((stage) => {
    const own = served.filter(
      ({ zone, first }) => zone.stageId === stage.id && first.length > 0 && (only?.has(zone.zoneId) ?? true),
    )
    if (order === 'reversed') own.reverse()
    const partsOf = (pieces: readonly ServedPiece[]) =>
      pieces.length === 0 ? [] : atBowls(pieces).flatMap(fittingParts)
    const all = own.map(({ zone, first, then }) => ({ zone, first: partsOf(first), then: partsOf(then) }))
    const chunk = (zone: ZoneResult, pieces: ServedPiece[], part: number, parts: number): Chunk => ({
      stage,
      zone,
      opens: part === 1,
      part,
      parts,
      pieces,
    })
    return [
      ...all.flatMap(({ zone, first, then }) =>
        first.map((pieces, i) => chunk(zone, pieces, i + 1, first.length + then.length)),
      ),
      ...all.flatMap(({ zone, first, then }) =>
        then.map((pieces, i) => ({
          ...chunk(zone, pieces, first.length + i + 1, first.length + then.length),
          follows: 'lengths' as const,
        })),
      ),
    ]
  })
}

/** Gives pieces what serves them: their bowl, and how long they stay by it. */
function server(
  plan: FaltoPlan,
  computed: ComputedStages,
  process: ServiceProcess,
): (zone: ZoneResult, piece: Piece, seconds: number, at: number) => ServedPiece {
  const lastsOf = new Map(activeVariant(plan).stages.map(({ id, lasts }) => [id, lasts]))
  const lighteners = lighteningLetters(plan)
  const bowlOf = bowlFinder(plan, computed)
  return (zone, piece, seconds, at) => {
    const { bowl, vol, ageMinutes } = bowlOf(piece, at)
    const { least, ready, most, short, again } = process.stay(piece, ageMinutes, vol)
    const lasts = lastsOf.get(zone.stageId)
    return {
      piece,
      zoneId: zone.zoneId,
      bowl,
      vol,
      bowlAgeMinutes: ageMinutes,
      on: 0,
      least: secondsFromMinutes(Math.min(least, lasts?.minutes ?? least)),
      ready: secondsFromMinutes(Math.min(most, lasts?.minutes ?? ready)),
      most: secondsFromMinutes(most),
      short,
      again: again.map(secondsFromMinutes),
      seconds,
      counts: lasts?.from ?? (lighteners.has(piece.formulaId) ? 'eachPiece' : 'endOfApplication'),
    }
  }
}

/** Product that is not closed in foil can be put on the lengths first and on the scalp later. */
export const reachesScalpAndLengths = ({ cover, fromCm, toCm, hairLength }: Piece): boolean =>
  cover !== 'foil' && fromCm < SCALP_CM && Math.min(toCm, hairLength) > 2 * SCALP_CM

function bowlFinder(
  plan: FaltoPlan,
  computed: ComputedStages,
): (piece: Piece, index: number) => { bowl: number; vol: number; ageMinutes: number } {
  const formulas = new Map(
    plan.formulas.map((formula) => {
      const { bowls, uses } = computed.grams.find(({ formulaId }) => formulaId === formula.id)!
      return [formula.id, { formula, bowls, done: new Map(uses.map(({ piece, to }) => [piece, to])) }]
    }),
  )
  return ({ formulaId }, index) => {
    const { formula, bowls, done } = formulas.get(formulaId)!
    const bowl = bowls.findIndex(({ last }) => index <= last)
    return {
      bowl,
      vol: bowlVol(formula, bowl + 1, bowls.length),
      ageMinutes: minutesFromSeconds(done.get(index)! - bowls[bowl]!.from),
    }
  }
}

/** A new stretch begins where any formula comes from a new bowl. */
function atBowls(pieces: readonly ServedPiece[]): ServedPiece[][] {
  const current = new Map<string, number>()
  const parts: ServedPiece[][] = []
  for (const one of pieces) {
    const known = current.get(one.piece.formulaId)
    if (parts.length === 0 || (known !== undefined && known !== one.bowl)) parts.push([])
    current.set(one.piece.formulaId, one.bowl)
    parts.at(-1)!.push(one)
  }
  return parts
}

/** Halves a stretch until its pieces can all keep their times. */
function fittingParts(pieces: ServedPiece[]): ServedPiece[][] {
  if (pieces.length === 1 || pieces.every(({ counts }) => counts === 'endOfApplication')) return [pieces]
  const { foils, others } = byRemoval(onTimes(pieces, 0))
  const fits = [windowOf(foils, TAKE_OUT_SECONDS), windowOf(others, 0)].every(({ least, most }) => least <= most)
  if (fits) return [pieces]
  const middle = Math.ceil(pieces.length / 2)
  return [...fittingParts(pieces.slice(0, middle)), ...fittingParts(pieces.slice(middle))]
}

/** Gives each piece the time at which it has its product. @param lead s of sectioning before the first */
export function onTimes(pieces: readonly ServedPiece[], lead: number): ServedPiece[] {
  let at = lead
  return pieces.map((one) => ({ ...one, on: (at += one.seconds) }))
}

/** What is closed in foil comes out at the chair, the rest in the rinse. */
export function byRemoval(pieces: readonly ServedPiece[]): { foils: ServedPiece[]; others: ServedPiece[] } {
  const inFoil = ({ piece: { kind, cover } }: ServedPiece) => kind === 'foil' || (kind === 'open' && cover === 'foil')
  return { foils: pieces.filter(inFoil), others: pieces.filter((one) => !inFoil(one)) }
}

/**
 * From the start of putting in to the start of taking out, each piece `each` s after the one before: what keeps every
 * piece's times.
 */
export function windowOf(
  pieces: readonly ServedPiece[],
  each: number,
): { least: number; ideal: number; most: number; tightest: ServedPiece | undefined } {
  let [least, ideal, most] = [0, 0, Infinity]
  let tightest: ServedPiece | undefined
  pieces.forEach((one, i) => {
    const shift = one.on - i * each
    least = Math.max(least, one.least + shift)
    ideal += (one.ready + shift) / pieces.length
    if (one.most + shift < most) {
      most = one.most + shift
      tightest = one
    }
  })
  return { least: Math.ceil(least), ideal: Math.round(ideal), most: Math.floor(most), tightest }
}

/** A piece with its times counted from where they are: the end of the task that put it on, or its own start. */
export const countedIn = (one: ServedPiece, { seconds }: Pick<Task, 'seconds'>): ServedPiece =>
  one.counts === 'endOfApplication' ? { ...one, on: seconds } : one

/** A piece in foil whose longest time runs from the end of its application, its least from its own start. */
export const mayStayFrom = (one: ServedPiece, { seconds }: Pick<Task, 'seconds'>): ServedPiece =>
  one.counts === 'endOfApplication' ? { ...one, most: one.most + seconds - one.on } : one
