import { computeStages } from '../../../../tests/support/planner'
import { planWith } from '../../../../tests/support/plan'
import { servicePlan } from '../../../../tests/support/samples'
import { processOf, sidesIn } from '.'

describe('neighbours', () => {
  it('are one for the first and the last row of a stage, and two for all between', () => {
    const plan = planWith({ only: ['frontLeft', 'frontRight'] })
    const computed = computeStages(plan)
    const sides = computed.pieces.map(sidesIn(computed))
    const rows = computed.pieces.map(({ zoneId, row }) => `${zoneId}/${row}`)
    rows.forEach((row, i) => expect(sides[i]).toBe(row === rows[0] || row === rows.at(-1) ? 1 : 2))
  })

  it('are counted stage by stage, in the order of work, and not by when else a row is worked', () => {
    const plan = servicePlan('lightAndLow')
    const computed = computeStages(plan)
    const sidesOf = sidesIn(computed)
    for (const { pieces } of computed.zones.map(({ placement }) => placement))
      for (const piece of pieces) expect([1, 2]).toContain(sidesOf(piece))
  })

  it('are none for one that is alone, which lies coldest and lifts least', () => {
    const plan = planWith({ only: ['frontLeft'], placement: { onePanel: true, rowGapMm: 0 } })
    const computed = computeStages(plan)
    const [piece] = computed.pieces
    expect(sidesIn(computed)(piece!)).toBe(0)
    const alone = processOf(plan, computed).course(piece!, 5, 20).insulation
    const among = computeStages(planWith({ only: ['frontLeft'], placement: { rowGapMm: 0 } }))
    const middle = among.pieces[Math.floor(among.pieces.length / 2)]!
    expect(alone).toBe(0)
    expect(processOf(plan, among).course(middle, 5, 20).insulation).toBe(1)
  })
})
