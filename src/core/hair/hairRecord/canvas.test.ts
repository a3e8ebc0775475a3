import fc from 'fast-check'
import { createHead, mapFromPlace, placeFromMap, scalpArea } from '../../scalp/head'
import type { Canvas, Population } from '../../model'
import { anyBands, band, canvasWith } from '../../../../tests/support/canvas'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import {
  bandFault,
  BandError,
  cellArea,
  cellAt,
  checkCanvas,
  copyBands,
  correctionsOf,
  toBandEdge,
  fadeBand,
  fitBands,
  growBands,
  hairFromCanvas,
  mainStrand,
  meanWhite,
  mergeBand,
  mergePopulations,
  moveEdge,
  paintWhite,
  predictCanvas,
  regionLengths,
  SCALP_CELLS,
  setBands,
  setLength,
  splitBand,
  startingCanvas,
  strandLength,
  strandsOf,
  trimBands,
} from '.'

const head = createHead({ circumferenceCm: 54 })
const cm = fc.integer({ min: 0, max: 400 }).map((tenths) => tenths / 10)

describe('scalp cells', () => {
  it('are 192, cover the scalp once, and every place lies in its own', () => {
    expect(SCALP_CELLS).toHaveLength(192)
    expect(SCALP_CELLS.reduce((sum, cell) => sum + cellArea(head, cell), 0)).toBeCloseTo(scalpArea(head), 0)
    for (const { index, centre } of SCALP_CELLS) expect(cellAt(centre)).toBe(index)
    fc.assert(
      fc.property(fc.double({ min: -7, max: 7, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (psi, s) => {
        const cell = SCALP_CELLS[cellAt({ psi, s })]!
        expect(s).toBeGreaterThanOrEqual(cell.s[0])
        expect(s).toBeLessThanOrEqual(cell.s[1])
        const back = placeFromMap(head, mapFromPlace(head, { psi, s: Math.min(s, 0.999) }))
        if (s > 0.01 && s < 0.99) expect(SCALP_CELLS[cellAt(back)]!.s[0]).toBeCloseTo(cell.s[0], 6)
      }),
    )
  })

  it('fall into six regions, alike on both sides', () => {
    expect(new Set(SCALP_CELLS.map(({ region }) => region)).size).toBe(6)
    for (const { centre, region } of SCALP_CELLS)
      expect(SCALP_CELLS[cellAt({ psi: -centre.psi, s: centre.s })]!.region).toBe(region)
  })
})

describe('bands', () => {
  const tiles = (bands: ReturnType<typeof fitBands>, length: number) => {
    expect(bandFault(bands)).toBeUndefined()
    expect(strandLength(bands)).toBeCloseTo(length, 9)
  }

  it('tile 0…length after growing, cutting, fitting, moving an edge, splitting and merging', () => {
    fc.assert(
      fc.property(anyBands, cm, fc.nat(), (bands, amount, pick) => {
        const length = strandLength(bands)
        tiles(growBands(bands, amount, 5), toBandEdge(length + amount))
        tiles(fitBands(bands, Math.max(0.3, amount)), Math.max(0.3, amount))
        if (length - amount >= 0.3) tiles(trimBands(bands, amount), toBandEdge(length - amount))
        if (bands.length > 1) {
          const at = pick % (bands.length - 1)
          tiles(moveEdge(bands, at, amount), length)
          tiles(mergeBand(bands, at), length)
        }
        const one = pick % bands.length
        if (bands[one]!.toCm - bands[one]!.fromCm >= 0.7) tiles(splitBand(bands, one), length)
      }),
    )
  })

  it('grow and are cut in either order to the same strand, as long as the cut stays in old hair', () => {
    fc.assert(
      fc.property(anyBands, cm, fc.double({ min: 0, max: 0.9, noNaN: true }), (bands, grown, share) => {
        const cut = toBandEdge(strandLength(bands) * share)
        fc.pre(strandLength(bands) - cut >= 0.6)
        expect(strandLength(trimBands(growBands(bands, grown, 5), cut))).toBeCloseTo(
          strandLength(growBands(trimBands(bands, cut), grown, 5)),
          6,
        )
      }),
    )
    const bands = [band(0, 2), band(2, 30, { treatments: [{ kind: 'permanent' }] })]
    expect(trimBands(growBands(bands, 3, 5), 4)).toEqual(growBands(trimBands(bands, 4), 3, 5))
  })

  it('grow roots at the natural level and keep everything else as it is', () => {
    const dyed = [band(0, 30, { level: 8, treatments: [{ kind: 'lightened' }] })]
    expect(growBands(dyed, 2.9, 5)).toEqual([band(0, 2.9), { ...dyed[0], fromCm: 2.9, toCm: 32.9 }])
    expect(growBands([band(0, 30)], 2.9, 5)).toEqual([band(0, 32.9)])
  })

  it('that overlap, leave holes or do not begin at the scalp are named with what to do', () => {
    expect(bandFault([band(0, 5), band(4, 10)])).toMatchObject({
      index: 1,
      message: expect.stringContaining('Begin it at 5 cm'),
    })
    expect(bandFault([band(0, 5), band(6, 10)])).toMatchObject({
      index: 1,
      message: expect.stringContaining('nothing is recorded'),
    })
    expect(bandFault([band(1, 5)])).toMatchObject({ index: 0, message: expect.stringContaining('scalp') })
    expect(bandFault([band(0, 5), band(5, 5.1)])).toMatchObject({ index: 1, field: 'toCm' })
  })

  it('refuse to be cut away, or split and merged where there is nothing to', () => {
    expect(() => trimBands([band(0, 5)], 5)).toThrow(BandError)
    expect(() => splitBand([band(0, 0.4)], 0)).toThrow(BandError)
    expect(() => mergeBand([band(0, 5)], 0)).toThrow(BandError)
  })
})

describe('populations', () => {
  const any: fc.Arbitrary<Population> = fc.record({
    strandId: fc.constantFrom('a', 'b', 'c'),
    share: fc.integer({ min: 0, max: 100 }).map((n) => n / 100),
    white: fc.constantFrom(0, 0.25, 1),
    sources: fc.subarray(['v/1', 'v/2', 'v/3']),
  })

  it('merge what is one kind of hair, keeping the sum of shares and of white hair', () => {
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 24 }), (populations) => {
        const merged = mergePopulations(populations)
        const sum = (list: Population[], weight: (one: Population) => number) =>
          list.reduce((total, one) => total + one.share * weight(one), 0)
        const kinds = merged.map(({ strandId, sources }) => `${strandId} ${sources.join()}`)
        expect(new Set(kinds).size).toBe(merged.length)
        expect(sum(merged, () => 1)).toBeCloseTo(
          sum(populations, () => 1),
          9,
        )
        expect(sum(merged, ({ white }) => white)).toBeCloseTo(
          sum(populations, ({ white }) => white),
          9,
        )
      }),
    )
  })
})

