import 'reflect-metadata'
import { IsInt } from 'class-validator'
import {
  COUNTS,
  COVERS,
  LIGHTENER_KINDS,
  LIMITS,
  TEXTURES,
  TREATMENTS,
  type Cover,
  type ProductKind,
  type Texture,
  type TreatmentKind,
} from '@/core/model'
import { InRange, MayBeAbsent, OneOf, WordsIn, YesOrNo } from './decorators'

/** What the command line asks of the process alone: one strand under one mix. */
export class LiftQuestionDto {
  @InRange(LIMITS.naturalLevel) naturalLevel!: number
  @InRange(LIMITS.bandLevel) level!: number
  /** What was done to it, oldest first; the same may come again. Empty: virgin. */
  @WordsIn(TREATMENTS, COUNTS.treatments) history!: TreatmentKind[]
  @MayBeAbsent() @YesOrNo() softened?: boolean
  @OneOf(TEXTURES) texture!: Texture
  @OneOf(LIGHTENER_KINDS) kind!: ProductKind
  @InRange(LIMITS.developerVol) vol!: number
  @InRange(LIMITS.ratio) ratio!: number
  @InRange(LIMITS.maximumMinutes) maximumMinutes!: number
  @InRange(LIMITS.maximumLift) maximumLift!: number
  @OneOf(COVERS) cover!: Cover
  @YesOrNo() onScalp!: boolean
  @InRange(LIMITS.bandEdgeCm) distanceCm!: number
  @InRange(LIMITS.askedMinutes) @IsInt({ message: 'must be a whole number' }) minutes!: number
  @MayBeAbsent() @InRange(LIMITS.workingLifeMinutes) bowlAgeMinutes?: number
  @MayBeAbsent() @InRange(LIMITS.maximumMinutes) reapplyEveryMinutes?: number
  @MayBeAbsent() @InRange(LIMITS.roomCelsius) roomCelsius?: number
}
