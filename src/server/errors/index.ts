/** Answers other than success. */
import { isDeepStrictEqual } from 'node:util'
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

/** What is sent twice counts once. @throws AppError 409 where it was something else the first time */
export function sentAgain(row: object, kept: object | undefined): object {
  const same = kept && Object.entries(row).every(([field, value]) => isDeepStrictEqual(value, Reflect.get(kept, field)))
  if (!same)
    throw new AppError(
      409,
      'id-taken',
      'Something else is kept under this id already, so this was not kept. Enter it again as a new entry.',
    )
  return {}
}
