import { once } from 'node:events'
import { createServer as createHttpServer } from 'node:http'
import { createServer, connect, type Server, type Socket } from 'node:net'
import { freePort } from './ports'

/** A line to a server on this machine that can be cut and mended, for everything that goes through it at once. */
export interface Line {
  /** Address that a browser opens instead of the server's own. */
  base: string
  cut: () => Promise<void>
  mend: () => Promise<void>
  /** Instead of the server answers what stands before it, as a proxy does whose server is away: 502, to everything. */
  endBefore: () => Promise<void>
}

/**
 * Lays a line to the server on a port. The browser's own "offline" does not serve here: it holds for a page, but not
 * for the service worker that fetches for it, and not for what a reload begins with.
 */
export async function lineTo(serverPort: number): Promise<Line> {
  const port = await freePort()
  const sockets = new Set<Socket>()
  let server: Server | undefined

  const keep = (socket: Socket) => {
    sockets.add(socket.unref())
    socket.on('error', () => socket.destroy())
    socket.on('close', () => sockets.delete(socket))
  }
  async function mend(): Promise<void> {
    server = createServer((near) => {
      const far = connect(serverPort, '127.0.0.1')
      keep(near)
      keep(far)
      near.pipe(far)
      far.pipe(near)
      near.on('close', () => far.destroy())
      far.on('close', () => near.destroy())
    })
    await listen()
  }
  async function endBefore(): Promise<void> {
    await cut()
    server = createHttpServer((_, answer) => answer.writeHead(502).end('Bad gateway')).on('connection', keep)
    await listen()
  }
  async function listen(): Promise<void> {
    // A test that failed before it cut the line ends all the same.
    server!.unref().listen(port, '127.0.0.1')
    await once(server!, 'listening')
  }
  async function cut(): Promise<void> {
    const closed = once(server!, 'close')
    server!.close()
    for (const socket of sockets) socket.destroy()
    await closed
  }
  await mend()
  return { base: `http://127.0.0.1:${port}`, cut, mend, endBefore }
}
