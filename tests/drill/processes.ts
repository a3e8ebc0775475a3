import { execFile, spawn, type ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { setTimeout as rest } from 'node:timers/promises'
import { promisify } from 'node:util'

/** A Falto that a drill may kill. */
export interface DrillServer {
  start: () => Promise<void>
  /** SIGKILL to it and all that it started. */
  kill: () => Promise<unknown>
}

/** @param environment what it is given beside the drill's own */
export function createServer(url: string, environment: Record<string, string> = {}): DrillServer {
  let server: ChildProcess | undefined
  /** It is the first of a group of its own, with all that it starts. */
  const strike = () =>
    server?.pid !== undefined &&
    server.exitCode === null &&
    server.signalCode === null &&
    process.kill(-server.pid, 'SIGKILL')
  process.on('exit', strike)
  return {
    async start() {
      const { port } = new URL(url)
      const next = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', port], {
        stdio: 'ignore',
        detached: true,
        env: { ...process.env, ...environment },
      })
      server = next
      for (;;) {
        const { ok } = await fetch(`${url}/healthz`).catch(() => ({ ok: false }))
        if (ok) return
        if (next.exitCode !== null) throw new Error('The server ended by itself.')
        await rest(50)
      }
    },
    kill() {
      const ended = new Promise((done) => server!.once('exit', done))
      strike()
      return ended
    },
  }
}

const run = promisify(execFile)

/** Functions of `scripts/shell`, which know as whom PostgreSQL may run. */
export async function shell(line: string, ...parameters: string[]): Promise<string> {
  const sources = ['common', 'install', 'postgres'].map((name) => `. scripts/shell/${name}.sh`).join('; ')
  const { stdout } = await run('bash', ['-c', `set -eu; ${sources}; ${line}`, 'drill', ...parameters])
  return stdout
}

/** A PostgreSQL cluster that a drill may kill, in a folder of its own. */
export interface DrillDatabase {
  /** Starts it, once what a killed one left has ended. */
  start: () => Promise<void>
  /** SIGKILL to its first process; the others end by themselves. */
  kill: () => void
  isRunning: () => boolean
}

export function createDatabase(folder: string, port: string): DrillDatabase {
  const pid = (): number | undefined => {
    try {
      return Number(readFileSync(`${folder}/postmaster.pid`, 'utf8').split('\n')[0])
    } catch {
      return undefined
    }
  }
  const isRunning = (): boolean => {
    const own = pid()
    if (own === undefined) return false
    try {
      process.kill(own, 0)
      return true
    } catch {
      return false
    }
  }
  return {
    isRunning,
    kill: () => void process.kill(pid()!, 'SIGKILL'),
    async start() {
      for (let tries = 1; ; tries++)
        try {
          const taken = await shell('start_cluster "$1" "$2" >&2; echo "$PG_PORT"', folder, port)
          if (taken.trim() !== port) throw new Error(`The database came up on port ${taken.trim()} instead of ${port}.`)
          return
        } catch (error) {
          if (tries === 40) throw error
          await rest(250)
        }
    },
  }
}
