import fc from 'fast-check'
import { checkCanvas, bandFault, kindsOf, startingCanvas, strandLength, predictCanvas } from '../../hair/hairRecord'
import { createHead } from '../../scalp/head'
import { PRODUCT_KINDS } from '../../model'
import { computeStages } from '../../../../tests/support/planner'
import { anyBands, band, canvasWith } from '../../../../tests/support/canvas'
import { MEDIUM_HAIR, planWith, type Wanted } from '../../../../tests/support/plan'
import { afterPlan, treatBand } from '.'
import { treatStrand } from './treat'

const head = createHead({ circumferenceCm: 54 })
const done = (
  wanted: Wanted,
  canvas = startingCanvas(head, { ...MEDIUM_HAIR, ...wanted.hair }, '2026-09-01'),
  visitId = 'v1',
) => {
  const plan = planWith(wanted)
  return afterPlan(canvas, { plan, computed: computeStages(plan), visitId, on: '2026-09-02' })
}

describe('a plan that was carried out', () => {
  it.each([
    ['slices back to back', { placement: { take: { kind: 'slice' }, rowGapMm: 0, subsectionMm: 8 } }],
    ['medium weaves with gaps', {}],
    ['two formulas in turn', { placement: { sequence: ['A', 'B'], rowGapMm: 0 } }],
    ['one zone only', { only: ['backLeft'] }],
  ] satisfies [string, Wanted][])('gives a record that holds: %s', (_what, wanted) => {
    const after = done(wanted)
    expect(checkCanvas(after)).toEqual([])
  })

  it('treats as much of the hair as the plan says it takes', () => {
    const plan = planWith({ placement: { sequence: ['A', 'B'], rowGapMm: 5 } })
    const computed = computeStages(plan)
    const after = afterPlan(canvasWith([band(0, 35)]), { plan, computed, visitId: 'v1', on: '2026-09-02' })
    const share = (formula: string) =>
      after.cells.reduce(
        (sum, { populations }) =>
          sum +
          populations
            .filter(({ sources }) => sources.includes(`v1/${formula}`))
            .reduce((total, one) => total + one.share, 0),
        0,
      ) / after.cells.length
    expect(share('A')).toBeCloseTo(computed.shareByFormula['A']!, 1)
    expect(share('B')).toBeCloseTo(computed.shareByFormula['B']!, 1)
  })

  it('leaves what it does not reach as it was', () => {
    const before = canvasWith([band(0, 35)])
    const after = done({ only: ['frontLeft'], placement: { take: { kind: 'slice' }, rowGapMm: 0 } }, before)
    const touched = after.cells.filter(({ populations }) =>
      populations.some(({ sources }) => sources.length > 0),
    ).length
    // A front quadrant is a quarter to a third of the scalp; the cells along its partings come on top.
    expect(touched).toBeGreaterThan(40)
    expect(touched).toBeLessThan(90)
    expect(kindsOf(after, 'nape')).toHaveLength(1)
  })

  it('after another knows which hair carries which', () => {
    const once = done({ placement: { rowGapMm: 0 } })
    const twice = done({ placement: { rowGapMm: 0, sequence: ['B'] } }, once, 'v2')
    const carried = new Set(
      twice.cells.flatMap(({ populations }) => populations.map(({ sources }) => sources.join('+'))),
    )
    expect(carried).toEqual(new Set(['', 'v1/A', 'v2/B', 'v1/A+v2/B']))
    expect(checkCanvas(twice)).toEqual([])
  })

  it('grows out: ten weeks later the light begins that much further from the scalp', () => {
    const later = predictCanvas(done({ placement: { startCm: 2 } }), MEDIUM_HAIR, { on: '2026-11-11' })
    const light = kindsOf(later, 'back').find(({ strand }) =>
      strand.bands.some(({ treatments }) => treatments.some(({ kind }) => kind === 'lightened')),
    )!
    expect(light.strand.bands.find(({ level }) => level === 9)!.fromCm).toBeCloseTo(2 + 2.9, 1)
  })
})

describe('treating a strand', () => {
  const application = { formula: { level: 8, tone: 'neutral' }, kind: 'powderLightener', on: '2026-09-02' } as const

  it('tiles it as before, and changes only the stretch that is reached', () => {
    fc.assert(
      fc.property(
        anyBands,
        fc.double({ min: 0, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 150, noNaN: true }),
        fc.constantFrom(...PRODUCT_KINDS),
        (bands, a, b, kind) => {
          const [fromCm, toCm] = a < b ? [a, b] : [b, a]
          const after = treatStrand(bands, { ...application, kind, fromCm, toCm })
          expect(bandFault(after)).toBeUndefined()
          expect(strandLength(after)).toBeCloseTo(strandLength(bands), 9)
          for (const one of after.filter(
            (candidate) => candidate.toCm <= fromCm - 0.3 || candidate.fromCm >= toCm + 0.3,
          ))
            expect(
              bands.some((old) => old.level === one.level && old.treatments.length === one.treatments.length),
            ).toBe(true)
        },
      ),
    )
  })

  it('never darkens by lightener, never lightens artificial pigment by colour, never lightens by gloss', () => {
    fc.assert(
      fc.property(anyBands, fc.double({ min: 1, max: 12, noNaN: true }), (bands, level) => {
        for (const one of bands) {
          const treated = (kind: (typeof PRODUCT_KINDS)[number]) =>
            treatBand(one, { ...application, kind, formula: { level, tone: 'cool' }, fromCm: 0, toCm: 200 })
          expect(treated('powderLightener').level).toBeGreaterThanOrEqual(one.level)
          expect(treated('gloss').level).toBeLessThanOrEqual(one.level)
          if (one.treatments.length > 0) expect(treated('permanentColour').level).toBeLessThanOrEqual(one.level)
        }
      }),
    )
  })

  it('opens hair that is lightened and wears hair that is lightened again', () => {
    const once = treatBand(band(0, 30), { ...application, fromCm: 0, toCm: 30 })
    expect(once).toMatchObject({ level: 8, porosity: 'high', integrity: 'sound' })
    expect(treatBand(once, { ...application, fromCm: 0, toCm: 30 }).integrity).toBe('worn')
  })
})
