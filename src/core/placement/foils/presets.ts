import type { Placement, Take } from '../../model'

/** Starting figures of a kind of take. */
interface TakeFigures {
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
const PRESETS = {
  babylight: { take: take('babylight', 1.5, 2), subsectionMm: 3 },
  fineWeave: { take: take('weave', 2, 3), subsectionMm: 6 },
  mediumWeave: { take: take('weave', 4, 4), subsectionMm: 7 },
  chunkyWeave: { take: take('weave', 8, 5), subsectionMm: 10 },
  slice: { take: take('slice', 4, 4), subsectionMm: 5 },
  teased: { take: take('teased', 4, 4), subsectionMm: 13 },
  painted: { take: { ...take('painted', 4, 4), shape: 'v', saturation: 0.7 }, subsectionMm: 18 },
  block: { take: take('block', 4, 4), subsectionMm: 20 },
  onScalp: { take: take('onScalp', 4, 4), subsectionMm: 3 },
} satisfies Record<string, TakeFigures>

export type TakePresetId = keyof typeof PRESETS
export interface TakePreset extends TakeFigures {
  id: TakePresetId
}

/** The usual takes, from fine to bold. */
export const TAKE_PRESETS: readonly TakePreset[] = (Object.keys(PRESETS) as TakePresetId[]).map((id) => ({
  id,
  ...PRESETS[id],
}))

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
