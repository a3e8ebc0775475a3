'use client'
import { get, update } from 'idb-keyval'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { v7 as newId } from 'uuid'
import type { KeptRunEvent, OpenRun, RunEvent } from '@/core/model'
import { foldRun, shownAt, type RunScript, type RunState } from '@/core/time/run'
import { callApi, OfflineError } from '../hooks/api'

type Told = Pick<RunEvent, 'kind'> &
  Partial<Omit<RunEvent, 'id' | 'kind' | 'deviceId' | 'deviceSeq' | 'deviceTime' | 'offsetMs'>>

export interface LiveRun {
  state: RunState
  /** The visit's clock, as well as this device knows it, ms. */
  now: () => number
  tell: (told: Told) => void
  /** Events that this device keeps because they could not be sent yet. */
  unsent: number
  /** Words of the server about something it refused. */
  refused: string | undefined
}

/**
 * What this device keeps of a run through reloads and a flat battery. Several windows of one device share it, so it is
 * only ever added to and taken from.
 */
interface Kept {
  /** What the server had told by then, for a reload without a network. */
  events: readonly KeptRunEvent[]
  queue: readonly RunEvent[]
  offsetMs: number
}

const AGAIN_MS = 2000
const storeKey = (id: string) => `falto-run/${id}`

/**
 * Follows a run: what the server keeps, then what this device could not send yet. Nothing told here is lost by a reload
 * or without a network.
 */
export function useRun(open: OpenRun<RunScript>): LiveRun {
  const [events, setEvents] = useState<readonly KeptRunEvent[]>(open.events)
  const [queue, setQueue] = useState<readonly RunEvent[]>([])
  const [refused, setRefused] = useState<string>()
  const [begun] = useState(() => ({ deviceId: newId(), seq: 0, offsetMs: open.now - Date.now() }))
  const thisWindow = useRef(begun)
  const waiting = useRef<readonly RunEvent[]>([])
  const known = useRef<readonly KeptRunEvent[]>(open.events)
  const sending = useRef(false)

  const remember = useCallback(
    (change: (kept: Kept) => Kept) =>
      void update<Kept>(storeKey(open.id), (kept) =>
        change(kept ?? { events: [], queue: [], offsetMs: thisWindow.current.offsetMs }),
      ),
    [open.id],
  )
  const wait = useCallback((list: readonly RunEvent[]) => {
    waiting.current = list
    setQueue(list)
  }, [])

  const take = useCallback(
    (fresh: readonly KeptRunEvent[]) => {
      const last = known.current.at(-1)?.runSeq ?? 0
      const newer = fresh.filter(({ runSeq }) => runSeq > last)
      if (newer.length === 0) return
      known.current = [...known.current, ...newer]
      setEvents(known.current)
      remember((kept) => (kept.events.length < known.current.length ? { ...kept, events: known.current } : kept))
    },
    [remember],
  )

  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    try {
      while (waiting.current.length > 0) {
        const batch = waiting.current
        const asked = Date.now()
        try {
          const answer = await callApi<{ events: KeptRunEvent[]; now: number }>(`/api/runs/${open.id}/events`, 'POST', {
            events: batch,
            after: known.current.at(-1)?.runSeq ?? 0,
          })
          // The answer was written about halfway between asking and hearing.
          thisWindow.current.offsetMs = Math.round(answer.now - (asked + Date.now()) / 2)
          const sent = new Set(batch.map(({ id }) => id))
          take(answer.events)
          wait(waiting.current.filter(({ id }) => !sent.has(id)))
          remember((kept) => ({
            ...kept,
            queue: kept.queue.filter(({ id }) => !sent.has(id)),
            offsetMs: thisWindow.current.offsetMs,
          }))
          setRefused(undefined)
        } catch (error) {
          const offline = error instanceof OfflineError
          if (!offline) setRefused(error instanceof Error ? error.message : String(error))
          setTimeout(() => void send(), offline ? AGAIN_MS : 5 * AGAIN_MS)
          return
        }
      }
    } finally {
      sending.current = false
    }
  }, [open.id, remember, take, wait])

  useEffect(() => {
    void get<Kept>(storeKey(open.id)).then((kept) => {
      if (!kept) return
      // The page may have come from the device itself, hours old, and its clock with it. What is old says too little.
      thisWindow.current.offsetMs = Math.max(thisWindow.current.offsetMs, kept.offsetMs)
      const own = new Set(waiting.current.map(({ id }) => id))
      wait([...kept.queue.filter(({ id }) => !own.has(id)), ...waiting.current])
      take(kept.events)
      void send()
    })
    const again = () => void send()
    window.addEventListener('online', again)
    return () => window.removeEventListener('online', again)
  }, [open.id, open.events.length, send, take, wait])

  useEffect(() => {
    const source = new EventSource(`/api/runs/${open.id}/stream?after=${known.current.at(-1)?.runSeq ?? 0}`)
    source.onmessage = ({ data }: MessageEvent<string>) => take([JSON.parse(data) as KeptRunEvent])
    source.addEventListener('clock', ({ data }: MessageEvent<string>) => {
      thisWindow.current.offsetMs = Number(data) - Date.now()
    })
    return () => source.close()
  }, [open.id, take])

  const tell = useCallback(
    (told: Told) => {
      const { deviceId, seq, offsetMs } = thisWindow.current
      const event: RunEvent = { id: newId(), ...told, deviceId, deviceSeq: seq, deviceTime: Date.now(), offsetMs }
      thisWindow.current.seq += 1
      wait([...waiting.current, event])
      remember((kept) => ({ ...kept, queue: [...kept.queue, event] }))
      void send()
    },
    [remember, send, wait],
  )
  const state = useMemo(() => {
    const sent = new Set(events.map(({ id }) => id))
    return foldRun([...events, ...queue.filter(({ id }) => !sent.has(id))])
  }, [events, queue])
  const { clock } = state
  const now = useCallback(() => shownAt(clock, Date.now() + thisWindow.current.offsetMs), [clock])
  return { state, now, tell, unsent: queue.length, refused }
}
