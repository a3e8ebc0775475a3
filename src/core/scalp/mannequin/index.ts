/**
 * A plain bust around a measured head, to judge placement on: friendly, ageless, nobody in particular. Lengths in cm; x
 * to the client's left, y towards the face, z up from ear height.
 */
export { bustOf, type Bust } from './bust'
export { mannequinField, type Field } from './field'
export { fieldAt, probeField, sampleField, type Grid } from './grid'
export { surfaceNets, type Mesh } from './mesh'
