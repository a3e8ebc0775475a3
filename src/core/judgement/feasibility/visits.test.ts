import type { Band, Canvas, Goal } from '../../model'
import { SCALP_CELLS } from '../../hair/hairRecord'
import { band, canvasWith, GOAL } from '../../../../tests/support/canvas'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { assess, judgeBand } from '.'

const to = (level: number): Partial<Goal> => ({ targets: [{ region: 'all', level, hue: 'beige', strength: 0.5 }] })
const judged = (canvas: Canvas, goal: Partial<Goal>) =>
  assess({ hair: MEDIUM_HAIR, canvas, goal: { ...GOAL, ...goal }, meanWhite: 0 })
const done = (...kinds: Band['treatments'][number]['kind'][]): Partial<Band> => ({
  treatments: kinds.map((kind) => ({ kind })),
})

/** Light and dark strands in every cell. */
const mixed = (light: number): Canvas => ({
  recordedOn: '2026-09-15',
  strands: [
    { id: 'dark', bands: [band(0, 30)] },
    { id: 'light', bands: [band(0, 30, { level: 9, ...done('lightened') })] },
  ],
  cells: SCALP_CELLS.map(() => ({
    populations: [
      { strandId: 'dark', share: 1 - light, white: 0, sources: [] },
      { strandId: 'light', share: light, white: 0, sources: ['v/A'] },
    ],
  })),
})

describe('the hair that is to be light', () => {
  const strands = (light: number, lightPercent: number) =>
    [...new Set(judged(mixed(light), { ...to(9), lightPercent }).bands.map(({ strandId }) => strandId))].sort()

  it('is what is light already, and more of it only where that is not enough', () => {
    expect(strands(0.3, 30)).toEqual(['light'])
    expect(strands(0.3, 20)).toEqual(['light'])
    expect(strands(0.3, 40)).toEqual(['dark', 'light'])
    expect(strands(0.3, 100)).toEqual(['dark', 'light'])
    // Somewhere there has to be some.
    expect(strands(0.3, 0)).toEqual(['light'])
  })

  it('is judged once where it is one strand, for every region that it grows in', () => {
    const { bands } = judged(canvasWith([band(0, 30)]), to(8))
    expect(bands).toHaveLength(1)
    expect(bands[0]!.regions).toEqual(['fringe', 'front', 'sides', 'crown', 'back', 'nape'])
    const nape: Partial<Goal> = {
      targets: [...to(8).targets!, { region: 'nape', level: 6, hue: 'beige', strength: 0.5 }],
    }
    const own = judged(canvasWith([band(0, 30)]), nape).bands
    expect(own.map(({ regions }) => regions.join())).toEqual(['fringe,front,sides,crown,back', 'nape'])
  })
})

describe('a promise, visit by visit', () => {
  it('is one visit where one is enough, toned to the wish', () => {
    expect(judged(canvasWith([band(0, 30)]), to(7)).plan).toEqual([
      {
        number: 1,
        need: 'sure',
        after: { low: 7, high: 7 },
        steps: [
          'Lighten 0–30 cm with at most 20 vol in foil; expect level 7 (orange) where it is slowest.',
          'Tone to beige 7.',
        ],
      },
    ])
  })

  it('takes old colour out first, spares what is worn, and is wearable in between', () => {
    const lengths = band(4, 30, { level: 3, integrity: 'worn', ...done('boxDye') })
    const { plan, visits } = judged(canvasWith([band(0, 4), lengths]), { ...to(8), lightPercent: 100 })
    expect(plan).toHaveLength(visits.high)
    expect(plan.map(({ number, need }) => [number, need])).toEqual(
      plan.map((_, i) => [i + 1, i + 1 <= visits.low ? 'sure' : 'maybe']),
    )
    const [first, ...later] = plan.map(({ steps }) => steps.join(' '))
    expect(first).toContain('Remove artificial pigment, off the scalp, 30 min each time: 4–30 cm.')
    expect(first).toContain('Test a hidden strand and let it dry before anything else: 4–30 cm.')
    expect(first).toContain('Bond additive, weakest strength on the worn stretches')
    expect(first).toMatch(/Tone to something she can wear: [a-z-]+ calms [a-z-]+\./)
    for (const steps of later) expect(steps).not.toContain('Remove artificial pigment')
    expect(later.at(-1)).toContain('Tone to beige 8.')
  })

  it('is nothing where nothing can be promised', () => {
    const { reach, visits, plan } = judged(canvasWith([band(0, 30, done('metallic'))]), to(8))
    expect([reach, visits, plan]).toEqual(['notNow', { low: 0, high: 0 }, []])
  })
})

describe('what limits how light it can be', () => {
  const limit = (rest: Partial<Band>, goal: Partial<Goal> = {}) => {
    const target = { region: 'all' as const, level: 10, hue: 'beige' as const, strength: 0.5 }
    const { lightest, lightestBy } = judgeBand(band(0, 30, rest), target, { ...GOAL, ...goal }, 'medium')
    return [lightest, lightestBy]
  }

  it('is nothing, the history, what the hair stands, or the means, and is told', () => {
    expect(limit({ level: 8 })).toEqual([10, 'nothing'])
    expect(limit({ level: 7, ...done('henna') })).toEqual([8, 'history'])
    expect(limit({ level: 4, integrity: 'fragile' })[1]).toBe('integrity')
    expect(limit({ level: 4 }, { means: 'depositOnly' })).toEqual([4, 'deposit'])
    expect(limit({ level: 4 }, { means: 'permanentOnly' })[1]).toBe('permanent colour')
    expect(limit({ level: 4, ...done('permanent') }, { means: 'permanentOnly' })).toEqual([4, 'permanent colour'])
  })

  it('is less the more porous, the finer and the more worn hair is', () => {
    const target = { region: 'all' as const, level: 10, hue: 'beige' as const, strength: 0.5 }
    const stands = (rest: Partial<Band>, texture: 'fine' | 'medium' | 'coarse' = 'medium') =>
      judgeBand(band(0, 30, rest), target, GOAL, texture).stands
    const sound = stands({})
    for (const less of [stands({ porosity: 'high' }), stands({}, 'fine'), stands({ integrity: 'worn' })])
      expect(less).toBeLessThan(sound)
    expect(stands({}, 'coarse')).toBeGreaterThan(sound)
    expect(stands({ integrity: 'breaking' })).toBe(0)
    // Two things at once cost both.
    const ratio = (rest: Partial<Band>) => stands(rest) / sound
    expect(ratio({ porosity: 'high', integrity: 'worn' })).toBeCloseTo(
      ratio({ porosity: 'high' }) * ratio({ integrity: 'worn' }),
      9,
    )
  })
})