describe('a canvas', () => {
  const sums = (canvas: Canvas) =>
    canvas.cells.forEach(({ populations }) =>
      expect(populations.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9),
    )

  it('begins with one strand a length and passes its own check', () => {
    const bob = startingCanvas(head, { ...MEDIUM_HAIR, cutLine: 'oneLength' }, '2026-09-15')
    expect(bob.strands.length).toBeGreaterThan(3)
    expect(startingCanvas(head, MEDIUM_HAIR, '2026-09-15').strands).toHaveLength(1)
    expect(checkCanvas(bob, '2026-09-15')).toEqual([])
    sums(bob)
  })

  it('edited for the whole head changes every length; for one region only that one', () => {
    const bob = startingCanvas(head, { ...MEDIUM_HAIR, cutLine: 'oneLength' }, '2026-09-15')
    const main = mainStrand(bob, 'back')
    const dyed = main.bands.map((one) => ({ ...one, level: 7 }))
    const everywhere = setBands(bob, 'all', main.id, dyed)
    expect(everywhere.strands.every(({ bands }) => bands[0]!.level === 7)).toBe(true)
    expect(regionLengths(everywhere)).toEqual(regionLengths(bob))
    const napeOnly = setBands(bob, 'nape', mainStrand(bob, 'nape').id, [
      band(0, strandLength(mainStrand(bob, 'nape').bands), { level: 2 }),
    ])
    expect(mainStrand(napeOnly, 'nape').bands[0]!.level).toBe(2)
    expect(mainStrand(napeOnly, 'crown').bands[0]!.level).toBe(5)
    const copied = copyBands(napeOnly, 'nape', ['crown'])
    expect(mainStrand(copied, 'crown').bands[0]!.level).toBe(2)
    expect(regionLengths(copied)).toEqual(regionLengths(napeOnly))
    for (const canvas of [everywhere, napeOnly, copied]) {
      sums(canvas)
      expect(checkCanvas(canvas)).toEqual([])
    }
  })

  it('keeps the strand’s name while one region is edited again and again', () => {
    const start = startingCanvas(head, MEDIUM_HAIR, '2026-09-15')
    const once = setBands(start, 'nape', mainStrand(start, 'nape').id, [band(0, 35, { level: 3 })])
    const id = mainStrand(once, 'nape').id
    expect(mainStrand(setBands(once, 'nape', id, [band(0, 35, { level: 4 })]), 'nape').id).toBe(id)
  })

  it('takes lengths by region into the hair in short', () => {
    const start = setLength(startingCanvas(head, MEDIUM_HAIR, '2026-09-15'), 'nape', 8)
    expect(hairFromCanvas(MEDIUM_HAIR, start)).toMatchObject({ lengthCm: 35, regionLengthsCm: { nape: 8, crown: 35 } })
  })

  it('knows how white the head is', () => {
    const start = startingCanvas(head, MEDIUM_HAIR, '2026-09-15')
    expect(
      meanWhite(head, MEDIUM_HAIR, paintWhite(start, new Set(SCALP_CELLS.map(({ index }) => index)), 0.4)),
    ).toBeCloseTo(0.4, 9)
    const temple = paintWhite(start, new Set([cellAt({ psi: 1, s: 0.9 })]), 1)
    expect(meanWhite(head, MEDIUM_HAIR, temple)).toBeLessThan(0.01)
    expect(meanWhite(head, MEDIUM_HAIR, temple, 'sides')).toBeGreaterThan(meanWhite(head, MEDIUM_HAIR, temple))
  })

  it.each([
    ['a day to come', (canvas: Canvas) => ({ ...canvas, recordedOn: '2026-12-24' }), 'recordedOn'],
    [
      'a treatment to come',
      (canvas: Canvas) => ({
        ...canvas,
        strands: [{ id: 'one', bands: [band(0, 30, { treatments: [{ kind: 'demi' as const, on: '2027-01-01' }] })] }],
      }),
      'strands[0].bands[0].treatments[0].on',
    ],
    [
      'a hole',
      (canvas: Canvas) => ({ ...canvas, strands: [{ id: 'one', bands: [band(0, 3), band(5, 30)] }] }),
      'strands[0].bands[1].fromCm',
    ],
    ['a cell short', (canvas: Canvas) => ({ ...canvas, cells: canvas.cells.slice(1) }), 'cells'],
    [
      'a strand that is not there',
      (canvas: Canvas) => ({ ...canvas, strands: [{ id: 'other', bands: [band(0, 30)] }] }),
      'cells[0].populations[0].strandId',
    ],
    [
      'shares that do not add up',
      (canvas: Canvas) => ({
        ...canvas,
        cells: canvas.cells.map(({ populations }) => ({ populations: [{ ...populations[0]!, share: 0.7 }] })),
      }),
      'cells[0].populations',
    ],
  ])('with %s is refused at the field', (_what, harm, path) => {
    expect(checkCanvas(harm(canvasWith([band(0, 30)])), '2026-11-24').map((problem) => problem.path)).toContain(path)
  })
})

