'use client'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import type { OpenRun } from '@/core/model'
import { foldRun, shownAt, type RunScript, type RunState } from '@/core/time/run'
import { createRunFollower, type Told } from './follower'

export interface LiveRun {
  state: RunState
  /** The visit's clock, as well as this device knows it, ms. */
  now: () => number
  tell: (told: Told) => void
  /** Events that this device keeps because they could not be sent yet. */
  unsent: number
  /** Something told is not yet written where a reload finds it. */
  writing: boolean
  /** Words of the server about something it refused. */
  refused: string | undefined
}

/** A run as it goes on, for a page. */
export function useRun(open: OpenRun<RunScript>): LiveRun {
  const [follower] = useState(() => createRunFollower(open))
  const { events, queue, writing, refused } = useStore(follower)
  useEffect(() => follower.follow(), [follower])
  const state = useMemo(() => {
    const sent = new Set(events.map(({ id }) => id))
    return foldRun([...events, ...queue.filter(({ id }) => !sent.has(id))])
  }, [events, queue])
  const { clock } = state
  const now = useCallback(() => shownAt(clock, follower.serverTime()), [clock, follower])
  return { state, now, tell: follower.tell, unsent: queue.length, writing: writing > 0, refused }
}
