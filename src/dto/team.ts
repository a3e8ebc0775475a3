import 'reflect-metadata'
import { IsDefined, IsEmail, IsInt, IsISO31661Alpha2, IsTimeZone, Length, Matches, ValidateBy } from 'class-validator'
import {
  LIMITS,
  PIN_DIGITS,
  SKILLS,
  STAFF_ROLES,
  type Limit,
  type Skill,
  type StaffRole,
  type WorkDay,
} from '@/core/model'
import { Counting, InRange, ListOf, MayBeAbsent, Name, Nested, OneOf, Uuid, WordsOf, YesOrNo } from './decorators'
import { ReadingUnitsDto } from './salon'

/** Lengths of a password, characters. Twelve and more: ASVS 5, chapter 6, from memory. */
export const PASSWORD = { shortest: 12, longest: 128 }

const PASSWORD_WORDS = `must have ${PASSWORD.shortest} to ${PASSWORD.longest} characters; a few words are easier to keep in mind than signs`

/** A word from a link that went out. */
const LINK_WORD = { pattern: /^[A-Za-z0-9_-]{20,200}$/, words: 'is not whole; open the link once more' }

/** Who sets a salon up, and what it is. */
export class SetUpDto {
  @Matches(LINK_WORD.pattern, { message: LINK_WORD.words }) key!: string
  @Name() salon!: string
  @IsISO31661Alpha2({ message: 'must be a country' }) country!: string
  @Matches(/^[A-Z]{3}$/, { message: 'must be a currency code of three capital letters, such as EUR' }) currency!: string
  @IsTimeZone({ message: 'must be a time zone such as Europe/Vienna' }) timeZone!: string
  @IsDefined({ message: 'is missing' }) @Nested(() => ReadingUnitsDto) units!: ReadingUnitsDto
  @Name() owner!: string
  @IsEmail({}, { message: 'must be an e-mail address' }) email!: string
  @Length(PASSWORD.shortest, PASSWORD.longest, { message: PASSWORD_WORDS }) password!: string
}

export class InvitationDto {
  @Name() name!: string
  @IsEmail({}, { message: 'must be an e-mail address' }) email!: string
  @OneOf(STAFF_ROLES) role!: StaffRole
}

/** Somebody who was invited comes in. */
export class JoinDto {
  @Matches(LINK_WORD.pattern, { message: LINK_WORD.words }) token!: string
  @Name() name!: string
  @Length(PASSWORD.shortest, PASSWORD.longest, { message: PASSWORD_WORDS }) password!: string
}

const MINUTE: Limit = { min: 0, max: 1440, unit: 'min after midnight' }
const WEEKDAY: Limit = { min: 1, max: 7, unit: '' }

export class WorkDayDto implements WorkDay {
  @Counting() @InRange(WEEKDAY) weekday!: number
  @Counting() @InRange(MINUTE) from!: number
  @ValidateBy(
    {
      name: 'afterFrom',
      validator: { validate: (to, args) => typeof to === 'number' && to > Number((args!.object as WorkDay).from) },
    },
    { message: 'must be later than she comes' },
  )
  @Counting()
  @InRange(MINUTE)
  to!: number
}

/** Somebody who works here. What is left out stays. */
export class TeamMemberDto {
  @Name() name!: string
  @OneOf(STAFF_ROLES) role!: StaffRole
  @YesOrNo() active!: boolean
  @MayBeAbsent() @WordsOf(SKILLS) skills?: Skill[]
  @MayBeAbsent() @ListOf(() => WorkDayDto, 0, 7) week?: WorkDayDto[]
}

/** What holds for a whole salon. What is left out stays. */
export class SalonDto {
  @MayBeAbsent() @Name() name?: string
  @MayBeAbsent() @YesOrNo() ownersNeedSecondFactor?: boolean
  @MayBeAbsent() @Counting() @InRange(LIMITS.retentionYears) retentionYears?: number
}

export class EmailDto {
  @IsEmail({}, { message: 'must be an e-mail address' }) email!: string
}

/** By the word of a letter. */
export class NewPasswordDto {
  @Matches(LINK_WORD.pattern, { message: LINK_WORD.words }) token!: string
  @Length(PASSWORD.shortest, PASSWORD.longest, { message: PASSWORD_WORDS }) newPassword!: string
}

/** One's own, by who knows the old one. */
export class ChangePasswordDto {
  @Length(1, PASSWORD.longest, { message: 'is missing' }) currentPassword!: string
  @Length(PASSWORD.shortest, PASSWORD.longest, { message: PASSWORD_WORDS }) newPassword!: string
}

/** What an authenticator shows. */
export class FactorCodeDto {
  @Matches(/^\d{6}$/, { message: 'has six digits' }) code!: string
}

export class PasswordDto {
  @Length(1, PASSWORD.longest, { message: 'is missing' }) password!: string
}

const IN_TURN = '01234567890'
const BACKWARDS = [...IN_TURN].reverse().join('')
/** What is tried first: one digit over and over, or digits in their turn. */
const isEasyPin = (pin: string): boolean => new Set(pin).size === 1 || IN_TURN.includes(pin) || BACKWARDS.includes(pin)

/** One's own PIN for shared tablets, chosen by who knows her password. */
export class OwnPinDto {
  @Length(1, PASSWORD.longest, { message: 'is missing' }) password!: string
  @ValidateBy(
    { name: 'notEasy', validator: { validate: (pin) => typeof pin === 'string' && !isEasyPin(pin) } },
    { message: 'is one of those that are tried first; choose another' },
  )
  @Matches(new RegExp(`^\\d{${PIN_DIGITS.fewest},${PIN_DIGITS.most}}$`), {
    message: `must have ${PIN_DIGITS.fewest} to ${PIN_DIGITS.most} digits`,
  })
  pin!: string
}

/** A device becomes a tablet that the salon shares. */
export class SharedTabletDto {
  @Name() name!: string
  @IsInt({ message: 'must be a whole number of minutes' }) @InRange(LIMITS.lockAfterMin) lockAfterMin!: number
}

/** Somebody takes a shared tablet over. */
export class TakeOverDto {
  @Uuid() staffId!: string
  @Length(1, PIN_DIGITS.most, { message: 'is missing' }) pin!: string
}
