import { PLAN_FORMAT, PLAN_SCHEMA_VERSION, type FaltoPlan, type SavedSections } from './plan'
import type { Placement } from './placement'

interface SectionsLike {
  zones?: { placement?: Partial<Placement> }[]
}
interface PlanLike {
  format?: unknown
  schemaVersion?: unknown
  variants?: { stages?: SectionsLike[] }[]
}

/**
 * A `falto-plan` document as this version writes it. From 1 to 2: fields were added, and saturation counts for every
 * take, so where a 1 kept one for later beside another take than paint it is dropped; its figures stay what they were.
 * Anything else comes back untouched, for the checks to refuse.
 */
export function upgradePlan<T>(entry: T): T | FaltoPlan {
  const plan = entry as PlanLike | null
  if (typeof plan !== 'object' || plan === null) return entry
  if (plan.format !== PLAN_FORMAT || plan.schemaVersion !== 1 || !Array.isArray(plan.variants)) return entry
  const upgraded = {
    ...plan,
    schemaVersion: PLAN_SCHEMA_VERSION,
    variants: plan.variants.map((variant) =>
      Array.isArray(variant?.stages) ? { ...variant, stages: variant.stages.map(upgradeSections) } : variant,
    ),
  }
  return upgraded as unknown as FaltoPlan
}

/** Sections as this version keeps them. */
export function upgradeSections<T extends SectionsLike | SavedSections>(sections: T): T {
  if (!Array.isArray(sections?.zones)) return sections
  const zones = sections.zones as { placement?: Partial<Placement> }[]
  return { ...sections, zones: zones.map(withoutSpareSaturation) }
}

function withoutSpareSaturation<Zone extends { placement?: Partial<Placement> }>(zone: Zone): Zone {
  const take = zone?.placement?.take
  if (take?.saturation === undefined || take.kind === 'painted') return zone
  const { saturation: _kept, ...rest } = take
  return { ...zone, placement: { ...zone.placement, take: rest } }
}
