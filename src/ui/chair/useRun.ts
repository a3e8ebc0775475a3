'use client'
import { get, set } from 'idb-keyval'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { v7 as newId } from 'uuid'
import type { KeptRunEvent, OpenRun, RunEvent } from '@/core/model'
import { foldRun, type RunScript, type RunState } from '@/core/run'
import { callApi, OfflineError } from '../hooks/api'

type Told = Pick<RunEvent, 'kind'> & Partial<Pick<RunEvent, 'stepId' | 'value' | 'incident' | 'note' | 'undoes'>>

export interface LiveRun {
  state: RunState
  /** The server's clock, as well as this device knows it, ms. */
  now: () => number
  tell: (told: Told) => void
  /** Events that this device keeps because they could not be sent yet. */
  unsent: number
  /** Words of the server about something it refused. */
  refused: string | undefined
}

/** What this device keeps of a run through reloads and a flat battery. */
interface Kept {
  /** What the server had told by then, for a reload without a network. */
  events: KeptRunEvent[]
  queue: RunEvent[]
  deviceId: string
  seq: number
  offsetMs: number
}

const AGAIN_MS = 2000
const storeKey = (id: string) => `falto-run/${id}`

/** Follows a run: what the server keeps, then what this device could not send yet. Nothing told here is lost by a reload or without a network. */
export function useRun(open: OpenRun<RunScript>): LiveRun {
  const [events, setEvents] = useState(open.events)
  const [queue, setQueue] = useState<RunEvent[]>([])
  const [refused, setRefused] = useState<string>()
  const device = useRef<Kept>({ events: open.events, queue: [], deviceId: newId(), seq: 0, offsetMs: 0 })
  const sending = useRef(false)
  const last = useRef(open.events.at(-1)?.runSeq ?? 0)

  const keep = useCallback(
    (part: Partial<Kept>) => {
      device.current = { ...device.current, ...part }
      if (part.queue) setQueue(part.queue)
      if (part.events) setEvents(part.events)
      void set(storeKey(open.id), device.current)
    },
    [open.id],
  )

  const take = useCallback(
    (fresh: readonly KeptRunEvent[]) => {
      const newer = fresh.filter(({ runSeq }) => runSeq > last.current)
      if (newer.length === 0) return
      last.current = newer.at(-1)!.runSeq
      keep({ events: [...device.current.events, ...newer] })
    },
    [keep],
  )

  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    try {
      while (device.current.queue.length > 0) {
        const batch = device.current.queue
        const asked = Date.now()
        try {
          const answer = await callApi<{ events: KeptRunEvent[]; now: number }>(`/api/runs/${open.id}/events`, 'POST', { events: batch, after: last.current })
          take(answer.events)
          // The answer was written about halfway between asking and hearing.
          keep({ queue: device.current.queue.slice(batch.length), offsetMs: Math.round(answer.now - (asked + Date.now()) / 2) })
          setRefused(undefined)
        } catch (error) {
          if (error instanceof OfflineError || !(error instanceof Error)) {
            setTimeout(() => void send(), AGAIN_MS)
            return
          }
          setRefused(error.message)
          setTimeout(() => void send(), 5 * AGAIN_MS)
          return
        }
      }
    } finally {
      sending.current = false
    }
  }, [open.id, keep, take])

  useEffect(() => {
    void get<Kept>(storeKey(open.id)).then((kept) => {
      const { queue: told, events: opened } = device.current
      // What was told before this was read comes last; of the log, whichever is longer: the page may have come from the device itself.
      if (kept) device.current = { ...kept, queue: [...kept.queue, ...told], events: opened }
      else device.current.offsetMs = open.now - Date.now()
      setQueue(device.current.queue)
      take(kept?.events ?? [])
      void send()
    })
    const again = () => void send()
    window.addEventListener('online', again)
    return () => window.removeEventListener('online', again)
  }, [open.id, open.now, send, take])

  useEffect(() => {
    const source = new EventSource(`/api/runs/${open.id}/stream?after=${last.current}`)
    source.onmessage = ({ data }: MessageEvent<string>) => take([JSON.parse(data) as KeptRunEvent])
    return () => source.close()
  }, [open.id, take])

  const tell = useCallback(
    (told: Told) => {
      const { deviceId, seq, offsetMs } = device.current
      keep({ queue: [...device.current.queue, { id: newId(), ...told, deviceId, deviceSeq: seq, deviceTime: Date.now(), offsetMs }], seq: seq + 1 })
      void send()
    },
    [keep, send],
  )
  const now = useCallback(() => Date.now() + device.current.offsetMs, [])
  const state = useMemo(() => {
    const known = new Set(events.map(({ id }) => id))
    return foldRun([...events, ...queue.filter(({ id }) => !known.has(id))])
  }, [events, queue])
  return { state, now, tell, unsent: queue.length, refused }
}
