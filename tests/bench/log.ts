import { sql } from 'drizzle-orm'
import { database } from '@/db'
import { BASE_URL, deviceOf } from '../support/server'
import { row } from './row'

/** The log of a salon with twenty thousand visits: its pages as a browser opens them, one after another. */
const COPIES = 800
const READS = { page: 200, rest: 12 } as const
/** Reads that do not count: a server that has just started is still being compiled. */
const WARM_UP = 10

// What the demo's visits came to, over and over, on other days.
await database().execute(sql`
  insert into visit (salon_id, client_id, id, plan_id, plan_version, "on", staff_id, summary, figures, formulas, created_at)
  select v.salon_id, v.client_id, gen_random_uuid(), v.plan_id, v.plan_version, v."on" - (g % 900), v.staff_id, v.summary, v.figures, v.formulas, v.created_at
  from (select * from visit where figures is not null order by id limit 25) v, generate_series(1, ${COPIES}) g`)
await database().execute(sql`analyze visit`)
const { cookie } = await deviceOf('oriel')

async function read(path: string): Promise<{ took: number; body: string }> {
  const begun = performance.now()
  const answer = await fetch(`${BASE_URL}${path}`, { headers: { cookie } })
  const body = await answer.text()
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
  return { took: performance.now() - begun, body }
}

/** @param path of the next read, from what the one before answered */
async function reads(path: (before: string) => string, count: number): Promise<number[]> {
  const times: number[] = []
  let before = ''
  for (let n = -WARM_UP; n < count; n++) {
    const { took, body } = await read(path(before))
    before = body
    if (n >= 0) times.push(took)
  }
  return times
}

/** The page after one, and the first again after the last. */
function pageAfter(before: string): string {
  const { next } = before === '' ? { next: null } : (JSON.parse(before) as { next: string | null })
  return `/api/visits${next ? `?after=${encodeURIComponent(next)}` : ''}`
}

row('log', 'a page of visits among 20 000, budget p95 < 50 ms', await reads(pageAfter, READS.page))
for (const [what, path] of [
  ['the log with sums and charts, budget < 1000 ms', '/log'],
  ['who is due', '/log/due'],
  ['formulas', '/log/formulas?level=8&tone=neutral'],
  ['own figures', '/log/figures'],
] as const)
  row('log', what, await reads(() => path, READS.rest))
await database().$client.end()