describe('time', () => {
  const glossed = band(0, 30, {
    level: 8,
    hue: 'ash',
    strength: 0.8,
    beneathLevel: 9,
    treatments: [{ kind: 'lightened' }, { kind: 'demi' }],
  })
  const hair = { ...MEDIUM_HAIR, washesPerWeek: 3 }

  it('ten weeks after a record has grown 2.9 cm of root and washed the gloss out to warm hair', () => {
    const now = predictCanvas(canvasWith([glossed]), hair, { on: '2026-11-24' })
    const [root, length] = mainStrand(now, 'all').bands
    expect(now.recordedOn).toBe('2026-11-24')
    expect(root).toEqual(band(0, 2.9)) // 10 weeks × 1.25 cm × 12/52.18
    expect(length).toMatchObject({ fromCm: 2.9, toCm: 32.9, hue: 'gold', level: 8.5 })
  })

  it('fades the more the longer, cool tones first, and never past the level beneath', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        (washes, more) => {
          const gold = { ...glossed, hue: 'gold' as const }
          expect(fadeBand(gold, washes + more).strength).toBeLessThanOrEqual(fadeBand(gold, washes).strength)
          expect(fadeBand(gold, washes).level).toBeLessThanOrEqual(9)
          if (fadeBand(glossed, washes).hue === 'ash')
            expect(fadeBand(glossed, washes).strength).toBeLessThanOrEqual(fadeBand(gold, washes).strength)
        },
      ),
    )
  })

  it('leaves virgin hair and a record of today as they are', () => {
    expect(fadeBand(band(0, 30), 100)).toEqual(band(0, 30))
    const canvas = canvasWith([glossed])
    expect(predictCanvas(canvas, hair, { on: '2026-09-15' })).toEqual(canvas)
    expect(predictCanvas(canvas, hair, { on: '2026-01-01' }).strands).toEqual(canvas.strands)
  })

  it('grows at the client’s own rate and cuts what was cut', () => {
    const fast = predictCanvas(
      canvasWith([glossed]),
      { ...hair, growthCmPerMonth: 2.5 },
      { on: '2026-11-24', trimmedCm: 5 },
    )
    expect(mainStrand(fast, 'all').bands[0]!.toCm).toBe(5.7)
    expect(strandLength(mainStrand(fast, 'all').bands)).toBeCloseTo(30.7, 9)
  })
})

