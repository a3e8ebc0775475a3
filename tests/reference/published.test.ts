import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import * as colour from '@/core/hair/colour/constants'
import * as fibre from '@/core/hair/fibre/constants'
import { hairsOnHead } from '@/core/hair/fibre'
import * as lightening from '@/core/time/lightening/constants'
import * as quantity from '@/core/placement/quantity/constants'
import * as formula from '@/core/product/formula/constants'
import * as scalp from '@/core/scalp/head/constants'
import { createHead } from '@/core/scalp/head'
import { percentFromVolume } from '@/core/units'
import { MEDIUM_HAIR } from '../support/plan'

/**
 * What the constants with an outside source must make true. Those that are common practice or our estimate are held by
 * the laws in the rooms' own tests and by the golden figures.
 */

/** Ramanujan 1914: the perimeter of an ellipse, to far less than a tape tells. */
const ellipse = (a: number, b: number): number => Math.PI * (3 * (a + b) - Math.sqrt((3 * a + b) * (a + 3 * b)))

/** The normal distribution below x, by Simpson's rule. */
function normalBelow(x: number): number {
  const steps = 2000
  const density = (t: number) => Math.exp((-t * t) / 2) / Math.sqrt(2 * Math.PI)
  let sum = density(0) + density(x)
  for (let i = 1; i < steps; i++) sum += (i % 2 ? 4 : 2) * density((i * x) / steps)
  return 0.5 + (sum * x) / (3 * steps)
}

const CHECKS: Record<string, () => void> = {
  // d'Eon, Francois, Hill, Letteri, Aubry 2011: absorption of the two melanins, rising from red to blue.
  EUMELANIN: () => expect(colour.EUMELANIN).toEqual([0.419, 0.697, 1.37]),
  PHEOMELANIN: () => expect(colour.PHEOMELANIN).toEqual([0.187, 0.4, 1.05]),
  // Chiang, Bitterli, Tappan, Burley 2016: the fit at a roughness of 0.3, worked out by hand.
  BETA: () => expect(colour.BETA).toBe(0.3),
  ALBEDO_EXPONENT: () => expect(colour.ALBEDO_EXPONENT).toBeCloseTo(5.888415, 6),
  // Loussouarn 2001 and 2005: 227 ± 55, 190 ± 40, 175 ± 54 hairs per cm² in three populations.
  HAIRS_PER_CM2: () => {
    expect(fibre.HAIRS_PER_CM2.medium).toBeGreaterThanOrEqual(175)
    expect(fibre.HAIRS_PER_CM2.medium).toBeLessThanOrEqual(227)
    expect(fibre.HAIRS_PER_CM2.low).toBeGreaterThan(175 - 54)
    expect(fibre.HAIRS_PER_CM2.high).toBeLessThan(227 + 55)
  },
  // Robbins: fibres of 50 to 100 µm, of 1.32 g/cm³.
  FIBRE_DIAMETER_UM: () => {
    const { fine, medium, coarse } = fibre.FIBRE_DIAMETER_UM
    expect([50, fine, medium, coarse, 100]).toEqual([50, fine, medium, coarse, 100].sort((a, b) => a - b))
  },
  KERATIN_DENSITY: () => expect(fibre.KERATIN_DENSITY).toBe(1.32),
  // Loussouarn 2001: 396 ± 55 µm a day.
  GROWTH_CM_PER_MONTH: () => {
    const measured = (micrometres: number) => (micrometres * (365.2425 / 12)) / 10_000
    expect(fibre.GROWTH_CM_PER_MONTH).toBeGreaterThan(measured(396 - 55))
    expect(fibre.GROWTH_CM_PER_MONTH).toBeLessThan(measured(396 + 55))
  },
  // The Gregorian calendar: 146,097 days in 4,800 months.
  WEEKS_PER_MONTH: () => expect(fibre.WEEKS_PER_MONTH).toBeCloseTo(146_097 / 4800 / 7, 12),
  // The hairs of a default head over those of a full cm².
  FULL_DENSITY_AREA: () => {
    const head = createHead({ circumferenceCm: scalp.DEFAULT_CIRCUMFERENCE_CM })
    const full = hairsOnHead(head, MEDIUM_HAIR) / fibre.HAIRS_PER_CM2[MEDIUM_HAIR.density]
    expect(Math.abs(full / fibre.FULL_DENSITY_AREA - 1)).toBeLessThan(0.01)
  },
  P90: () => expect(normalBelow(quantity.P90)).toBeCloseTo(0.9, 9),
  // Regulation (EC) 1223/2009, Annex III: hair products hold at most 12 % hydrogen peroxide.
  STRONGEST_VOL: () => expect(percentFromVolume(formula.STRONGEST_VOL)).toBeCloseTo(12, 1),
  // Adult female surveys: heads 18.5–19 cm long, 14.5–15 cm broad; a tape of 53.0 cm fits the reference head.
  REFERENCE_AXES: () => {
    const { breadth, front, back } = scalp.REFERENCE_AXES
    expect(front + back).toBeGreaterThanOrEqual(18.5)
    expect(front + back).toBeLessThanOrEqual(19)
    expect(2 * breadth).toBeGreaterThanOrEqual(14.5)
    expect(2 * breadth).toBeLessThanOrEqual(15)
    expect((ellipse(breadth, front) + ellipse(breadth, back)) / 2).toBeCloseTo(53, 1)
  },
  DEFAULT_CIRCUMFERENCE_CM: () => {
    expect(scalp.DEFAULT_CIRCUMFERENCE_CM).toBeGreaterThanOrEqual(54)
    expect(scalp.DEFAULT_CIRCUMFERENCE_CM).toBeLessThanOrEqual(57)
  },
  // Skin of the scalp at rest, and rooms in which people work.
  SCALP_CELSIUS: () => {
    expect(lightening.SCALP_CELSIUS).toBeGreaterThanOrEqual(32)
    expect(lightening.SCALP_CELSIUS).toBeLessThanOrEqual(35)
  },
  ROOM_CELSIUS: () => {
    expect(lightening.ROOM_CELSIUS).toBeGreaterThanOrEqual(19)
    expect(lightening.ROOM_CELSIUS).toBeLessThanOrEqual(24)
  },
}

it.each(Object.entries(CHECKS))('%s is what its source says', (_name, check) => {
  expect.hasAssertions()
  check()
})

it('every constant whose comment names a source outside is held against it here', () => {
  const named = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('constants.ts'))
    .flatMap((file) => [
      ...readFileSync(join('src/core', file), 'utf8').matchAll(
        /\/\*\*((?:(?!\*\/)[^])*)\*\/\s*((?:export const [^]*?\n(?=\n|\/\*\*|$))+)/g,
      ),
    ])
    .filter(([, words]) => /from memory|Regulation|\. Mathematics\.|et al\./.test(words!))
    .flatMap(([, , block]) => [...block!.matchAll(/export const (\w+)/g)].map(([, name]) => name!))
  expect(named.length).toBeGreaterThan(10)
  expect(named.filter((name) => !(name in CHECKS))).toEqual([])
})
