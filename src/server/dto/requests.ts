import 'reflect-metadata'
import { IsArray, IsDefined, IsUUID } from 'class-validator'
import {
  CARE_KINDS,
  CARE_RESULTS,
  COUNTS,
  LAYOUT_TEMPLATES,
  LIMITS,
  type CareCheck,
  type Consent,
  type ConsultationBase,
  type ConsultationEntry,
  type LayoutTemplate,
  type Operation,
  type PlanPatch,
} from '@/core/model'
import { SERVICES } from '@/core/services'
import { Counting, Day, Id, InRange, ListOf, MayBeAbsent, Name, Nested, OneOf, Strokes, Text } from './decorators'
import { CanvasDto, GoalDto, HairStateDto, HeadMeasuresDto } from './hair'
import { LayoutParametersDto } from './plan'

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

export class LabelDto {
  @Name() label!: string
}

export class DemoSignInDto {
  @Id() staff!: string
}
