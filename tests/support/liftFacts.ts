import { answerLift, type LiftQuestion } from '@/core/time/lightening'
import type { TreatmentKind } from '@/core/model'

/** One thing that is known of lightener: hair, mix, and where it is after some minutes. */
export interface LiftFact {
  name: string
  asked: LiftQuestion
  /** Level seen there. */
  from: number
  to: number
}

/** Half a shade either way is what an eye tells apart. Common practice. */
export const TOLERANCE = 0.5

type Asked = Partial<LiftQuestion> & Pick<LiftQuestion, 'naturalLevel'>

const IN_FOIL = { kind: 'powderLightener', cover: 'foil', onScalp: false, distanceCm: 8, vol: 20, ratio: 2 } as const
const ON_SCALP = { kind: 'creamLightener', cover: 'open', onScalp: true, distanceCm: 0.6, vol: 20, ratio: 1 } as const
const KEPT_MOIST = { ...ON_SCALP, reapplyEveryMinutes: 15 }

function fact(name: string, asked: Asked, minutes: number, [from, to]: [number, number]): LiftFact {
  return {
    name,
    asked: {
      level: asked.naturalLevel,
      history: [],
      texture: 'medium',
      maximumMinutes: 90,
      maximumLift: 8,
      ...IN_FOIL,
      ...asked,
      minutes,
    },
    from,
    to,
  }
}

const dyed = (times: number): Pick<Asked, 'level' | 'history'> => ({
  level: 5,
  history: Array.from({ length: times }, (): TreatmentKind => 'permanent'),
})

/**
 * Observed jobs and the pace that is taught. Kind: common practice; no source is named. C4…C17 as the checks call them;
 * the others are rules of thumb of the trade.
 */
export const LIFT_FACTS: readonly LiftFact[] = [
  fact(
    'C4 natural 3, regrowth, 1:1 with 20 vol, kept moist: orange to orange-yellow midway',
    { naturalLevel: 3, ...KEPT_MOIST },
    32,
    [6, 7],
  ),
  fact('C4 the same: palest yellow at the end', { naturalLevel: 3, ...KEPT_MOIST }, 82, [9.75, 10.25]),
  fact('C14 natural 3, 20 vol in foil, kept wet: level 8', { naturalLevel: 3 }, 55, [7.75, 8.25]),
  fact(
    'C15 level 7 new growth, wet on the scalp, 20 vol: 9.5 to 10',
    { naturalLevel: 7, ...KEPT_MOIST },
    30,
    [9.5, 10],
  ),
  fact(
    'C16 lightened, coloured to 6–7, clay 1:1.5 in open air: level 8',
    {
      naturalLevel: 5,
      level: 6.5,
      history: ['lightened', 'permanent'],
      kind: 'clayLightener',
      cover: 'open',
      distanceCm: 15,
      vol: 25,
      ratio: 1.5,
    },
    35,
    [7.75, 8.25],
  ),
  fact('C17 dyed 5, 20 vol in foil, near the root', { naturalLevel: 5, ...dyed(1), distanceCm: 1.5 }, 45, [8.25, 8.75]),
  fact('C17 the same at the ends, dyed again and again', { naturalLevel: 5, ...dyed(4), distanceCm: 30 }, 45, [6, 7]),
  fact('C8 level 5 to 8 with 20 vol in foil', { naturalLevel: 5 }, 38, [7.75, 8.5]),
  fact('C8 level 6 to 9 with 20 vol in foil', { naturalLevel: 6 }, 40, [8.75, 9.5]),
  fact('C8 level 5 to 9 with 30 vol in foil', { naturalLevel: 5, vol: 30 }, 40, [8.5, 9.25]),
  fact(
    'box dye on natural 3, softened by a remover, 20 vol in foil: level 8, as the hair beneath',
    { naturalLevel: 3, history: ['boxDye'], softened: true },
    60,
    [7.75, 8.25],
  ),
  fact(
    'box dye that no remover softened, 20 vol in foil: half as far',
    { naturalLevel: 4, history: ['boxDye'] },
    50,
    [6, 7],
  ),
]

/** Level that is predicted. */
export const predicted = ({ asked }: LiftFact): number => answerLift(asked).end.expected

/** By how much a prediction misses what was seen; 0 within it. Levels. */
export const residual = (one: LiftFact): number => {
  const level = predicted(one)
  return level < one.from ? level - one.from : Math.max(0, level - one.to)
}
