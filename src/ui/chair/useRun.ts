'use client'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { v7 as newId } from 'uuid'
import { useStore } from 'zustand'
import type { KeptRunEvent, More, OpenRun } from '@/core/model'
import { amendedRun, amendmentsIn, foldRun, shownAt, type RunScript, type RunState } from '@/core/time/run'
import { callApi } from '../hooks/api'
import { createRunFollower, type Told } from './follower'

export interface LiveRun {
  /** The visit as it is by now, with what was added at the chair. */
  open: OpenRun<RunScript>
  /** Adds a stage; needs the network. */
  add: (more: More) => Promise<void>
  state: RunState
  /** The visit's clock, as well as this device knows it, ms. */
  now: () => number
  tell: (told: Told) => void
  /** Events that this device keeps because they could not be sent yet. */
  unsent: number
  /** So many events that others told here and did not get sent. */
  left: number
  takeOverLeft: () => void
  /** Something told is not yet written where a reload finds it. */
  writing: boolean
  /** Words of the server about something it refused. */
  refused: string | undefined
  /** Nothing is heard of the server, so not of what others do either. */
  apart: boolean
}

/** A run as it goes on, for a page. */
export function useRun(open: OpenRun<RunScript>): LiveRun {
  const [follower] = useState(() => createRunFollower(open))
  const { events, queue, left, writing, refused, apart } = useStore(follower)
  useEffect(() => follower.follow(), [follower])
  const [state, amended] = useMemo(() => {
    const sent = new Set(events.map(({ id }) => id))
    const log = [...events, ...queue.filter(({ id }) => !sent.has(id))]
    return [foldRun(log), amendedRun(open, amendmentsIn(log))] as const
  }, [open, events, queue])
  const add = useCallback(
    async (more: More) => {
      // What was told before comes before it in the log.
      await follower.send()
      const body = { id: newId(), deviceId: follower.deviceId, ...more }
      const told = await callApi<{ events: KeptRunEvent[] }>(`/api/runs/${open.id}/more`, 'POST', body)
      follower.take(told.events)
    },
    [follower, open.id],
  )
  const { clock } = state
  const now = useCallback(() => shownAt(clock, follower.serverTime()), [clock, follower])
  return {
    open: amended,
    state,
    now,
    tell: follower.tell,
    add,
    unsent: queue.length,
    left: left.length,
    takeOverLeft: () => void follower.takeOverLeft(),
    writing: writing > 0,
    refused,
    apart,
  }
}
