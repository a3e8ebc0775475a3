'use client'
import { useEffect, useState } from 'react'
import type { FaltoPlan } from '@/core/model'
import type { ClockFigures } from '@/core/plan/planner'
import type { ClockOptions } from '@/core/time/schedule'
import type { ClockAnswer } from '@/workers/clock.worker'
import { useClockWorker } from './useClockWorker'

/** A question put to the clock. */
export interface Asked {
  plan: FaltoPlan
  options: ClockOptions
}

/** What is asked beside the clock itself, in this order, with the name under which the answer is shown. */
export interface Comparison extends Asked {
  key: string
  label: string
}

export interface ClockState {
  answer: ClockAnswer | undefined
  /** Answers to the comparisons that have come in so far. */
  compared: { key: string; label: string; figures: ClockFigures }[]
  busy: boolean
}

/**
 * Works clocks out in a worker: the one asked for first, then the comparisons one by one. A newer question ends an
 * older one.
 */
export function useClock(asked: Asked, comparisons: readonly Comparison[]): ClockState {
  const remote = useClockWorker()
  const [state, setState] = useState<ClockState>({ answer: undefined, compared: [], busy: true })

  useEffect(() => {
    let current = true
    async function work() {
      setState((before) => ({ ...before, busy: true }))
      const answer = await remote.current!.clock(asked.plan, asked.options).catch((): ClockAnswer => ({
        ok: false,
        message: 'This clock could not be worked out. Undo the last change, or export the plan and report it.',
      }))
      if (!current) return
      setState({ answer, compared: [], busy: answer.ok })
      for (const { key, label, plan, options } of answer.ok ? comparisons : []) {
        const other = await remote.current!.clock(plan, options)
        if (!current) return
        if (other.ok)
          setState((before) => ({ ...before, compared: [...before.compared, { key, label, figures: other.figures }] }))
      }
      setState((before) => ({ ...before, busy: false }))
    }
    void work()
    return () => {
      current = false
    }
  }, [remote, asked, comparisons])

  return state
}
