import { planWith } from '../../../tests/support/plan'
import { comparisonsFor, lightenersOf, NO_WHAT_IF, optionsFor, planFor, WEAKER_BY } from './whatIf'

const plan = planWith()
const labels = (change: Partial<typeof NO_WHAT_IF> = {}, of = plan) =>
  comparisonsFor(of, { ...NO_WHAT_IF, ...change }, null).map(({ label }) => label)

describe('what if', () => {
  it('leaves the plan as it is, and weakens only the first bowls of what lightens', () => {
    expect(planFor(plan, NO_WHAT_IF)).toBe(plan)
    const weaker = planFor(plan, { ...NO_WHAT_IF, bowls: 'weakerFirst' })
    const lightening = new Set(lightenersOf(plan).map(({ id }) => id))
    expect([...lightening]).toEqual(['A', 'C'])
    for (const { id, firstBowlVol, developerVol } of weaker.formulas)
      expect(firstBowlVol).toBe(lightening.has(id) ? developerVol - WEAKER_BY : undefined)
    expect(plan.formulas.some(({ firstBowlVol }) => firstBowlVol !== undefined)).toBe(false)
  })

  it('has helpers for as long as they can be had', () => {
    const crew = (change: Partial<typeof NO_WHAT_IF>) => optionsFor({ ...NO_WHAT_IF, ...change }, null).crew.people
    expect(crew({})).toHaveLength(1)
    expect(crew({ hands: ['assistant', 'second'] })).toHaveLength(3)
    expect(crew({ hands: ['assistant'], from: 30, to: 90 })[1]).toMatchObject({ from: 30 * 60, to: 90 * 60 })
    expect(crew({ hands: ['assistant'], to: 600 })[1]).not.toHaveProperty('to')
  })

  it('holds every choice against its other way', () => {
    expect(labels()).toEqual([
      'With an assistant',
      'With a second colourist',
      'Zones the other way round',
      'Foils off at the basin',
      'First bowls weaker',
    ])
    expect(labels({ hands: ['assistant', 'second'], order: 'reversed', foils: 'basin', bowls: 'weakerFirst' })).toEqual(
      [
        'Without the assistant',
        'Without the second colourist',
        'Zones as planned',
        'Foils out at the chair',
        'First bowls as planned',
      ],
    )
  })

  it('offers lengths first only where open work begins at the scalp', () => {
    const open = planWith({ placement: { cover: 'open' } })
    expect(labels({}, open)).toContain('Lengths first, then the scalp')
    expect(labels({ order: 'lengthsFirst' }, open)).not.toContain('Lengths first, then the scalp')
    expect(labels({}, planWith({ placement: { cover: 'open', startCm: 3 } }))).not.toContain(
      'Lengths first, then the scalp',
    )
  })

  it('names no weaker bowls where nothing lightens', () => {
    const dark = planWith()
    dark.formulas = dark.formulas.filter(({ id }) => id === 'B')
    expect(labels({}, dark)).not.toContain('First bowls weaker')
  })
})
