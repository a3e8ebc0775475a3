'use client'
import { wrap, type Remote } from 'comlink'
import { useEffect, useRef, type RefObject } from 'react'
import type { ClockWorker } from '@/workers/clock.worker'

/** The worker of clocks and days, for as long as the part that asks it is shown; there once that is. */
export function useClockWorker(): RefObject<Remote<ClockWorker> | undefined> {
  const remote = useRef<Remote<ClockWorker>>(undefined)
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/clock.worker.ts', import.meta.url), { type: 'module' })
    remote.current = wrap<ClockWorker>(worker)
    return () => worker.terminate()
  }, [])
  return remote
}
