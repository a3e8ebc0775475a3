import { activeVariant, byId, lighteningLetters, liftGoalOf, type FaltoPlan, type StrandSpot } from '../../model'
import type { Range } from '../../placement/quantity'
import { minutesFromSeconds } from '../../units'
import { reappliedAt, type PieceTimes, type ServiceProcess, type SpotResult } from '../lightening'
import { CURVE_PIECES, CURVE_STEPS } from './constants'
import { mixId, type Visit } from './draft'
import { mayStayFrom, type ServedPiece } from './stretches'

/** Product in one zone of one stage under one formula, min from the start of the visit. */
export interface ZoneClock {
  stageId: string
  zoneId: string
  name: string
  formulaId: string
  pieces: number
  firstOn: number
  lastOn: number
  /** When the first piece is ready, when the first has to be out at the latest, when the last is out. */
  ready: number
  latest: number
  firstOut: number
  lastOut: number
  /** By how much colour or care comes off before it has had its minutes, in the mean of its pieces, min. */
  cutShort: number
  /** When its first piece gets fresh product. */
  again: number[]
  /** Level when it comes off: mean with its range, lightest and darkest place, and the goal. */
  level: Range
  spread: { darkest: number; lightest: number }
  goal: number
  /** Of what the hair stands, what is used up where it is most. */
  strain: number
  /** Pieces that cannot come near the goal in the time the label gives. */
  short: number
  /** Where to look first: the place under the greatest strain, and the last piece on. */
  checks: { fragile: string; last: string }
  /** How it lifts, from the first piece on to the latest minute it may stay; empty where nothing lifts. */
  curve: CurvePoint[]
}

/** Level at a minute of the visit: mean, darkest and lightest place of some pieces of a zone. */
export interface CurvePoint {
  minute: number
  darkest: number
  mean: number
  lightest: number
}

interface PieceOutcome {
  served: ServedPiece
  on: number
  /** When it is near its goal, and when it has to be off at the latest. */
  ready: number
  latest: number
  off: number
  /** The same for the process, min. */
  times: Omit<PieceTimes, 'off'>
  spots: SpotResult[]
}

export function zonesOf(
  plan: FaltoPlan,
  process: ServiceProcess,
  visit: Visit,
  startOf: ReadonlyMap<string, number>,
): { zone: ZoneClock; outcomes: PieceOutcome[]; lifts: boolean }[] {
  const lighteners = lighteningLetters(plan)
  return outcomesByZone(process, visit, startOf).map(({ outcomes, ...group }) => {
    const lifts = lighteners.has(group.formulaId)
    return { zone: zoneClock(plan, process, group, outcomes, lifts), outcomes, lifts }
  })
}

/** What a formula did in a zone in one stage. */
interface ZoneGroup {
  stageId: string
  zoneId: string
  formulaId: string
}

