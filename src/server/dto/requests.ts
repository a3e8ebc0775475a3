import 'reflect-metadata'
import { IsArray, IsDefined, IsUUID, Matches, ValidateIf } from 'class-validator'
import {
  CARE_KINDS,
  CARE_RESULTS,
  COUNTS,
  INCIDENTS,
  LAYOUT_TEMPLATES,
  LIMITS,
  POUR_KINDS,
  POUR_SOURCES,
  RUN_EVENT_KINDS,
  SCALE_COMMANDS,
  type CareCheck,
  type Consent,
  type ConsultationBase,
  type ConsultationEntry,
  type LayoutTemplate,
  type Limit,
  type Operation,
  type PlannedLine,
  type PlanPatch,
  type PourEvent,
  type ReplannedStep,
  type RunEvent,
  type SavedSections,
  type ScaleCommand,
} from '@/core/model'
import type { CameLevel } from '@/core/plan/afterVisit'
import { HELPERS, WORKING_ORDERS, type Helper, type WorkingOrder } from '@/core/time/schedule'
import { SERVICES } from '@/core/plan/serviceKinds'
import { READING_UNITS, type ReadingUnits } from '@/core/units'
import {
  Counting,
  Day,
  Id,
  InRange,
  ListOf,
  MayBeAbsent,
  Name,
  Nested,
  OneOf,
  Strokes,
  Text,
  WordsOf,
} from './decorators'
import { CanvasDto, GoalDto, HairStateDto, HeadMeasuresDto } from './hair'
import { LayoutDto, LayoutParametersDto, RatesDto, SectionDto } from './plan'
import { CatalogueItemDto } from './product'

export class ClientDto {
  @Name() name!: string
  @Text(4000) note!: string
  @IsDefined({ message: 'is missing' }) @Nested(() => HeadMeasuresDto) head!: HeadMeasuresDto
  @IsDefined({ message: 'is missing' }) @Nested(() => HairStateDto) hair!: HairStateDto
}

/** The hair of a client is changed by a consultation, not here. */
export class ClientChangeDto {
  @Name() name!: string
  @Text(4000) note!: string
  @IsDefined({ message: 'is missing' }) @Nested(() => HeadMeasuresDto) head!: HeadMeasuresDto
  @Counting() baseRevision!: number
}

class ConsultationBaseDto implements ConsultationBase {
  @Counting() number!: number
  @Counting() revision!: number
}

export class ConsultationDto implements ConsultationEntry {
  /** The newest record this one was made from; left out for a client's first. */
  @MayBeAbsent() @Nested(() => ConsultationBaseDto) base?: ConsultationBaseDto
  @Day() recordedOn!: string
  @IsDefined({ message: 'is missing' }) @Nested(() => HairStateDto) hair!: HairStateDto
  @IsDefined({ message: 'is missing' }) @Nested(() => CanvasDto) canvas!: CanvasDto
  @IsDefined({ message: 'is missing' }) @Nested(() => GoalDto) goal!: GoalDto
  @InRange(LIMITS.trimCm) trimmedCm!: number
}

export class DoneDto {
  @Day() on!: string
}

export class CareCheckDto implements Omit<CareCheck, 'by'> {
  @IsUUID('all', { message: 'must be a UUID' }) id!: string
  @OneOf(CARE_KINDS) kind!: CareCheck['kind']
  @Day() on!: string
  @OneOf(CARE_RESULTS) result!: CareCheck['result']
  @Text(COUNTS.nameLength) product!: string
  @Text(COUNTS.noteLength) note!: string
  @MayBeAbsent() @Day() expiresOn?: string
}

export class ConsentDto implements Omit<Consent, 'by'> {
  @IsUUID('all', { message: 'must be a UUID' }) id!: string
  @Day() on!: string
  @Text(40) textVersion!: string
  @Strokes() strokes!: number[][]
}

/** Instead of a kind of service: the one that the newest consultation asks for. */
export const PROPOSED = 'proposed'

export class NewPlanDto {
  @Name() name!: string
  @OneOf(LAYOUT_TEMPLATES) template!: LayoutTemplate
  /** A kind of service to start from, instead of an empty plan on the template. */
  @MayBeAbsent() @OneOf([PROPOSED, ...SERVICES.map(({ id }) => id)]) service?: string
  @MayBeAbsent() @Nested(() => LayoutParametersDto) parameters?: LayoutParametersDto
}

export class PatchDto implements PlanPatch {
  @OneOf(['add', 'remove', 'replace']) op!: 'add' | 'remove' | 'replace'
  @IsArray({ message: 'must be a list' }) path!: (string | number)[]
  @MayBeAbsent() value?: unknown
}

export class OperationDto implements Operation {
  @IsUUID('all', { message: 'must be a UUID' }) id!: string
  @OneOf(['edit', 'undo', 'redo']) kind!: 'edit' | 'undo' | 'redo'
  @Text(200) label!: string
  /** `edit`: what changes. */
  @ListOf(() => PatchDto, 0, 500) patches!: PatchDto[]
  /** `undo` and `redo`: the edit that is meant. */
  @MayBeAbsent() @IsUUID('all', { message: 'must be a UUID' }) target?: string
}

export class OperationsDto {
  @Counting() baseRevision!: number
  @ListOf(() => OperationDto, 1, 200) operations!: OperationDto[]
}

export class AcknowledgementDto {
  @Id() cautionId!: string
  @Text(500) reason!: string
}

export class OwnLayoutDto implements SavedSections {
  @Name() name!: string
  @IsDefined({ message: 'is missing' }) @Nested(() => LayoutDto) layout!: LayoutDto
  @ListOf(() => SectionDto, 1, COUNTS.zones) zones!: SectionDto[]
}

