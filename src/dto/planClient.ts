import 'reflect-metadata'
import { COUNTS, LIMITS } from '@/core/model'
import { Day, InRange, ListOf, MayBeAbsent, Nested } from './decorators'
import { BandDto, CanvasDto, GoalDto, HairStateDto, HeadMeasuresDto } from './hair'

/** A client as the command line takes her: what is left out is that of the standard head. */
export class PlanClientDto {
  @MayBeAbsent() @Nested(() => HeadMeasuresDto) head?: HeadMeasuresDto
  @MayBeAbsent() @Nested(() => HairStateDto) hair?: HairStateDto
  /** Of the longest hair, root to tip; shorter hair has them as far as it reaches. */
  @MayBeAbsent() @ListOf(() => BandDto, 1, COUNTS.bands) bands?: BandDto[]
  /** Evenly over the head. */
  @MayBeAbsent() @InRange(LIMITS.percent) whitePercent?: number
  @MayBeAbsent() @Day() recordedOn?: string
  /** The hair place by place; it says bands and white itself. */
  @MayBeAbsent() @Nested(() => CanvasDto) canvas?: CanvasDto
  @MayBeAbsent() @Nested(() => GoalDto) goal?: GoalDto
}
