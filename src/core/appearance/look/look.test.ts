import { planWith, MEDIUM_HAIR } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { GOAL } from '../../../../tests/support/canvas'
import type { FaltoPlan, Goal } from '../../model'
import { foldPlan } from '../../time/fold'
import type { LookFigures, ViewFigures } from '../figures'
import { VIEWS } from '../picture'
import {
  checkWish,
  colourStrands,
  createStudio,
  hairThen,
  lookFigures,
  lookReport,
  pickAt,
  sceneAt,
  seenOf,
  takePicture,
  wearsOf,
  worthOf,
  type Subject,
} from '.'

const subjectOf = (plan: FaltoPlan): Subject => {
  const computed = computeStages(plan)
  return { plan, computed, fold: foldPlan(plan, computed) }
}
const subject = subjectOf(planWith({ placement: { take: { kind: 'slice' }, rowGapMm: 15 } }))
const studio = createStudio()
const drawn = { wear: 'straight', count: 1_200 } as const
const after = { stages: 1, weeks: 0 }
const SIZE = { width: 120, height: 160 }

describe('the studio', () => {
  it('keeps scenes and exposures while neither head nor fall of hair changes, and makes others otherwise', () => {
    const { head } = subject.computed
    const scene = studio.scene(head, MEDIUM_HAIR, drawn)
    expect(studio.scene(head, { ...MEDIUM_HAIR, naturalLevel: 2 }, drawn)).toBe(scene)
    expect(studio.scene(head, { ...MEDIUM_HAIR, lengthCm: 20 }, drawn)).not.toBe(scene)
    expect(studio.scene(head, MEDIUM_HAIR, { ...drawn, wear: 'low' })).not.toBe(scene)
    expect(studio.scene(head, MEDIUM_HAIR, { ...drawn, seed: 2 })).not.toBe(scene)
    expect(studio.scene(head, MEDIUM_HAIR, { ...drawn, wear: 'low' }).strands.roots).toBe(scene.strands.roots)
    const exposure = studio.exposure(head, MEDIUM_HAIR, drawn, VIEWS.left, SIZE)
    expect(studio.exposure(head, MEDIUM_HAIR, drawn, VIEWS.left, SIZE)).toBe(exposure)
    expect(studio.exposure(head, MEDIUM_HAIR, drawn, VIEWS.right, SIZE)).not.toBe(exposure)
    expect(studio.exposure(head, MEDIUM_HAIR, drawn, VIEWS.left, { width: 60, height: 80 })).not.toBe(exposure)
  })

  it('forgets the oldest when there are many', () => {
    const own = createStudio()
    const { head } = subject.computed
    const first = own.scene(head, MEDIUM_HAIR, { ...drawn, count: 10 })
    for (let seed = 2; seed < 30; seed++) own.scene(head, MEDIUM_HAIR, { ...drawn, count: 10, seed })
    expect(own.scene(head, MEDIUM_HAIR, { ...drawn, count: 10 })).not.toBe(first)
  })
})

describe('hair at a moment', () => {
  it('has fallen where it was cut until then', () => {
    const plan = planWith()
    const [stage] = plan.variants[0]!.stages
    plan.variants[0]!.stages.push({ ...stage!, id: 'cut', kind: 'cut', cut: { lengthCm: 12 } })
    expect(hairThen(plan, { stages: 1, weeks: 0 }).lengthCm).toBe(MEDIUM_HAIR.lengthCm)
    expect(hairThen(plan, { stages: 2, weeks: 0 }).lengthCm).toBe(12)
  })
})