export class LabelDto {
  @Name() label!: string
}

export class ProductChangeDto {
  @IsDefined({ message: 'is missing' }) @Nested(() => CatalogueItemDto) item!: CatalogueItemDto
  /** The revision the change was made from; left out for a new product. */
  @MayBeAbsent() @Counting() baseRevision?: number
}

export class DeliveryDto {
  @Id() productId!: string
  @InRange(LIMITS.stockG) grams!: number
  @Name() lot!: string
  @MayBeAbsent() @Day() expiresOn?: string
}

export class CountDto {
  @Id() lotId!: string
  @InRange(LIMITS.stockG) grams!: number
}

export class PlannedLineDto implements PlannedLine {
  @Name() name!: string
  @ValidateIf((_object, value) => value !== null) @Id() productId!: string | null
  @OneOf(['product', 'additive', 'developer']) role!: PlannedLine['role']
  @InRange(LIMITS.stockG) grams!: number
}

export class NewMixDto {
  @IsUUID('all', { message: 'must be a UUID' }) id!: string
  @Matches(/^[A-Z]$/, { message: 'must be a formula letter' }) formulaId!: string
  @Counting() bowl!: number
  @ListOf(() => PlannedLineDto, 1, 20) planned!: PlannedLineDto[]
}

export class PourEventDto implements PourEvent {
  @IsUUID('all', { message: 'must be a UUID' }) id!: string
  @OneOf(POUR_KINDS) kind!: PourEvent['kind']
  @Counting() line!: number
  @InRange(LIMITS.stockG) grams!: number
  @OneOf(POUR_SOURCES) source!: PourEvent['source']
}

export class PourEventsDto {
  @ListOf(() => PourEventDto, 0, 200) events!: PourEventDto[]
  /** Ends the bowl: its products leave the shelf, or nothing does. */
  @MayBeAbsent() @OneOf(['done', 'abandoned']) end?: 'done' | 'abandoned'
}

const ROOM: Limit = { min: 10, max: 40, unit: '°C' }
const VISIT_MINUTES: Limit = { min: 0, max: 1440, unit: 'min' }

/** More than any plan raises. */
const MOST_CAUTIONS = 200

export class NewRunDto {
  @IsUUID('all', { message: 'must be a UUID' }) id!: string
  /** Who helps, beside the colourist. */
  @WordsOf(Object.keys(HELPERS)) helping!: Helper[]
  @MayBeAbsent() @OneOf(WORKING_ORDERS) order?: WorkingOrder
  @MayBeAbsent() @InRange(ROOM) celsius?: number
  /** When the assistant can be had, min from the start. */
  @MayBeAbsent() @InRange(VISIT_MINUTES) assistantFrom?: number
  @MayBeAbsent() @InRange(VISIT_MINUTES) assistantTo?: number
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
  @IsUUID('all', { message: 'must be a UUID' }) id!: string
  @OneOf(RUN_EVENT_KINDS) kind!: RunEvent['kind']
  @MayBeAbsent() @Text(STEP) stepId?: string
  @MayBeAbsent() @InRange(VALUE) value?: number
  @MayBeAbsent() @Id() formulaId?: string
  @MayBeAbsent() @Id() personId?: string
  @MayBeAbsent() @ListOf(() => ReplannedStepDto, 0, STEPS) steps?: ReplannedStepDto[]
  @MayBeAbsent() @Nested(() => JoiningDto) joins?: JoiningDto
  @MayBeAbsent() @OneOf(INCIDENTS) incident?: RunEvent['incident']
  @MayBeAbsent() @Text(COUNTS.noteLength) note?: string
  @MayBeAbsent() @IsUUID('all', { message: 'must be a UUID' }) undoes?: string
  @IsUUID('all', { message: 'must be a UUID' }) deviceId!: string
  @Counting() deviceSeq!: number
  @InRange(TIME) deviceTime!: number
  @InRange(OFFSET) offsetMs!: number
}

export class RunEventsDto {
  @ListOf(() => RunEventDto, 0, 500) events!: RunEventDto[]
  /** Everything after this place of the log is answered. */
  @Counting() after!: number
}

class CameLevelDto implements CameLevel {
  @Id() zoneId!: string
  @Id() formulaId!: string
  @InRange(LIMITS.bandLevel) level!: number
}

/** What the hair came to at a visit, as the eye confirmed it. */
export class RunHairDto {
  @Day() on!: string
  @ListOf(() => CameLevelDto, 0, STEPS) levels!: CameLevelDto[]
}

export class SalonRatesDto {
  @IsDefined({ message: 'is missing' }) @Nested(() => RatesDto) rates!: RatesDto
  @Counting() baseRevision!: number
}

export class ReadingUnitsDto implements ReadingUnits {
  @OneOf(READING_UNITS.mass) mass!: ReadingUnits['mass']
  @OneOf(READING_UNITS.length) length!: ReadingUnits['length']
  @OneOf(READING_UNITS.developer) developer!: ReadingUnits['developer']
  @OneOf(READING_UNITS.clock) clock!: ReadingUnits['clock']
}

const MINUTE_OF_DAY: Limit = { min: 0, max: 1439, unit: 'min' }

export class BookingDto {
  /** Left out: not booked any more. */
  @MayBeAbsent() @Day() on?: string
  /** When she comes, min after midnight; left out: as it was. */
  @MayBeAbsent() @InRange(MINUTE_OF_DAY) arrives?: number
}

export class ScaleCommandDto {
  @OneOf(SCALE_COMMANDS) command!: ScaleCommand
  @MayBeAbsent() @InRange(LIMITS.stockG) grams?: number
}

export class DemoSignInDto {
  @Id() staff!: string
}
