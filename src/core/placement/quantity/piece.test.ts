import { fibreGramsPerCm } from '../../hair/fibre'
import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import type { Piece } from '../foils'
import { loadFor, pieceGrams, pieceSeconds, type Applied } from '.'

const plan = planWith()
const HAIR = plan.hair
const UNTAUGHT = { load: 1, seconds: 1 }
/** A foil that can be reckoned by hand: 10 cm wide, 28 cm of hair in it, half of the hair picked up. */
const FOIL: Piece = {
  ...computeStages(plan).pieces[0]!,
  kind: 'foil',
  cover: 'foil',
  take: { ...computeStages(plan).pieces[0]!.take, kind: 'weave', stitchMm: 3, stitchGapMm: 3, depthShare: 1 },
  width: 10,
  area: 8,
  hairs: 1000,
  takenHairs: 500,
  hairLength: 30,
  fromCm: 2,
  toCm: Infinity,
  treatedFibre: 14_000,
}
const grams = (piece: Partial<Piece>, how: Partial<Applied> = {}, learned = UNTAUGHT) =>
  pieceGrams({ ...FOIL, ...piece }, { kind: 'powderLightener', method: 'foil', ...how }, HAIR, learned)

describe('the grams of one piece', () => {
  const hair = 14_000 * fibreGramsPerCm(HAIR.texture)

  it('are its hair’s, and what stays on the foil: at its edges and between what was picked up', () => {
    const one = grams({})
    expect(one.hair).toBeCloseTo(hair, 9)
    expect(one.onHair).toBeCloseTo(hair * loadFor('powderLightener', 30, HAIR.texture), 9)
    expect(one.onScalp).toBe(0)
    // 0.3 g of edge, 0.003 g for each of 10 × 28 cm² that half of the hair leaves bare.
    expect(one.edge).toBeCloseTo(0.3 + 10 * 28 * 0.5 * 0.003, 9)
  })

  it('lose nothing on a foil where there is none', () => {
    expect(grams({ kind: 'open', cover: 'open' }, { method: 'brush' }).edge).toBe(0)
    // Laid into somebody else’s foil it has no edges of its own, and still lies on the foil.
    expect(grams({ kind: 'open', cover: 'foil' }).edge).toBeCloseTo(10 * 28 * 0.5 * 0.003, 9)
  })

  it('are laid on the surface too where it is painted', () => {
    const open = { kind: 'open' as const, cover: 'open' as const }
    const film = grams(open, { method: 'painting' }).onHair - grams(open, { method: 'brush' }).onHair
    expect(film).toBeCloseTo(10 * 28 * 0.5 * 0.012, 9)
    const thick = (consistency: Applied['consistency'], learned = UNTAUGHT) =>
      grams(open, { method: 'painting', consistency }, learned).onHair
    expect(thick('thick') / thick('cream')).toBeCloseTo(1.15, 9)
    expect(thick('liquid') / thick('cream')).toBeCloseTo(0.85, 9)
    expect(thick('cream', { load: 1.3, seconds: 1 }) / thick('cream')).toBeCloseTo(1.3, 9)
  })

  it('wet the scalp by method and kind, all of it or as much as is picked up', () => {
    const scalp = { kind: 'onScalp' as const, cover: 'open' as const, fromCm: 0 }
    expect(grams(scalp, { method: 'brushOnScalp' }).onScalp).toBeCloseTo(8 * 0.15, 9)
    expect(grams(scalp, { kind: 'permanentColour', method: 'brushOnScalp' }).onScalp).toBeCloseTo(8 * 0.11, 9)
    expect(grams(scalp, { method: 'brush' }).onScalp).toBeCloseTo(8 * 0.04, 9)
    const begun = { kind: 'open' as const, cover: 'open' as const, fromCm: 0 }
    expect(grams(begun, { method: 'brush' }).onScalp).toBeCloseTo((8 * 500 * 0.04) / 1000, 9)
    expect(grams({ ...begun, fromCm: 2 }, { method: 'brush' }).onScalp).toBe(0)
  })

  it('end where product ends, and are none on hair that does not reach it', () => {
    expect(grams({ toCm: 12 }).edge).toBeCloseTo(0.3 + 10 * 10 * 0.5 * 0.003, 9)
    expect(grams({ fromCm: 40 }).edge).toBeCloseTo(0.3, 9)
  })
})

describe('the seconds of one piece', () => {
  const seconds = (piece: Partial<Piece>, method: Applied['method'] = 'foil', learned = UNTAUGHT) =>
    pieceSeconds({ ...FOIL, ...piece }, method, learned)
  const take = (more: Partial<Piece['take']>): Partial<Piece> => ({ take: { ...FOIL.take, ...more } })

  it('are those of its take and width', () => {
    expect(seconds({})).toBeCloseTo(15 + 24, 9)
    expect(seconds(take({ kind: 'slice' }))).toBeCloseTo(12 + 17, 9)
    expect(seconds(take({ kind: 'babylight' }))).toBeCloseTo(20 + 36, 9)
    expect(seconds({ kind: 'open' }, 'painting')).toBeCloseTo(25 + 40, 9)
  })

  it('are ten more where it is back-combed first, and no more where that is its take', () => {
    expect(seconds(take({ teased: true }))).toBeCloseTo(39 + 10, 9)
    expect(seconds(take({ kind: 'teased', teased: true }))).toBeCloseTo(22 + 17, 9)
    expect(seconds(take({ kind: 'teased' }))).toBeCloseTo(22 + 17, 9)
  })

  it('are fewer for what goes into a foil that is open already', () => {
    expect(seconds({ along: 'first' })).toBeCloseTo(8 + 8, 9)
    expect(seconds({ kind: 'open' })).toBeCloseTo(8 + 8, 9)
  })

  it('are longer along a zigzag, in long hair where foils are laid, and for a slower hand', () => {
    expect(seconds({ zigzag: 1 })).toBeCloseTo(39 * 1.15, 9)
    expect(seconds({ zigzag: 1, ...take({ teased: true }) })).toBeCloseTo(39 * 1.15 + 10, 9)
    expect(seconds({ hairLength: 60 })).toBeGreaterThan(39)
    expect(seconds({ hairLength: 60 }, 'brush')).toBeCloseTo(8 * 1.05, 9)
    expect(seconds({ hairLength: 60 }, 'brushOnScalp')).toBeCloseTo(7, 9)
    expect(seconds({}, 'foil', { load: 1, seconds: 0.8 })).toBeCloseTo(39 * 0.8, 9)
  })

  it('go by the scalp that is worked where it is poured or sprayed', () => {
    expect(seconds({}, 'bottleAndComb')).toBeCloseTo(8 * 0.65, 9)
    expect(seconds({}, 'sprayOrMassage')).toBeCloseTo(8 * 0.2, 9)
  })
})
