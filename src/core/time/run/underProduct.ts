import { readAlong } from '../../numeric'
import { STRAND_SPOTS, type RunFormula, type StrandSpot } from '../../model'
import {
  dilutionFactor,
  driesAfter,
  EVERY_MINUTE,
  fullStrengthOf,
  HEAT_CELSIUS,
  NEAR_ENOUGH,
  RATE_VARIATION,
  type CourseEvent,
  type FullStrength,
} from '../lightening'
import { combinedSigma, rangeOf, type Range } from '../../placement/quantity'
import { WAITING, type RunState } from './fold'
import { endsOf, leadOf, zoneOfStep, type RunScript, type ScriptStep } from './script'
import { READING_LEVELS } from './constants'

/** The hair of one step while it is under product. */
export interface UnderProduct {
  /**
   * Level of its first piece that lifts now, from its curve and from what was read on it; undefined where nothing
   * lifts.
   */
  level: Range | undefined
  /** The same, as expected, spot by spot of its strands; none where that is not known. */
  bySpot: { spot: StrandSpot; level: number }[]
  /** When it has dried to where it is wetted or applied again, ms; undefined where that does not matter. */
  dryAt: number | undefined
  /** When it should be near its goal, ms; undefined where its curve does not get there. */
  ready: number | undefined
  /** How fast it lifts against what was expected, 1 as expected; its spread is that of a logarithm. */
  speed: { factor: number; sigma: number }
}

type Lift = NonNullable<ScriptStep['lift']>

const SIGMA = combinedSigma([RATE_VARIATION])

const MINUTE = 60_000

/**
 * What hair shows by now. Where it was looked at, the level read moves the speed it is taken to lift at, weighed
 * against what is usual from head to head (normal distributions of the logarithm of the speed), so one look does not
 * overturn what is known and several do. What was wetted, applied again or warmed works on from there as such product
 * does.
 */
export function underProduct(
  { script, formulas }: { script: RunScript; formulas: readonly RunFormula[] },
  state: RunState,
  step: ScriptStep,
  now: number,
): UnderProduct {
  const zone = zoneOfStep(script, step)
  const { begunAt = now, seen, care } = state.steps.get(step.id) ?? WAITING
  const on = begunAt + 1000 * (leadOf(step)?.at ?? 0)
  const wetAt = Math.max(on, ...care.flatMap(({ kind, at }) => (kind === 'warmed' || kind === 'opened' ? [] : [at])))
  const dryAt = driedAt(step, wetAt, care.find(({ kind }) => kind === 'opened')?.at)
  const planned = { factor: strengthOf(formulas, state, step, begunAt), sigma: SIGMA }
  const { lift: curve = [] } = step
  if (!zone || curve.length === 0) return { level: undefined, bySpot: [], ready: undefined, dryAt, speed: planned }
  const strength = strengthSince(state, step, on)
  // A look after it came out shows what it came to by then.
  const off = Math.min(...endsOf(script, step.id).map((end) => state.steps.get(end)?.begunAt ?? Infinity))
  const worked = (at: number) => strength.after(Math.max(0, Math.min(at, off) - on) / MINUTE)
  const curveAt = (spot: StrandSpot | undefined) => (spot && step.liftAt?.[spot]) || curve
  const speed = seen.reduce((known, { level, at, spot }) => learnt(known, curveAt(spot), level, worked(at)), planned)
  const minutes = worked(now)
  const { low, high } = rangeOf(speed.factor, 0, speed.sigma)
  const near = minuteFor(curve, zone.goal - NEAR_ENOUGH)
  return {
    level: {
      low: levelAt(curve, minutes * low),
      expected: levelAt(curve, minutes * speed.factor),
      high: levelAt(curve, minutes * high),
    },
    bySpot: step.liftAt
      ? STRAND_SPOTS.map((spot) => ({ spot, level: levelAt(curveAt(spot), minutes * speed.factor) }))
      : [],
    dryAt,
    ready: near === undefined ? undefined : timeAt(on, strength.until(near / speed.factor)),
    speed,
  }
}

