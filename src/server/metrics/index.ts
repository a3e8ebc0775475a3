/** How a process is: for whatever watches over it. */
import { createHash, timingSafeEqual } from 'node:crypto'
import { sql } from 'drizzle-orm'
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'
import { database } from '@/db'
import { isOnThisMachine } from '../auth/hosts'
import { isHearing } from '../listening'
import { setting } from '../settings'

/** Answers are sorted by how long they took, s; the budgets of a page and of an edit lie among them. */
const BUCKETS_S = [0.005, 0.01, 0.025, 0.05, 0.1, 0.3, 1, 3, 10]

function createMetrics() {
  const registry = new Registry()
  collectDefaultMetrics({ register: registry, prefix: 'falto_' })
  new Gauge({
    name: 'falto_database_connections',
    help: 'Connections of the pool by what they do',
    labelNames: ['state'],
    registers: [registry],
    collect() {
      const { totalCount, idleCount, waitingCount } = database().$client
      this.set({ state: 'busy' }, totalCount - idleCount)
      this.set({ state: 'idle' }, idleCount)
      this.set({ state: 'waited_for' }, waitingCount)
    },
  })
  return {
    registry,
    took: new Histogram({
      name: 'falto_request_seconds',
      help: 'How long requests took, by route and status',
      labelNames: ['route', 'status'],
      buckets: BUCKETS_S,
      registers: [registry],
    }),
    refused: new Counter({
      name: 'falto_sign_in_refused_total',
      help: 'Sign-ins that were refused',
      registers: [registry],
    }),
  }
}

/** One per process: pages and route handlers are bundled apart. */
const shared = globalThis as typeof globalThis & { faltoMetrics?: ReturnType<typeof createMetrics> }
const metrics = () => (shared.faltoMetrics ??= createMetrics())

/** Counts an answer. @param startedAt ms, of `performance.now()` */
export const countAnswer = (route: string, status: number, startedAt: number): void =>
  metrics().took.observe({ route, status: String(status) }, (performance.now() - startedAt) / 1000)

export const countRefusedSignIn = (): void => metrics().refused.inc()

const digest = (words: string): Buffer => createHash('sha256').update(words).digest()

export function mayReadMetrics(headers: Headers): boolean {
  const token = setting('FALTO_METRICS_TOKEN')
  if (!token) return isOnThisMachine(headers)
  return timingSafeEqual(digest(headers.get('authorization') ?? ''), digest(`Bearer ${token}`))
}

export const metricsText = async (): Promise<{ type: string; text: string }> => ({
  type: metrics().registry.contentType,
  text: await metrics().registry.metrics(),
})

/** Whether this process can do its work now. */
export async function readiness(): Promise<{ ready: boolean; database: boolean; hearing: boolean }> {
  const answers = await database()
    .execute(sql`select 1`)
    .then(
      () => true,
      () => false,
    )
  return { ready: answers, database: answers, hearing: isHearing() }
}