/** What every piece came to, by zone and formula. */
function outcomesByZone(
  process: ServiceProcess,
  visit: Visit,
  startOf: ReadonlyMap<string, number>,
): (ZoneGroup & { outcomes: PieceOutcome[] })[] {
  const offs = new Map<ServedPiece['piece'], number>()
  for (const { id, kind, seconds, pieces = [] } of visit.tasks)
    if (kind === 'takeOut')
      pieces.forEach(({ piece }, i) => offs.set(piece, startOf.get(id)! + (i * seconds) / pieces.length))
  const rinseOf = new Map(
    visit.lags.flatMap(({ from, to, about }) =>
      about !== undefined && to.startsWith('rinse/') ? [[from, startOf.get(to)!]] : [],
    ),
  )
  const appliedUntil = new Map<string, number>()
  for (const { id, kind, stageId = '', seconds } of visit.tasks)
    if (kind === 'apply')
      appliedUntil.set(stageId, Math.max(appliedUntil.get(stageId) ?? 0, startOf.get(id)! + seconds))
  const rounds = reapplicationsOf(visit, startOf)
  const groups = new Map<string, ZoneGroup & { outcomes: PieceOutcome[] }>()
  for (const { id, kind, stageId = '', pieces = [], seconds } of visit.tasks) {
    if (kind !== 'apply') continue
    const windowOf = (served: ServedPiece, on: number): Pick<PieceOutcome, 'ready' | 'latest'> => {
      const inFoil = offs.has(served.piece)
      const rinsed = served.counts === 'endOfApplication' && !inFoil ? appliedUntil.get(stageId)! : on
      const { most } = inFoil ? mayStayFrom(served, { seconds }) : served
      return { ready: rinsed + served.ready, latest: rinsed + most }
    }
    for (const served of pieces) {
      const { piece, zoneId, vol, bowl } = served
      const on = startOf.get(id)! + served.on
      // What stays in works on until the visit ends.
      const off = offs.get(piece) ?? rinseOf.get(id) ?? startOf.get('finish')!
      const mixed = startOf.get(mixId(piece.formulaId, bowl))
      const bowlAgeMinutes = mixed === undefined ? served.bowlAgeMinutes : Math.max(0, minutesFromSeconds(on - mixed))
      const again = (rounds.get(piece) ?? []).map((at) => minutesFromSeconds(at - on))
      const events = reappliedAt(again)
      const meantMinutes = minutesFromSeconds(served.ready)
      const times = { on: minutesFromSeconds(on), bowlAgeMinutes, vol, events, meantMinutes }
      const spots = process.after(piece, { ...times, off: minutesFromSeconds(off) })
      const key = `${stageId}/${zoneId}/${piece.formulaId}`
      const group = groups.get(key) ?? { stageId, zoneId, formulaId: piece.formulaId, outcomes: [] }
      groups.set(key, group)
      group.outcomes.push({ served, on, ...windowOf(served, on), off, times, spots })
    }
  }
  return [...groups.values()]
}

/** When pieces get fresh product, s from the start of the visit. */
function reapplicationsOf(visit: Visit, startOf: ReadonlyMap<string, number>): Map<ServedPiece['piece'], number[]> {
  const rounds = new Map<ServedPiece['piece'], number[]>()
  for (const { id, kind, pieces = [] } of visit.tasks)
    if (kind === 'reapply')
      for (const { piece, on } of pieces) rounds.set(piece, [...(rounds.get(piece) ?? []), startOf.get(id)! + on])
  return rounds
}

function zoneClock(
  plan: FaltoPlan,
  process: ServiceProcess,
  { stageId, zoneId, formulaId }: ZoneGroup,
  outcomes: PieceOutcome[],
  lifts: boolean,
): ZoneClock {
  const { stages } = activeVariant(plan)
  const formula = byId(plan.formulas, formulaId)
  const spots = outcomes.flatMap((one) => one.spots)
  const mean = (value: (spot: SpotResult) => number) => spots.reduce((sum, spot) => sum + value(spot), 0) / spots.length
  const strongest = outcomes.reduce((most, one) => (strainOf(one) > strainOf(most) ? one : most))
  const last = outcomes.reduce((latest, one) => (one.on > latest.on ? one : latest))
  const minute = (value: (one: PieceOutcome) => number, of: (...values: number[]) => number) =>
    minutesFromSeconds(of(...outcomes.map(value)))
  return {
    stageId,
    zoneId,
    name: byId(byId(stages, stageId).zones, zoneId).name,
    formulaId,
    pieces: outcomes.length,
    firstOn: minute(({ on }) => on, Math.min),
    lastOn: minute(({ on }) => on, Math.max),
    ready: minute((one) => one.ready, Math.min),
    latest: minute((one) => one.latest, Math.min),
    firstOut: minute(({ off }) => off, Math.min),
    lastOut: minute(({ off }) => off, Math.max),
    cutShort: lifts ? 0 : cutShortOf(outcomes),
    again: (outcomes[0]!.times.events ?? []).map(({ at }) => outcomes[0]!.times.on + at),
    level: {
      low: mean(({ level }) => level.low),
      expected: mean(({ level }) => level.expected),
      high: mean(({ level }) => level.high),
    },
    spread: {
      darkest: Math.min(...spots.map(({ level }) => level.expected)),
      lightest: Math.max(...spots.map(({ level }) => level.expected)),
    },
    goal: liftGoalOf(formula),
    strain: strainOf(strongest),
    short: outcomes.filter(({ served }) => served.short).length,
    checks: { fragile: strongest.served.piece.id, last: last.served.piece.id },
    curve: lifts ? curveOf(process, outcomes) : [],
  }
}

