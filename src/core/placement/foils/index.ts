/**
 * Stage 3: what is taken. Parting fields with true pitch, rows, foils and their stitches. Lengths in cm, areas in cm²
 * of scalp, hair as a number of hairs or as cm of fibre.
 */
export { FOIL_USABLE_CM, ONE_FOIL_ROW_CM } from './constants'
export { createField, type PartingField } from './field'
export { hairsByCell, hairsOfCells, takenShareByCell } from './cells'
export {
  placeZone,
  rowOfOneFoil,
  TooManyPiecesError,
  USUAL_FOILS,
  type Surroundings,
  type ZoneHair,
  type ZonePlacement,
} from './foils'
export { foilsOf, type Piece } from './pieces'
export { paintRamp, type PaintedRamp, type ZoneRamp } from './paintedRamp'
export { defaultPlacement, TAKE_PRESETS, type TakePreset, type TakePresetId } from './presets'
export { ARC, MAP, PITCH, pointCount, polylineLength, RISE, STRIDE, type Polyline } from './polyline'
export { isTakeFigure, rampWays } from './ramps'
export { pieceOutline, pieceStitches, stitchSpans } from './stitches'
export { siteFor, type Site } from './site'
export {
  coverOf,
  isDiagonal,
  isStitched,
  pieceTouchesScalp,
  saturationOf,
  takenShare,
  takesAll,
  touchesScalp,
} from './take'
export { zoneHair } from './zoneHair'
