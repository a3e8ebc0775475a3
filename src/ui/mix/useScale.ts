'use client'
import { useEffect, useState } from 'react'
import type { ScaleCommand, ScaleReading } from '@/core/model'
import { callApi } from '../hooks/api'
import { hear } from '../hooks/stream'

/** Something that shows a weight. A real scale would be another source of the same. */
export interface Scale {
  /** The last figure it showed; stays when it falls silent. */
  reading: ScaleReading | undefined
  /** What it showed first, which is the empty bowl, g. */
  first: number | undefined
  state: 'looking' | 'there' | 'lost'
}

/** Follows the scale's stream of readings; it is looked for again by itself after it fell silent. */
export function useScale(): Scale {
  const [scale, setScale] = useState<Scale>({ reading: undefined, first: undefined, state: 'looking' })
  useEffect(() => {
    const { end } = hear(
      () => '/api/scale',
      {
        message(data) {
          const reading = JSON.parse(data) as ScaleReading
          setScale(({ first }) => ({ reading, first: first ?? reading.grams, state: 'there' }))
        },
      },
      (is) => {
        if (!is) setScale((before) => ({ ...before, state: 'lost' }))
      },
    )
    return end
  }, [])
  return scale
}

/** A hand at the simulated scale. */
export const handAtScale = (command: ScaleCommand, grams?: number): Promise<unknown> =>
  callApi('/api/scale', 'POST', { command, ...(grams !== undefined && { grams }) })
