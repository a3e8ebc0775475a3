import { createStore } from 'zustand/vanilla'
import { correctionsOf, predictCanvas, predictHair, startingCanvas } from '@/core/hair/hairRecord'
import { startingGoal } from '@/core/judgement/feasibility'
import { createHead } from '@/core/scalp/head'
import type { Canvas, ConsultationBase, ConsultationEntry, OpenConsultation, TargetRegion } from '@/core/model'
import { ApiError, callApi, OfflineError } from '../hooks/api'

export type ConsultationSave =
  | { kind: 'saved' | 'unsaved' | 'waiting' | 'saving' | 'offline' | 'signedOut' }
  | { kind: 'stale' | 'refused'; error: ApiError }

interface Step {
  label: string
  before: ConsultationEntry
  after: ConsultationEntry
}

export interface ConsultationState {
  entry: ConsultationEntry
  /** What the record before says today's hair should be; undefined for a first record. */
  predicted: Canvas | undefined
  undo: Step[]
  redo: Step[]
  save: ConsultationSave
  region: TargetRegion
  strandId: string | undefined
  band: number
}

/** Edits with the same key within this time become one step of undo, ms. */
const MERGE_WINDOW = 900
const SAVE_DELAY = 400
const RETRY_DELAY = 4000

const draftKey = (clientId: string) => `falto-consultation-${clientId}`
interface Draft {
  base: ConsultationBase | undefined
  entry: ConsultationEntry
}

export const baseOf = ({ latest }: Pick<OpenConsultation, 'latest'>): ConsultationBase | undefined =>
  latest ? { number: latest.number, revision: latest.revision } : undefined

/** What a consultation opens with: today's record, the prediction from an earlier one, or virgin hair as a start. */
export function opening({
  latest,
  before,
  today,
  hair,
  head,
}: OpenConsultation): Pick<ConsultationState, 'entry' | 'predicted' | 'save'> {
  if (latest?.kind === 'seen' && latest.recordedOn === today) {
    const predicted = before
      ? predictCanvas(before.canvas, before.hair, { on: today, trimmedCm: latest.trimmedCm })
      : undefined
    return { entry: entryOf(latest), predicted, save: { kind: 'saved' } }
  }
  if (latest) {
    const predicted = predictCanvas(latest.canvas, latest.hair, { on: today })
    return {
      entry: {
        recordedOn: today,
        hair: predictHair(latest.hair, latest.recordedOn, today),
        canvas: predicted,
        goal: latest.goal,
        trimmedCm: 0,
      },
      predicted,
      save: { kind: 'unsaved' },
    }
  }
  return {
    entry: {
      recordedOn: today,
      hair,
      canvas: startingCanvas(createHead(head), hair, today),
      goal: startingGoal(hair),
      trimmedCm: 0,
    },
    predicted: undefined,
    save: { kind: 'unsaved' },
  }
}

const entryOf = ({ recordedOn, hair, canvas, goal, trimmedCm }: ConsultationEntry): ConsultationEntry => ({
  recordedOn,
  hair,
  canvas,
  goal,
  trimmedCm,
})

export type ConsultationStore = ReturnType<typeof createConsultationStore>

