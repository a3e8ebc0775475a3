import { answerLift, historyRate, lightestOf, softened, type LiftQuestion } from '.'
import { exposureForLift, liftFromExposure } from './lift'
import { uncertaintyOf } from './history'
import type { TreatmentKind } from '../../model'

const ASKED: LiftQuestion = {
  naturalLevel: 4,
  level: 4,
  history: [],
  texture: 'medium',
  kind: 'powderLightener',
  vol: 20,
  ratio: 2,
  maximumMinutes: 60,
  maximumLift: 8,
  cover: 'foil',
  onScalp: false,
  distanceCm: 8,
  minutes: 40,
}
const endOf = (more: Partial<LiftQuestion>) => answerLift({ ...ASKED, ...more }).end.expected
const treated = (...kinds: TreatmentKind[]) => ({ treatments: kinds.map((kind) => ({ kind })) })

describe('what has been done to hair before', () => {
  it('slows lightener by the slowest of it, and more for every further layer of dye, three at most', () => {
    const rates = [0, 1, 2, 3, 4, 5].map((times) =>
      historyRate(treated(...Array.from({ length: times }, () => 'permanent' as const)), 'medium'),
    )
    expect(rates[0]).toBe(1)
    expect(rates.slice(1, 5)).toEqual([...rates.slice(1, 5)].sort((a, b) => b - a))
    expect(rates[2]! / rates[1]!).toBeCloseTo(0.85, 9)
    expect(rates[5]).toBe(rates[4])
    expect(historyRate(treated('demi', 'boxDye'), 'medium')).toBe(historyRate(treated('boxDye'), 'medium'))
    // Demi is no layer of those that build up.
    expect(historyRate(treated('demi', 'demi'), 'medium')).toBe(historyRate(treated('demi'), 'medium'))
  })

  it('does not count salon colour over lightened hair, which lies open, but counts box dye there', () => {
    const open = historyRate(treated('lightened'), 'medium')
    expect(open).toBeGreaterThan(1)
    for (const kind of ['demi', 'permanent'] as const)
      expect(historyRate(treated('lightened', kind), 'medium')).toBe(open)
    expect(historyRate(treated('lightened', 'boxDye'), 'medium')).toBeLessThan(1)
    expect(historyRate(treated('permanent', 'lightened'), 'medium')).toBeLessThan(1)
  })

  it('limits how light it can be trusted to come, and how sure that is', () => {
    expect([lightestOf(treated()), lightestOf(treated('permanent', 'henna'))]).toEqual([10.5, 8])
    expect([uncertaintyOf(treated()), uncertaintyOf(treated('demi', 'boxDye'))]).toEqual([1, 2])
  })

  it('is gone once a remover has taken it, but for metal and henna', () => {
    const kinds = (...of: TreatmentKind[]) => softened(treated(...of).treatments).map(({ kind }) => kind)
    expect(kinds('sun', 'boxDye', 'permanent')).toEqual(['sun', 'lightened'])
    expect(kinds('metallic', 'boxDye')).toEqual(['metallic', 'lightened'])
  })
})

describe('one strand under one mix', () => {
  it('is further with time until the label’s, warmer, stronger, nearer the scalp, kept moist and fresher', () => {
    const usual = endOf({})
    for (const more of [
      { minutes: 50 },
      { roomCelsius: 28 },
      { vol: 30 },
      { distanceCm: 2 },
      { bowlAgeMinutes: 0 },
      { texture: 'fine' as const },
    ])
      expect(endOf(more)).toBeGreaterThan(usual)
    expect(endOf({ cover: 'open' })).toBeLessThan(usual)
    expect(endOf({ minutes: 90 })).toBe(endOf({ minutes: 60 }))
    expect(answerLift({ ...ASKED, minutes: 90 }).pastLabelMinutes).toBe(30)
    expect(answerLift(ASKED).pastLabelMinutes).toBe(0)
  })

  it('gets fresh product every so many minutes, and none at the end', () => {
    const open = { cover: 'open' as const, minutes: 45 }
    const rounds = [undefined, 45, 30, 15].map((reapplyEveryMinutes) => endOf({ ...open, reapplyEveryMinutes }))
    expect(rounds[1]).toBe(rounds[0])
    expect(rounds[2]).toBeGreaterThan(rounds[1]!)
    expect(rounds[3]).toBeGreaterThan(rounds[2]!)
  })

  it('uses up what it stands, half as much again where it was lightened before', () => {
    const strain = (more: Partial<LiftQuestion>) => answerLift({ ...ASKED, ...more }).strain
    expect(strain({ history: ['lightened'] }) / strain({})).toBeCloseTo(1.5, 6)
    expect(strain({ minutes: 20 })).toBeLessThan(strain({}))
  })
})

describe('the curve of lift', () => {
  it('takes no end of exposure for all of the headroom, and comes back to the lift it was asked for', () => {
    expect([exposureForLift(8, 8), exposureForLift(9, 8)]).toEqual([Infinity, Infinity])
    for (const lift of [0.1, 1, 3, 5, 6.5, 7.5, 7.9, 7.999])
      expect(liftFromExposure(exposureForLift(lift, 8), 8)).toBeCloseTo(lift, 9)
    expect([liftFromExposure(-1, 8), liftFromExposure(5, 0)]).toEqual([0, 0])
    expect(liftFromExposure(1000, 8)).toBeLessThanOrEqual(8)
  })
})

it('dark dye over hair that grows lighter starts where it shows', () => {
  expect(answerLift({ ...ASKED, naturalLevel: 7, level: 3, history: ['boxDye'] }).byMinute[0]!.expected).toBe(3)
})
