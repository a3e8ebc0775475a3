'use client'
import { memo } from 'react'
import { LIMITS, type Placement } from '@/core/model'
import { NumberField } from '../parts'
import { editChosen, usePlacement, usePlanStore } from './context'

const OF_TAKE = ['stitchMm', 'stitchGapMm', 'bandCm', 'faceLiftCm'] as const
type TakeFigure = (typeof OF_TAKE)[number]
type RowFigure = 'subsectionMm' | 'rowGapMm' | 'startCm' | 'angleDeg' | 'stopBeforeEndsCm' | 'bufferCm' | 'zigzagMm'

interface Props {
  figure: TakeFigure | RowFigure
  label: string
  step: number
  help?: string
}

const isOfTake = (figure: Props['figure']): figure is TakeFigure => (OF_TAKE as readonly string[]).includes(figure)
const valueOf = (placement: Placement, figure: Props['figure']): number =>
  (isOfTake(figure) ? placement.take[figure] : placement[figure]) ?? 0

/** One figure of the selected zones' placement. It draws again only when this figure changes. */
export const FigureField = memo(function FigureField({ figure, label, step, help = '' }: Props) {
  const { store, permissions } = usePlanStore()
  const value = usePlacement((placement) => valueOf(placement, figure))
  const limit = LIMITS[figure]
  const change = (next: number) =>
    editChosen(
      store,
      (before) => `${label} ${valueOf(before, figure)} → ${next} ${limit.unit}`,
      figure,
      (draft) => {
        if (isOfTake(figure)) draft.take[figure] = next
        else draft[figure] = next
      },
    )
  return (
    <NumberField
      layout="row"
      label={label}
      value={value}
      limit={limit}
      step={step}
      disabled={!permissions.write}
      help={help}
      onChange={change}
    />
  )
})
