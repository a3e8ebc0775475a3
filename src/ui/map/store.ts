import { applyPatches, enablePatches, produce, type Patch } from 'immer'
import { v7 as newId } from 'uuid'
import { createStore } from 'zustand/vanilla'
import type { Acknowledgement, Caution, EditRecord, FaltoPlan, OpenPlan, Operation, Stale } from '@/core/model'
import type { MapDrawing } from '@/core/plan/sheets'
import type { Answer, Judged } from '@/workers/plan.worker'
import { ApiError, callApi, OfflineError } from '../hooks/api'
import { differences } from '../differences'

enablePatches()

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'waiting' }
  | { kind: 'saving' }
  | { kind: 'offline' }
  | { kind: 'signedOut' }
  | { kind: 'stale'; stale: Stale }
  | { kind: 'refused'; message: string }

/** The open plan: one document, what can be undone, and what has yet to reach the server. */
export interface PlanState {
  id: string
  document: FaltoPlan
  /** Revision of the server that `document` without `unsent` stands for. */
  revision: number
  undo: EditRecord[]
  redo: EditRecord[]
  unsent: Operation[]
  save: SaveState
  answer: (Omit<Answer, 'drawing'> & { drawing: MapDrawing }) | undefined
  /** Read from the answer; follows it a moment later. */
  judged: Judged | undefined
  problems: { path: string; message: string }[]
  acknowledgements: Acknowledgement[]
  /** From the client's record. */
  careCautions: Caution[]
  /** Foils of the plan carried out last, when they are to be seen under this one. */
  underlay: MapDrawing | undefined
  /** Stage that is worked on; the first one where none is named. */
  stageId: string | undefined
  selectedZone: string | undefined
  /** Zones of the same stage that change along with the selected one. */
  alsoSelected: readonly string[]
  /** What a press on a zone does to what is selected already. */
  picking: 'one' | 'several'
  /** Whether a hand is dragging, on the map or on the comb: the map is then drawn more plainly, so that it keeps up. */
  moving: 'no' | 'map' | 'comb'
  /** Why partings could not be changed as a hand asked. */
  partingProblem: string | undefined
  /** Total that is opened, and so lit on the map: `foils`, `minutes`, `share` or `grams:A`. */
  openTotal: string | undefined
}

export type PlanStore = ReturnType<typeof createPlanStore>

/** Edits with the same key within this time become one step of undo, ms. */
const MERGE_WINDOW = 900
/** Rest after the last edit before saving, ms. */
const SAVE_DELAY = 400
const RETRY_DELAY = 4000
/** Unsent work is written to this device at most this often, ms: writing on every move of a finger would slow it. */
const KEEP_DELAY = 100

const WAITING: SaveState = { kind: 'waiting' }
const waiting = (save: SaveState, unsent: readonly Operation[]): SaveState =>
  unsent.length === 0 || save.kind === 'stale' || save.kind === 'offline' ? save : WAITING

const unsentKey = (id: string) => `falto-unsent-${id}`

