import { AsyncLocalStorage } from 'node:async_hooks'
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import type { PgTransactionConfig } from 'drizzle-orm/pg-core'
import { Pool } from 'pg'
import * as schema from './schema'

export type Database = NodePgDatabase<typeof schema> & { $client: Pool }

/** What a piece of work within one transaction reads and writes through. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** What reads may go through: a connection of their own, or the transaction they belong to. */
export type Reader = Database | Transaction

/**
 * How the pool behaves when the database is slow or gone, ms; our estimates. Nothing waits for ever: a request that
 * gets no connection, a statement that does not end and a transaction that is left lying all end as errors, and the
 * connections come back.
 */
const POOL = {
  connectionTimeoutMillis: 10_000,
  statement_timeout: 30_000,
  query_timeout: 35_000,
  idle_in_transaction_session_timeout: 30_000,
  keepAlive: true,
} as const

/** One pool per process, kept across reloads of the development server. */
const shared = globalThis as typeof globalThis & {
  faltoDatabase?: Database
  faltoWithin?: AsyncLocalStorage<'transaction'>
}
const within = (shared.faltoWithin ??= new AsyncLocalStorage())

/**
 * The pool. Work inside a transaction does not come here: were each of many transactions to ask for a second
 * connection, none would get one and none would end.
 * @throws Error when DATABASE_URL is not set (`./falto start` sets it), and inside {@link inTransaction}
 */
export function database(): Database {
  if (within.getStore()) throw new Error('Inside a transaction everything reads and writes through it.')
  return openDatabase()
}

/** All of it or nothing. */
export const inTransaction = <T>(work: (tx: Transaction) => Promise<T>, config?: PgTransactionConfig): Promise<T> =>
  database().transaction((tx) => within.run('transaction', () => work(tx)), config)

/** How many migrations the database has seen. */
export async function schemaVersion(): Promise<number> {
  const { rows } = await database().execute<{ applied: number }>(
    'select count(*)::int as applied from drizzle.__drizzle_migrations',
  )
  return rows[0]!.applied
}

function openDatabase(): Database {
  if (shared.faltoDatabase) return shared.faltoDatabase
  const connectionString = process.env['DATABASE_URL']
  if (!connectionString) throw new Error('DATABASE_URL is not set. Start Falto with ./falto start, which sets it.')
  const pool = new Pool({ connectionString, max: Number(process.env['DATABASE_CONNECTIONS'] ?? 20), ...POOL })
  // An idle connection that the database closed is no reason to end: the next query opens another.
  pool.on('error', () => {})
  shared.faltoDatabase = drizzle(pool, { schema })
  return shared.faltoDatabase
}
