import { v7 as newId } from 'uuid'
import { byId, type Layout, type Placement, type Stage, type Zone } from '@/core/model'
import { defaultPlacement } from '@/core/placement/foils'

/** Zones that a new layout does not have, and in which something was set: that goes with them. */
export const lostBy = (stage: Stage, sections: readonly Pick<Zone, 'role'>[]): Zone[] => {
  const usual = JSON.stringify(defaultPlacement())
  return stage.zones.filter(
    ({ role, placement }) => !sections.some((section) => section.role === role) && JSON.stringify(placement) !== usual,
  )
}

/**
 * Puts a new layout under a stage. Zones that both have, by their role, keep their id, their placement and their turn.
 */
export function relay(
  stage: Stage,
  {
    layout,
    sections,
  }: { layout: Layout; sections: readonly (Omit<Zone, 'id' | 'placement'> & { placement?: Placement })[] },
): void {
  const before = new Map(stage.zones.map((zone) => [zone.role, zone]))
  const kept = stage.order.map((id) => byId(stage.zones, id).role)
  stage.layout = layout
  stage.zones = sections.map((section) => {
    const known = before.get(section.role)
    return {
      id: known?.id ?? newId(),
      ...section,
      placement: known?.placement ?? section.placement ?? defaultPlacement(),
    }
  })
  const rank = (role: string) =>
    kept.includes(role) ? kept.indexOf(role) : sections.findIndex((section) => section.role === role)
  stage.order = [...stage.zones].sort((one, other) => rank(one.role) - rank(other.role)).map(({ id }) => id)
}
