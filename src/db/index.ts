/** The database: schema, connection and migrations. */
export { databaseIsAway } from './away'
export { database, inTransaction, schemaVersion, type Database, type Reader, type Transaction } from './client'
export { containing, plainly } from './containing'
export * from './schema'
