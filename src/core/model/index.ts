/**
 * The types of Falto's documents and results. Field names carry a unit wherever it is not the core's own
 * (cm, cm², g, s). Angles in documents are degrees, because people read them.
 */
export * from './advice'
export * from './booking'
export * from './catalogue'
export * from './caution'
export * from './exchange'
export * from './head'
export * from './hair'
export * from './consultation'
export * from './layout'
export * from './placement'
export * from './indexPlan'
export * from './plan'
export * from './shelf'
export * from './limits'
export * from './relations'
export * from './run'
export * from './team'
export * from './upgrade'
