import { byId, activeVariant, lighteningLetters, liftGoalOf, type Canvas, type FaltoPlan } from '../../model'
import { processOf } from '../fold'
import { reappliedAt, ROOM_CELSIUS, type PieceTimes, type ServiceProcess, type SpotResult } from '../lightening'
import type { ComputedStages, Range } from '../../placement/quantity'
import { minutesFromSeconds } from '../../units'
import { soonestFinish } from './bound'
import { busySeconds, finishRange, liftingSeconds } from './certainty'
import { scheduleInTurn } from './inTurn'
import type { Person, Resource, Schedule, Skill } from './problem'
import { chunksOf, mayStayFrom, type ServedPiece, type Working } from './stretches'
import { mixId, type TaskKind, type Visit } from './draft'
import { visitOf } from './visit'
import { CURVE_STEPS, CURVE_PIECES } from './constants'

/** Who and what there is for a visit. */
export interface Crew {
  people: Person[]
  resources: Record<Resource, number>
}

const COLOURIST: Person = { id: 'colourist', name: 'Colourist', skills: ['colour', 'mix', 'rinse', 'dry'] }
export const ASSISTANT: Person = { id: 'assistant', name: 'Assistant', skills: ['mix', 'rinse', 'dry'] }
export const SECOND_COLOURIST: Person = { ...COLOURIST, id: 'second', name: 'Second colourist' }
export const ALONE: Crew = { people: [COLOURIST], resources: { basin: 1, dryer: 1 } }
/** Who can help, by what a person is asked for. */
export const HELPERS = { assistant: ASSISTANT, second: SECOND_COLOURIST }
export type Helper = keyof typeof HELPERS
/** When the assistant can be had, min from the start of the visit, and what of her work is trusted to her. */
export interface Assisting {
  from?: number | undefined
  to?: number | undefined
  may?: readonly Skill[] | undefined
}

/** Those who help. */
export const helpersFor = (
  helping: readonly Helper[],
  { from = 0, to = Infinity, may = ASSISTANT.skills }: Assisting = {},
): Person[] =>
  helping.map((one) =>
    one === 'assistant'
      ? { ...ASSISTANT, skills: may, from: 60 * from, ...(to < Infinity && { to: 60 * to }) }
      : HELPERS[one],
  )
/** The colourist with others. */
export const withHelp = (people: readonly Person[], crew = ALONE): Crew => ({
  ...crew,
  people: [...crew.people, ...people],
})

export interface ClockOptions extends Working {
  crew: Crew
  canvas?: Canvas | undefined
  roomCelsius?: number | undefined
}

/** One task with its time, min from the start of the visit. */
export interface ClockTask {
  id: string
  kind: TaskKind
  about: string
  stageId: string | undefined
  from: number
  to: number
  personId: string
}

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

/** A longest time that is passed. */
export interface Conflict {
  formulaId: string | undefined
  about: string
  /** min beyond the label's longest time. */
  over: number
}

export interface Clock {
  fits: boolean
  tasks: ClockTask[]
  zones: ZoneClock[]
  conflicts: Conflict[]
  /** Whole visit, min. */
  finish: Range
  /** Time in which no hands are needed, min. */
  handsFree: number
  /** How much sooner it would end if nobody ever waited for hands, a bowl or the basin, min. */
  waiting: number
  /** Levels between which four fifths of everything lightened lies when it comes off, by formula. */
  evenness: Record<string, { p10: number; p90: number }>
  /** What the clock was made for. */
  visit: Visit
}

/** What one plan's visit asks for, whoever does it. */
export const visitFor = (
  plan: FaltoPlan,
  computed: ComputedStages,
  { canvas, roomCelsius = ROOM_CELSIUS, ...working }: Omit<ClockOptions, 'crew'>,
  process = processOf(plan, computed, { canvas, roomCelsius }),
): Visit => visitOf(plan, chunksOf(plan, computed, process, working), working)

