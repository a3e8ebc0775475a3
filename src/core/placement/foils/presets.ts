import type { Placement, Take } from '../../model'

export interface TakePreset {
  id: string
  take: Take
  subsectionMm: number
}

const take = (kind: Take['kind'], stitchMm: number, stitchGapMm: number): Take => ({
  kind,
  stitchMm,
  stitchGapMm,
  depthShare: 1,
  bandCm: 1.2,
})

/** Starting figures of the usual takes. Common practice. */
export const TAKE_PRESETS: readonly TakePreset[] = [
  { id: 'babylight', take: take('babylight', 1.5, 2), subsectionMm: 3 },
  { id: 'fineWeave', take: take('weave', 2, 3), subsectionMm: 6 },
  { id: 'mediumWeave', take: take('weave', 4, 4), subsectionMm: 7 },
  { id: 'chunkyWeave', take: take('weave', 8, 5), subsectionMm: 10 },
  { id: 'slice', take: take('slice', 4, 4), subsectionMm: 5 },
  { id: 'teased', take: take('teased', 4, 4), subsectionMm: 13 },
  { id: 'painted', take: { ...take('painted', 4, 4), shape: 'v', saturation: 0.7 }, subsectionMm: 18 },
  { id: 'block', take: take('block', 4, 4), subsectionMm: 20 },
  { id: 'onScalp', take: take('onScalp', 4, 4), subsectionMm: 3 },
]

/** What a new zone starts with: medium weaves of formula A in horizontal rows with as much left out between them. */
export const defaultPlacement = (): Placement => ({
  direction: 'horizontal',
  angleDeg: 45,
  subsectionMm: 7,
  rowGapMm: 7,
  bricklay: true,
  take: take('weave', 4, 4),
  sequence: ['A'],
  startCm: 0,
  rowOrder: 'bottomUp',
})
