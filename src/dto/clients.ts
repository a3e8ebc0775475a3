import 'reflect-metadata'
import { IsDefined, ValidateIf } from 'class-validator'
import {
  CARE_KINDS,
  CARE_RESULTS,
  COUNTS,
  LIMITS,
  type CareCheck,
  type Consent,
  type ConsultationBase,
  type ConsultationEntry,
} from '@/core/model'
import { Counting, Day, InRange, MayBeAbsent, Name, Nested, OneOf, Strokes, Text, Uuid } from './decorators'
import { CanvasDto, GoalDto, HairStateDto, HeadMeasuresDto } from './hair'

export class ClientDto {
  /** Given by the device, so that what is sent twice counts once. */
  @MayBeAbsent() @Uuid() id?: string
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
  @Uuid() id!: string
  @OneOf(CARE_KINDS) kind!: CareCheck['kind']
  @Day() on!: string
  @OneOf(CARE_RESULTS) result!: CareCheck['result']
  @Text(COUNTS.nameLength) product!: string
  @Text(COUNTS.noteLength) note!: string
  @MayBeAbsent() @Day() expiresOn?: string
}

export class ConsentDto implements Omit<Consent, 'by'> {
  @Uuid() id!: string
  @Day() on!: string
  @Text(40) textVersion!: string
  /** Not looked at where a name was typed instead. */
  @ValidateIf(({ typedName }: ConsentDto) => typedName === undefined) @Strokes() strokes!: number[][]
  @MayBeAbsent() @Name() typedName?: string
}

/** Erasing cannot be taken back: whoever asks for it types the name. */
export class ErasureDto {
  @Name() name!: string
}
