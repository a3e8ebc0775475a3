/** What PostgreSQL tells: one connection a process listens for all who want to hear. */
import { Client } from 'pg'
import { log } from '../log'
import { setting } from '../settings'

/** `falto_run`: a run has something new; `falto_who`: a session ended, a member of staff or a salon was changed. */
export type Channel = 'falto_run' | 'falto_who'
const CHANNELS: readonly Channel[] = ['falto_run', 'falto_who']

const AGAIN_MS = 1000
/** The connection is asked for a sign of life so often, and given so long for it. */
const PROBE_MS = 10_000

interface Hearer {
  hear: (payload: string) => void
  /** Something may have been missed: the connection was lost, or is new. */
  missed: () => void
}

interface Listening {
  hearers: Record<Channel, Set<Hearer>>
  state: 'idle' | 'connecting' | 'hearing'
}

/** Kept across reloads of the development server; pages and route handlers are bundled apart and share it. */
const shared = globalThis as typeof globalThis & { faltoListening?: Listening }
const listening: Listening = (shared.faltoListening ??= {
  hearers: { falto_run: new Set(), falto_who: new Set() },
  state: 'idle',
})

/** Whether whatever is told now is heard. */
export const isHearing = (): boolean => listening.state === 'hearing'

/** Hears a channel from now on, for as long as the process runs. */
export const hearFrom = (channel: Channel, hearer: Hearer): void => void listening.hearers[channel].add(hearer)

const allMissed = (): void =>
  Object.values(listening.hearers).forEach((hearers) => hearers.forEach(({ missed }) => missed()))

/** Begins to listen, once; a connection that is lost is made anew. */
export async function startListening(): Promise<void> {
  if (listening.state !== 'idle') return
  listening.state = 'connecting'
  const client = new Client({
    connectionString: setting('DATABASE_LISTEN_URL') ?? setting('DATABASE_URL'),
    keepAlive: true,
    connectionTimeoutMillis: PROBE_MS,
    query_timeout: PROBE_MS,
  })
  let probe: ReturnType<typeof setInterval> | undefined
  let lost = false
  const again = (error?: unknown) => {
    if (lost) return
    lost = true
    listening.state = 'idle'
    clearInterval(probe)
    allMissed()
    log.warn({ error }, 'lost the connection that listens; connecting again')
    client.end().catch(() => {})
    setTimeout(() => void startListening(), AGAIN_MS).unref()
  }
  client.on('error', again)
  client.on('end', again)
  client.on('notification', ({ channel, payload = '' }) =>
    listening.hearers[channel as Channel]?.forEach(({ hear }) => hear(payload)),
  )
  try {
    await client.connect()
    for (const channel of CHANNELS) await client.query(`listen ${channel}`)
    // A network that went away without a word leaves a connection that looks open and hears nothing.
    probe = setInterval(() => void client.query('select 1').catch(again), PROBE_MS)
    listening.state = 'hearing'
    allMissed()
  } catch (error) {
    again(error)
  }
}
