/**
 * Stage 2: zones. One planar subdivision of the scalp with shared vertices in head-free places, laid out from a
 * template, checked against its laws and drawn on a real head. Areas in cm² of scalp.
 */
export { checkStage, type LayoutProblem } from './check'
export type { ZoneMesh } from './mesh'
export { edgeDrawer, signedArea, type DrawnEdges } from './outline'
export { shapeZone, type ZoneShape } from './shape'
export { cut, cutClosed } from './cut'
export { bridgedAnew } from './islands'
export { closedLine } from './closing'
export { bridgesOf } from './loops'
export { merge } from './merge'
export { bendParting, mirrored, moveParting, moveVertex } from './move'
export { DivisionError, zoneAt, zoneOutline, type Bounded, type Division } from './division'
export { snapPoint, type Snap, type SnapKind, type SnapTargets } from './snap'
export { diskFromPlace, insidePolygon, placeOf, type DiskPoint } from './disk'
export { mirrorRole, otherSideFirst, sideBegun } from './sides'
export {
  circleRadiusFor,
  createLayout,
  defaultLayoutParameters,
  layoutFor,
  LayoutParameterError,
  partOffsetFor,
  pastPartFor,
  TEMPLATE_PARAMETERS,
  type Section,
} from './templates'
