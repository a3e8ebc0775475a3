import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsISO8601,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
  isISO8601,
  matches,
  type ValidationArguments,
} from 'class-validator'
import { COUNTS, LIMITS, type Limit } from '@/core/model'
import { fieldProblems } from './fields'

/** Joins decorators into one. */
const all =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, property) =>
    decorators.forEach((decorate) => decorate(target, property))

/** An id given by a device. */
export const Uuid = (): PropertyDecorator => IsUUID('all', { message: 'must be a UUID' })

/** A finite number within a limit; the message names the allowed range. */
export function InRange(limit: Limit): PropertyDecorator {
  const message = `must be a number from ${limit.min} to ${limit.max} ${limit.unit}`.trim()
  return all(
    IsNumber({ allowNaN: false, allowInfinity: false }, { message }),
    Min(limit.min, { message }),
    Max(limit.max, { message }),
  )
}

/** The largest whole number that the database counts with. */
const LARGEST_COUNT = 2 ** 31 - 1

/** A whole number from 0 on. */
export const Counting = (): PropertyDecorator =>
  all(
    IsInt({ message: 'must be a whole number' }),
    Min(0, { message: 'must not be negative' }),
    Max(LARGEST_COUNT, { message: `must be at most ${LARGEST_COUNT}` }),
  )

/** An amount of money in its smallest unit. */
export const Money = (): PropertyDecorator =>
  all(IsInt({ message: 'must be a whole number of the smallest unit of money' }), InRange(LIMITS.moneyLimitMinor))

/** A list of numbers within a limit, each once. */
export const Numbers = (limit: Limit, most: number): PropertyDecorator =>
  all(
    IsArray({ message: 'must be a list' }),
    ArrayMaxSize(most, { message: `must have at most ${most} entries` }),
    ArrayUnique({ message: 'must name each only once' }),
    IsNumber({ allowNaN: false, allowInfinity: false }, { each: true, message: 'must hold numbers' }),
    Min(limit.min, { each: true, message: `must hold numbers from ${limit.min} to ${limit.max}` }),
    Max(limit.max, { each: true, message: `must hold numbers from ${limit.min} to ${limit.max}` }),
  )

/** True or false. */
export const YesOrNo = (): PropertyDecorator => IsBoolean({ message: 'must be true or false' })

/** One of a few words. */
export const OneOf = (words: readonly string[]): PropertyDecorator =>
  IsIn([...words], { message: `must be one of ${words.join(', ')}` })

/** Signs that turn the direction of what stands after them, so that a name reads as another. */
const TURNING = /^[^\u202A-\u202E\u2066-\u2069]*$/

/** A name of 1 to 120 characters. */
export const Name = (): PropertyDecorator =>
  all(
    IsString({ message: 'must be text' }),
    Matches(TURNING, { message: 'holds a sign that turns the direction of writing' }),
    Length(1, COUNTS.nameLength, { message: `must have 1 to ${COUNTS.nameLength} characters` }),
  )

/** Free text up to a length. */
export const Text = (longest: number): PropertyDecorator =>
  all(IsString({ message: 'must be text' }), Length(0, longest, { message: `must have at most ${longest} characters` }))

const ID = { pattern: /^[A-Za-z0-9-]{1,64}$/, words: 'must be an id of letters, digits and dashes' }
/** An id inside a document. */
export const Id = (): PropertyDecorator => Matches(ID.pattern, { message: ID.words })
/** A list of ids. */
export const Ids = (most: number): PropertyDecorator =>
  all(
    IsArray({ message: 'must be a list' }),
    ArrayMaxSize(most, { message: `must have at most ${most} entries` }),
    Matches(ID.pattern, { each: true, message: ID.words }),
  )

const DAY = { pattern: /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, words: 'must be a day such as 2026-09-15' }
/** A calendar day, `YYYY-MM-DD`, that exists. */
export const Day = (): PropertyDecorator =>
  all(Matches(DAY.pattern, { message: DAY.words }), IsISO8601({ strict: true }, { message: DAY.words }))
/** Whether words would pass as a {@link Day}. */
export const isDay = (words: string): boolean => matches(words, DAY.pattern) && isISO8601(words, { strict: true })

/** Some of a few words, each once. */
export const WordsOf = (words: readonly string[]): PropertyDecorator =>
  all(
    IsArray({ message: 'must be a list' }),
    ArrayUnique({ message: 'must name each only once' }),
    IsIn([...words], { each: true, message: `must hold only ${words.join(', ')}` }),
  )