/** One consultation being made: its entry, undo and redo, and the way to the server. */
export function createConsultationStore(open: OpenConsultation) {
  const store = createStore<ConsultationState>(() => ({
    ...opening(open),
    undo: [],
    redo: [],
    region: 'all',
    strandId: undefined,
    band: 0,
  }))
  const { getState: get, setState: set } = store
  let base = baseOf(open)
  let timer: ReturnType<typeof setTimeout> | undefined
  let lastEdit: { key: string; at: number } | undefined
  let sending: Promise<void> | undefined

  function edit(label: string, key: string, change: (entry: ConsultationEntry) => ConsultationEntry): void {
    const { entry, undo } = get()
    const after = change(entry)
    if (after === entry) return
    const last = undo.at(-1)
    const merging = last !== undefined && lastEdit?.key === key && Date.now() - lastEdit.at < MERGE_WINDOW
    set({
      entry: after,
      undo: merging ? [...undo.slice(0, -1), { ...last, label, after }] : [...undo, { label, before: entry, after }],
      redo: [],
    })
    lastEdit = { key, at: Date.now() }
    schedule()
  }

  function step(kind: 'undo' | 'redo'): void {
    const { undo, redo } = get()
    const one = kind === 'undo' ? undo.at(-1) : redo[0]
    if (!one) return
    lastEdit = undefined
    set(
      kind === 'undo'
        ? { entry: one.before, undo: undo.slice(0, -1), redo: [one, ...redo] }
        : { entry: one.after, undo: [...undo, one], redo: redo.slice(1) },
    )
    schedule()
  }

  function schedule(delay = SAVE_DELAY): void {
    keepDraft()
    if (get().save.kind === 'stale') return
    if (get().save.kind !== 'offline') set({ save: { kind: 'waiting' } })
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), delay)
  }

  function flush(): Promise<void> {
    clearTimeout(timer)
    sending ??= send().finally(() => (sending = undefined))
    return sending
  }

  async function send(): Promise<void> {
    for (;;) {
      const { entry } = get()
      set({ save: { kind: 'saving' } })
      try {
        base = await callApi<ConsultationBase>(`/api/clients/${open.client.id}/consultation`, 'PUT', {
          ...entry,
          ...(base && { base }),
        })
      } catch (error) {
        return fail(error)
      }
      if (get().entry === entry) break
    }
    dropDraft()
    set({ save: { kind: 'saved' } })
  }

  function fail(error: unknown): void {
    if (error instanceof OfflineError || (error instanceof ApiError && error.status >= 500)) {
      set({ save: { kind: 'offline' } })
      timer = setTimeout(() => void flush(), RETRY_DELAY)
    } else if (error instanceof ApiError && error.status === 401) set({ save: { kind: 'signedOut' } })
    else if (error instanceof ApiError) set({ save: { kind: error.status === 409 ? 'stale' : 'refused', error } })
    else throw error
  }

  function keepDraft(): void {
    try {
      localStorage.setItem(draftKey(open.client.id), JSON.stringify({ base, entry: get().entry } satisfies Draft))
    } catch {
      // A full or forbidden storage loses only the safety net; the entry is still in memory and being sent.
    }
  }

  const dropDraft = () => localStorage.removeItem(draftKey(open.client.id))

  /** Takes up what an earlier visit of this device could not send. */
  function resume(): void {
    const kept = localStorage.getItem(draftKey(open.client.id))
    if (!kept) return
    const draft = JSON.parse(kept) as Draft
    // A draft of another day than the one that is open would write yesterday's hair over today's prediction.
    if (draft.entry.recordedOn !== get().entry.recordedOn) return dropDraft()
    base = draft.base
    edit('What this device had kept', 'draft', () => draft.entry)
  }

  /** Ends a conflict: `mine` is saved over what is there now, `theirs` lets it go. */
  async function resolve(choice: 'mine' | 'theirs'): Promise<void> {
    const fresh = await callApi<OpenConsultation>(`/api/clients/${open.client.id}/consultation`)
    base = baseOf(fresh)
    if (choice === 'theirs') {
      dropDraft()
      set({ ...opening(fresh), undo: [], redo: [], strandId: undefined, band: 0 })
    } else {
      set({ save: { kind: 'waiting' } })
      await flush()
    }
  }

  const show = (region: TargetRegion, strandId?: string) => set({ region, strandId, band: 0 })
  const pick = (strandId: string, band: number) => set({ strandId, band })

  return { ...store, edit, undo: () => step('undo'), redo: () => step('redo'), flush, resume, resolve, show, pick }
}

/** What the eye changed of the prediction. */
export const seenCorrections = ({ predicted, entry }: Pick<ConsultationState, 'predicted' | 'entry'>) =>
  predicted ? correctionsOf(predicted, entry.canvas) : []
