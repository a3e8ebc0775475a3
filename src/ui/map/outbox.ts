import type { StoreApi } from 'zustand/vanilla'
import type { Operation, Stale } from '@/core/model'
import { callApi, failureWords, type ApiError } from '../hooks/api'
import { ownKey } from '../hooks/own'
import { failureOf, RETRY_DELAY, SAVE_DELAY } from '../hooks/saving'
import type { PlanState, SaveState } from './store'

/** Unsent work is written to this device at most this often, ms: writing on every move of a finger would slow it. */
const KEEP_DELAY = 100
/** Operations sent at once; fewer than the server takes. */
const BATCH = 100

const unsentKey = (id: string) => ownKey(`falto-unsent-${id}`)

/** What this device still holds of a plan from before. */
export function keptUnsent(id: string): Pick<PlanState, 'revision' | 'unsent'> | undefined {
  const kept = localStorage.getItem(unsentKey(id))
  return kept ? (JSON.parse(kept) as { revision: number; unsent: Operation[] }) : undefined
}

/**
 * The way of edits to the server: sent after a rest, one request at a time, kept on this device until they are there.
 * @param onSend called before operations leave, after which they can no longer change
 */
export function createOutbox({ getState: get, setState: set }: StoreApi<PlanState>, onSend: () => void) {
  let timer: ReturnType<typeof setTimeout> | undefined
  let keeping: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined

  /** Unsent work outlives a reload. */
  function keepUnsent(): void {
    clearTimeout(keeping)
    keeping = undefined
    const { id, revision, unsent } = get()
    try {
      if (unsent.length === 0) localStorage.removeItem(unsentKey(id))
      else localStorage.setItem(unsentKey(id), JSON.stringify({ revision, unsent }))
    } catch {
      // A full or forbidden storage loses only the safety net; the operations are still in memory and being sent.
    }
  }

  function schedule(delay = SAVE_DELAY): void {
    keeping ??= setTimeout(keepUnsent, KEEP_DELAY)
    if (get().save.kind === 'stale') return
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), delay)
  }

  /** Sends what is unsent. Operations have ids, so sending again does no harm. */
  function flush(): Promise<void> {
    clearTimeout(timer)
    sending ??= send().finally(() => (sending = undefined))
    return sending
  }

  async function send(): Promise<void> {
    while (get().unsent.length > 0 && get().save.kind !== 'stale') {
      const { unsent, revision, id } = get()
      const operations = unsent.slice(0, BATCH)
      onSend()
      set({ save: { kind: 'saving' } })
      try {
        const body = { baseRevision: revision, operations }
        const saved = await callApi<{ revision: number }>(`/api/plans/${id}/operations`, 'POST', body)
        set({ revision: saved.revision, unsent: get().unsent.slice(operations.length) })
        keepUnsent()
      } catch (error) {
        keepUnsent()
        const save = troubleOf(error)
        set({ save })
        if (save.kind === 'offline') timer = setTimeout(() => void flush(), RETRY_DELAY)
        return
      }
    }
    if (['saving', 'waiting'].includes(get().save.kind)) set({ save: { kind: 'saved' } })
  }

  return { keepUnsent, schedule, flush }
}

/** What a failed sending means for what is being saved. */
function troubleOf(error: unknown): SaveState {
  const kind = failureOf(error)
  if (kind === 'stale') return { kind, stale: (error as ApiError).body as unknown as Stale }
  if (kind === 'refused') return { kind, message: failureWords(error, 'The change was refused.') }
  return { kind }
}
