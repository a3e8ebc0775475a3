/** Logs that nobody adds to any more: each folded into one document, and opened again when somebody does. */
import { sql } from 'drizzle-orm'
import { inTransaction, type Transaction } from '@/db'

/** A log is left alone so long before it is folded, days. Our choice: by then a late device has told what it knew. */
const QUIET_DAYS = 30
const DAY_MS = 86_400_000
/** Logs folded in one transaction, so that none is held for long; our estimate. */
const AT_ONCE = 50

/** What has a log, and by which of its columns it is known how long it was left alone. */
const LOGS = {
  run: { key: 'run_id', since: 'ended_at', rows: 'run_event', folded: 'run_log', both: 'run_event_told' },
  plan: { key: 'plan_id', since: 'updated_at', rows: 'plan_edit', folded: 'plan_edit_log', both: 'plan_edit_made' },
} as const

export type Logged = keyof typeof LOGS

/** SQL names of a log. */
const namesOf = (logged: Logged) => {
  const { key, since, rows, folded, both } = LOGS[logged]
  const name = sql.identifier
  return {
    of: name(logged),
    key: name(key),
    since: name(since),
    rows: name(rows),
    folded: name(folded),
    both: name(both),
  }
}

/** Folds what has been quiet for long. @returns how many logs of each kind */
export async function foldQuiet(now: Date = new Date()): Promise<Record<Logged, number>> {
  const before = new Date(now.getTime() - QUIET_DAYS * DAY_MS)
  return { run: await foldAll('run', before), plan: await foldAll('plan', before) }
}

async function foldAll(logged: Logged, before: Date): Promise<number> {
  for (let total = 0; ;) {
    const some = await inTransaction((tx) => foldSome(tx, logged, before))
    total += some
    if (some < AT_ONCE) return total
  }
}

/** The oldest of them; what somebody is at work on is left to the next time. */
async function foldSome(tx: Transaction, logged: Logged, before: Date): Promise<number> {
  const { of, key, since, rows, folded } = namesOf(logged)
  const { rows: quiet } = await tx.execute<{ salon: string; id: string }>(
    sql`select salon_id as salon, id from ${of} where not folded and ${since} < ${before.toISOString()}
      order by ${since} limit ${AT_ONCE} for update skip locked`,
  )
  if (quiet.length === 0) return 0
  const [salons, ids] = [quiet.map(({ salon }) => salon), quiet.map(({ id }) => id)]
  const these = sql`(select * from unnest(${sql.param(salons)}::uuid[], ${sql.param(ids)}::uuid[]))`
  await lettingGo(tx)
  await tx.execute(
    sql`insert into ${folded} (salon_id, ${key}, rows)
      select salon_id, ${key}, jsonb_agg(to_jsonb(t) - 'salon_id' - ${LOGS[logged].key}::text)
      from ${rows} t where (salon_id, ${key}) in ${these} group by 1, 2`,
  )
  await tx.execute(sql`delete from ${rows} where (salon_id, ${key}) in ${these}`)
  await tx.execute(sql`update ${of} set folded = true where (salon_id, id) in ${these}`)
  return quiet.length
}

/** Makes rows of a folded log again, so that it can go on. What it belongs to is locked. */
export async function unfold(tx: Transaction, logged: Logged, salonId: string, id: string): Promise<void> {
  const { of, key, rows, folded, both } = namesOf(logged)
  const own = sql`salon_id = ${salonId} and ${key} = ${id}`
  await tx.execute(sql`insert into ${rows} select * from ${both} where ${own}`)
  await lettingGo(tx)
  await tx.execute(sql`delete from ${folded} where ${own}`)
  await tx.execute(sql`update ${of} set folded = false where salon_id = ${salonId} and id = ${id}`)
}

/** Rows that are only ever added to let go of themselves for this transaction, into a document and back. */
const lettingGo = (tx: Transaction) => tx.execute(sql`select set_config('falto.folding', 'yes', true)`)
