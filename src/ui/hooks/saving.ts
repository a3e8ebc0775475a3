import { ApiError, OfflineError } from './api'

/** How edits are taken and sent, wherever a page keeps them until the server has them. */

/** Edits with the same key within this time become one step of undo, ms. Our choice. */
export const MERGE_WINDOW = 900
/** Rest after the last edit before saving, ms. Our choice. */
export const SAVE_DELAY = 400
/** How soon it is tried again without a server, ms. Our choice. */
export const RETRY_DELAY = 4000

/** What a failed sending means: try again, sign in, look at what changed meanwhile, or change what was entered. */
export function failureOf(error: unknown): 'offline' | 'signedOut' | 'stale' | 'refused' {
  if (error instanceof OfflineError) return 'offline'
  if (!(error instanceof ApiError)) return 'refused'
  if (error.status >= 500) return 'offline'
  if (error.status === 401) return 'signedOut'
  return error.status === 409 ? 'stale' : 'refused'
}
