import 'reflect-metadata'
import { IsArray, IsDefined } from 'class-validator'
import {
  COUNTS,
  LAYOUT_TEMPLATES,
  type LayoutTemplate,
  type Operation,
  type PlanPatch,
  type SavedSections,
} from '@/core/model'
import { SERVICES } from '@/core/plan/serviceKinds'
import { Counting, Id, ListOf, MayBeAbsent, Name, Nested, OneOf, Text, YesOrNo, Uuid } from './decorators'
import { LayoutDto, LayoutParametersDto, SectionDto } from './plan'

/** Instead of a kind of service: the one that the newest consultation asks for. */
export const PROPOSED = 'proposed'

export class NewPlanDto {
  /** Given by the device, so that what is sent twice counts once. */
  @MayBeAbsent() @Uuid() id?: string
  @Name() name!: string
  @OneOf(LAYOUT_TEMPLATES) template!: LayoutTemplate
  /** A kind of service to start from, instead of an empty plan on the template. */
  @MayBeAbsent() @OneOf([PROPOSED, ...SERVICES.map(({ id }) => id)]) service?: string
  @MayBeAbsent() @Nested(() => LayoutParametersDto) parameters?: LayoutParametersDto
  /** Whether it is to reckon with what was learned of whoever makes it. */
  @MayBeAbsent() @YesOrNo() ownFigures?: boolean
}

export class PatchDto implements PlanPatch {
  @OneOf(['add', 'remove', 'replace']) op!: 'add' | 'remove' | 'replace'
  @IsArray({ message: 'must be a list' }) path!: (string | number)[]
  @MayBeAbsent() value?: unknown
}

export class OperationDto implements Operation {
  @Uuid() id!: string
  @OneOf(['edit', 'undo', 'redo']) kind!: 'edit' | 'undo' | 'redo'
  @Text(200) label!: string
  /** `edit`: what changes. */
  @ListOf(() => PatchDto, 0, 500) patches!: PatchDto[]
  /** `undo` and `redo`: the edit that is meant. */
  @MayBeAbsent() @Uuid() target?: string
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
