import 'reflect-metadata'
import { IsDefined, Matches, ValidateIf } from 'class-validator'
import {
  LIMITS,
  POUR_KINDS,
  POUR_SOURCES,
  SCALE_COMMANDS,
  type PlannedLine,
  type PourEvent,
  type ScaleCommand,
} from '@/core/model'
import { Counting, Day, Id, InRange, ListOf, MayBeAbsent, Name, Nested, OneOf, Uuid } from './decorators'
import { CatalogueItemDto } from './product'

export class ProductChangeDto {
  @IsDefined({ message: 'is missing' }) @Nested(() => CatalogueItemDto) item!: CatalogueItemDto
  /** The revision the change was made from; left out for a new product. */
  @MayBeAbsent() @Counting() baseRevision?: number
}

export class DeliveryDto {
  /** Given by the device, so that what is sent twice counts once. */
  @MayBeAbsent() @Uuid() id?: string
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
  @Uuid() id!: string
  @Matches(/^[A-Z]$/, { message: 'must be a formula letter' }) formulaId!: string
  @Counting() bowl!: number
  @ListOf(() => PlannedLineDto, 1, 20) planned!: PlannedLineDto[]
}

export class PourEventDto implements PourEvent {
  @Uuid() id!: string
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

export class ScaleCommandDto {
  @OneOf(SCALE_COMMANDS) command!: ScaleCommand
  @MayBeAbsent() @InRange(LIMITS.stockG) grams?: number
}
