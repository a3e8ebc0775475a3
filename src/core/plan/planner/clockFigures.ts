import type { FaltoPlan } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import {
  clockFor,
  reachesScalpAndLengths,
  remediesFor,
  type Clock,
  type ClockOptions,
  type CurvePoint,
  type RemedyKind,
  type TaskKind,
  type ZoneClock,
} from '../../time/schedule'
import { pastLabels } from '../../time/run'
import { roundToTenth } from '../../units'

/** A range in whole minutes or tenths of a level. */
interface Span {
  low: number
  expected: number
  high: number
}

/** Who does what when, and what it comes to. Minutes count from the start of the visit. */
export interface ClockFigures {
  crew: { id: string; name: string }[]
  fits: boolean
  minutes: Span
  handsFreeMinutes: number
  /** How much sooner it would end if nobody ever waited for hands, a bowl or the basin. */
  waitingMinutes: number
  /** The soonest that it could end, whoever is first: critical path and hands. */
  lowerBoundMinutes: number
  /** Whether something can be put on the lengths first and on the scalp later. */
  lengthsCanLead: boolean
  tasks: ClockTaskFigures[]
  zones: ZoneClockFigures[]
  /** Levels between which four fifths of everything a formula lightens lies when it comes off. */
  evenness: Record<string, { p10: number; p90: number }>
  conflicts: { formulaId: string | null; about: string; overMinutes: number }[]
  /** What has to be acknowledged by name before it is begun all the same. */
  acknowledge: { id: string; text: string }[]
  remedies: { kind: RemedyKind; text: string; minutes: number }[]
}

export interface ClockTaskFigures {
  id: string
  kind: TaskKind
  about: string
  stageId: string | null
  fromMinutes: number
  toMinutes: number
  by: string
}

export interface ZoneClockFigures {
  stageId: string
  zoneId: string
  name: string
  formulaId: string
  pieces: number
  firstOnMinutes: number
  lastOnMinutes: number
  readyMinutes: number
  latestMinutes: number
  firstOutMinutes: number
  lastOutMinutes: number
  /** By how much colour or care comes off before it has had its minutes, in the mean. */
  cutShortMinutes: number
  /** When fresh product goes over it. */
  againMinutes: number[]
  level: Span
  darkest: number
  lightest: number
  goal: number
  /** Of what the hair stands, %. */
  strainPercent: number
  shortPieces: number
  checks: { fragile: string; last: string }
  curve: CurvePoint[]
}

/**
 * A clock rounded for leaving the core: 0.1 min, 0.1 level, whole percent; with what would make it fit where it does
 * not.
 */
export function clockFigures(plan: FaltoPlan, computed: ComputedStages, options: ClockOptions): ClockFigures {
  const clock = clockFor(plan, computed, options)
  const remedies = remediesFor(plan, computed, options, clock)
  return {
    ...roundedClock(clock),
    acknowledge: pastLabels(clock, plan).map(({ id, text }) => ({ id, text })),
    lengthsCanLead: computed.zones.some(({ placement }) => placement.pieces.some(reachesScalpAndLengths)),
    crew: options.crew.people.map(({ id, name }) => ({ id, name })),
    remedies: remedies.map(({ kind, text, clock: { finish } }) => ({
      kind,
      text,
      minutes: Math.round(finish.expected),
    })),
  }
}

const roundedClock = ({
  fits,
  tasks,
  zones,
  conflicts,
  finish,
  handsFree,
  waiting,
  evenness,
}: Clock): Omit<ClockFigures, 'crew' | 'remedies' | 'lengthsCanLead' | 'acknowledge'> => ({
  fits,
  minutes: span(finish),
  handsFreeMinutes: roundToTenth(handsFree),
  waitingMinutes: roundToTenth(waiting),
  lowerBoundMinutes: roundToTenth(finish.expected - waiting),
  tasks: tasks.map(({ id, kind, about, stageId, from, to, personId }) => ({
    id,
    kind,
    about,
    stageId: stageId ?? null,
    fromMinutes: roundToTenth(from),
    toMinutes: roundToTenth(to),
    by: personId,
  })),
  zones: zones.map(roundedZone),
  evenness: Object.fromEntries(
    Object.entries(evenness).map(([id, { p10, p90 }]) => [id, { p10: roundToTenth(p10), p90: roundToTenth(p90) }]),
  ),
  conflicts: conflicts.map(({ formulaId, about, over }) => ({
    formulaId: formulaId ?? null,
    about,
    overMinutes: roundToTenth(over),
  })),
})

const span = ({ low, expected, high }: Span): Span => ({
  low: roundToTenth(low),
  expected: roundToTenth(expected),
  high: roundToTenth(high),
})

const roundedZone = (zone: ZoneClock): ZoneClockFigures => ({
  stageId: zone.stageId,
  zoneId: zone.zoneId,
  name: zone.name,
  formulaId: zone.formulaId,
  pieces: zone.pieces,
  firstOnMinutes: roundToTenth(zone.firstOn),
  lastOnMinutes: roundToTenth(zone.lastOn),
  readyMinutes: roundToTenth(zone.ready),
  latestMinutes: roundToTenth(zone.latest),
  firstOutMinutes: roundToTenth(zone.firstOut),
  lastOutMinutes: roundToTenth(zone.lastOut),
  cutShortMinutes: roundToTenth(zone.cutShort),
  againMinutes: zone.again.map(roundToTenth),
  level: span(zone.level),
  darkest: roundToTenth(zone.spread.darkest),
  lightest: roundToTenth(zone.spread.lightest),
  goal: zone.goal,
  strainPercent: Math.round(100 * zone.strain),
  shortPieces: zone.short,
  checks: zone.checks,
  curve: zone.curve.map(({ minute, darkest, mean, lightest }) => ({
    minute: roundToTenth(minute),
    darkest: roundToTenth(darkest),
    mean: roundToTenth(mean),
    lightest: roundToTenth(lightest),
  })),
})
