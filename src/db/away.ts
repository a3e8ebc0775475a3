/** Errors of PostgreSQL after which the same request may well succeed (its manual, Error Codes; from memory). */
const PASSING_CLASSES: readonly string[] = [
  // Connection exception.
  '08',
  // Transaction rollback: a serialization failure, a deadlock.
  '40',
  // Insufficient resources: disk, memory, connections.
  '53',
  // Operator intervention: a statement that took too long, a server that ends or only begins.
  '57',
]
const LOCK_NOT_AVAILABLE = '55P03'
/** What the network says where nobody answers. */
const NETWORK: readonly string[] = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND', 'EAI_AGAIN']
/** What the driver says without a code where it waited in vain or lost its connection. */
const DRIVER = /^(timeout exceeded when trying to connect|Query read timeout|Connection terminated)/

/** Whether an error says that the database is away, full or kept too long: nothing is wrong with what was asked. */
export function databaseIsAway(error: unknown): boolean {
  for (let one = error; one instanceof Error; one = one.cause) {
    if (DRIVER.test(one.message)) return true
    const { code } = one as { code?: unknown }
    if (typeof code !== 'string') continue
    if (NETWORK.includes(code) || code === LOCK_NOT_AVAILABLE) return true
    if (code.length === 5 && PASSING_CLASSES.includes(code.slice(0, 2))) return true
  }
  return false
}
