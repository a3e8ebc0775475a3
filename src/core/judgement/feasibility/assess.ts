import { strandsOf } from '../../hair/hairRecord'
import {
  LENGTH_REGIONS,
  type Band,
  type Canvas,
  type Goal,
  type HairState,
  type LengthRegion,
  type Strand,
  type Target,
} from '../../model'
import { judgeBand, levelAtVisitsEnd, type BandVerdict, type Span } from './band'
import { reasonsFor, type Reason } from './reasons'
import { targetFor } from './target'
import { visitPlan, type PlannedVisit } from './visits'

/** One band of the hair that is to be light, judged. */
export interface JudgedBand extends BandVerdict {
  strandId: string
  /** From the scalp. */
  index: number
  band: Band
  target: Target
  /** Where this strand grows. */
  regions: LengthRegion[]
}

export type Reach = 'oneVisit' | 'severalVisits' | 'partly' | 'notNow'

/** Whether and how a goal can be had. Levels, visits. */
export interface Feasibility {
  reach: Reach
  visits: Span
  /** Canvas level of the limiting band after the first visit, and at the end. */
  afterFirst: Span
  atEnd: Span
  /** The band that decides. */
  limiting: JudgedBand
  bands: JudgedBand[]
  reasons: Reason[]
  plan: PlannedVisit[]
}

/** What is judged: the hair today and the wish. `meanWhite` 0…1 comes from the canvas on its head. */
export interface Wish {
  hair: HairState
  canvas: Canvas
  goal: Goal
  meanWhite: number
}

/** Length-weighted mean level of a strand. */
export const strandLevel = ({ bands }: Strand): number =>
  bands.reduce((sum, { fromCm, toCm, level }) => sum + (toCm - fromCm) * level, 0) / bands[bands.length - 1]!.toCm

/**
 * The strands of a region that carry the light: where hair is light already, light goes again, until the wanted share
 * is found.
 */
function litStrands(canvas: Canvas, region: LengthRegion, lightPercent: number): Strand[] {
  const wanted = lightPercent / 100
  let found = 0
  return strandsOf(canvas, region)
    .sort((a, b) => strandLevel(b.strand) - strandLevel(a.strand))
    .filter(({ share }) => {
      const takes = found < wanted - 1e-6 || found === 0
      found += share
      return takes
    })
    .map(({ strand }) => strand)
}

/** Judges a goal: every band that is to be light against its wish, the one that decides, the reasons and the visits. */
export function assess(wish: Wish): Feasibility {
  const bands = judgedBands(wish)
  const limiting = [...bands].sort((a, b) => weightOf(b) - weightOf(a) || a.index - b.index)[0]!
  const reach = reachOf(bands, limiting)
  const visits =
    reach === 'notNow'
      ? { low: 0, high: 0 }
      : {
          low: Math.max(...bands.map(({ visits }) => visits.low)),
          high: Math.max(...bands.map(({ visits }) => visits.high)),
        }
  const judged = {
    reach,
    visits,
    afterFirst: levelAtVisitsEnd(limiting, 1, 1),
    // The cautious count takes its most visits, the hopeful one its fewest.
    atEnd: levelAtVisitsEnd(limiting, visits.high, visits.low),
    limiting,
    bands,
  }
  return { ...judged, reasons: reasonsFor(wish, judged), plan: visitPlan(wish, judged) }
}

function judgedBands({ canvas, goal, hair }: Wish): JudgedBand[] {
  const judged = new Map<string, JudgedBand>()
  for (const region of LENGTH_REGIONS) {
    const target = targetFor(goal, region)
    for (const strand of litStrands(canvas, region, goal.lightPercent))
      strand.bands.forEach((band, index) => {
        const key = `${strand.id}/${index}/${target.region}`
        const known = judged.get(key)
        if (known) known.regions.push(region)
        else
          judged.set(key, {
            ...judgeBand(band, target, goal, hair.texture),
            strandId: strand.id,
            index,
            band,
            target,
            regions: [region],
          })
      })
  }
  return [...judged.values()]
}

/**
 * How much a band stands in the way: what cannot be, what falls short, how many visits it asks for, what has to come
 * first.
 */
function weightOf({ state, required, lightest, need, removed, perVisit, prework }: JudgedBand): number {
  if (state === 'blocked') return 1e6
  const short = state === 'short' ? 100 * (required - lightest) : 0
  const work = state === 'fine' ? 0 : Math.max(0, need - removed.low) / perVisit.low
  return short + work + prework.length
}

function reachOf(bands: readonly JudgedBand[], limiting: JudgedBand): Reach {
  if (limiting.state === 'blocked') return 'notNow'
  if (bands.some(({ state }) => state === 'short')) return 'partly'
  return bands.some(({ visits }) => visits.high > 1) ? 'severalVisits' : 'oneVisit'
}
