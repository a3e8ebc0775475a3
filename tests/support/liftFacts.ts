import {
  levelAfter,
  exposureOf,
  mixRate,
  type Course,
  type CourseEvent,
  type StrandPlace,
} from '@/core/time/lightening'
import type { Band } from '@/core/model'
import { band } from './canvas'

/** One thing that is known of lightener: hair, mix, and where it is after some minutes. */
export interface LiftFact {
  name: string
  place: StrandPlace
  course: Course
  /** Strength of the developer, vol, and parts of it to one. */
  vol: number
  ratio: number
  minutes: number
  /** Level seen there. */
  from: number
  to: number
}

/** Half a shade either way is what an eye tells apart. Common practice. */
export const TOLERANCE = 0.5

type Mix = Partial<Course> & { vol: number; ratio: number }

const IN_FOIL: Mix = { kind: 'powderLightener', cover: 'foil', distanceCm: 8, vol: 20, ratio: 2 }
const ON_SCALP: Mix = { kind: 'creamLightener', cover: 'open', onScalp: true, distanceCm: 0.6, vol: 20, ratio: 1 }
const reapplied = (...minutes: number[]): CourseEvent[] =>
  minutes.map((at) => ({ at, kind: 'reapply', bowlAgeMinutes: 5 }))

function fact(
  name: string,
  hair: Partial<Band> & { naturalLevel: number },
  { vol, ratio, ...mix }: Mix,
  minutes: number,
  [from, to]: [number, number],
): LiftFact {
  const { naturalLevel, ...own } = hair
  return {
    name,
    place: { band: band(0, 60, { level: naturalLevel, ...own }), naturalLevel, texture: 'medium', placeRate: 1 },
    course: {
      kind: 'powderLightener',
      mixRate: mixRate({ developerVol: vol, ratio }),
      peroxidePercent: (0.3 * vol * ratio) / (1 + ratio),
      workingLifeMinutes: 45,
      maximumMinutes: 90,
      cover: 'foil',
      onScalp: false,
      distanceCm: 8,
      insulation: 1,
      roomCelsius: 21,
      bowlAgeMinutes: 5,
      events: [],
      ...mix,
    },
    vol,
    ratio,
    minutes,
    from,
    to,
  }
}

const regrowth: Mix = { ...ON_SCALP, events: reapplied(15, 30, 45, 60, 75) }
const dyed = (times: number): Partial<Band> => ({
  level: 5,
  treatments: Array.from({ length: times }, () => ({ kind: 'permanent' as const })),
})

/**
 * Observed jobs and the pace that is taught. Kind: common practice; no source is named. C4…C17 as the checks call them;
 * the others are rules of thumb of the trade.
 */
export const LIFT_FACTS: readonly LiftFact[] = [
  fact(
    'C4 natural 3, regrowth, 1:1 with 20 vol, kept moist: orange to orange-yellow midway',
    { naturalLevel: 3 },
    regrowth,
    32,
    [6, 7],
  ),
  fact('C4 the same: palest yellow at the end', { naturalLevel: 3 }, regrowth, 82, [9.75, 10.25]),
  fact('C14 natural 3, 20 vol in foil, kept wet: level 8', { naturalLevel: 3 }, IN_FOIL, 55, [7.75, 8.25]),
  fact(
    'C15 level 7 new growth, wet on the scalp, 20 vol: 9.5 to 10',
    { naturalLevel: 7 },
    { ...ON_SCALP, events: reapplied(15) },
    30,
    [9.5, 10],
  ),
  fact(
    'C16 lightened, coloured to 6–7, clay 1:1.5 in open air: level 8',
    { naturalLevel: 5, level: 6.5, treatments: [{ kind: 'lightened' }, { kind: 'permanent' }] },
    { ...IN_FOIL, kind: 'clayLightener', cover: 'open', distanceCm: 15, vol: 25, ratio: 1.5 },
    35,
    [7.75, 8.25],
  ),
  fact(
    'C17 dyed 5, 20 vol in foil, near the root',
    { naturalLevel: 5, ...dyed(1) },
    { ...IN_FOIL, distanceCm: 1.5 },
    45,
    [8.25, 8.75],
  ),
  fact(
    'C17 the same at the ends, dyed again and again',
    { naturalLevel: 5, ...dyed(4) },
    { ...IN_FOIL, distanceCm: 30 },
    45,
    [6, 7],
  ),
  fact('C8 level 5 to 8 with 20 vol in foil', { naturalLevel: 5 }, IN_FOIL, 38, [7.75, 8.5]),
  fact('C8 level 6 to 9 with 20 vol in foil', { naturalLevel: 6 }, IN_FOIL, 40, [8.75, 9.5]),
  fact('C8 level 5 to 9 with 30 vol in foil', { naturalLevel: 5 }, { ...IN_FOIL, vol: 30 }, 40, [8.5, 9.25]),
  fact(
    'box dye on natural 3, softened by a remover, 20 vol in foil: level 8, as the hair beneath',
    { naturalLevel: 3, treatments: [{ kind: 'lightened' }] },
    IN_FOIL,
    60,
    [7.75, 8.25],
  ),
  fact(
    'box dye that no remover softened, 20 vol in foil: half as far',
    { naturalLevel: 4, level: 4, treatments: [{ kind: 'boxDye' }] },
    IN_FOIL,
    50,
    [6, 7],
  ),
]

/** Level that is predicted. @param faster × of the rate, for trying out */
export const predicted = ({ place, course, minutes }: LiftFact, faster = 1): number =>
  levelAfter(place, faster * exposureOf(course, minutes).levels[minutes]!, 8).expected

/** By how much a prediction misses what was seen; 0 within it. Levels. */
export const residual = (one: LiftFact, faster = 1): number => {
  const level = predicted(one, faster)
  return level < one.from ? level - one.from : Math.max(0, level - one.to)
}
