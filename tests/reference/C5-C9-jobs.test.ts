/**
 * Observed jobs and rules of the trade. Kind: common practice, no source. Compared by tolerance, not equality: foil
 * counts ± 20 %, grams ± 25 %, minutes ± 20 %.
 */
import { byId } from '@/core/model'
import { takenShare, TAKE_PRESETS } from '@/core/placement/foils'
import { MEDIUM_HAIR, planWith, type Wanted } from '../support/plan'
import { computePlan } from '../support/planner'

const retouch: Wanted = {
  placement: { take: { kind: 'onScalp', bandCm: 1.2 }, subsectionMm: 3, rowGapMm: 0, sequence: ['C'] },
}
const computed = (wanted: Wanted) => computePlan(planWith(wanted))
const foilsIn = (wanted: Wanted, role: string) =>
  computed({ ...wanted, only: [role] }).pieces.filter(({ kind, zoneId }) => kind === 'foil' && zoneId === role).length

const between = (value: number, low: number, high: number, tolerance: number) => {
  expect(value).toBeGreaterThanOrEqual(low * (1 - tolerance))
  expect(value).toBeLessThanOrEqual(high * (1 + tolerance))
}

it('C5. on-scalp application in 3 mm partings on a whole head takes 20–30 min', () => {
  between(computed(retouch).handsOn.expected / 60, 20, 30, 0.2)
})

it('C6. 50 g lightener + 50 g developer does a whole-head root retouch of about 1.2 cm', () => {
  between(computed(retouch).grams.find(({ formulaId }) => formulaId === 'C')!.range.expected, 100, 100, 0.25)
})

it('C7. back-to-back foils on very long, dense hair need about twice the mix of shoulder-length hair', () => {
  const fullHead = (hair: Wanted['hair']) =>
    computed({
      hair,
      placement: { take: byId(TAKE_PRESETS, 'mediumWeave').take, subsectionMm: 8, rowGapMm: 0 },
    }).grams[0]!.range.expected
  const ratio = fullHead({ ...MEDIUM_HAIR, lengthCm: 72, density: 'high' }) / fullHead({ ...MEDIUM_HAIR, lengthCm: 36 })
  between(ratio, 2, 2, 0.25)
})

describe('C9. foils in a section', () => {
  const fiveSections: Wanted = { template: 'fourQuadrants', parameters: { separateNape: true } }

  it.each([3, 6])(
    'back quadrant above a separate nape, %i mm slices with 25 mm left between: 4–5 foils',
    (subsectionMm) => {
      between(
        foilsIn({ ...fiveSections, placement: { take: { kind: 'slice' }, subsectionMm, rowGapMm: 25 } }, 'backLeft'),
        4,
        5,
        0.2,
      )
    },
  )

  it('front quadrant of hairline stitching at about 20 mm pitch: about 8 — one foil at the hairline end of each row, so rows are counted', () => {
    const { zones } = computed({ ...fiveSections, only: ['frontLeft'], placement: { subsectionMm: 4, rowGapMm: 16 } })
    between(zones.find(({ zoneId }) => zoneId === 'frontLeft')!.placement.rowCount, 8, 8, 0.2)
  })

  it('wide rooted foils at a side, pitch about 28 mm: about 5', () => {
    between(foilsIn({ template: 'topStrip', placement: { subsectionMm: 16, rowGapMm: 12 } }, 'leftSide'), 5, 5, 0.2)
  })
})

describe('sense of scale: four quadrants back-to-back over the whole head, rows split at 14 cm (trial on paper)', () => {
  it.each([
    [10, 72],
    [8, 92],
    [6, 122],
    [3, 244],
  ])('pitch %i mm: about %i foils', (subsectionMm, expected) => {
    between(computed({ placement: { subsectionMm, rowGapMm: 0, bricklay: false } }).foilCount, expected, expected, 0.2)
  })
})

it('presets come to stitch over stitch and gap: babylight 0.43, fine 0.40, medium 0.50, chunky 0.62', () => {
  const shares = TAKE_PRESETS.slice(0, 4).map(({ take }) => Math.round(takenShare(take) * 100) / 100)
  expect(shares).toEqual([0.43, 0.4, 0.5, 0.62])
})