describe('a picture', () => {
  const shot = { ...drawn, view: VIEWS.back, ...SIZE, fine: false }

  it('has the size that was asked for, and what is seen at its pixels at once or twice that', () => {
    const once = takePicture(studio, subject, { ...shot, moment: after })
    expect([once.picture.width, once.exposure.camera.width]).toEqual([120, 120])
    const fine = takePicture(studio, subject, { ...shot, fine: true, moment: after })
    expect([fine.picture.width, fine.exposure.camera.width]).toEqual([120, 240])
  })

  it('is lighter after the visit, and its colours are made once', () => {
    const sum = ({ picture }: ReturnType<typeof takePicture>) => picture.rgba.reduce((total, byte) => total + byte, 0)
    const before = takePicture(studio, subject, { ...shot, moment: { stages: 0, weeks: 0 } })
    const then = takePicture(studio, subject, { ...shot, moment: after })
    expect(sum(then)).toBeGreaterThan(sum(before))
    expect(takePicture(studio, subject, { ...shot, moment: after }).paint).toBe(then.paint)
    expect(before.takers).toBe(then.takers)
    expect(before.paint).not.toBe(then.paint)
  })

  it('says what lies under a finger: the nearest hair that was worked on, else the hair itself, else nothing', () => {
    const { strands } = sceneAt(studio, subject, drawn, after)
    const { exposure, takers, paint } = takePicture(studio, subject, { ...shot, moment: after })
    const all = { strands, takers, paint }
    const picked = pickAt(exposure, all, 0.5, 0.4)!
    expect(picked.pieces.length).toBeGreaterThan(0)
    expect(picked.level).toBeGreaterThan(0)
    expect(pickAt(exposure, all, 0.01, 0.01)).toBeUndefined()
    const none = subjectOf(planWith({ only: [] }))
    const left = takePicture(studio, none, { ...shot, moment: after })
    const own = pickAt(left.exposure, { strands, ...left }, 0.5, 0.4)!
    expect(own.pieces).toEqual([])
    expect(own.level).toBe(MEDIUM_HAIR.naturalLevel)
  })

  it('shows where the hair of a foil or of a zone is seen', () => {
    const { strands } = sceneAt(studio, subject, drawn, after)
    const { exposure, takers } = takePicture(studio, subject, { ...shot, moment: after })
    const area = (...ids: string[]) =>
      seenOf(exposure, strands, takers, new Set(ids)).reduce((sum, pixel) => sum + pixel, 0)
    const { zoneId, placement } = subject.computed.zones[0]!
    const [one] = placement.pieces
    expect(area()).toBe(0)
    expect(area(zoneId)).toBeGreaterThanOrEqual(area(one!.id))
    expect(area(...takers.pieces.map(({ zoneId: id }) => id))).toBeGreaterThan(area(zoneId))
  })
})

describe('what foils are worth', () => {
  it('is what is seen of them, with their hands and grams, the least first', () => {
    const figures = lookFigures(studio, subject, drawn, after, { size: SIZE })
    const worth = worthOf(subject.computed, figures, figures.takers)
    expect(worth).toHaveLength(subject.computed.pieces.length)
    for (let i = 1; i < worth.length; i++)
      expect(worth[i]!.seenPercent).toBeGreaterThanOrEqual(worth[i - 1]!.seenPercent)
    const seen = worth.reduce((sum, { seenPercent }) => sum + seenPercent, 0)
    expect(seen).toBeCloseTo(100 * (figures.formulas.A ?? 0), 0)
    const minutes = worth.reduce((sum, one) => sum + one.minutes, 0)
    const own = subject.computed.zones.flatMap(({ seconds }) => seconds).reduce((sum, one) => sum + one, 0) / 60
    expect(Math.abs(minutes - own)).toBeLessThan(0.05 * worth.length)
    expect(worth.every(({ grams }) => grams > 0)).toBe(true)
    const scalp = subjectOf(planWith({ placement: { take: { kind: 'onScalp' } } }))
    const onScalp = lookFigures(studio, scalp, drawn, after, { size: SIZE })
    expect(worthOf(scalp.computed, onScalp, onScalp.takers)).toEqual([])
  })
})

const viewWith = (more: Partial<ViewFigures>): ViewFigures => ({
  zones: {},
  formulas: {},
  meanLevel: 5,
  lighter: 0,
  darker: 0,
  lightLevel: undefined,
  lightest: 5,
  contrastLevels: 0,
  stripeCm: undefined,
  face: undefined,
  ...more,
})
const figuresWith = ({ view = {}, ...more }: Partial<LookFigures> & { view?: Partial<ViewFigures> }): LookFigures => ({
  views: { front: viewWith(view) },
  meanLevel: 5,
  lighter: 0,
  darker: 0,
  zones: {},
  formulas: {},
  pieces: new Float64Array(),
  faceLevels: undefined,
  partLevels: undefined,
  leftLevels: undefined,
  rootSoftnessCm: undefined,
  shelf: undefined,
  ...more,
})

describe('a report', () => {
  it('rounds to what can be told apart', () => {
    const report = lookReport(
      figuresWith({
        meanLevel: 6.24,
        lighter: 0.234,
        darker: 0.016,
        zones: { front: 0.555, '': 0.445 },
        faceLevels: -0.04,
        partLevels: 0.46,
        rootSoftnessCm: 1.52,
        shelf: { levels: -0.72, z: 4.6 },
        view: { contrastLevels: 3.02, stripeCm: 0.44 },
      }),
    )
    expect(report).toMatchObject({
      meanLevel: 6.2,
      lighterPercent: 23,
      darkerPercent: 2,
      zonePercents: { front: 56, '': 45 },
      faceLevels: 0,
      partLevels: 0.5,
      leftLevels: null,
      rootSoftnessCm: 1.5,
      contrastLevels: 3,
      stripeCm: 0.4,
      shelf: { levels: -0.7, heightCm: 5 },
      views: { front: { contrastLevels: 3, stripeCm: 0.4 } },
    })
    expect(Object.is(report.faceLevels, -0)).toBe(false)
  })

  it('calls nothing a shelf that does not show, and no stripes none', () => {
    expect(lookReport(figuresWith({ shelf: { levels: 0.4, z: 1 } })).shelf).toBeNull()
    expect(lookReport(figuresWith({})).stripeCm).toBeNull()
  })
})

