import { existsSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import path from 'node:path'
import { Piscina } from 'piscina'
import { AppError } from '../errors'
import type { Jobs } from './jobs'
import type { Done, Task } from './worker'

/** Jobs that may wait before more are refused. Our choice: a minute's work. */
const LONGEST_QUEUE = 500
/** One thread stays with the web. */
const WORKERS = Math.max(1, availableParallelism() - 1)

/** One pool a process, however many bundles of the server hold this file. */
const shared = globalThis as { faltoWorkers?: Piscina<Task, Done> }

/** As it was built with the server; what is started without one reads it as it is written. */
function worker(): { filename: string; execArgv?: string[] } {
  const built = path.join(process.cwd(), '.next/computing.mjs')
  if (existsSync(built)) return { filename: built }
  return { filename: path.join(process.cwd(), 'src/server/computing/worker.ts'), execArgv: ['--import', 'tsx'] }
}

/** The pool; it starts its workers when it is first asked for, which the server does as it begins. */
export const workers = (): Piscina<Task, Done> =>
  (shared.faltoWorkers ??= new Piscina<Task, Done>({
    ...worker(),
    minThreads: 1,
    maxThreads: WORKERS,
    maxQueue: LONGEST_QUEUE,
  }))

type Computing = { [Job in keyof Jobs]: (...args: Parameters<Jobs[Job]>) => Promise<Awaited<ReturnType<Jobs[Job]>>> }

/**
 * The jobs, each done by a worker.
 * @throws AppError 422 for a plan with more pieces than a head can take, 503 when too much waits
 */
export const computing = new Proxy({} as Computing, {
  get:
    (_, job: keyof Jobs) =>
    async (...args: unknown[]) => {
      if (workers().queueSize >= LONGEST_QUEUE)
        throw new AppError(503, 'busy', 'Falto has more to work out than it can at the moment. Try again in a minute.')
      const done = await workers().run({ job, args })
      if ('refused' in done) throw new AppError(422, 'invalid', done.refused)
      return done.result
    },
})
