import 'reflect-metadata'
import {
  COUNTS,
  INCIDENTS,
  LIMITS,
  MORE_PLACES,
  RUN_EVENT_KINDS,
  STRAND_SPOTS,
  TONES,
  type Limit,
  type More,
  type MorePlace,
  type ReplannedStep,
  type RunEvent,
  type StrandSpot,
  type Tone,
  SKILLS,
  type Skill,
} from '@/core/model'
import { type CameLevel } from '@/core/time/fold'
import { FOILS_OUT, HELPERS, WORKING_ORDERS, type FoilsOut, type Helper, type WorkingOrder } from '@/core/time/schedule'
import { Counting, Day, Id, InRange, ListOf, MayBeAbsent, Name, Nested, OneOf, Text, WordsOf, Uuid } from './decorators'
import { AcknowledgementDto } from './plans'

const VISIT_MINUTES: Limit = { min: 0, max: 1440, unit: 'min' }

/** More than any plan raises. */
const MOST_CAUTIONS = 200

export class NewRunDto {
  @Uuid() id!: string
  /** Who helps, beside the colourist. */
  @WordsOf(Object.keys(HELPERS)) helping!: Helper[]
  @MayBeAbsent() @OneOf(WORKING_ORDERS) order?: WorkingOrder
  @MayBeAbsent() @OneOf(FOILS_OUT) foils?: FoilsOut
  @MayBeAbsent() @InRange(LIMITS.roomCelsius) celsius?: number
  /** When the assistant can be had, min from the start. */
  @MayBeAbsent() @InRange(VISIT_MINUTES) assistantFrom?: number
  @MayBeAbsent() @InRange(VISIT_MINUTES) assistantTo?: number
  /** What is trusted to the assistant; left out: all but putting colour on. */
  @MayBeAbsent() @WordsOf(SKILLS) assistantMay?: Skill[]
  /** Cautions that whoever begins has looked at just now. */
  @MayBeAbsent() @ListOf(() => AcknowledgementDto, 0, MOST_CAUTIONS) acknowledged?: AcknowledgementDto[]
}

/** Names of steps hold what they are about: ids, letters and slashes. */
const STEP = 200
/** Clocks of devices may be wrong, but not by years. ms */
const TIME: Limit = { min: 1_500_000_000_000, max: 4_000_000_000_000, unit: 'ms' }
const OFFSET: Limit = { min: -400_000_000_000, max: 400_000_000_000, unit: 'ms' }
const VALUE: Limit = { min: 0, max: 5000, unit: '' }

/** More steps than any visit has. */
const STEPS = 500

class ReplannedStepDto implements ReplannedStep {
  @Text(STEP) stepId!: string
  @Id() personId!: string
}

class JoiningDto {
  @Id() id!: string
  @Name() name!: string
}

export class RunEventDto implements RunEvent {
  @Uuid() id!: string
  @OneOf(RUN_EVENT_KINDS) kind!: RunEvent['kind']
  @MayBeAbsent() @Text(STEP) stepId?: string
  @MayBeAbsent() @InRange(VALUE) value?: number
  @MayBeAbsent() @OneOf(STRAND_SPOTS) spot?: StrandSpot
  @MayBeAbsent() @Text(STEP) pieceId?: string
  @MayBeAbsent() @InRange(VALUE) grams?: number
  @MayBeAbsent() @Id() formulaId?: string
  @MayBeAbsent() @Id() personId?: string
  @MayBeAbsent() @ListOf(() => ReplannedStepDto, 0, STEPS) steps?: ReplannedStepDto[]
  @MayBeAbsent() @Nested(() => JoiningDto) joins?: JoiningDto
  @MayBeAbsent() @OneOf(INCIDENTS) incident?: RunEvent['incident']
  @MayBeAbsent() @Text(COUNTS.noteLength) note?: string
  @MayBeAbsent() @Uuid() undoes?: string
  @Uuid() deviceId!: string
  @Counting() deviceSeq!: number
  @InRange(TIME) deviceTime!: number
  @InRange(OFFSET) offsetMs!: number
}

/** What is added at the chair, and the device that tells it. */
export class MoreDto implements More {
  @Uuid() id!: string
  @Uuid() deviceId!: string
  @OneOf(MORE_PLACES) place!: MorePlace
  @Id() like!: string
  @MayBeAbsent() @InRange(LIMITS.targetLevel) level?: number
  @MayBeAbsent() @OneOf(TONES) tone?: Tone
  @MayBeAbsent() @InRange(LIMITS.bandCm) bandCm?: number
  @MayBeAbsent() @InRange(LIMITS.lastsMinutes) minutes?: number
}

export class RunEventsDto {
  @ListOf(() => RunEventDto, 0, 500) events!: RunEventDto[]
  /** Everything after this place of the log is answered. */
  @Counting() after!: number
}

class CameBandDto {
  @OneOf(STRAND_SPOTS) spot!: StrandSpot
  @InRange(LIMITS.bandLevel) level!: number
}

class CameLevelDto implements CameLevel {
  @Id() zoneId!: string
  @Id() formulaId!: string
  @InRange(LIMITS.bandLevel) level!: number
  @MayBeAbsent() @ListOf(() => CameBandDto, 0, STRAND_SPOTS.length) bands?: CameBandDto[]
}

/** What the hair came to at a visit, as the eye confirmed it. */
export class RunHairDto {
  @Day() on!: string
  @ListOf(() => CameLevelDto, 0, STEPS) levels!: CameLevelDto[]
}
