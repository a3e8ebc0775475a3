import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { fileURLToPath } from 'node:url'
import { database } from './client'

/** Brings the database named by DATABASE_URL to the newest schema. */
await migrate(database(), { migrationsFolder: fileURLToPath(new URL('./migrations', import.meta.url)) })
await database().$client.end()
