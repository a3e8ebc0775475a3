import fc from 'fast-check'
import { checkStage, createLayout, defaultLayoutParameters } from '@/core/placement/layout'
import { createHead } from '@/core/scalp/head'
import { LAYOUT_TEMPLATES, type LayoutTemplate } from '@/core/model'
import { planWith, stageOf } from '../../../tests/support/plan'
import { lostBy, relay } from './relay'

const head = createHead({ circumferenceCm: 54 })
const stageWith = (template: LayoutTemplate) => stageOf(planWith({ template, placement: { rowGapMm: 11 } }))
const layoutOf = (template: LayoutTemplate) => createLayout(template, defaultLayoutParameters())

describe('another layout under a stage', () => {
  it('keeps every law of layouts, from any template to any other', () => {
    fc.assert(
      fc.property(fc.constantFrom(...LAYOUT_TEMPLATES), fc.constantFrom(...LAYOUT_TEMPLATES), (from, to) => {
        const stage = stageWith(from)
        relay(stage, layoutOf(to))
        expect(checkStage(head, stage)).toEqual([])
      }),
      { numRuns: 40 },
    )
  })

  it('keeps id, placement and turn of zones that both have, and starts the others afresh', () => {
    const stage = stageWith('fourQuadrants')
    stage.order.reverse()
    const before = structuredClone(stage)
    relay(stage, createLayout('fourQuadrants', { ...defaultLayoutParameters(), separateNape: true }))
    const kept = stage.zones.filter(({ role }) => role !== 'nape')
    for (const zone of kept) {
      const own = before.zones.find(({ role }) => role === zone.role)!
      expect(zone.id).toBe(own.id)
      expect(zone.placement).toEqual(own.placement)
    }
    expect(stage.order.filter((id) => kept.some((zone) => zone.id === id))).toEqual(before.order)
    expect(stage.zones.find(({ role }) => role === 'nape')!.placement.rowGapMm).toBe(7)
  })

  it('names the zones whose settings would go, and none that were never set', () => {
    const stage = stageWith('fourQuadrants')
    const { sections } = layoutOf('topStrip')
    const roles = new Set(sections.map(({ role }) => role))
    expect(lostBy(stage, sections).map(({ role }) => role)).toEqual(
      stage.zones.map(({ role }) => role).filter((role) => !roles.has(role)),
    )
    expect(lostBy(stage, stage.zones)).toEqual([])
    expect(lostBy(stageOf(planWith({ template: 'fourQuadrants' })), sections)).toEqual([])
  })

  it('brings along what was set in sections that are kept as one’s own, for zones that are new here', () => {
    const own = stageWith('halo')
    const stage = stageWith('fourQuadrants')
    relay(stage, { layout: own.layout, sections: own.zones.map(({ id: _own, ...section }) => section) })
    expect(stage.zones.map(({ role }) => role)).toEqual(own.zones.map(({ role }) => role))
    expect(stage.zones.every(({ placement }) => placement.rowGapMm === 11)).toBe(true)
    expect(new Set([...stage.zones, ...own.zones].map(({ id }) => id)).size).toBe(2 * own.zones.length)
  })

  it('laid back again brings every zone back as it was', () => {
    const stage = stageWith('topStrip')
    const before = structuredClone(stage)
    relay(stage, layoutOf('topStrip'))
    expect(stage).toEqual(before)
  })
})