describe('a wish', () => {
  const check = (goal: Partial<Goal>, figures: Parameters<typeof figuresWith>[0]) =>
    Object.fromEntries(
      checkWish({ ...GOAL, ...goal }, [{ wear: 'straight', share: 1, figures: figuresWith(figures) }]).map((one) => [
        one.what,
        one,
      ]),
    )
  const level = (wished: number, seen: number) =>
    check({ targets: [{ region: 'all', level: wished, hue: 'neutral', strength: 0 }] }, { view: { lightLevel: seen } })
      .level

  it('is met, near or missed, and says which way it is off', () => {
    expect(level(9, 8.6)).toMatchObject({ verdict: 'met', off: 'none', wished: 9, seen: 8.6 })
    expect(level(9, 8.2)).toMatchObject({ verdict: 'near', off: 'less' })
    expect(level(7, 8.6)).toMatchObject({ verdict: 'missed', off: 'more' })
    expect(check({ lightPercent: 30 }, { lighter: 0.25 }).light).toMatchObject({ verdict: 'met', seen: 25 })
    expect(check({ lightPercent: 30 }, { lighter: 0.17 }).light).toMatchObject({ verdict: 'near', off: 'less' })
    expect(check({ lightPercent: 10 }, { lighter: 0.5 }).light).toMatchObject({ verdict: 'missed', off: 'more' })
  })

  it('compares contrast by its words', () => {
    const contrast = (wished: 'subtle' | 'clear' | 'bold', levels: number) =>
      check({ contrast: wished }, { view: { contrastLevels: levels } }).contrast!
    expect(contrast('clear', 3.2).verdict).toBe('met')
    expect(contrast('clear', 5)).toMatchObject({ verdict: 'near', off: 'more' })
    expect(contrast('subtle', 6)).toMatchObject({ verdict: 'missed', off: 'more' })
    expect(contrast('subtle', 1)).toMatchObject({ verdict: 'near', off: 'less' })
    expect(contrast('bold', 1.6)).toMatchObject({ verdict: 'missed', off: 'less' })
  })

  it('looks at the face and the root', () => {
    expect(check({ faceFrame: 'none' }, { faceLevels: 0.1 }).faceFrame!.verdict).toBe('met')
    expect(check({ faceFrame: 'bold' }, { faceLevels: 0.5 }).faceFrame).toMatchObject({ verdict: 'near', off: 'less' })
    expect(check({ faceFrame: 'none' }, { faceLevels: 2 }).faceFrame).toMatchObject({ verdict: 'missed', off: 'more' })
    expect(check({ root: 'melt' }, { rootSoftnessCm: 4 }).root!.verdict).toBe('met')
    expect(check({ root: 'melt' }, { rootSoftnessCm: 0 }).root).toMatchObject({ verdict: 'missed', off: 'less' })
    expect(check({ root: 'toScalp' }, {}).root!.verdict).toBe('met')
  })

  it('counts what she wears most the most', () => {
    expect(wearsOf({ straight: 1, waved: 0, tiedLow: 3, tiedHigh: 0 })).toEqual([
      { wear: 'straight', share: 0.25 },
      { wear: 'low', share: 0.75 },
    ])
    expect(wearsOf({ straight: 0, waved: 0, tiedLow: 0, tiedHigh: 0 })).toEqual([{ wear: 'straight', share: 1 }])
    const [, light] = checkWish(GOAL, [
      { wear: 'straight', share: 0.25, figures: figuresWith({ lighter: 0.4 }) },
      { wear: 'low', share: 0.75, figures: figuresWith({ lighter: 0.2 }) },
    ])
    expect(light).toMatchObject({ what: 'light', seen: expect.closeTo(25, 9) })
  })
})

describe('colours of strands', () => {
  it('are kept for some moments, and made anew for another plan', () => {
    const { strands } = sceneAt(studio, subject, drawn, after)
    const one = colourStrands(subject, strands, after)
    expect(colourStrands(subject, strands, after).paint).toBe(one.paint)
    expect(colourStrands({ ...subject }, strands, after).paint).not.toBe(one.paint)
    for (let weeks = 2; weeks < 14; weeks += 2) colourStrands(subject, strands, { ...after, weeks })
    expect(colourStrands(subject, strands, after).paint).not.toBe(one.paint)
  })
})
