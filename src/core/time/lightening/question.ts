import { virginBand } from '../../hair/hairRecord'
import { peroxideInMix } from '../../product/formula'
import type { Cover, ProductKind, Texture, TreatmentKind } from '../../model'
import type { Range } from '../../placement/quantity'
import { FRESH_BOWL_MINUTES, ROOM_CELSIUS, USUAL_LIFE_MINUTES } from './constants'
import { exposureOf, reappliedAt, type CourseEvent } from './course'
import { softened } from './history'
import { mixRate } from './lift'
import { levelAfter, strainOf, type StrandPlace } from './strand'

/** One strand under one mix: what is asked of the process alone, without a head or a visit. */
export interface LiftQuestion {
  /** Level it grows with, and the one it shows now. */
  naturalLevel: number
  level: number
  /** What was done to it, oldest first; nothing: virgin. */
  history: readonly TreatmentKind[]
  /** A remover has taken the dye out of it before. */
  softened?: boolean | undefined
  texture: Texture
  kind: ProductKind
  /** Developer, and parts of it to one. */
  vol: number
  ratio: number
  /** By the product's label. */
  maximumMinutes: number
  maximumLift: number
  cover: Cover
  onScalp: boolean
  /** Of the place from the scalp, cm. */
  distanceCm: number
  minutes: number
  /** Of the bowl when the product goes on, min. */
  bowlAgeMinutes?: number | undefined
  /** Fresh product over the old one every so many minutes. */
  reapplyEveryMinutes?: number | undefined
  roomCelsius?: number | undefined
}

export interface LiftAnswer {
  /** Minute after minute from 0 to the last one asked for. */
  byMinute: ({ minute: number } & Range)[]
  end: Range
  /** Share of what the hair stands that is used up at the end. */
  strain: number
  /** Minutes that were asked for beyond the label's longest time, in which nothing is predicted to happen. */
  pastLabelMinutes: number
}

/** Level of a strand by the minute, as a range over how fast heads lift. */
export function answerLift(question: LiftQuestion): LiftAnswer {
  const { minutes, maximumMinutes, maximumLift, vol, ratio, bowlAgeMinutes = FRESH_BOWL_MINUTES } = question
  const place = placeOf(question)
  const { levels, dose } = exposureOf(
    {
      kind: question.kind,
      mixRate: mixRate({ developerVol: vol, ratio }),
      peroxidePercent: peroxideInMix(vol, ratio),
      workingLifeMinutes: USUAL_LIFE_MINUTES,
      maximumMinutes,
      cover: question.cover,
      onScalp: question.onScalp,
      distanceCm: question.distanceCm,
      insulation: 1,
      roomCelsius: question.roomCelsius ?? ROOM_CELSIUS,
      bowlAgeMinutes,
      events: reapplications(question),
    },
    minutes,
  )
  const byMinute = Array.from(levels, (exposure, minute) => ({ minute, ...levelAfter(place, exposure, maximumLift) }))
  const { minute: _last, ...end } = byMinute.at(-1)!
  return {
    byMinute,
    end,
    strain: strainOf(place, dose[minutes]!),
    pastLabelMinutes: Math.max(0, minutes - maximumMinutes),
  }
}

function placeOf({
  naturalLevel,
  level,
  history,
  softened: isSoftened,
  texture,
  distanceCm,
}: LiftQuestion): StrandPlace {
  const treatments = history.map((kind) => ({ kind }))
  const band = {
    ...virginBand(naturalLevel, 0, Math.max(1, distanceCm)),
    level,
    treatments: isSoftened ? softened(treatments) : treatments,
  }
  return { band, naturalLevel, texture, placeRate: 1 }
}

/** Fresh product is as fresh as the first was; none at the end. */
function reapplications({ minutes, reapplyEveryMinutes: every, bowlAgeMinutes }: LiftQuestion): CourseEvent[] {
  if (every === undefined) return []
  const rounds = Math.ceil(minutes / every) - 1
  return reappliedAt(
    Array.from({ length: rounds }, (_, i) => (i + 1) * every),
    bowlAgeMinutes,
  )
}
