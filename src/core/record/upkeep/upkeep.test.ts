import { planWith } from '../../../../tests/support/plan'
import { servicePlan } from '../../../../tests/support/samples'
import { upkeepOf } from '.'

const on = '2026-01-05'

describe('when she is due again', () => {
  it.each([
    ['rootColour', 'toScalp', '2026-01-26', '2026-02-02'],
    ['onScalpRetouch', 'toScalp', '2026-01-26', '2026-02-02'],
    ['fullBabylights', 'rooted', '2026-02-16', '2026-03-02'],
    ['shadowAndMelt', 'rooted', '2026-02-16', '2026-03-02'],
    ['paintedSurface', 'soft', '2026-03-02', '2026-03-30'],
  ])('%s: %s, from %s to %s (common practice: 3–4 weeks to the scalp, 6–8 rooted, 8–12 soft)', (id, root, from, to) => {
    expect(upkeepOf(servicePlan(id), on)).toMatchObject({ root, next: { from, to } })
  })

  it('has a gloss in between where one was put on and there is room for it', () => {
    expect(upkeepOf(servicePlan('paintedSurface'), on).gloss).toEqual({ from: '2026-02-02', to: '2026-02-16' })
    expect(upkeepOf(servicePlan('onScalpRetouch'), on).gloss).toBeNull()
    expect(upkeepOf(planWith({}), on).gloss).toBeNull()
  })
})

describe('what she does at home', () => {
  const words = (id: string) => upkeepOf(servicePlan(id), on).home.join(' ')

  it('is a violet wash only for light hair that is not to be warm, and only once yellow shows', () => {
    expect(words('fullBabylights')).toContain('only once yellow shows')
    expect(words('rootColour')).not.toContain('violet')
  })

  it('is care of what was lightened, and always what to do if the scalp complains', () => {
    expect(words('fullBabylights')).toContain('protects from heat')
    expect(words('rootColour')).not.toContain('protects from heat')
    for (const id of ['fullBabylights', 'rootColour']) expect(words(id)).toContain('ask a doctor')
  })

  it('promises nothing', () => {
    for (const id of ['fullBabylights', 'rootColour', 'paintedSurface']) expect(words(id)).not.toMatch(/\bsafe\b/i)
  })
})
