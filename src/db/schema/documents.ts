import { customType } from 'drizzle-orm/pg-core'
import { upgradePlan, upgradeSections, type FaltoPlan, type SavedSections } from '../../core/model'

/** A plan document. One that an earlier release wrote is read as this one writes it, and kept so when it is saved. */
export const planDocument = customType<{ data: FaltoPlan; driverData: unknown }>({
  dataType: () => 'jsonb',
  toDriver: (plan) => JSON.stringify(plan),
  fromDriver: (kept) => upgradePlan(kept as FaltoPlan),
})

/** Sections of a salon's own, read in the same way. */
export const sectionsDocument = customType<{ data: SavedSections; driverData: unknown }>({
  dataType: () => 'jsonb',
  toDriver: (sections) => JSON.stringify(sections),
  fromDriver: (kept) => upgradeSections(kept as SavedSections),
})
