import { get as readKept, getMany, keys, update } from 'idb-keyval'
import { v7 as newId } from 'uuid'
import { createStore } from 'zustand/vanilla'
import type { KeptRunEvent, OpenRun, RunEvent } from '@/core/model'
import type { RunScript } from '@/core/time/run'
import { callApi, OfflineError } from '../hooks/api'
import { isAnothers, ownKey } from '../hooks/own'

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
async function keepFor(
  run: { id: string },
  nothing: Kept,
  change: (kept: Kept) => Kept,
  writing: (by: number) => void,
): Promise<void> {
  writing(1)
  await update<Kept>(keyOf(run), (kept) => change(kept ?? nothing)).finally(() => writing(-1))
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

const eventOf = (told: Told, { id, seq, offsetMs }: { id: string; seq: number; offsetMs: number }): RunEvent => ({
  ...{ id: newId(), ...told, deviceId: id, deviceSeq: seq, deviceTime: Date.now(), offsetMs },
})

interface Listening {
  take: (fresh: readonly KeptRunEvent[]) => void
  /** What the server's clock shows, ms. */
  setClock: (now: number) => void
}

/** Hears what the server is told of a run from elsewhere. */
function streamOf({ id }: { id: string }, after: number, { take, setClock }: Listening): EventSource {
  const source = new EventSource(`/api/runs/${id}/stream?after=${after}`)
  source.onmessage = ({ data }: MessageEvent<string>) => take([JSON.parse(data) as KeptRunEvent])
  source.addEventListener('clock', ({ data }: MessageEvent<string>) => setClock(Number(data)))
  return source
}

const NOTHING_YET: Omit<Followed, 'events'> = { queue: [], left: [], writing: 0, refused: undefined }

export type RunFollower = ReturnType<typeof createRunFollower>

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
  const lastSeq = () => get().events.at(-1)?.runSeq ?? 0

  const writing = (by: number) => set({ writing: get().writing + by })
  const remember = (change: (kept: Kept) => Kept): void =>
    void keepFor(open, { events: [], queue: [], offsetMs: device.offsetMs }, change, writing)

  /** Takes in what the server told, however it came. */
  function take(fresh: readonly KeptRunEvent[]): void {
    const last = lastSeq()
    const newer = fresh.filter(({ runSeq }) => runSeq > last)
    if (newer.length === 0) return
    const events = [...get().events, ...newer]
    set({ events })
    remember((kept) => (kept.events.length < events.length ? { ...kept, events } : kept))
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
    await send()
  }

  /** What others left becomes one's own to send: it did happen, and somebody has to answer for it. */
  async function takeOverLeft(): Promise<void> {
    const { left, queue } = get()
    set({ left: [], queue: [...without(left, queue), ...queue] })
    remember((kept) => ({ ...kept, queue: [...without(left, kept.queue), ...kept.queue] }))
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
      const source = streamOf(open, lastSeq(), { take, setClock: (now) => (device.offsetMs = now - Date.now()) })
      void resume()
      void others.find().then((left) => set({ left }))
      window.addEventListener('online', again)
      return () => {
        source.close()
        window.removeEventListener('online', again)
      }
    },
  }
}
