import fc from 'fast-check'
import { TEXTURES, TREATMENTS, type Band, type Treatment, type TreatmentKind } from '../../model'
import { historyRate, lightestOf } from '../../time/lightening'
import { band, canvasWith } from '../../../../tests/support/canvas'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { BUILDS_UP, fadeBand, lastDyeOf, mergeAlike, pastInShort, predictCanvas } from '.'

/** One after the other, a day each. */
const done = (...kinds: TreatmentKind[]): Treatment[] =>
  kinds.map((kind, i) => ({ kind, on: `2026-01-${String(i + 1).padStart(2, '0')}` }))
const words = (treatments: readonly Treatment[]) => treatments.map(({ kind, on }) => `${kind} ${on!.slice(-2)}`)

describe('a past in short', () => {
  it('is one line of a card, however often hair was highlighted and glossed', () => {
    expect(words(pastInShort(done('demi', 'demi', 'demi')))).toEqual(['demi 03'])
    expect(words(pastInShort(done('permanent', 'demi', 'lightened', 'demi', 'lightened', 'demi', 'demi')))).toEqual([
      'permanent 01',
      'demi 02',
      'lightened 05',
      'demi 07',
    ])
    const glossedFirst = done('lightened', 'demi', 'lightened', 'demi')
    expect(pastInShort(glossedFirst)).toBe(glossedFirst)
  })

  it('keeps dye upon dye, which builds up, until it is more than a record tells', () => {
    const fourTimes = done('permanent', 'permanent', 'permanent', 'permanent')
    expect(pastInShort(fourTimes)).toBe(fourTimes)
    const monthly = pastInShort(done('boxDye', ...Array<'permanent'>(12).fill('permanent')))
    expect(words(monthly)).toEqual(
      ['boxDye', 'permanent', ...Array<string>(6).fill('permanent')].map(
        (kind, i) => `${kind} ${['01', '02', '08', '09', '10', '11', '12', '13'][i]}`,
      ),
    )
    // What was never done once more in between stays, however much it is.
    const each = done('henna', 'unknown', 'boxDye', 'permanent')
    const twice = [...each, ...each, { kind: 'sun' as const }, { kind: 'demi' as const }]
    expect(pastInShort(twice)).toBe(twice)
  })

  it('lifts and fades as the whole of it does', () => {
    const past = fc.array(fc.constantFrom(...TREATMENTS), { maxLength: 20 }).map((kinds) => done(...kinds))
    fc.assert(
      fc.property(past, (treatments) => {
        const short = pastInShort(treatments)
        const [whole, told] = [{ treatments }, { treatments: short }]
        expect(new Set(short.map(({ kind }) => kind))).toEqual(new Set(treatments.map(({ kind }) => kind)))
        expect(short.at(-1)).toEqual(treatments.at(-1))
        expect(lastDyeOf(told)).toBe(lastDyeOf(whole))
        expect(lightestOf(told)).toBe(lightestOf(whole))
        // Of a past of everything, dye upon dye is told less often than it was.
        const dyes = (of: readonly Treatment[]) => of.filter(({ kind }) => BUILDS_UP.has(kind)).length
        if (dyes(short) === dyes(treatments))
          for (const texture of TEXTURES) expect(historyRate(told, texture)).toBe(historyRate(whole, texture))
        expect(pastInShort(short)).toEqual(short)
      }),
    )
  })
})

it('a record whose past is longer than an entry may be can be kept again once it is opened', () => {
  const often = Array.from({ length: 20 }, (_, i) => (i % 2 ? 'demi' : 'lightened') as TreatmentKind)
  const canvas = canvasWith([band(0, 30, { level: 8, treatments: done(...often) })])
  const { strands } = predictCanvas(canvas, MEDIUM_HAIR, { on: canvas.recordedOn })
  expect(strands[0]!.bands[0]!.treatments.map(({ kind }) => kind)).toEqual(['lightened', 'demi', 'lightened', 'demi'])
})

describe('bands of which the same is told', () => {
  const glossed = (from: number, to: number, times: number, rest: Partial<Band> = {}) =>
    band(from, to, { level: 7, beneathLevel: 8, treatments: done(...Array<'demi'>(times).fill('demi')), ...rest })
  const told = (...bands: Band[]) => mergeAlike(canvasWith(bands)).strands[0]!.bands

  it('are one in a record, as the longest of them is', () => {
    const [one, ...others] = told(glossed(0, 2.5, 1), glossed(2.5, 5, 2), glossed(5, 9, 3))
    expect(others).toEqual([])
    expect(one).toMatchObject({ fromCm: 0, toCm: 9, treatments: [{ kind: 'demi', on: '2026-01-03' }] })
    expect(fadeBand(one!, 20)).toMatchObject({ level: fadeBand(glossed(0, 9, 3), 20).level })
  })

  it.each<[string, Partial<Band>]>([
    ['level', { level: 7.5 }],
    ['hue', { hue: 'ash' }],
    ['strength of tone', { strength: 0.4 }],
    ['level beneath', { beneathLevel: 9 }],
    ['porosity', { porosity: 'high' }],
    ['wear', { integrity: 'worn' }],
    ['what was done', { treatments: done('lightened', 'demi') }],
    ['what was never done', { treatments: [] }],
  ])('stay apart by %s', (_what, other) => {
    expect(told(glossed(0, 4, 1), glossed(4, 9, 1, other))).toHaveLength(2)
  })
})
