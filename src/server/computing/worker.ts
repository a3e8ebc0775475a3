import { TooManyPiecesError } from '@/core/placement/foils'
import { CannotAddError } from '@/core/plan/serviceKinds'
import { jobs, type Jobs } from './jobs'

/** A job and what it is done with, as it crosses over to the worker. */
export interface Task {
  job: keyof Jobs
  args: unknown[]
}

/** What comes back: classes of errors do not cross over, so a plan that cannot be laid is told as an answer. */
export type Done = { result: unknown } | { refused: string }

export default async function work({ job, args }: Task): Promise<Done> {
  try {
    return { result: await (jobs[job] as (...args: unknown[]) => unknown)(...args) }
  } catch (error) {
    if (error instanceof TooManyPiecesError || error instanceof CannotAddError) return { refused: error.message }
    throw error
  }
}
