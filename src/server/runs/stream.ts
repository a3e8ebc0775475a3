import type { StaffMember } from '../auth'
import { AppError } from '../errors'
import { hearFrom, startListening } from '../listening'
import { eventsAfter, lastPlace } from './log'
import { findRun } from './runs'

const HEARTBEAT_MS = 15_000

type Listener = () => void
interface Streams {
  listeners: Map<string, Set<Listener>>
  /** Ends of the streams that are open, and whose they are. */
  open: Map<() => void, string>
  /** Reads that are under way by run and place, so that many listeners of a run read its log once. */
  reading: Map<string, Map<number, ReturnType<typeof eventsAfter>>>
}
/** One per process, kept across reloads of the development server. */
const shared = globalThis as typeof globalThis & { faltoRuns?: Streams }
const runs: Streams = (shared.faltoRuns ??= makeStreams())

function makeStreams(): Streams {
  const streams: Streams = { listeners: new Map(), open: new Map(), reading: new Map() }
  const tell = (key: string) => {
    // What is being read already may have been asked for too early.
    streams.reading.delete(key)
    streams.listeners.get(key)?.forEach((listener) => listener())
  }
  // Whatever came while nobody listened is fetched now.
  hearFrom('falto_run', { hear: tell, missed: () => [...streams.listeners.keys()].forEach(tell) })
  // A server that is asked to stop waits for its answers to end, and these would not by themselves.
  process.once('SIGTERM', () => [...streams.open.keys()].forEach((leave) => leave()))
  return streams
}

function readOnce(member: StaffMember, runId: string, after: number): ReturnType<typeof eventsAfter> {
  const key = `${member.salonId}/${runId}`
  const places = runs.reading.get(key) ?? new Map<number, ReturnType<typeof eventsAfter>>()
  runs.reading.set(key, places)
  const known = places.get(after)
  if (known) return known
  const read = eventsAfter(member, runId, after).finally(() => {
    places.delete(after)
    if (places.size === 0 && runs.reading.get(key) === places) runs.reading.delete(key)
  })
  places.set(after, read)
  return read
}

/** Streams that one person may have open at one process. Our choice: far more than she has devices. */
const MOST_OF_ONE = 200

/**
 * A run's log as server-sent events, from a place on, until the reader leaves or is signed in no more.
 * @throws AppError 404, or 429 for somebody who has too many open
 */
export async function streamRun(
  member: StaffMember,
  runId: string,
  after: number,
  signal: AbortSignal,
  isStillIn: () => Promise<boolean>,
): Promise<Response> {
  await findRun(member, runId)
  if ([...runs.open.values()].filter((id) => id === member.id).length >= MOST_OF_ONE)
    throw new AppError(429, 'too-many', 'You have this open on too many devices. Close some of them and try again.')
  void startListening()
  const key = `${member.salonId}/${runId}`
  const encoder = new TextEncoder()
  let leave = () => {}
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      let sent = after
      let sending = Promise.resolve()
      const send = () => {
        sending = sending.then(async () => {
          for (const event of await readOnce(member, runId, sent)) {
            controller.enqueue(encoder.encode(`id: ${event.runSeq}\ndata: ${JSON.stringify(event)}\n\n`))
            sent = event.runSeq
          }
        })
        // The reader comes back by itself with the place it got to.
        sending.catch(() => leave())
      }
      const heartbeat = setInterval(() => {
        controller.enqueue(encoder.encode(`event: clock\ndata: ${Date.now()}\n\n`))
        // Whatever was not heard of is read now at the latest; who has signed out meanwhile hears no more.
        isStillIn().then(
          (still) => (still ? send() : leave()),
          () => leave(),
        )
      }, HEARTBEAT_MS)
      const own = runs.listeners.get(key) ?? new Set<Listener>()
      runs.listeners.set(key, own)
      own.add(send)
      leave = () => {
        if (!own.delete(send)) return
        clearInterval(heartbeat)
        runs.open.delete(leave)
        if (own.size === 0 && runs.listeners.get(key) === own) runs.listeners.delete(key)
        try {
          controller.close()
        } catch {
          // The reader closed it already.
        }
      }
      runs.open.set(leave, member.id)
      signal.addEventListener('abort', leave)
      controller.enqueue(encoder.encode('retry: 1000\n\n'))
      // A database that took over may lack what its reader has: it is told how far the log goes, and tells it again.
      sending = lastPlace(member, runId).then((last) => {
        if (last >= sent) return
        controller.enqueue(encoder.encode(`event: behind\ndata: ${last}\n\n`))
        sent = last
      })
      send()
    },
    cancel: () => leave(),
  })
  return new Response(body, { headers: { 'content-type': 'text/event-stream' } })
}
