import fc from 'fast-check'
import { liftAfter, liftRate, type LiftConditions } from '.'

const conditions: LiftConditions = {
  developerVol: 20,
  ratio: 1,
  celsius: 33,
  moist: 0.9,
  fresh: 0.95,
  maximumLift: 8,
  rate: 1,
}

describe('lift', () => {
  it('never falls, never passes the maximum, and is faster when warmer or stronger', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 120, noNaN: true }),
        fc.double({ min: 0.5, max: 30, noNaN: true }),
        (minutes, more) => {
          const lift = liftAfter(minutes, conditions)
          expect(liftAfter(minutes + more, conditions)).toBeGreaterThanOrEqual(lift)
          expect(lift).toBeLessThanOrEqual(conditions.maximumLift)
          expect(liftAfter(minutes, { ...conditions, celsius: 38 })).toBeGreaterThan(lift)
          expect(liftAfter(minutes, { ...conditions, developerVol: 30 })).toBeGreaterThan(lift)
        },
      ),
    )
  })

  it('doubles its rate every ten degrees', () => {
    expect(liftRate({ ...conditions, celsius: 43 }) / liftRate(conditions)).toBeCloseTo(2, 12)
  })

  it('does not come out weaker at 1:1 than at 1:2', () => {
    expect(liftRate({ ...conditions, ratio: 1 })).toBeGreaterThanOrEqual(liftRate({ ...conditions, ratio: 2 }) * 0.999)
  })
})
