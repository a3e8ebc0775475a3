import { planWith, type Wanted } from '../../../../tests/support/plan'
import { uniformCanvas, virginBand } from '../../hair/hairRecord'
import { createHead } from '../../scalp/head'
import { computePlan } from '../../../../tests/support/planner'

const raised = (wanted: Wanted, change?: (plan: ReturnType<typeof planWith>) => void): string[] => {
  const plan = planWith(wanted)
  change?.(plan)
  return computePlan(plan).cautions.map(({ id }) => id)
}
const onScalp = (developerVol: number) =>
  raised(
    { placement: { take: { kind: 'onScalp' }, subsectionMm: 3, rowGapMm: 0, sequence: ['C'] } },
    (plan) => (plan.formulas[2]!.developerVol = developerVol),
  )

/** Every rule both ways: raised where it must be, silent where it must not. */
describe('cautions', () => {
  it('ask for the care checks as soon as anything is applied', () => {
    expect(raised({})).toContain('care-checks')
    expect(raised({ placement: { sequence: [] } })).toEqual([])
  })

  it('speak up about strong developer with lightener on the scalp', () => {
    expect(onScalp(30)).toContain('on-scalp-strength-C')
    expect(onScalp(20)).not.toContain('on-scalp-strength-C')
    expect(raised({}, (plan) => (plan.formulas[0]!.developerVol = 30))).not.toContain('on-scalp-strength-A')
  })

  it('speak up where lightener goes over box dye, and not where it only goes on what grew out of it', () => {
    const dyed = (kind: 'boxDye' | 'permanent', upToCm: number) =>
      raised({ placement: { upToCm } }, (plan) => {
        const bands = [{ ...virginBand(5, 0, 3) }, { ...virginBand(3, 3, 30), treatments: [{ kind }] }]
        plan.canvas = uniformCanvas(createHead(plan.head), plan.hair, { bands, white: 0, recordedOn: '2026-11-01' })
      })
    expect(dyed('boxDye', 60)).toContain('over-unknown-dye-A')
    expect(dyed('boxDye', 2.5)).not.toContain('over-unknown-dye-A')
    expect(dyed('permanent', 60)).not.toContain('over-unknown-dye-A')
  })

  it('say that a broken base turns warm', () => {
    const base = (level: number, kind: 'onScalp' | 'weave') =>
      raised({ placement: { take: { kind }, sequence: ['B'] } }, (plan) => (plan.formulas[1]!.level = level))
    expect(base(7, 'onScalp')).toContain('base-turns-warm-B')
    expect(base(5, 'onScalp')).not.toContain('base-turns-warm-B')
    expect(base(7, 'weave')).not.toContain('base-turns-warm-B')
  })

  it('count whatever begins at the root without a foil around it as work on the scalp', () => {
    const block = (startCm: number, cover: 'open' | 'film' | 'foil', vol = 40) =>
      raised(
        { placement: { take: { kind: 'block' }, rowGapMm: 0, subsectionMm: 20, startCm, cover } },
        (plan) => (plan.formulas[0]!.developerVol = vol),
      )
    expect(block(0, 'open')).toContain('on-scalp-strength-A')
    expect(block(0, 'film')).toContain('on-scalp-strength-A')
    expect(block(0, 'open', 20)).not.toContain('on-scalp-strength-A')
    expect(block(0.5, 'open')).not.toContain('on-scalp-strength-A')
    expect(block(0, 'foil')).not.toContain('on-scalp-strength-A')
  })

  it('speak up about lightener that its label keeps off the scalp', () => {
    const painted = (startCm: number, onScalp: boolean) =>
      raised({ placement: { take: { kind: 'painted' }, startCm } }, (plan) => {
        plan.products[0]!.rules = {
          ...{ ratios: [2], developerMinVol: 5, developerMaxVol: 40, workingLifeMinutes: 45, minimumMinutes: 10 },
          ...{ maximumLift: 7, heat: false, onScalp, damp: false },
        }
      })
    expect(painted(0, false)).toContain('not-for-the-scalp-A')
    expect(painted(0, true)).not.toContain('not-for-the-scalp-A')
    expect(painted(3, false)).not.toContain('not-for-the-scalp-A')
  })

  it('speak up when it is more than a day of hands', () => {
    const finest = { subsectionMm: 2, rowGapMm: 0 }
    expect(raised({ placement: { ...finest, dropout: { kind: 'lowlight', formulaId: 'B' } } })).toContain(
      'more-than-a-day',
    )
    expect(raised({ placement: finest })).not.toContain('more-than-a-day')
  })

  it('speak up when application alone outlasts the product', () => {
    expect(raised({ placement: { subsectionMm: 3, rowGapMm: 0 } })).toContain('longer-than-maximum-A')
    expect(raised({ placement: { rowGapMm: 25 } })).not.toContain('longer-than-maximum-A')
    expect(
      raised({ placement: { subsectionMm: 3, rowGapMm: 0 } }, (plan) => (plan.products[0]!.maximumMinutes = 120)),
    ).toContain('longer-than-maximum-A')
  })

  it('note that the first foil runs ahead of the last', () => {
    expect(raised({ placement: { rowGapMm: 0 } })).toContain('uneven-lift-A')
    expect(raised({ only: ['backLeft'], placement: { rowGapMm: 15 } })).not.toContain('uneven-lift-A')
    expect(raised({ placement: { rowGapMm: 0 } }, (plan) => (plan.formulas[0]!.developerVol = 0))).not.toContain(
      'uneven-lift-A',
    )
  })

  it('note thick subsections under lightener, not under colour', () => {
    expect(raised({ placement: { subsectionMm: 14 } })).toContain('thick-subsections')
    expect(raised({ placement: { subsectionMm: 14, sequence: ['B'] } })).not.toContain('thick-subsections')
    expect(raised({ placement: { subsectionMm: 10 } })).not.toContain('thick-subsections')
  })

  it('note long foils', () => {
    expect(raised({ hair: { lengthCm: 60 } })).toContain('long-foils')
    expect(raised({ hair: { lengthCm: 40 } })).not.toContain('long-foils')
    expect(raised({ hair: { lengthCm: 60 }, placement: { startCm: 25 } })).not.toContain('long-foils')
  })

  it('never call anything safe, and always say what to do', () => {
    const { cautions } = computePlan(planWith({ hair: { lengthCm: 60 }, placement: { subsectionMm: 14, rowGapMm: 0 } }))
    expect(cautions.length).toBeGreaterThan(3)
    for (const { text, remedy } of cautions) {
      expect(`${text} ${remedy}`).not.toMatch(/\bsafe\b/i)
      expect(remedy.length).toBeGreaterThan(10)
    }
  })
})