export function createPlanStore(open: OpenPlan) {
  const store = createStore<PlanState>(() => ({
    id: open.id,
    document: open.document,
    revision: open.revision,
    undo: open.history.undo,
    redo: open.history.redo,
    unsent: [],
    save: { kind: 'saved' },
    answer: undefined,
    judged: undefined,
    problems: [],
    acknowledgements: open.acknowledgements,
    careCautions: open.careCautions,
    underlay: undefined,
    stageId: undefined,
    selectedZone: undefined,
    alsoSelected: [],
    picking: 'one',
    moving: 'no',
    partingProblem: undefined,
    openTotal: undefined,
  }))
  const { getState: get, setState: set } = store
  let timer: ReturnType<typeof setTimeout> | undefined
  let keeping: ReturnType<typeof setTimeout> | undefined
  /** The edit that the next one may merge with, and the document before it. */
  let lastEdit: { key: string; at: number; base: FaltoPlan } | undefined
  let sending: Promise<void> | undefined

  /** Selects one zone, or none; `also` keeps what is selected and puts the zone to it, or takes it out again. */
  function select(zoneId: string | undefined, how: 'only' | 'also' = 'only'): void {
    const { selectedZone, alsoSelected } = get()
    const chosen = selectedZone === undefined ? [] : [selectedZone, ...alsoSelected]
    const next =
      zoneId === undefined
        ? []
        : how === 'only'
          ? [zoneId]
          : chosen.includes(zoneId)
            ? chosen.filter((id) => id !== zoneId)
            : [...chosen, zoneId]
    set({ selectedZone: next[0], alsoSelected: next.slice(1) })
  }

  /** Puts a stage on the map; the first one where none is named. */
  function show(stageId: string | undefined): void {
    select(undefined)
    set({ stageId, openTotal: undefined })
  }

  /**
   * Changes the document. Edits with one key in quick succession (a finger on a stepper) become one step of undo.
   * @param label of that step; made from the document before it where it says what changed into what
   */
  function edit(
    label: string | ((before: FaltoPlan) => string),
    key: string,
    recipe: (draft: FaltoPlan) => void,
  ): void {
    const state = get()
    const last = state.undo.at(-1)
    const merging =
      last !== undefined &&
      lastEdit?.key === key &&
      Date.now() - lastEdit.at < MERGE_WINDOW &&
      state.unsent.at(-1)?.id === last.id
    const document = produce(state.document, recipe)
    const base = merging ? lastEdit!.base : state.document
    const patches = differences(base, document)
    const words = typeof label === 'string' ? label : label(base)
    const operation: Operation = { id: newId(), kind: 'edit', label: words, patches }
    const record: EditRecord = {
      id: operation.id,
      label: words,
      patches,
      inverse: differences(document, base),
      by: 'you',
      at: new Date().toISOString(),
    }
    const undo = merging ? state.undo.slice(0, -1) : state.undo
    const unsent = merging ? state.unsent.slice(0, -1) : state.unsent
    const same = patches.length === 0
    const toSend = same ? unsent : [...unsent, operation]
    set({
      document,
      undo: same ? undo : [...undo, record],
      redo: same ? state.redo : [],
      unsent: toSend,
      save: waiting(state.save, toSend),
    })
    // What came to nothing left no step to merge with.
    lastEdit = same ? undefined : { key, at: Date.now(), base }
    schedule()
  }

  function step(kind: 'undo' | 'redo'): void {
    const state = get()
    const record = kind === 'undo' ? state.undo.at(-1) : state.redo[0]
    if (!record) return
    const document = applyPatches(
      state.document,
      (kind === 'undo' ? record.inverse : record.patches) as Patch[],
    ) as FaltoPlan
    lastEdit = undefined
    const unsent: Operation[] = [
      ...state.unsent,
      { id: newId(), kind, label: record.label, patches: [], target: record.id },
    ]
    set({
      document,
      undo: kind === 'undo' ? state.undo.slice(0, -1) : [...state.undo, record],
      redo: kind === 'undo' ? [record, ...state.redo] : state.redo.slice(1),
      unsent,
      save: waiting(state.save, unsent),
    })
    schedule()
  }

  function schedule(delay = SAVE_DELAY): void {
    keeping ??= setTimeout(keepUnsent, KEEP_DELAY)
    if (get().save.kind === 'stale') return
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), delay)
  }

  /** Sends what is unsent. One request at a time; operations have ids, so sending again does no harm. */
  function flush(): Promise<void> {
    clearTimeout(timer)
    sending ??= send().finally(() => (sending = undefined))
    return sending
  }

  async function send(): Promise<void> {
    while (get().unsent.length > 0 && get().save.kind !== 'stale') {
      const { unsent, revision, id } = get()
      const batch = unsent.slice(0, 100)
      lastEdit = undefined
      set({ save: { kind: 'saving' } })
      try {
        const saved = await callApi<{ revision: number }>(`/api/plans/${id}/operations`, 'POST', {
          baseRevision: revision,
          operations: batch,
        })
        set({ revision: saved.revision, unsent: get().unsent.slice(batch.length) })
        keepUnsent()
      } catch (error) {
        fail(error)
        return
      }
    }
    if (['saving', 'waiting'].includes(get().save.kind)) set({ save: { kind: 'saved' } })
  }

  function fail(error: unknown): void {
    keepUnsent()
    if (error instanceof OfflineError || (error instanceof ApiError && error.status >= 500)) {
      set({ save: { kind: 'offline' } })
      timer = setTimeout(() => void flush(), RETRY_DELAY)
    } else if (error instanceof ApiError && error.status === 409) {
      set({ save: { kind: 'stale', stale: error.body as unknown as Stale } })
    } else if (error instanceof ApiError && error.status === 401) {
      set({ save: { kind: 'signedOut' } })
    } else {
      set({ save: { kind: 'refused', message: error instanceof Error ? error.message : 'The change was refused.' } })
    }
  }

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

  /** Takes up what an earlier visit of this device could not send. */
  async function resume(): Promise<void> {
    const kept = localStorage.getItem(unsentKey(open.id))
    if (!kept) return
    const { revision, unsent } = JSON.parse(kept) as { revision: number; unsent: Operation[] }
    if (revision === get().revision && unsent.every(({ kind }) => kind === 'edit')) {
      unsent.forEach(replay)
      return schedule(0)
    }
    // The plan moved on, or undo is involved: the server sorts it out, or answers with what a merge needs.
    set({ unsent, revision })
    await flush()
    if (get().save.kind === 'saved') await reload()
  }

  function replay(operation: Operation): void {
    const state = get()
    const document = applyPatches(state.document, operation.patches as Patch[]) as FaltoPlan
    const { id, label, patches } = operation
    const record: EditRecord = {
      id,
      label,
      patches,
      inverse: differences(document, state.document),
      by: 'you',
      at: new Date().toISOString(),
    }
    const unsent = [...state.unsent, operation]
    set({ document, undo: [...state.undo, record], redo: [], unsent, save: waiting(state.save, unsent) })
  }

  /**
   * Ends a conflict. `merge` puts this window's unsent edits on top of what others did; `theirs` lets them go, after
   * they were offered as a copy.
   */
  function resolve(choice: 'merge' | 'theirs'): void {
    const { save, unsent } = get()
    if (save.kind !== 'stale') return
    const { document, revision, history, known } = save.stale
    const mine = unsent.filter((operation) => operation.kind === 'edit' && !known.includes(operation.id))
    set({ document, revision, undo: history.undo, redo: history.redo, unsent: [], save: { kind: 'saved' } })
    if (choice === 'merge')
      for (const operation of mine) {
        try {
          replay({ ...operation, id: newId() })
        } catch {
          // A place this edit was about is gone; the dialog has named it among the clashes.
        }
      }
    schedule(0)
  }

  /** Lets go of changes the server refuses, back to what it holds. */
  async function reload(): Promise<void> {
    const fresh = await callApi<OpenPlan>(`/api/plans/${open.id}`)
    set({
      document: fresh.document,
      revision: fresh.revision,
      undo: fresh.history.undo,
      redo: fresh.history.redo,
      unsent: [],
      save: { kind: 'saved' },
    })
    keepUnsent()
  }

  return {
    ...store,
    select,
    show,
    edit,
    undo: () => step('undo'),
    redo: () => step('redo'),
    keepUnsent,
    flush,
    resume,
    resolve,
    reload,
  }
}
