import { Client } from 'pg'
import type { StaffMember } from '../auth'
import { log } from '../http'
import { RUN_CHANNEL } from './channel'
import { eventsAfter } from './log'
import { findRun } from './runs'

const AGAIN_MS = 1000
const HEARTBEAT_MS = 15_000
/** The listening connection is asked for a sign of life so often, and given so long for it. */
const PROBE_MS = 10_000

type Listener = () => void
interface Listening {
  listeners: Map<string, Set<Listener>>
  listening: boolean
  /** Ends of the streams that are open. */
  open: Set<() => void>
}
/** One listening connection a process, kept across reloads of the development server. */
const shared = globalThis as typeof globalThis & { faltoRuns?: Listening }
const runs: Listening = (shared.faltoRuns ??= startListening())

function startListening(): Listening {
  const open = new Set<() => void>()
  // A server that is asked to stop waits for its answers to end, and these would not by themselves.
  process.once('SIGTERM', () => open.forEach((leave) => leave()))
  return { listeners: new Map(), listening: false, open }
}

async function listen(): Promise<void> {
  if (runs.listening) return
  runs.listening = true
  const client = new Client({
    connectionString: process.env['DATABASE_URL'],
    keepAlive: true,
    connectionTimeoutMillis: PROBE_MS,
    query_timeout: PROBE_MS,
  })
  let probe: ReturnType<typeof setInterval> | undefined
  let lost = false
  const again = (error?: unknown) => {
    if (lost) return
    lost = true
    runs.listening = false
    clearInterval(probe)
    log.warn({ error }, 'lost the connection that tells of runs; connecting again')
    client.end().catch(() => {})
    setTimeout(() => void listen(), AGAIN_MS)
  }
  client.on('error', again)
  client.on('end', again)
  client.on('notification', ({ payload = '' }) => runs.listeners.get(payload)?.forEach((tell) => tell()))
  try {
    await client.connect()
    await client.query(`listen ${RUN_CHANNEL}`)
    // A network that went away without a word leaves a connection that looks open and hears nothing.
    probe = setInterval(() => void client.query('select 1').catch(again), PROBE_MS)
    // Whatever came while nobody listened is fetched now.
    for (const own of runs.listeners.values()) own.forEach((tell) => tell())
  } catch (error) {
    again(error)
  }
}

/** A run's log as server-sent events, from a place on, until the reader leaves. */
export async function streamRun(
  member: StaffMember,
  runId: string,
  after: number,
  signal: AbortSignal,
): Promise<Response> {
  await findRun(member, runId)
  void listen()
  const key = `${member.salonId}/${runId}`
  const encoder = new TextEncoder()
  let leave = () => {}
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      let sent = after
      let sending = Promise.resolve()
      const send = () => {
        sending = sending.then(async () => {
          for (const event of await eventsAfter(member, runId, sent)) {
            controller.enqueue(encoder.encode(`id: ${event.runSeq}\ndata: ${JSON.stringify(event)}\n\n`))
            sent = event.runSeq
          }
        })
        // The reader comes back by itself with the place it got to.
        sending.catch(() => leave())
      }
      const heartbeat = setInterval(() => {
        controller.enqueue(encoder.encode(`event: clock\ndata: ${Date.now()}\n\n`))
        // Whatever was not heard of is read now at the latest.
        send()
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
      runs.open.add(leave)
      signal.addEventListener('abort', leave)
      controller.enqueue(encoder.encode('retry: 1000\n\n'))
      send()
    },
    cancel: () => leave(),
  })
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } })
}
