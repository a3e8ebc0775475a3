'use client'
import { useEffect, useState } from 'react'
import type { ScaleCommand, ScaleReading } from '@/core/model'
import { callApi } from '../hooks/api'

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
    const source = new EventSource('/api/scale')
    source.onmessage = ({ data }) => {
      const reading = JSON.parse(String(data)) as ScaleReading
      setScale(({ first }) => ({ reading, first: first ?? reading.grams, state: 'there' }))
    }
    source.onerror = () => setScale((before) => ({ ...before, state: 'lost' }))
    return () => source.close()
  }, [])
  return scale
}

/** A hand at the simulated scale. */
export const handAtScale = (command: ScaleCommand, grams?: number): Promise<unknown> =>
  callApi('/api/scale', 'POST', { command, ...(grams !== undefined && { grams }) })
