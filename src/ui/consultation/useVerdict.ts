'use client'
import { useMemo } from 'react'
import { meanWhite } from '@/core/hair/hairRecord'
import { assess, type Feasibility } from '@/core/judgement/feasibility'
import { useConsultation, useEntry } from './context'

/** The verdict on the wish for the hair as it stands, recomputed as either changes. */
export function useVerdict(): Feasibility {
  const { head } = useConsultation()
  const hair = useEntry((state) => state.entry.hair)
  const canvas = useEntry((state) => state.entry.canvas)
  const goal = useEntry((state) => state.entry.goal)
  return useMemo(
    () => assess({ hair, canvas, goal, meanWhite: meanWhite(head, hair, canvas) }),
    [head, hair, canvas, goal],
  )
}
