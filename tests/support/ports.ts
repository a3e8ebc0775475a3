import { once } from 'node:events'
import { createServer } from 'node:net'

/** A loopback port that nothing listens on. */
export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1')
  await once(probe, 'listening')
  const { port } = probe.address() as { port: number }
  probe.close()
  await once(probe, 'close')
  return port
}
