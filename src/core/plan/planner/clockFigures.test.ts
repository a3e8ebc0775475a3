import { clockFigures } from '.'
import { ALONE, ASSISTANT } from '../../time/schedule'
import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'

const plan = planWith({ only: ['frontLeft', 'frontRight'], placement: { sequence: ['A', 'B'] } })
const computed = computeStages(plan)
const figures = clockFigures(plan, computed, { crew: { ...ALONE, people: [...ALONE.people, ASSISTANT] } })

describe('a clock in figures', () => {
  it('puts in every piece once, takes every foil out after it, rinses then, and ends with the last task', () => {
    const pieces = figures.zones.reduce((sum, zone) => sum + zone.pieces, 0)
    expect(pieces).toBe(computed.pieces.length)
    for (const zone of figures.zones) {
      expect(zone.firstOnMinutes).toBeLessThanOrEqual(zone.lastOnMinutes)
      expect(zone.firstOutMinutes).toBeGreaterThan(zone.firstOnMinutes)
      expect(zone.lastOutMinutes).toBeGreaterThanOrEqual(zone.firstOutMinutes)
    }
    const rinse = figures.tasks.find(({ kind }) => kind === 'rinse')!
    for (const { kind, toMinutes } of figures.tasks)
      if (kind === 'takeOut') expect(toMinutes).toBeLessThanOrEqual(rinse.fromMinutes + 0.1)
    expect(Math.max(...figures.tasks.map(({ toMinutes }) => toMinutes))).toBeCloseTo(figures.minutes.expected, 1)
    expect(figures.minutes.low).toBeLessThan(figures.minutes.expected)
    expect(figures.minutes.high).toBeGreaterThan(figures.minutes.expected)
  })

  it('mixes before what is mixed is used', () => {
    for (const mix of figures.tasks.filter(({ kind }) => kind === 'mix')) {
      const firstUse = Math.min(
        ...figures.zones
          .filter(({ formulaId }) => mix.about.startsWith(formulaId))
          .map(({ firstOnMinutes }) => firstOnMinutes),
      )
      if (mix.about.endsWith('bowl 1')) expect(mix.toMinutes).toBeLessThanOrEqual(firstUse)
    }
  })

  it('keeps what hands cannot do from who cannot do it', () => {
    for (const { kind, by } of figures.tasks) if (kind === 'apply') expect(by).toBe('colourist')
  })

  it('draws lift only where something lifts, rising', () => {
    for (const { formulaId, curve } of figures.zones) {
      if (formulaId === 'B') expect(curve).toEqual([])
      else {
        expect(curve.length).toBeGreaterThan(10)
        curve.slice(1).forEach(({ mean, minute }, i) => {
          expect(mean).toBeGreaterThanOrEqual(curve[i]!.mean)
          expect(minute).toBeGreaterThan(curve[i]!.minute)
        })
      }
    }
  })

  it('is the same every time, and rounded', () => {
    expect(clockFigures(plan, computed, { crew: { ...ALONE, people: [...ALONE.people, ASSISTANT] } })).toEqual(figures)
    for (const { fromMinutes } of figures.tasks)
      expect(Math.abs(fromMinutes * 10 - Math.round(fromMinutes * 10))).toBeLessThan(1e-9)
  })
})
