import 'reflect-metadata'
import { IsDefined } from 'class-validator'
import { type Limit } from '@/core/model'
import { READING_UNITS, type ReadingUnits } from '@/core/units'
import { Counting, Day, Id, InRange, MayBeAbsent, Nested, OneOf } from './decorators'
import { RatesDto } from './plan'

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
  @MayBeAbsent() @Counting() @InRange(MINUTE_OF_DAY) arrives?: number
}

export class DemoSignInDto {
  @Id() staff!: string
}
