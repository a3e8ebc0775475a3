import { createHead, placeFromMap } from '../../scalp/head'
import type { Band, Canvas } from '../../model'
import { band } from '../../../../tests/support/canvas'
import {
  cellArea,
  cellAt,
  growBands,
  kindsOf,
  lengthsHistory,
  meanLevels,
  mergePopulations,
  moveEdge,
  SCALP_CELLS,
  strandDistance,
  strandsOf,
  wornLevel,
} from '.'
import { HIDDEN_SHARE } from './constants'

/** Every cell has the same strands, in these shares. */
const mixed = (...strands: [share: number, bands: Band[], white?: number][]): Canvas => ({
  recordedOn: '2026-09-15',
  strands: strands.map(([, bands], i) => ({ id: `s${i}`, bands })),
  cells: SCALP_CELLS.map(() => ({
    populations: strands.map(([share, , white = 0], i) => ({ strandId: `s${i}`, share, white, sources: [] })),
  })),
})
const done = (...kinds: Band['treatments'][number]['kind'][]): Partial<Band> => ({
  treatments: kinds.map((kind) => ({ kind })),
})

describe('the level of what is worn', () => {
  it('is the mean along the strand beyond what lies hidden at the root', () => {
    const hidden = 30 * HIDDEN_SHARE
    expect(wornLevel([band(0, hidden, { level: 2 }), band(hidden, 30, { level: 8 })])).toBeCloseTo(8, 9)
    const [from, to] = [hidden + 3, 30]
    expect(wornLevel([band(0, from, { level: 4 }), band(from, to, { level: 10 })])).toBeCloseTo(
      (3 * 4 + (to - from) * 10) / (to - hidden),
      9,
    )
    expect(wornLevel([band(0, 30)], () => 7)).toBe(7)
  })

  it('of a head, and of its new growth, goes by how much there is of every strand', () => {
    const light = [band(0, 3, { level: 4 }), band(3, 30, { level: 9 })]
    const { root, lengths } = meanLevels(mixed([0.75, [band(0, 30, { level: 6 })]], [0.25, light]))
    expect(root).toBeCloseTo(0.75 * 6 + 0.25 * 4, 9)
    expect(lengths).toBeCloseTo(0.75 * 6 + 0.25 * wornLevel(light), 9)
  })
})

describe('what most lengths carry', () => {
  it('is their last dye or lightener, demi aside, where three in ten of the hair have it', () => {
    const lengths = (...kinds: Parameters<typeof done>) => [band(0, 3), band(3, 30, done(...kinds))]
    expect(lengthsHistory(mixed([1, [band(0, 30)]]))).toBeUndefined()
    expect(lengthsHistory(mixed([1, lengths('permanent', 'lightened', 'demi')]))).toBe('lightened')
    expect(lengthsHistory(mixed([0.7, [band(0, 30)]], [0.3, lengths('boxDye')]))).toBe('boxDye')
    expect(lengthsHistory(mixed([0.75, [band(0, 30)]], [0.25, lengths('boxDye')]))).toBeUndefined()
    expect(lengthsHistory(mixed([0.4, lengths('boxDye')], [0.6, lengths('permanent')]))).toBe('permanent')
    // Two strands of one history count together.
    expect(
      lengthsHistory(mixed([0.2, lengths('boxDye')], [0.2, [band(0, 9, done('boxDye'))]], [0.6, [band(0, 9)]])),
    ).toBe('boxDye')
    // New growth is not the lengths.
    expect(lengthsHistory(mixed([1, [band(0, 2, done('permanent')), band(2, 30)]]))).toBeUndefined()
  })
})

