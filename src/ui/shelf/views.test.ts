import type { ShelfItem } from '@/core/model'
import { DEMO_CATALOGUE } from '@/demo'
import { day } from '../../../tests/support/days'
import { isShort, VIEWS, type View } from './views'

const item = { ...DEMO_CATALOGUE[0]!, reorderG: 100 }
const shelf = (rest: Partial<ShelfItem> = {}): ShelfItem => ({
  item,
  revision: 1,
  lots: [],
  grams: 500,
  todayG: 0,
  weekG: 0,
  ...rest,
})
const lot = (expiresOn: string | null) => ({ id: 'lot', lot: 'L1', expiresOn, grams: 10 })
const shownIn = (one: ShelfItem) => (Object.keys(VIEWS) as View[]).filter((view) => VIEWS[view].shows(one))

describe('ways to look at a shelf', () => {
  it('orders below the salon’s own mark, and below what the week asks for', () => {
    expect(isShort(shelf({ grams: 100 }))).toBe(false)
    expect(isShort(shelf({ grams: 99.9 }))).toBe(true)
    expect(isShort(shelf({ grams: 500, weekG: 500 }))).toBe(false)
    expect(isShort(shelf({ grams: 500, weekG: 500.1 }))).toBe(true)
  })

  it('shows a product where it belongs and nowhere else', () => {
    expect(shownIn(shelf())).toEqual(['all'])
    expect(shownIn(shelf({ grams: 0 }))).toEqual(['all', 'short'])
    expect(shownIn(shelf({ todayG: 5, weekG: 5 }))).toEqual(['all', 'today', 'week'])
    expect(shownIn(shelf({ weekG: 5 }))).toEqual(['all', 'week'])
  })

  it('tells of lots that expire within two months, those that are past included', () => {
    expect(shownIn(shelf({ lots: [lot(null)] }))).toEqual(['all'])
    expect(shownIn(shelf({ lots: [lot(day(-70))] }))).toEqual(['all'])
    for (const ago of [-50, 0, 3]) expect(shownIn(shelf({ lots: [lot(day(ago))] }))).toEqual(['all', 'expiring'])
  })

  it('says something where a way shows nothing', () => {
    for (const view of ['short', 'today', 'week', 'expiring'] as const) expect(VIEWS[view].empty).toMatch(/\.$/)
  })
})
