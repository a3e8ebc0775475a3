import { get as readKept, getMany, keys, update } from 'idb-keyval'
import { v7 as newId } from 'uuid'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { KeptRunEvent, OpenRun, RunEvent } from '@/core/model'
import type { RunScript } from '@/core/time/run'
import { callApi, OfflineError } from '../hooks/api'
import { isAnothers, ownKey } from '../hooks/own'
import { hear } from '../hooks/stream'

export type Told = Pick<RunEvent, 'kind'> &
  Partial<Omit<RunEvent, 'id' | 'kind' | 'deviceId' | 'deviceSeq' | 'deviceTime' | 'offsetMs'>>

/** What is known of a run here. */
interface Followed {
  /** What the server keeps. */
  events: readonly KeptRunEvent[]
  /** What this device could not send yet. */
  queue: readonly RunEvent[]
  /** What others told on this device and did not get sent before they left it. */
  left: readonly RunEvent[]
  /** Writes to this device that are still under way. */
  writing: number
  /** Words of the server about something it refused. */
  refused: string | undefined
  /** Nothing is heard of the server, so not of what others do either. */
  apart: boolean
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

/** How soon it is tried again without a network, and after a refusal, ms. Our choice. */
const AGAIN_MS = 2000
const AFTER_REFUSAL_MS = 5 * AGAIN_MS

const without = <Item extends { id: string }>(list: readonly Item[], gone: readonly { id: string }[]): Item[] => {
  const ids = new Set(gone.map(({ id }) => id))
  return list.filter(({ id }) => !ids.has(id))
}

const nameOf = ({ id }: { id: string }): string => `falto-run/${id}`
const keyOf = (run: { id: string }): string => ownKey(nameOf(run))

/** Changes what this device keeps of a run, and says while that is being written. */
const keeping =
  (run: { id: string }, { getState, setState }: StoreApi<Followed>, device: { offsetMs: number }) =>
  (change: (kept: Kept) => Kept): void => {
    const writing = (by: number) => setState({ writing: getState().writing + by })
    writing(1)
    void update<Kept>(keyOf(run), (kept) =>
      change(kept ?? { events: [], queue: [], offsetMs: device.offsetMs }),
    ).finally(() => writing(-1))
  }

/** What others told here and did not get sent: found, and taken from their names once somebody answers for it. */
const leftByOthers = (run: { id: string }) => {
  const theirs = async () => (await keys()).filter((key) => isAnothers(key, nameOf(run)))
  return {
    async find(): Promise<RunEvent[]> {
      const kept = await getMany<Kept | undefined>(await theirs())
      return kept.flatMap((one) => one?.queue ?? [])
    },
    async takeAway(events: readonly RunEvent[]): Promise<void> {
      for (const key of await theirs())
        await update<Kept | undefined>(key, (kept) => kept && { ...kept, queue: without(kept.queue, events) })
    },
  }
}

/** What a log has up to a place, and what came after it as it was told. */
const partedAt = (place: number, events: readonly KeptRunEvent[]): { kept: KeptRunEvent[]; lost: RunEvent[] } => ({
  kept: events.filter(({ runSeq }) => runSeq <= place),
  lost: events.filter(({ runSeq }) => runSeq > place).map(({ runSeq: _place, by: _teller, ...event }) => event),
})

const eventOf = (told: Told, { id, seq, offsetMs }: { id: string; seq: number; offsetMs: number }): RunEvent => ({
  id: newId(),
  ...told,
  deviceId: id,
  deviceSeq: seq,
  deviceTime: Date.now(),
  offsetMs,
})

interface Listening {
  take: (fresh: readonly KeptRunEvent[]) => void
  /** Told how far its clock is from the server's. */
  device: { offsetMs: number }
  /** How far the server's log goes, where it goes less far than what is known here. */
  tellAgain: (last: number) => void
  heard: (is: boolean) => void
}

/** Hears what the server is told of a run from elsewhere. */
const streamOf = ({ id }: { id: string }, lastSeq: () => number, { take, device, tellAgain, heard }: Listening) =>
  hear(
    () => `/api/runs/${id}/stream?after=${lastSeq()}`,
    {
      message: (data) => take([JSON.parse(data) as KeptRunEvent]),
      clock: (data) => (device.offsetMs = Number(data) - Date.now()),
      behind: (data) => tellAgain(Number(data)),
    },
    heard,
  )

const NOTHING_YET: Omit<Followed, 'events'> = { queue: [], left: [], writing: 0, refused: undefined, apart: false }

export type RunFollower = ReturnType<typeof createRunFollower>

/** The log as it is known here: what the server told, then what is still to be told. */
function logIn({ getState: get, setState: set }: StoreApi<Followed>, remember: (change: (kept: Kept) => Kept) => void) {
  const lastSeq = () => get().events.at(-1)?.runSeq ?? 0

  /** Takes in what the server told, however it came. */
  function take(fresh: readonly KeptRunEvent[]): void {
    const last = lastSeq()
    const newer = fresh.filter(({ runSeq }) => runSeq > last)
    if (newer.length === 0) return
    const events = [...get().events, ...newer]
    set({ events })
    remember((kept) => (kept.events.length < events.length ? { ...kept, events } : kept))
  }

  function putFirst(told: readonly RunEvent[], changes: Partial<Pick<Followed, 'events' | 'left'>>): void {
    set({ ...changes, queue: [...told, ...without(get().queue, told)] })
    const { events } = get()
    remember((kept) => ({ ...kept, events, queue: [...told, ...without(kept.queue, told)] }))
  }

  return { lastSeq, take, putFirst }
}

/**
 * Follows a run: what the server keeps, then what this device could not send yet. Nothing told here is lost by a reload
 * or without a network.
 */
export function createRunFollower(open: OpenRun<RunScript>) {
  const store = createStore<Followed>(() => ({ ...NOTHING_YET, events: open.events }))
  const { getState: get, setState: set } = store
  const device = { id: newId(), seq: 0, offsetMs: open.now - Date.now() }
  const others = leftByOthers(open)
  let sending = false

  const remember = keeping(open, store, device)
  const { lastSeq, take, putFirst } = logIn(store, remember)

  /** A server that has lost what it once kept gets it from here: events have ids, so it is there once in the end. */
  function tellAgain(last: number): void {
    const { kept, lost } = partedAt(last, get().events)
    putFirst(lost, { events: kept })
    void send()
  }

  async function sendBatch(batch: readonly RunEvent[]): Promise<void> {
    const asked = Date.now()
    const body = { events: batch, after: lastSeq() }
    const answer = await callApi<{ events: KeptRunEvent[]; now: number }>(`/api/runs/${open.id}/events`, 'POST', body)
    // The answer was written about halfway between asking and hearing.
    device.offsetMs = Math.round(answer.now - (asked + Date.now()) / 2)
    take(answer.events)
    set({ queue: without(get().queue, batch), refused: undefined })
    remember((kept) => ({ ...kept, queue: without(kept.queue, batch), offsetMs: device.offsetMs }))
  }

  async function send(): Promise<void> {
    if (sending) return
    sending = true
    try {
      while (get().queue.length > 0) await sendBatch(get().queue)
    } catch (error) {
      const offline = error instanceof OfflineError
      if (!offline) set({ refused: error instanceof Error ? error.message : String(error) })
      setTimeout(() => void send(), offline ? AGAIN_MS : AFTER_REFUSAL_MS)
    } finally {
      sending = false
    }
  }

  /** Takes up what this device kept before. */
  async function resume(): Promise<void> {
    const kept = await readKept<Kept>(keyOf(open))
    if (!kept) return
    // The page may have come from the device itself, hours old, and its clock with it. What is old says too little.
    device.offsetMs = Math.max(device.offsetMs, kept.offsetMs)
    const { queue } = get()
    set({ queue: [...without(kept.queue, queue), ...queue] })
    take(kept.events)
  }

  /** What others left becomes one's own to send: it did happen, and somebody has to answer for it. */
  async function takeOverLeft(): Promise<void> {
    const { left } = get()
    putFirst(left, { left: [] })
    await others.takeAway(left)
    await send()
  }

  return {
    ...{ ...store, deviceId: device.id, send, take, takeOverLeft },
    /** The server's clock, as well as this device knows it, ms. */
    serverTime: () => Date.now() + device.offsetMs,
    tell(told: Told): void {
      const event = eventOf(told, device)
      device.seq += 1
      set({ queue: [...get().queue, event] })
      remember((kept) => ({ ...kept, queue: [...kept.queue, event] }))
      void send()
    },
    /** Begins to follow. @returns what ends it */
    follow(): () => void {
      const again = () => void send()
      const from = lastSeq()
      const stream = streamOf(open, lastSeq, { take, device, tellAgain, heard: (is) => set({ apart: !is }) })
      void resume().then(() => {
        // What was kept here goes further than what the server gave; whether it has that too is asked from there on.
        if (lastSeq() > from) stream.again()
        return send()
      })
      void others.find().then((left) => set({ left }))
      window.addEventListener('online', again)
      return () => {
        stream.end()
        window.removeEventListener('online', again)
      }
    },
  }
}
