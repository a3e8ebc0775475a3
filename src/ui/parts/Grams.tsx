'use client'
import type { Range } from '@/core/placement/quantity'
import { useUnits } from '../hooks/useUnits'

/** An amount of mix with its range, in the salon's unit. */
export function Grams({ expected, low, high }: Range) {
  const { unit, shown } = useUnits().field('g')
  return (
    <>
      <b>
        {shown(expected)} {unit}
      </b>{' '}
      ({shown(low)}–{shown(high)})
    </>
  )
}
