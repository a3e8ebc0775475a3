import { colourStrands, COUNTED, createStudio, expose, lookFigures, takePicture } from '@/core/appearance/look'
import { growsAtFace, seenPoints } from '@/core/appearance/figures'
import { VIEW_NAMES, VIEWS, type ViewName } from '@/core/appearance/picture'
import { WEARS, type Strands, type Wear } from '@/core/appearance/strands'
import { SCALP_CELLS } from '@/core/hair/hairRecord'
import type { FaltoPlan } from '@/core/model'
import { foldPlan } from '@/core/time/fold'
import { computeStages } from '../support/planner'
import { servicePlan } from '../support/samples'

/**
 * The Look against what is seen at the chair (common practice) and the geometry of a part; each check says which.
 */
const studio = createStudio()
const COUNT = 8_000

const subjectOf = (plan: FaltoPlan) => {
  const computed = computeStages(plan)
  return { plan, computed, fold: foldPlan(plan, computed) }
}
const all = (plan: FaltoPlan) => ({ stages: plan.variants[0]!.stages.length, weeks: 0 })
const figuresOf = (plan: FaltoPlan, wear: Wear, count = COUNT) =>
  lookFigures(studio, subjectOf(plan), { wear, count }, all(plan))

const slices = subjectOf(servicePlan('fullBabylights'))
const sceneOf = (wear: Wear, hair = slices.plan.hair) =>
  studio.scene(slices.computed.head, hair, { wear, count: COUNT })
/** Share of the hair seen from a side that grows where it is asked for. */
function seenFrom(
  wear: Wear,
  view: ViewName,
  isMeant: (strands: Strands) => (point: number) => boolean,
  hair = slices.plan.hair,
): number {
  const scene = sceneOf(wear, hair)
  const { counts, total } = seenPoints(expose(scene, VIEWS[view], COUNTED), scene.strands)
  const meant = isMeant(scene.strands)
  return counts.reduce((sum, count, point) => sum + (count > 0 && meant(point) ? count : 0), 0) / total
}

const growsInNape =
  ({ owner, roots }: Strands) =>
  (point: number) =>
    SCALP_CELLS[roots.cell[owner[point]!]!]!.region === 'nape'

describe('what is seen of hair (common practice)', () => {
  it('hides the nape under straight hair cut to one line, from every side, and shows it tied high', () => {
    const oneLength = { ...slices.plan.hair, cutLine: 'oneLength' as const }
    for (const view of ['left', 'right', 'back', 'top'] as const)
      expect(seenFrom('straight', view, growsInNape, oneLength)).toBeLessThan(0.02)
    // From before some of it shows beside the neck; of its own area that is next to nothing.
    const scene = sceneOf('straight', oneLength)
    const { positions, halfWidths } = scene.strands
    const isNape = growsInNape(scene.strands)
    let own = 0
    for (let at = 0; at + 1 < halfWidths.length; at++) {
      const [dx, dy, dz] = [0, 1, 2].map((k) => positions[3 * at + 3 + k]! - positions[3 * at + k]!)
      if (isNape(at) && isNape(at + 1)) own += 2 * halfWidths[at]! * Math.sqrt(dx! * dx! + dy! * dy! + dz! * dz!)
    }
    for (const view of VIEW_NAMES) {
      const exposure = expose(scene, VIEWS[view], COUNTED)
      const { counts } = seenPoints(exposure, scene.strands)
      const seen = counts.reduce((sum, count, at) => sum + (isNape(at) ? count : 0), 0) / exposure.camera.scale ** 2
      expect(seen / own).toBeLessThan(0.02)
    }
    expect(seenFrom('high', 'back', growsInNape)).toBeGreaterThan(0.1)
  })

  it('shows the hair at the face in every wear', () => {
    for (const wear of WEARS) expect(seenFrom(wear, 'front', growsAtFace)).toBeGreaterThan(0.1)
  })

  it('lets the hair beside a part of 15 cm cover most of the head: three layers come from 13 % of it (geometry)', () => {
    const besidePart =
      ({ owner, roots }: Strands) =>
      (point: number) => {
        const at = 3 * owner[point]!
        return Math.abs(roots.space[at]!) < 2.8 && roots.space[at + 2]! > 4 && roots.space[at + 1]! > -5
      }
    const { strands } = sceneOf('straight')
    const roots = Array.from({ length: strands.roots.count }, (_, i) => strands.first[i]!)
    const share = roots.filter(besidePart(strands)).length / roots.length
    expect(share).toBeGreaterThan(0.1)
    expect(share).toBeLessThan(0.2)
    for (const view of ['front', 'left', 'top'] as const)
      expect(seenFrom('straight', view, besidePart)).toBeGreaterThan(3 * share)
  })
})

