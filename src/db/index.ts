/** The database: schema, connection and migrations. */
export { database, type Database, type Transaction } from './client'
export * from './schema'
