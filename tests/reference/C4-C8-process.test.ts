/** Process against observed jobs. Kind: common practice, no source. Levels within ± 0.7, minutes ± 20 %. */
import { createHead } from '@/core/scalp/head'
import {
  colouredAfter,
  createProcess,
  exposureOf,
  levelAfter,
  mixRate,
  stayOf,
  type Course,
} from '@/core/time/lightening'
import { dyeOfShades } from '@/core/product/formula'
import { band } from '../support/canvas'
import { LIFT_FACTS, predicted, residual, TOLERANCE } from '../support/liftFacts'
import { MEDIUM_HAIR, planWith } from '../support/plan'
import { computeStages } from '../support/planner'

const LEVELS = 0.7

describe('C4. natural 3, cream lightener 1:1 with 20 vol on a short regrowth, kept moist', () => {
  const course: Course = {
    kind: 'creamLightener',
    mixRate: mixRate({ developerVol: 20, ratio: 1 }),
    peroxidePercent: 3,
    workingLifeMinutes: 30,
    maximumMinutes: 90,
    cover: 'open',
    onScalp: true,
    distanceCm: 0.6,
    insulation: 1,
    roomCelsius: 21,
    bowlAgeMinutes: 3,
    events: [15, 30, 45, 60, 75].map((at) => ({ at, kind: 'reapply' as const, bowlAgeMinutes: 5 })),
  }
  const place = { band: band(0, 1.2, { level: 3 }), naturalLevel: 3, texture: 'medium' as const, placeRate: 1 }
  const levelAt = (minutes: number) => levelAfter(place, exposureOf(course, 90).levels[minutes]!, 8).expected

  it('is orange to orange-yellow (level 6–7) after 30–35 min', () => {
    expect(levelAt(32)).toBeGreaterThan(6 - LEVELS)
    expect(levelAt(32)).toBeLessThan(7 + LEVELS)
  })

  it('is palest yellow (level 10) at 75–90 min', () => {
    expect(levelAt(75)).toBeGreaterThan(10 - LEVELS)
    expect(levelAt(90)).toBeGreaterThan(10 - LEVELS)
    expect(levelAt(50)).toBeLessThan(10)
  })

  it('stops where the label says so, however short the lift', () => {
    const capped = exposureOf({ ...course, maximumMinutes: 50 }, 90).levels
    expect(capped[90]).toBe(capped[50])
  })
})

describe('every fact of lift, with one set of constants', () => {
  it.each(LIFT_FACTS.map((one) => [one.name, one] as const))('%s', (_name, one) => {
    expect(Math.abs(residual(one))).toBeLessThanOrEqual(TOLERANCE)
  })

  it('is missed by less than a fifth of a level on the whole', () => {
    const squares = LIFT_FACTS.reduce((sum, one) => sum + residual(one) ** 2, 0)
    expect(Math.sqrt(squares / LIFT_FACTS.length)).toBeLessThan(0.2)
  })

  it('keeps the pace that is taught: 0.09 to 0.10 levels a minute with 20 vol, from any level to the last quarter', () => {
    const paceFrom = (naturalLevel: number) => {
      const one = LIFT_FACTS.find(({ name }) => name.startsWith('C4 natural 3'))!
      const asked = { ...one.asked, naturalLevel, level: naturalLevel, minutes: 20 }
      return (predicted({ ...one, asked }) - naturalLevel) / 20
    }
    for (const level of [2, 4, 6]) {
      expect(paceFrom(level)).toBeGreaterThan(0.09)
      expect(paceFrom(level)).toBeLessThan(0.105)
    }
  })
})

describe('C8. how long things stay', () => {
  it('gloss 20 min, permanent colour 30–45', () => {
    expect(stayOf({ kind: 'gloss', maximumMinutes: 20 })).toEqual({ least: 20, most: 20 })
    const permanent = stayOf({ kind: 'permanentColour', maximumMinutes: 45 })
    expect(permanent.least).toBeGreaterThanOrEqual(30)
    expect(permanent.most).toBe(45)
  })

  it.each([
    [5, 8, 20],
    [6, 9, 20],
    [5, 9, 30],
  ])('lightener in foils takes level %i to %i with %i vol in 30–60 min', (naturalLevel, level, vol) => {
    const plan = planWith({ hair: { ...MEDIUM_HAIR, naturalLevel, lengthCm: 30 }, placement: { rowGapMm: 0 } })
    Object.assign(plan.formulas[0]!, { level, developerVol: vol })
    plan.products[0]!.maximumMinutes = 90
    const process = createProcess(plan, createHead(plan.head), undefined)
    const stays = computeStages(plan)
      .pieces.map((piece) => process.stay(piece, 5, vol).ready)
      .sort((a, b) => a - b)
    const median = stays[Math.floor(stays.length / 2)]!
    expect(median).toBeGreaterThan(30 * 0.8)
    expect(median).toBeLessThan(60 * 1.2)
  })
})

describe('C10. permanent colour lifts natural pigment by its developer, and never artificial pigment', () => {
  const highLift = (vol: number) =>
    dyeOfShades('permanentColour', vol, 1, [
      { shade: { level: 11, hue: 'neutral', strength: 0, base: 'natural', whiteCoverPercent: 0 }, share: 1 },
    ])
  const natural = { band: band(0, 20, { level: 5 }), naturalLevel: 5, texture: 'medium' as const, placeRate: 1 }
  const dyed = { ...natural, band: band(0, 20, { level: 5, treatments: [{ kind: 'permanent' }] }) }

  it.each([
    [10, 0, 0],
    [20, 1, 2],
    [30, 2, 3],
    [40, 3, 4],
  ])('%i vol: %i–%i levels', (vol, least, most) => {
    const lift = colouredAfter(natural, highLift(vol), 45, 45) - 5
    expect(lift).toBeGreaterThan(least - LEVELS)
    expect(lift).toBeLessThan(most + LEVELS)
  })

  it('leaves dyed hair no lighter', () => {
    for (const vol of [20, 30, 40]) expect(colouredAfter(dyed, highLift(vol), 45, 45)).toBeLessThanOrEqual(5.05)
  })
})
