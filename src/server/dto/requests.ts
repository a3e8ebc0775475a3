import 'reflect-metadata'
import { IsArray, IsDefined, IsUUID } from 'class-validator'
import { HairStateDto, HeadMeasuresDto, LayoutParametersDto } from './plan'
import { LAYOUT_TEMPLATES, type LayoutTemplate, type Operation, type PlanPatch } from '@/core/model'
import { Counting, Id, ListOf, MayBeAbsent, Name, Nested, OneOf, Text } from './decorators'

export class ClientDto {
  @Name() name!: string
  @Text(4000) note!: string
  @IsDefined({ message: 'is missing' }) @Nested(() => HeadMeasuresDto) head!: HeadMeasuresDto
  @IsDefined({ message: 'is missing' }) @Nested(() => HairStateDto) hair!: HairStateDto
}

export class ClientChangeDto extends ClientDto {
  @Counting() baseRevision!: number
}

export class NewPlanDto {
  @Name() name!: string
  @OneOf(LAYOUT_TEMPLATES) template!: LayoutTemplate
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