describe('corrections', () => {
  it('say region by region what the eye changed, and nothing else', () => {
    const predicted = canvasWith([band(0, 2.9), band(2.9, 33, { level: 8 })])
    expect(correctionsOf(predicted, predicted)).toEqual([])
    const seen = setBands(predicted, 'nape', 'one', [band(0, 2), band(2, 33, { level: 7.5 })])
    expect(correctionsOf(predicted, seen)).toEqual([
      { region: 'nape', what: '0.toCm', predicted: '2.9', seen: '2' },
      { region: 'nape', what: '1.level', predicted: '8', seen: '7.5' },
    ])
    expect(correctionsOf(predicted, paintWhite(predicted, new Set([3]), 1))).toMatchObject([{ what: 'white' }])
    expect(correctionsOf(predicted, setBands(predicted, 'all', 'one', [band(0, 33)]))).toContainEqual({
      region: 'back',
      what: 'bands',
      predicted: '2',
      seen: '1',
    })
  })
})

it('strands of a region come with their share and white', () => {
  const canvas = paintWhite(canvasWith([band(0, 30)]), new Set(SCALP_CELLS.map(({ index }) => index)), 0.3)
  expect(strandsOf(canvas, 'fringe')).toMatchObject([{ share: 1 }])
  expect(strandsOf(canvas, 'all')[0]!.white).toBeCloseTo(0.3, 9)
})
