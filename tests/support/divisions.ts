import { createHead } from '@/core/scalp/head'
import { checkStage, type Division } from '@/core/placement/layout'
import type { LayoutTemplate } from '@/core/model'
import { planWith, stageOf } from './plan'

export const head = createHead({ circumferenceCm: 54 })
export type Zones = Division<{ id: string; boundary: { edge: string; reversed: boolean }[] }>
/** A template's partings on a standard head, as they are cut and merged. */
export const divisionOf = (template: LayoutTemplate): Zones => {
  const { layout, zones } = stageOf(planWith({ template }))
  return { vertices: layout.vertices, edges: layout.edges, zones: zones.map(({ id, boundary }) => ({ id, boundary })) }
}
/** Laws of layouts that a division breaks. */
export const holds = (division: Zones) =>
  checkStage(head, {
    id: 's',
    kind: 'lighten',
    name: '',
    layout: {
      template: 'fourQuadrants',
      parameters: { separateNape: false, stripWidthCm: 6, partOffsetCm: 0 },
      vertices: division.vertices,
      edges: division.edges,
    },
    zones: division.zones.map((zone) => ({
      ...zone,
      role: zone.id,
      name: zone.id,
      placement: stageOf(planWith()).zones[0]!.placement,
    })),
    order: division.zones.map(({ id }) => id),
  })
