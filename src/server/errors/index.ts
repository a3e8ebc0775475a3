/** Answers other than success. */
import type { FieldProblem } from '@/dto'

/** An answer other than success that tells the user what to do. */
export class AppError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly details: { problems?: FieldProblem[]; [key: string]: unknown } = {},
  ) {
    super(message)
    this.name = 'AppError'
  }
}

/** An entry that cannot be taken as it is, told at its field. */
export const invalidAt = (path: string, message: string): AppError =>
  new AppError(422, 'invalid', message, { problems: [{ path, message }] })

export const notFound = (what: string): AppError =>
  new AppError(404, 'not-found', `This ${what} is not here. It may have been removed, or belong to another salon.`)
