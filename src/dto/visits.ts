import 'reflect-metadata'
import {
  COUNTS,
  INCIDENTS,
  LIMITS,
  PICTURE_MOMENTS,
  PICTURE_SIDES,
  TONES,
  type Limit,
  type PictureOf,
  type Tone,
} from '@/core/model'
import { SERVICES } from '@/core/plan/serviceKinds'
import { MESSAGE_KINDS, MESSAGE_LETTERS, type MessageKind } from '@/core/record/upkeep'
import { LEARNING_CHOICES, type LearningChoice } from '@/core/record/learning'
import { Day, Id, InRange, ListOf, MayBeAbsent, Name, OneOf, Text, YesOrNo, Uuid } from './decorators'

/** Letters of an answer in a review. Our choice: a good page. */
export const REVIEW_LETTERS = 2000
/** Name of a factor or a job. */
const ABOUT_LETTERS = 200
/** A day and an id. */
const PLACE_LETTERS = 60

/** What of the log is wanted. */
export class LogWishDto {
  @MayBeAbsent() @Text(COUNTS.nameLength) words?: string
  @MayBeAbsent() @Uuid() staffId?: string
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

/** The visit that a picture belongs to. */
export class PictureOfDto implements PictureOf {
  @Uuid() visitId!: string
  @OneOf(PICTURE_MOMENTS) moment!: PictureOf['moment']
  @OneOf(PICTURE_SIDES) side!: PictureOf['side']
}

export class MessageDto {
  @Uuid() id!: string
  @Uuid() clientId!: string
  @OneOf(MESSAGE_KINDS) kind!: MessageKind
  @Text(MESSAGE_LETTERS) text!: string
}

export class MessageStateDto {
  @YesOrNo() sent!: boolean
}

export class MessageTemplateDto {
  @OneOf(MESSAGE_KINDS) kind!: MessageKind
  @Text(MESSAGE_LETTERS) text!: string
}

/** A formula as it was mixed at a visit without Falto. */
export class ToldFormulaDto {
  @Id() productId!: string
  @InRange(LIMITS.developerVol) developerVol!: number
  @InRange(LIMITS.targetLevel) level!: number
  @OneOf(TONES) tone!: Tone
  @MayBeAbsent() @InRange(LIMITS.stockG) grams?: number
  @MayBeAbsent() @InRange(LIMITS.stockG) left?: number
}

/** Longest visit, min. */
export const VISIT_MINUTES: Limit = { min: 1, max: 1440, unit: 'min' }
/** More than any visit mixes. */
const MOST_TOLD = 8

/** A visit that was done without Falto, as it is told afterwards. */
export class ToldVisitDto {
  @Day() on!: string
  @OneOf(SERVICES.map(({ id }) => id)) service!: string
  @Name() name!: string
  @MayBeAbsent() @InRange(VISIT_MINUTES) minutes?: number
  @ListOf(() => ToldFormulaDto, 0, MOST_TOLD) formulas!: ToldFormulaDto[]
  /** What to do otherwise next time. */
  @Text(REVIEW_LETTERS) change!: string
}

export class LeftInBowlDto {
  @InRange(LIMITS.stockG) grams!: number
}