describe('kinds of hair', () => {
  const LIGHT: Partial<Band> = { level: 8, treatments: [{ kind: 'lightened', on: '2026-01-05' }] }

  it('that differ by length alone are one, told by the longest, with their shares and white together', () => {
    const [long, short] = [
      [band(0, 4), band(4, 30, { level: 8 })],
      [band(0, 4), band(4, 12, { level: 8 })],
    ]
    const kinds = kindsOf(mixed([0.5, short, 0.2], [0.3, long, 0.6], [0.2, [band(0, 30, { level: 3 })]]), 'all')
    expect(kinds.map(({ share }) => share)).toEqual([expect.closeTo(0.8, 9), expect.closeTo(0.2, 9)])
    expect(kinds[0]!.strand.bands.at(-1)!.toCm).toBe(30)
    expect(kinds[0]!.white).toBeCloseTo((0.5 * 0.2 + 0.3 * 0.6) / 0.8, 9)
  })

  it.each<[string, Band[]]>([
    ['level', [band(0, 4), band(4, 12, { level: 7.75 })]],
    ['hue', [band(0, 4), band(4, 12, { ...LIGHT, hue: 'gold' })]],
    ['strength of tone', [band(0, 4), band(4, 12, { ...LIGHT, strength: 0.2 })]],
    ['level beneath', [band(0, 4), band(4, 12, { ...LIGHT, beneathLevel: 9 })]],
    ['porosity', [band(0, 4), band(4, 12, { ...LIGHT, porosity: 'high' })]],
    ['wear', [band(0, 4), band(4, 12, { ...LIGHT, integrity: 'worn' })]],
    ['what was done', [band(0, 4), band(4, 12, { ...LIGHT, treatments: [{ kind: 'sun', on: '2026-01-05' }] })]],
    [
      'when it was done',
      [band(0, 4), band(4, 12, { ...LIGHT, treatments: [{ kind: 'lightened', on: '2026-01-06' }] })],
    ],
    ['how often', [band(0, 4), band(4, 12, { ...LIGHT, treatments: [...LIGHT.treatments!, ...LIGHT.treatments!] })]],
    ['edge', [band(0, 5), band(5, 12, LIGHT)]],
    ['number of bands', [band(0, 4), band(4, 8, LIGHT), band(8, 12, LIGHT)]],
    ['root', [band(0, 4, { level: 6 }), band(4, 12, LIGHT)]],
  ])('stay apart by %s', (_what, other) => {
    expect(kindsOf(mixed([0.5, [band(0, 4), band(4, 30, LIGHT)]], [0.5, other]), 'nape')).toHaveLength(2)
  })

  it('of a region are those of its cells only, the commonest first', () => {
    const canvas = mixed([0.4, [band(0, 30)]], [0.6, [band(0, 30, { level: 9 })]])
    const nape = SCALP_CELLS.filter(({ region }) => region === 'nape')
    for (const { index } of nape) canvas.cells[index] = { populations: [canvas.cells[index]!.populations[0]!] }
    expect(strandsOf(canvas, 'nape').map(({ strand }) => strand.id)).toEqual(['s0'])
    expect(strandsOf(canvas, 'crown').map(({ strand }) => strand.id)).toEqual(['s1', 's0'])
  })

  it('that are none are left out of a cell', () => {
    const one = { strandId: 'a', white: 0, sources: [] }
    expect(mergePopulations([{ ...one, share: 0 }])).toEqual([])
    expect(
      mergePopulations([
        { ...one, share: 0.4 },
        { ...one, strandId: 'b', share: 0.6 },
      ])[0]!.strandId,
    ).toBe('b')
  })
})

describe('bands', () => {
  it('do not grow in no time, and are not the same list', () => {
    const bands = [band(0, 30)]
    for (const cm of [0, -2]) {
      expect(growBands(bands, cm, 5)).toEqual(bands)
      expect(growBands(bands, cm, 5)).not.toBe(bands)
    }
  })

  it('keep their other edges while one between two of them moves', () => {
    const moved = moveEdge([band(0, 4), band(4, 12, { level: 7 }), band(12, 30, { level: 9 })], 0, 6)
    expect(moved.map(({ fromCm, toCm, level }) => [fromCm, toCm, level])).toEqual([
      [0, 6, 5],
      [6, 12, 7],
      [12, 30, 9],
    ])
  })

  it('that are longer than others are unlike them by what is missing, whichever comes first', () => {
    const [long, short] = [[band(0, 40)], [band(0, 10)]]
    expect(strandDistance(long, short)).toBeCloseTo(0.75, 9)
    expect(strandDistance(short, long)).toBe(strandDistance(long, short))
  })
})

describe('the area of a scalp cell', () => {
  it('is what counting squares of the equal-area map gives', () => {
    const head = createHead({ circumferenceCm: 54 })
    const counted = new Float64Array(SCALP_CELLS.length)
    const step = 0.1
    for (let x = -25; x < 25; x += step)
      for (let y = -25; y < 25; y += step) {
        const place = placeFromMap(head, { x, y })
        if (place.s <= 1) counted[cellAt(place)]! += step * step
      }
    SCALP_CELLS.forEach((cell, i) => expect(Math.abs(cellArea(head, cell) / counted[i]! - 1)).toBeLessThan(0.06))
  })
})