/** When a step's hair has dried: as it lies, and faster from when its foil was opened. ms */
function driedAt(
  { driesAfter: dries, course }: ScriptStep,
  wetAt: number,
  openedAt: number | undefined,
): number | undefined {
  if (typeof dries !== 'number') return undefined
  if (openedAt === undefined || !course) return wetAt + dries * MINUTE
  const since = Math.max(0, openedAt - wetAt)
  const left = Math.max(0, 1 - since / (dries * MINUTE))
  return wetAt + since + left * driesAfter(course, 'open') * MINUTE
}

const timeAt = (on: number, minutes: number): number | undefined =>
  Number.isFinite(minutes) ? on + minutes * MINUTE : undefined

/** How the first piece of a step that lifts works, with what was done to it since it went in. */
function strengthSince({ bowls, steps }: RunState, step: ScriptStep, on: number): FullStrength {
  const { course } = step
  const { care } = steps.get(step.id) ?? WAITING
  if (!course) return EVERY_MINUTE
  const { mixedAt = Infinity } = bowls.get(leadOf(step)?.formulaId ?? '') ?? {}
  const events = care.flatMap(({ kind, at, minutes = 0 }): CourseEvent[] => {
    const since = Math.max(0, at - on) / MINUTE
    switch (kind) {
      case 'reapplied':
        // Of a bowl that was emptied since, nothing is known but how old it was planned to be.
        return [
          {
            at: since,
            kind: 'reapply',
            bowlAgeMinutes: at >= mixedAt ? (at - mixedAt) / MINUTE : course.bowlAgeMinutes,
          },
        ]
      case 'misted':
        return [{ at: since, kind: 'mist' }]
      case 'opened':
        return [{ at: since, kind: 'cover', cover: 'open' }]
      case 'warmed':
        return [
          { at: since, kind: 'heat', celsius: HEAT_CELSIUS },
          { at: since + minutes, kind: 'heat', celsius: 0 },
        ]
    }
  })
  return fullStrengthOf(
    course,
    events.sort((one, other) => one.at - other.at),
  )
}

/** A formula that is mixed with other developer than planned lifts what it is put on from then at another speed. */
function strengthOf(formulas: readonly RunFormula[], { bowls }: RunState, step: ScriptStep, begunAt: number): number {
  const formulaId = leadOf(step)?.formulaId ?? ''
  const changed = bowls.get(formulaId)?.vol
  const planned = formulas.find(({ id }) => id === formulaId)?.developerVol
  return changed && planned && changed.at <= begunAt ? dilutionFactor(changed.vol / planned) : 1
}

function learnt(known: UnderProduct['speed'], curve: Lift, level: number, minutes: number): UnderProduct['speed'] {
  const as = minuteFor(curve, level)
  // Before it lifts, and where it is lighter than it is thought it can become, a look says nothing of its speed.
  if (as === undefined || as <= 0 || minutes <= 0) return known
  const slope = (levelAt(curve, as + 1) - levelAt(curve, as - 1)) / 2
  if (slope <= 0) return known
  const reading = READING_LEVELS / (slope * as)
  const weight = known.sigma ** 2 / (known.sigma ** 2 + reading ** 2)
  return {
    factor: Math.exp((1 - weight) * Math.log(known.factor) + weight * Math.log(as / minutes)),
    sigma: known.sigma * Math.sqrt(1 - weight),
  }
}

const levelAt = (curve: Lift, minute: number): number =>
  readAlong(
    curve.map((point) => [point.minute, point.level]),
    minute,
  )

/** After how long a level is first come to, min. */
function minuteFor(curve: Lift, level: number): number | undefined {
  if (curve.every((point) => point.level < level)) return undefined
  return readAlong(
    curve.map((point) => [point.level, point.minute]),
    level,
  )
}
