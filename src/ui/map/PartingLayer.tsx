'use client'
import { usePlan } from './context'
import { DrawLayer } from './partings/DrawLayer'
import { MergeLayer } from './partings/MergeLayer'
import { MoveLayer } from './partings/MoveLayer'

const LAYERS = { draw: DrawLayer, move: MoveLayer, merge: MergeLayer } as const

interface Props {
  mode: keyof typeof LAYERS
  /** Map cm that stay as large on screen as one of the whole map. */
  scale: number
}

/** Partings in hand over the map, in its own coordinates (y downwards, cm), once there is a head to draw them on. */
export function PartingLayer({ mode, scale }: Props) {
  const drawing = usePlan((state) => state.answer?.drawing)
  const Layer = LAYERS[mode]
  return drawing ? <Layer scale={scale} drawing={drawing} /> : null
}
