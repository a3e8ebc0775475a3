import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import type { Cover, ProductKind, Stage, TakeKind } from '../../model'
import { methodOf } from './method'

const pieceOf = (kind: TakeKind, cover?: Cover, upToCm?: number) =>
  computeStages(
    planWith({ placement: { take: { kind }, rowGapMm: 0, ...(cover && { cover }), ...(upToCm && { upToCm }) } }),
  ).pieces[0]!
const how = (product: ProductKind, piece: ReturnType<typeof pieceOf>, method?: Stage['method']) =>
  methodOf({ method }, product, piece)

describe('how product goes on', () => {
  it('is into the foil where there is one, whatever the stage says', () => {
    expect(how('gloss', pieceOf('weave'))).toBe('foil')
    expect(how('powderLightener', pieceOf('block', 'foil'), 'brush')).toBe('foil')
  })

  it('is as the stage says outside foils', () => {
    expect(how('gloss', pieceOf('block'), 'brush')).toBe('brush')
    expect(how('gloss', pieceOf('block', 'film'), 'bottleAndComb')).toBe('bottleAndComb')
    expect(how('gloss', pieceOf('block'), 'foil')).toBe('bottleAndComb')
  })

  it.each<[ProductKind, TakeKind, Cover | undefined, number | undefined, string]>([
    ['clayLightener', 'painted', undefined, undefined, 'painting'],
    ['powderLightener', 'slice', 'film', undefined, 'painting'],
    ['creamLightener', 'onScalp', undefined, undefined, 'brushOnScalp'],
    ['permanentColour', 'onScalp', undefined, undefined, 'brushOnScalp'],
    ['gloss', 'onScalp', undefined, undefined, 'brush'],
    ['gloss', 'block', undefined, undefined, 'bottleAndComb'],
    ['gloss', 'block', undefined, 6, 'brush'],
    ['permanentColour', 'block', undefined, undefined, 'brush'],
    ['treatment', 'block', undefined, undefined, 'sprayOrMassage'],
    ['equaliser', 'onScalp', undefined, undefined, 'sprayOrMassage'],
  ])('%s on a take of %s, cover %s, up to %s: %s', (product, take, cover, upToCm, expected) => {
    expect(how(product, pieceOf(take, cover, upToCm))).toBe(expected)
  })
})
