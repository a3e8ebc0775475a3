import fc from 'fast-check'
import { bandFault, strandLength } from '../../hair/hairRecord'
import { PRODUCT_KINDS, type Formula, type ProductKind } from '../../model'
import { recipeOf } from '../../product/formula'
import { anyBands, band } from '../../../../tests/support/canvas'
import { shownLevel, treatBand, treatStrand, type Application } from './treat'

/** A mix of one product of a kind that is to come to a level, on all of the strand unless it is said. */
function mix(kind: ProductKind, wanted: Partial<Formula> & Partial<Application> = {}): Application {
  const { fromCm = 0, toCm = 200, seen = false, goal, ...formula } = wanted
  const recipe = recipeOf(
    { id: 'A', name: 'Mix', productId: 'one', developerVol: 10, ratio: 1, level: 8, tone: 'neutral', ...formula },
    [{ id: 'one', name: 'One', kind, maximumMinutes: 30 }],
  )
  return { recipe, goal: goal ?? recipe.formula.level, seen, fromCm, toCm, on: '2026-09-02' }
}
const FIBRE = { naturalLevel: 5, white: false }

describe('treating a strand', () => {
  it('tiles it as before, and changes only the stretch that is reached', () => {
    fc.assert(
      fc.property(
        anyBands,
        fc.double({ min: 0, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 150, noNaN: true }),
        fc.constantFrom(...PRODUCT_KINDS),
        (bands, a, b, kind) => {
          const [fromCm, toCm] = a < b ? [a, b] : [b, a]
          const after = treatStrand(bands, mix(kind, { fromCm, toCm }), FIBRE)
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
      fc.property(anyBands, fc.double({ min: 1, max: 12, noNaN: true }), fc.boolean(), (bands, level, white) => {
        for (const one of bands) {
          const before = shownLevel(one, white)
          const after = (kind: ProductKind) =>
            shownLevel(treatBand(one, mix(kind, { level, tone: 'cool' }), { naturalLevel: 5, white }), white)
          expect(after('powderLightener')).toBeGreaterThanOrEqual(one.level)
          expect(after('gloss')).toBeLessThanOrEqual(before)
          expect(after('directDye')).toBeLessThanOrEqual(before)
          if (one.treatments.length > 0) expect(after('permanentColour')).toBeLessThanOrEqual(before)
        }
      }),
    )
  })

  it('opens hair that is lightened and wears hair that is lightened again', () => {
    const once = treatBand(band(0, 30), mix('powderLightener'), FIBRE)
    expect(once).toMatchObject({ level: 8, porosity: 'high', integrity: 'sound', strength: 0 })
    expect(treatBand(once, mix('powderLightener'), FIBRE).integrity).toBe('worn')
  })

  it('comes no further than the product lifts, and nowhere over metallic salts', () => {
    const far = treatBand(band(0, 30, { level: 1 }), mix('powderLightener', { level: 10 }), {
      ...FIBRE,
      naturalLevel: 1,
    })
    expect(far.level).toBe(9)
    const salts = band(0, 30, { treatments: [{ kind: 'metallic' }] })
    expect(treatBand(salts, mix('powderLightener', { level: 10 }), FIBRE)).toBe(salts)
  })

  it('lifts natural hair by permanent colour, by its developer; and remembers what lies beneath', () => {
    const lifted = treatBand(band(0, 30), mix('permanentColour', { level: 8, developerVol: 30 }), FIBRE)
    expect(lifted.level).toBeGreaterThan(6.5)
    expect(lifted.treatments).toEqual([{ kind: 'permanent', on: '2026-09-02' }])
    const deep = treatBand(band(0, 30, { level: 8 }), mix('demiColour', { level: 5 }), FIBRE)
    expect(deep).toMatchObject({ beneathLevel: 8 })
    expect(Math.abs(deep.level - 5)).toBeLessThanOrEqual(0.7)
  })

  it('an ash 5 on natural 3 stays about 3, and its tone hardly shows; on 8 it is a cool 5', () => {
    const ash = mix('gloss', { level: 5, tone: 'cool' })
    const dark = treatBand(band(0, 30, { level: 3 }), ash, { naturalLevel: 3, white: false })
    expect(Math.abs(dark.level - 3)).toBeLessThanOrEqual(0.75)
    expect(dark.strength).toBeLessThan(0.4)
    const bare = band(0, 30, { level: 8, treatments: [{ kind: 'lightened' }] })
    expect(treatBand(bare, ash, FIBRE)).toMatchObject({ hue: 'ash', strength: 0.8 })
  })

  it('puts warmth back with a filler, takes dye away with a remover, and leaves the record alone for care', () => {
    expect(treatBand(band(0, 30), mix('filler'), FIBRE)).toMatchObject({ hue: 'copper', level: 5 })
    const unknown = band(0, 30, { level: 4, treatments: [{ kind: 'boxDye' }] })
    expect(treatBand(unknown, mix('remover'), FIBRE)).toMatchObject({ level: 6, strength: 0 })
    const henna = band(0, 30, { treatments: [{ kind: 'henna' }] })
    expect(treatBand(henna, mix('remover'), FIBRE)).toBe(henna)
    const natural = band(0, 30)
    for (const kind of ['treatment', 'primer', 'equaliser', 'remover'] as const)
      expect(treatBand(natural, mix(kind), FIBRE)).toBe(natural)
  })

  it('puts as much of a tone on hair as its shade is deep enough to show there, and never takes one away', () => {
    const lifted = (rest: Parameters<typeof band>[2] = {}) =>
      band(0, 30, { level: 8, treatments: [{ kind: 'lightened' }], ...rest })
    const tone = (level: number, rest?: Parameters<typeof band>[2]) => {
      const { hue, strength } = treatBand(lifted(rest), mix('gloss', { level, tone: 'cool' }), FIBRE)
      return [hue, strength]
    }
    // A cool tone is ash at 0.8; three levels lighter than the hair none of it is left, between in proportion.
    expect([tone(7), tone(8), tone(9), tone(9.5), tone(11)]).toEqual([
      ['ash', 0.8],
      ['ash', 0.8],
      ['ash', 0.53],
      ['ash', 0.4],
      ['neutral', 0],
    ])
    const golden = { hue: 'gold' as const, strength: 0.5 }
    expect([tone(9, golden), tone(9.5, golden)]).toEqual([
      ['ash', 0.53],
      ['gold', 0.5],
    ])
    // As deep as the hair it puts its own there, even where that is none.
    expect(treatBand(lifted(golden), mix('gloss', { level: 8, tone: 'neutral' }), FIBRE).strength).toBe(0)
  })

  it('lightens white hair to white, once; after that it is lightened hair like other', () => {
    const white = { naturalLevel: 5, white: true }
    const once = treatBand(band(0, 30), mix('powderLightener', { level: 8 }), white)
    expect(once.level).toBe(11)
    const dyed = band(0, 30, { level: 6, treatments: [{ kind: 'permanent' }] })
    expect(treatBand(dyed, mix('powderLightener', { level: 8 }), white).level).toBe(8)
    expect(treatBand(band(0, 30), mix('powderLightener', { level: 8, seen: true, goal: 9.5 }), white).level).toBe(9.5)
  })

  it('lifts by permanent colour only what is natural and not white', () => {
    const colour = mix('permanentColour', { level: 8, developerVol: 30 })
    const level = (rest: Parameters<typeof band>[2], white = false) =>
      treatBand(band(0, 30, rest), colour, { naturalLevel: 5, white }).level
    expect(level({})).toBeGreaterThan(5)
    expect(level({ treatments: [{ kind: 'demi' }] })).toBe(5)
    // White hair takes the shade, which is deeper than it was.
    expect(level({}, true)).toBeLessThan(11)
    const gloss = mix('gloss', { level: 8 })
    expect(treatBand(band(0, 30), gloss, FIBRE).level).toBe(5)
  })

  it('is what was seen, whatever the mix could do', () => {
    expect(treatBand(band(0, 30), mix('powderLightener', { seen: true, goal: 6 }), FIBRE).level).toBe(6)
    expect(treatBand(band(0, 30), mix('gloss', { seen: true, goal: 5.5 }), FIBRE).level).toBe(5.5)
  })
})
