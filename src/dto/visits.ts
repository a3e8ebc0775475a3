import 'reflect-metadata'
import { IsUUID } from 'class-validator'
import { COUNTS, INCIDENTS, LIMITS, TONES, type Tone } from '@/core/model'
import { LEARNING_CHOICES, type LearningChoice } from '@/core/record/learning'
import { Day, InRange, MayBeAbsent, OneOf, Text, YesOrNo } from './decorators'

/** Letters of an answer in a review. Our choice: a good page. */
export const REVIEW_LETTERS = 2000
/** Name of a factor or a job. */
const ABOUT_LETTERS = 200
/** A day and an id. */
const PLACE_LETTERS = 60

/** What of the log is wanted. */
export class LogWishDto {
  @MayBeAbsent() @Text(COUNTS.nameLength) words?: string
  @MayBeAbsent() @IsUUID('all', { message: 'must be a UUID' }) staffId?: string
  @MayBeAbsent() @Day() from?: string
  @MayBeAbsent() @Day() to?: string
  @MayBeAbsent() @OneOf(INCIDENTS) incident?: string
  @MayBeAbsent() @Text(PLACE_LETTERS) after?: string
}

/** Which formulas are sought. */
export class FormulaWishDto {
  @MayBeAbsent() @Text(COUNTS.nameLength) words?: string
  @MayBeAbsent() @InRange(LIMITS.targetLevel) level?: number
  @MayBeAbsent() @OneOf(TONES) tone?: Tone
}

export class ReviewDto {
  @Text(REVIEW_LETTERS) worked!: string
  @Text(REVIEW_LETTERS) change!: string
  @Text(REVIEW_LETTERS) why!: string
  @YesOrNo() shared!: boolean
}

export class LearningChoiceDto {
  @OneOf(LEARNING_CHOICES) kind!: LearningChoice
  @Text(ABOUT_LETTERS) about!: string
}

export class LeftInBowlDto {
  @InRange(LIMITS.stockG) grams!: number
}
