import { createStore, type StoreApi } from 'zustand/vanilla'
import { correctionsOf, predictCanvas, predictHair, startingCanvas } from '@/core/hair/hairRecord'
import { startingGoal } from '@/core/judgement/feasibility'
import { createHead } from '@/core/scalp/head'
import type { Canvas, ConsultationBase, ConsultationEntry, OpenConsultation, TargetRegion } from '@/core/model'
import { ApiError, callApi } from '../hooks/api'
import { ownKey } from '../hooks/own'
import { failureOf, MERGE_WINDOW, RETRY_DELAY, SAVE_DELAY } from '../hooks/saving'

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

const draftKey = (clientId: string) => ownKey(`falto-consultation-${clientId}`)
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
  let lastEdit: { key: string; at: number } | undefined
  const sender = createSender(store, open)

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
    sender.schedule()
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
    sender.schedule()
  }

  /** Ends a conflict: `mine` is saved over what is there now, `theirs` lets it go. */
  async function resolve(choice: 'mine' | 'theirs'): Promise<void> {
    const fresh = await callApi<OpenConsultation>(`/api/clients/${open.client.id}/consultation`)
    sender.standOn(baseOf(fresh))
    if (choice === 'theirs') {
      sender.dropDraft()
      set({ ...opening(fresh), undo: [], redo: [], strandId: undefined, band: 0 })
    } else {
      set({ save: { kind: 'waiting' } })
      await sender.flush()
    }
  }

  return {
    ...store,
    edit,
    undo: () => step('undo'),
    redo: () => step('redo'),
    flush: sender.flush,
    /** Takes up what an earlier visit of this device could not send. */
    resume() {
      const draft = sender.takeDraft()
      if (draft) edit('What this device had kept', 'draft', () => draft)
    },
    resolve,
    show: (region: TargetRegion, strandId?: string) => set({ region, strandId, band: 0 }),
    pick: (strandId: string, band: number) => set({ strandId, band }),
  }
}

/** The way of an entry to the server: sent whole after a rest, kept on this device until it is there. */
function createSender({ getState: get, setState: set }: StoreApi<ConsultationState>, open: OpenConsultation) {
  let base = baseOf(open)
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined
  const key = draftKey(open.client.id)

  function keepDraft(): void {
    try {
      localStorage.setItem(key, JSON.stringify({ base, entry: get().entry } satisfies Draft))
    } catch {
      // A full or forbidden storage loses only the safety net; the entry is still in memory and being sent.
    }
  }
  const dropDraft = () => localStorage.removeItem(key)

  function schedule(): void {
    keepDraft()
    const { kind } = get().save
    if (kind === 'stale') return
    if (kind !== 'offline') set({ save: { kind: 'waiting' } })
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), SAVE_DELAY)
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
        const body = { ...entry, ...(base && { base }) }
        base = await callApi<ConsultationBase>(`/api/clients/${open.client.id}/consultation`, 'PUT', body)
      } catch (error) {
        const save = troubleOf(error)
        set({ save })
        if (save.kind === 'offline') timer = setTimeout(() => void flush(), RETRY_DELAY)
        return
      }
      if (get().entry === entry) break
    }
    dropDraft()
    set({ save: { kind: 'saved' } })
  }

  return {
    schedule,
    flush,
    dropDraft,
    /** What the next sending is made from. */
    standOn: (next: ConsultationBase | undefined) => {
      base = next
    },
    /** What this device kept of the day that is open. */
    takeDraft(): ConsultationEntry | undefined {
      const kept = localStorage.getItem(key)
      if (!kept) return undefined
      const draft = JSON.parse(kept) as Draft
      // A draft of another day than the one that is open would write yesterday's hair over today's prediction.
      if (draft.entry.recordedOn !== get().entry.recordedOn) {
        dropDraft()
        return undefined
      }
      base = draft.base
      return draft.entry
    },
  }
}

/** What a failed sending means for what is being saved. @throws what is no answer of the server */
function troubleOf(error: unknown): ConsultationSave {
  const kind = failureOf(error)
  if (kind === 'offline' || kind === 'signedOut') return { kind }
  if (!(error instanceof ApiError)) throw error
  return { kind, error }
}

/** What the eye changed of the prediction. */
export const seenCorrections = ({ predicted, entry }: Pick<ConsultationState, 'predicted' | 'entry'>) =>
  predicted ? correctionsOf(predicted, entry.canvas) : []