/** Pieces that came off later than they had to make up for those that came off sooner. */
const cutShortOf = (outcomes: readonly PieceOutcome[]): number =>
  minutesFromSeconds(Math.max(0, outcomes.reduce((sum, { ready, off }) => sum + ready - off, 0) / outcomes.length))

/** Some pieces that stand for all. */
const followedOf = <T>(all: readonly T[]): T[] =>
  all.filter((_, i) => all.length <= CURVE_PIECES || i % Math.ceil(all.length / CURVE_PIECES) === 0)

/**
 * Mean level of some pieces that lift, by minutes of product at full strength, up to the longest time of any, at a spot
 * or along all of it; empty where there are none.
 */
export function liftOf(
  process: ServiceProcess,
  lifting: readonly ServedPiece[],
  spot?: StrandSpot,
): { minute: number; level: number }[] {
  const followed = followedOf(lifting)
  const most = minutesFromSeconds(Math.max(0, ...followed.map((served) => served.most)))
  if (most === 0) return []
  return Array.from({ length: CURVE_STEPS + 1 }, (_, step) => {
    const minute = (most * step) / CURVE_STEPS
    return {
      minute,
      level:
        followed.reduce((sum, { piece, vol }) => sum + process.levelAtFullStrength(piece, vol, minute, spot), 0) /
        followed.length,
    }
  })
}

function curveOf(process: ServiceProcess, outcomes: readonly PieceOutcome[]): CurvePoint[] {
  const followed = followedOf(outcomes)
  const begin = Math.min(...followed.map(({ on }) => minutesFromSeconds(on)))
  const end = Math.max(...followed.map(({ on, off, served }) => minutesFromSeconds(Math.max(off, on + served.most))))
  const courses = followed.map(({ served: { piece }, times }) => process.until(piece, { ...times, off: end }))
  return Array.from({ length: CURVE_STEPS + 1 }, (_, step) => {
    const minute = begin + ((end - begin) * step) / CURVE_STEPS
    const levels = courses.flatMap((after) => after(minute).map(({ level }) => level.expected))
    return {
      minute,
      darkest: Math.min(...levels),
      mean: levels.reduce((sum, level) => sum + level, 0) / levels.length,
      lightest: Math.max(...levels),
    }
  })
}

const strainOf = ({ spots }: PieceOutcome): number => Math.max(...spots.map(({ strain }) => strain))

/** Levels between which four fifths of everything lightened lies, by formula. */
export function evennessOf(zones: ReturnType<typeof zonesOf>): Record<string, { p10: number; p90: number }> {
  const levels = new Map<string, number[]>()
  for (const { zone, outcomes, lifts } of zones) {
    if (!lifts) continue
    const own = levels.get(zone.formulaId) ?? []
    levels.set(zone.formulaId, own)
    for (const { spots } of outcomes) own.push(...spots.map(({ level }) => level.expected))
  }
  return Object.fromEntries(
    [...levels].map(([id, own]) => {
      own.sort((a, b) => a - b)
      const quantile = (share: number) => own[Math.min(own.length - 1, Math.floor(share * own.length))]!
      return [id, { p10: quantile(0.1), p90: quantile(0.9) }]
    }),
  )
}
