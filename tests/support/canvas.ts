import fc from 'fast-check'
import { toBandEdge, SCALP_CELLS } from '@/core/hair/hairRecord'
import { INTEGRITIES, POROSITIES, TONE_HUES, TREATMENTS, type Band, type Canvas, type Goal } from '@/core/model'

/** A band with nothing special about it. */
export const band = (fromCm: number, toCm: number, rest: Partial<Band> = {}): Band => ({
  fromCm,
  toCm,
  level: 5,
  hue: 'neutral',
  strength: 0,
  treatments: [],
  porosity: 'normal',
  integrity: 'sound',
  ...rest,
})

/** One strand on the whole head. */
export const canvasWith = (bands: Band[], recordedOn = '2026-09-15', white = 0): Canvas => ({
  recordedOn,
  strands: [{ id: 'one', bands }],
  cells: SCALP_CELLS.map(() => ({ populations: [{ strandId: 'one', share: 1, white, sources: [] }] })),
})

/** Any bands that tile a strand. */
export const anyBands: fc.Arbitrary<Band[]> = fc
  .array(
    fc.record({
      cm: fc.integer({ min: 3, max: 300 }),
      level: fc.integer({ min: 4, max: 40 }),
      hue: fc.constantFrom(...TONE_HUES),
      strength: fc.integer({ min: 0, max: 10 }),
      treatments: fc.array(fc.constantFrom(...TREATMENTS), { maxLength: 3 }),
      porosity: fc.constantFrom(...POROSITIES),
      integrity: fc.constantFrom(...INTEGRITIES),
    }),
    { minLength: 1, maxLength: 6 },
  )
  .map((parts) => {
    let from = 0
    return parts.map(({ cm, level, strength, treatments, ...rest }) => {
      const one = band(toBandEdge(from), toBandEdge(from + cm / 10), {
        ...rest,
        level: level / 4,
        strength: strength / 10,
        treatments: treatments.map((kind) => ({ kind })),
      })
      from += cm / 10
      return one
    })
  })

export const GOAL: Goal = {
  targets: [{ region: 'all', level: 8, hue: 'beige', strength: 0.4 }],
  warmth: 'some',
  contrast: 'subtle',
  lightPercent: 30,
  faceFrame: 'none',
  root: 'rooted',
  shadowCm: 2,
  white: 'keep',
  wear: { straight: 1, waved: 0, tiedLow: 0, tiedHigh: 0 },
  upkeepWeeks: 8,
  means: 'open',
  school: 'lowAndSlow',
}
