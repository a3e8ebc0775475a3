import { planWith, stageOf } from '../../../../tests/support/plan'
import type { Take } from '../../model'
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

  it('counts what is taken whole to the scalp as solid, wherever it is, and what is broken up or begins lower not', () => {
    const plan = (take: Take, startCm: number) => {
      const started = planWith({})
      const [zone, ...rest] = stageOf(started).zones
      return {
        ...started,
        variants: started.variants.map((variant) => ({
          ...variant,
          stages: variant.stages.map((stage) => ({
            ...stage,
            zones: [{ ...zone!, placement: { ...zone!.placement, take, startCm } }, ...rest],
          })),
        })),
      }
    }
    const { take } = stageOf(planWith({})).zones[0]!.placement
    const root = (own: Take, startCm: number) => upkeepOf(plan(own, startCm), on).root
    const woven: Take = { ...take, kind: 'weave', stitchMm: 3, stitchGapMm: 1, depthShare: 1 }
    expect(root({ ...take, kind: 'slice' }, 0)).toBe('toScalp')
    expect(root({ ...take, kind: 'slice' }, 0.5)).toBe('rooted')
    expect(root({ ...take, kind: 'onScalp' }, 5)).toBe('toScalp')
    // Three quarters are taken: that shows as a line; a little less does not.
    expect(root(woven, 0)).toBe('toScalp')
    expect(root({ ...woven, stitchGapMm: 1.2 }, 0)).toBe('rooted')
  })

  it('reads only formulas that are put on somewhere', () => {
    const plan = servicePlan('paintedSurface')
    const unused = { ...plan.formulas[0]!, id: 'Z', level: 9, productId: plan.formulas[0]!.productId }
    const colour = servicePlan('rootColour')
    const withLight = { ...colour, formulas: [...colour.formulas, unused], products: plan.products }
    expect(upkeepOf(withLight, on).home.join(' ')).not.toContain('protects from heat')
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
