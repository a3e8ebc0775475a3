import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { Pool } from 'pg'
import * as schema from './schema'

export type Database = NodePgDatabase<typeof schema> & { $client: Pool }

/** One pool per process, kept across reloads of the development server. */
const shared = globalThis as typeof globalThis & { faltoDatabase?: Database }

/** @throws Error when DATABASE_URL is not set; `./falto start` sets it */
export function database(): Database {
  if (shared.faltoDatabase) return shared.faltoDatabase
  const connectionString = process.env['DATABASE_URL']
  if (!connectionString) throw new Error('DATABASE_URL is not set. Start Falto with ./falto start, which sets it.')
  shared.faltoDatabase = drizzle(new Pool({ connectionString, max: 20 }), { schema })
  return shared.faltoDatabase
}

/** What a piece of work within one transaction reads and writes through. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
