import { connect, createServer, type Socket } from 'node:net'

/** A line between two places on loopback that can be cut: what is on its way is lost, and nobody gets through. */
export function createRelay(port: () => number) {
  const sockets = new Set<Socket>()
  let isCut = false
  const server = createServer((near) => {
    if (isCut) return void near.destroy()
    const far = connect(port(), '127.0.0.1')
    join(near, far)
    join(far, near)
  })
  function join(from: Socket, to: Socket): void {
    sockets.add(from)
    from.pipe(to)
    from.on('error', () => to.destroy())
    from.on('close', () => {
      sockets.delete(from)
      to.destroy()
    })
  }
  return {
    listen: (at: number) => new Promise<void>((done) => server.listen(at, '127.0.0.1', done)),
    cut() {
      isCut = true
      for (const socket of sockets) socket.destroy()
    },
    mend() {
      isCut = false
    },
  }
}
