/**
 * Drawings of a computed plan: the flat map as paths, the head in space as triangles, the head sheet, the list of
 * foils.
 */
export { foilList, type FoilLine } from './foilList'
export { headModel, type HeadModel, type Triangles } from './headModel'
export { headSheet, svgOfSheet, type HeadSheet, type SheetStage } from './headSheet'
export { sideViews, type SideView } from './sideViews'
export { mixingCards, type MixingCard, type MixingCards } from './mixingCards'
export {
  mapDrawing,
  swatchesOf,
  type MapDetail,
  type MapDrawing,
  type PieceDrawing,
  type ZoneDrawing,
} from './mapDrawing'
