/** Drawings of a computed plan: the flat map as paths, the head in space as triangles. */
export { headModel, type HeadModel, type Triangles } from './headModel'
export { mapDrawing, type MapDrawing, type PieceDrawing, type ZoneDrawing } from './mapDrawing'