/** A list of a few words, in an order that counts. */
export const WordsIn = (words: readonly string[], most: number): PropertyDecorator =>
  all(
    IsArray({ message: 'must be a list' }),
    ArrayMaxSize(most, { message: `must have at most ${most} entries` }),
    IsIn([...words], { each: true, message: `must hold only ${words.join(', ')}` }),
  )

/** A few sentences. */
export const Sentences = (): PropertyDecorator =>
  all(
    IsArray({ message: 'must be a list' }),
    ArrayMaxSize(24, { message: 'must have at most 24 entries' }),
    IsString({ each: true, message: 'must hold text' }),
    MaxLength(COUNTS.noteLength, { each: true, message: `must hold at most ${COUNTS.noteLength} characters each` }),
  )

/** One percentage for each of so many places. */
export const Percents = (count: number): PropertyDecorator =>
  all(
    IsArray({ message: 'must be a list' }),
    ArrayMinSize(count, { message: `must have ${count} entries` }),
    ArrayMaxSize(count, { message: `must have ${count} entries` }),
    IsNumber({ allowNaN: false, allowInfinity: false }, { each: true, message: 'must hold numbers' }),
    Min(0, { each: true, message: 'must hold numbers from 0 to 100' }),
    Max(100, { each: true, message: 'must hold numbers from 0 to 100' }),
  )

/** What carried hair out, each `visit/formula`. */
export const Sources = (most: number): PropertyDecorator =>
  all(
    IsArray({ message: 'must be a list' }),
    ArrayMaxSize(most, { message: `must have at most ${most} entries` }),
    Matches(/^[A-Za-z0-9-]{1,64}\/[A-Z]$/, { each: true, message: 'must be a visit and a formula, such as 0199-…/A' }),
  )

/** Strokes of a signature: lists of x, y in 0…1, x first, an even count of them. */
export const Strokes = (): PropertyDecorator =>
  ValidateBy(
    {
      name: 'strokes',
      validator: {
        validate: (value) =>
          Array.isArray(value) &&
          value.length >= 1 &&
          value.length <= COUNTS.strokes &&
          value.every(
            (stroke) =>
              Array.isArray(stroke) &&
              stroke.length >= 4 &&
              stroke.length <= COUNTS.strokePoints &&
              stroke.length % 2 === 0 &&
              stroke.every((number) => typeof number === 'number' && number >= 0 && number <= 1),
          ),
      },
    },
    { message: 'must be a signature: at least one stroke of two points within the field' },
  )

/** May be left out; null is not a way of leaving it out. */
export const MayBeAbsent = (): PropertyDecorator => ValidateIf((_object, value) => value !== undefined)

/** One nested object. */
export const Nested = (type: () => new () => object): PropertyDecorator =>
  all(IsObject({ message: 'must be an object' }), ValidateNested({ message: 'must be an object' }), Type(type))

/** A list of nested objects. */
export const ListOf = (type: () => new () => object, least: number, most: number): PropertyDecorator =>
  all(
    IsArray({ message: 'must be a list' }),
    ArrayMinSize(least, { message: `must have at least ${least} entries` }),
    ArrayMaxSize(most, { message: `must have at most ${most} entries` }),
    // Lists within the list would be looked through like the list itself.
    ValidateBy(
      { name: 'noListWithin', validator: { validate: (value) => !Array.isArray(value) || !value.some(Array.isArray) } },
      { message: 'must be a list of objects' },
    ),
    ValidateNested({ each: true, message: 'must be a list of objects' }),
    Type(type),
  )

/** The name under which a schema finds a list of {@link LettersOr}. */
export const LETTERS_OR = 'lettersOr'

/** A list of short words, with an object wherever a word does not say it. */
export function LettersOr(pattern: RegExp, words: string, type: () => new () => object): PropertyDecorator {
  const wrongEntry = (one: unknown): string | undefined => {
    if (typeof one === 'string') return pattern.test(one) ? undefined : `must hold ${words} or entries of their own`
    if (typeof one !== 'object' || one === null || Array.isArray(one)) return 'must be an object'
    const [first] = fieldProblems(type(), one)
    return first && `${first.path} ${first.message}`
  }
  const wrong = (value: unknown): string | undefined => {
    if (!Array.isArray(value)) return 'must be a list'
    for (const [i, one] of value.entries()) {
      const why = wrongEntry(one)
      if (why !== undefined) return typeof one === 'string' ? why : `entry ${i + 1}: ${why}`
    }
    return undefined
  }
  return ValidateBy(
    {
      name: LETTERS_OR,
      constraints: [pattern.source],
      validator: {
        validate: (value) => wrong(value) === undefined,
        defaultMessage: (args?: ValidationArguments) => wrong(args?.value) ?? '',
      },
    },
    {},
  )
}
