/** The database: schema, connection and migrations. */
export { database, type Database } from './client'
export * from './schema'
