const last = new Map<string, Promise<unknown>>()

/**
 * Does one thing after the other for a client, before anything of hers is locked: what waits holds no connection and
 * nobody else up. Other processes are not seen; what is done has to be right without it.
 */
export async function inTurn<T>(clientId: string, work: () => Promise<T>): Promise<T> {
  const own = (last.get(clientId) ?? Promise.resolve()).then(work, work)
  last.set(clientId, own)
  try {
    return await own
  } finally {
    if (last.get(clientId) === own) last.delete(clientId)
  }
}