/** Who does what when for one plan, and what it comes to. @throws Error when nobody of the crew can do something */
export function clockFor(
  plan: FaltoPlan,
  computed: ComputedStages,
  { crew, ...options }: ClockOptions,
  process = processOf(plan, computed, { canvas: options.canvas, roomCelsius: options.roomCelsius }),
): Clock {
  const scheduled = (working: Working) => {
    const visit = visitFor(plan, computed, { ...options, ...working }, process)
    const turns = visit.tasks.map(({ turn }) => turn)
    return { visit, turns, schedule: scheduleInTurn({ ...visit, ...crew }, turns) }
  }
  const asNeeded = scheduled({})
  const goesAround = asNeeded.visit.tasks.some(({ kind }) => kind === 'reapply')
  // Going round again gives way where a label's longest time would be passed for it.
  const other = goesAround && asNeeded.schedule.violation > 0 ? scheduled({ afresh: false }) : asNeeded
  const { visit, turns, schedule } = other.schedule.violation < asNeeded.schedule.violation ? other : asNeeded
  const soonest = soonestFinish({ ...visit, ...crew }, turns, schedule.starts)
  return read(plan, process, visit, crew.people, schedule, soonest)
}

function read(
  plan: FaltoPlan,
  process: ServiceProcess,
  visit: Visit,
  crew: readonly Person[],
  schedule: Schedule,
  soonest: number,
): Clock {
  const { starts, people } = schedule
  const startOf = new Map(visit.tasks.map(({ id }, i) => [id, starts[i]!]))
  const tasks = visit.tasks.map(({ id, kind, about, stageId, seconds }, i): ClockTask => ({
    id,
    kind,
    about,
    stageId,
    from: minutesFromSeconds(starts[i]!),
    to: minutesFromSeconds(starts[i]! + seconds),
    personId: crew[people[i]!]!.id,
  }))
  const zones = zonesOf(plan, process, visit, startOf)
  const conflicts = visit.lags.flatMap(({ from, to, most = Infinity, formulaId, about = '' }): Conflict[] => {
    const over = startOf.get(to)! - startOf.get(from)! - most
    return over > 0.5 ? [{ formulaId, about, over: minutesFromSeconds(over) }] : []
  })
  const busy = busySeconds(visit.tasks, starts)
  const lifting = liftingSeconds(lighteningLetters(plan), visit.tasks, starts)
  const finish = finishRange(minutesFromSeconds(schedule.finish), {
    hands: minutesFromSeconds(busy),
    lift: minutesFromSeconds(lifting),
  })
  return {
    fits: schedule.violation === 0,
    tasks: tasks.sort((a, b) => a.from - b.from),
    zones: zones.map(({ zone }) => zone),
    conflicts,
    finish,
    handsFree: minutesFromSeconds(schedule.finish - busy),
    waiting: minutesFromSeconds(Math.max(0, schedule.finish - soonest)),
    evenness: evennessOf(zones),
    visit,
  }
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

function zonesOf(
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
 * Mean level of some pieces that lift, by minutes of product at full strength, up to the longest time of any; empty
 * where there are none.
 */
export function liftOf(process: ServiceProcess, lifting: readonly ServedPiece[]): { minute: number; level: number }[] {
  const followed = followedOf(lifting)
  const most = minutesFromSeconds(Math.max(0, ...followed.map((served) => served.most)))
  if (most === 0) return []
  return Array.from({ length: CURVE_STEPS + 1 }, (_, step) => {
    const minute = (most * step) / CURVE_STEPS
    return {
      minute,
      level:
        followed.reduce((sum, { piece, vol }) => sum + process.levelAtFullStrength(piece, vol, minute), 0) /
        followed.length,
    }
  })
}

function curveOf(process: ServiceProcess, outcomes: readonly PieceOutcome[]): CurvePoint[] {
  const followed = followedOf(outcomes)
  const begin = Math.min(...followed.map(({ on }) => minutesFromSeconds(on)))
  const end = Math.max(...followed.map(({ on, off, served }) => minutesFromSeconds(Math.max(off, on + served.most))))
  return Array.from({ length: CURVE_STEPS + 1 }, (_, step) => {
    const minute = begin + ((end - begin) * step) / CURVE_STEPS
    const levels = followed.flatMap(({ served: { piece }, times }) =>
      process.after(piece, { ...times, off: minute }).map(({ level }) => level.expected),
    )
    return {
      minute,
      darkest: Math.min(...levels),
      mean: levels.reduce((sum, level) => sum + level, 0) / levels.length,
      lightest: Math.max(...levels),
    }
  })
}

const strainOf = ({ spots }: PieceOutcome): number => Math.max(...spots.map(({ strain }) => strain))

function evennessOf(zones: ReturnType<typeof zonesOf>): Clock['evenness'] {
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
