/** A refusal from the server, with its words and, where there are any, the fields it concerns. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly body: { problems?: { path: string; message: string }[]; [key: string]: unknown },
  ) {
    super(message)
    this.name = 'ApiError'
  }
}

/** The server could not be reached at all. */
export class OfflineError extends Error {
  constructor() {
    super('Falto cannot be reached. Your changes are kept on this device and sent when it answers again.')
    this.name = 'OfflineError'
  }
}

/**
 * While somebody comes in, nothing of who was there before may go out under her name: what a page still wants to send
 * waits, as without a network, until the page is read anew.
 */
let paused = false
export const pauseSending = (pause: boolean): void => {
  paused = pause
}
/** By which people come and go. */
const DOORS = /^\/api\/(auth\/|demo\/|tablet$)/

/** Calls a route of ours. @throws ApiError, OfflineError */
export async function callApi<T>(path: string, method = 'GET', body?: unknown): Promise<T> {
  if (paused && !DOORS.test(path)) throw new OfflineError()
  let response: Response
  try {
    response = await fetch(path, {
      method,
      ...(body !== undefined && {
        body: typeof body === 'string' ? body : JSON.stringify(body),
        headers: { 'content-type': 'application/json' },
      }),
    })
  } catch {
    throw new OfflineError()
  }
  const answer = (await response.json().catch(() => ({}))) as Record<string, unknown>
  if (!response.ok) {
    const message = typeof answer['message'] === 'string' ? answer['message'] : 'Something went wrong. Try again.'
    throw new ApiError(
      response.status,
      typeof answer['error'] === 'string' ? answer['error'] : 'failed',
      message,
      answer,
    )
  }
  return answer as T
}

/** The message at a field, if the error names it. */
export const problemAt = (error: unknown, path: string): string | undefined =>
  error instanceof ApiError ? error.body.problems?.find((problem) => problem.path === path)?.message : undefined

/** What a failure says, or what is said where it says nothing. */
export const failureWords = (error: unknown, otherwise = 'That did not work. Try again.'): string =>
  error instanceof Error ? error.message : otherwise