describe('figures of the Look', () => {
  it('add up: zones and formulas with what was left to 1, and no figure beyond what it can be', () => {
    for (const wear of ['straight', 'low'] as const) {
      const { views } = figuresOf(slices.plan, wear)
      for (const view of VIEW_NAMES) {
        const { zones, formulas, lighter, darker } = views[view]!
        const sum = (shares: Record<string, number>) => Object.values(shares).reduce((total, share) => total + share, 0)
        expect(sum(zones)).toBeCloseTo(1, 9)
        expect(sum(formulas)).toBeCloseTo(1, 9)
        expect(lighter + darker).toBeLessThanOrEqual(1)
      }
    }
  })

  it('agree between 8 000 and 20 000 strands within 2 points', () => {
    const [coarse, fine] = [8_000, 20_000].map((count) => figuresOf(slices.plan, 'straight', count))
    for (const zone of Object.keys(fine!.zones))
      expect(Math.abs((coarse!.zones[zone] ?? 0) - fine!.zones[zone]!)).toBeLessThan(0.02)
    expect(Math.abs(coarse!.lighter - fine!.lighter)).toBeLessThan(0.02)
  })

  it('halve the breadth of the stripes when stitches and gaps are halved', () => {
    const withStitches = (mm: number) => {
      const plan = servicePlan('hairlineAndPart')
      // Rows along the part, and nothing else: what grows there falls over the rest in stripes.
      for (const { role, placement } of plan.variants[0]!.stages[0]!.zones) {
        placement.take = { ...placement.take, kind: 'weave', stitchMm: mm, stitchGapMm: mm, depthShare: 1 }
        Object.assign(placement, { direction: 'vertical', subsectionMm: 6, rowGapMm: 0, bricklay: false, ramps: [] })
        if (role !== 'partStrip') placement.sequence = []
      }
      return figuresOf(plan, 'straight', 20_000).views.front!.stripeCm!
    }
    const [wide, narrow] = [withStitches(16), withStitches(8)]
    expect(narrow / wide).toBeGreaterThan(0.4)
    expect(narrow / wide).toBeLessThan(0.6)
  })
})

it('a face frame from none to bold shows in the figure and beside the face in the picture (common practice)', () => {
  const withFrame = (isBold: boolean) => {
    const plan = servicePlan('hairlineAndPart')
    for (const { role, placement } of plan.variants[0]!.stages[0]!.zones) {
      if (!role.startsWith('rim')) continue
      placement.sequence = isBold ? ['A'] : []
      placement.take = { ...placement.take, kind: 'slice' }
    }
    const shot = { wear: 'straight', count: COUNT, view: VIEWS.front, width: 120, height: 160, fine: true } as const
    const { picture } = takePicture(studio, subjectOf(plan), { ...shot, moment: all(plan) })
    let brightness = 0
    for (let y = 48; y < 96; y++) for (let x = 30; x < 90; x++) brightness += picture.rgba[4 * (y * 120 + x)]!
    return { figure: figuresOf(plan, 'straight').faceLevels!, brightness: brightness / (48 * 60) }
  }
  const [none, bold] = [withFrame(false), withFrame(true)]
  expect(bold.figure).toBeGreaterThan(none.figure + 0.2)
  expect(bold.brightness).toBeGreaterThan(none.brightness + 0.5)
})

describe('pictures', () => {
  const shot = { wear: 'straight', count: COUNT, view: VIEWS.front, width: 120, height: 160, fine: true } as const

  it('are the same to the byte for the same seed, and another for another', () => {
    const take = (seed: number) =>
      takePicture(createStudio(), slices, { ...shot, seed, moment: all(slices.plan) }).picture.rgba
    const [one, same, other] = [take(1), take(1), take(2)]
    expect(Buffer.from(one).equals(Buffer.from(same))).toBe(true)
    expect(Buffer.from(one).equals(Buffer.from(other))).toBe(false)
  })

  it('of a plan that is alike on both sides are alike on both sides', () => {
    const { picture } = takePicture(studio, slices, { ...shot, moment: all(slices.plan) })
    let off = 0
    for (let y = 0; y < picture.height; y++)
      for (let x = 0; x < picture.width; x++) {
        const at = 4 * (y * picture.width + x)
        const mirrored = 4 * (y * picture.width + picture.width - 1 - x)
        for (let k = 0; k < 3; k++) off += Math.abs(picture.rgba[at + k]! - picture.rgba[mirrored + k]!)
      }
    expect(off / (3 * 255 * picture.width * picture.height)).toBeLessThan(0.01)
  })

  it('take as much hair as the fold does', () => {
    const { strands } = sceneOf('straight')
    const { takers } = colourStrands(slices, strands, all(slices.plan))
    const lightened = Array.from(takers.starts, (_, i) => takers.taken[i * takers.stages]! >= 0).filter(Boolean).length
    const { hairs, shareByFormula } = slices.computed
    expect(hairs).toBeGreaterThan(0)
    expect(lightened / takers.starts.length).toBeCloseTo(shareByFormula.A!, 1)
  })
})
