import { enablePatches } from 'immer'
import { v7 as newId } from 'uuid'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type {
  Acknowledgement,
  Canvas,
  Caution,
  EditRecord,
  FaltoPlan,
  Goal,
  OpenPlan,
  Operation,
  Stale,
} from '@/core/model'
import type { MapDrawing } from '@/core/plan/sheets'
import type { Answer, Judged } from '@/workers/plan.worker'
import { callApi } from '../hooks/api'
import { edited, replayed, stepped, type Edit, type LastEdit } from './history'
import { createOutbox, keptUnsent } from './outbox'

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
  canvas: Canvas | undefined
  /** What the client wishes for, as it was last recorded. */
  goal: Goal | undefined
  /** What earlier visits asked to be done otherwise. */
  nextTime: OpenPlan['nextTime']
  /** What the server has counted of hair as it was when the plan was opened. */
  seen: OpenPlan['seen']
  /** Foils of the plan carried out last, when they are to be seen under this one. */
  underlay: MapDrawing | undefined
  /** Stage that is worked on; the first one where none is named. */
  stageId: string | undefined
  selectedZone: string | undefined
  /** Zones of the same stage that change along with the selected one. */
  alsoSelected: readonly string[]
  /** A foil that was pointed out on the head or in its look. */
  chosenPiece: string | undefined
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

const opened = ({
  id,
  document,
  revision,
  history,
  acknowledgements,
  careCautions,
  canvas,
  goal,
  nextTime,
  seen,
}: OpenPlan): PlanState => ({
  id,
  document,
  revision,
  undo: history.undo,
  redo: history.redo,
  unsent: [],
  save: { kind: 'saved' },
  answer: undefined,
  judged: undefined,
  problems: [],
  acknowledgements,
  careCautions,
  canvas: canvas ?? undefined,
  goal: goal ?? undefined,
  nextTime,
  seen,
  underlay: undefined,
  stageId: undefined,
  selectedZone: undefined,
  alsoSelected: [],
  chosenPiece: undefined,
  picking: 'one',
  moving: 'no',
  partingProblem: undefined,
  openTotal: undefined,
})

/** An open plan: its edits, undo and redo, and its way to the server. */
export function createPlanStore(open: OpenPlan) {
  const store = createStore<PlanState>(() => opened(open))
  const { getState: get, setState: set } = store
  let lastEdit: LastEdit | undefined
  const outbox = createOutbox(store, () => (lastEdit = undefined))

  /** Changes the document. */
  function edit(label: Edit['label'], key: string, recipe: Edit['recipe']): void {
    const result = edited(get(), { label, key, recipe }, lastEdit)
    lastEdit = result.lastEdit
    set(result.next)
    outbox.schedule()
  }

  function step(kind: 'undo' | 'redo'): void {
    const next = stepped(get(), kind)
    if (!next) return
    lastEdit = undefined
    set(next)
    outbox.schedule()
  }

  const replay = (operation: Operation) => set(replayed(get(), operation))

  /** Takes up what an earlier visit of this device could not send. */
  async function resume(): Promise<void> {
    const kept = keptUnsent(open.id)
    if (!kept) return
    if (kept.revision === get().revision && kept.unsent.every(({ kind }) => kind === 'edit')) {
      kept.unsent.forEach(replay)
      return outbox.schedule(0)
    }
    // The plan moved on, or undo is involved: the server sorts it out, or answers with what a merge needs.
    set(kept)
    await outbox.flush()
    if (get().save.kind === 'saved') await reload()
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
    outbox.schedule(0)
  }

  /** Lets go of changes the server refuses, back to what it holds. */
  async function reload(): Promise<void> {
    const { document, revision, undo, redo, unsent, save } = opened(await callApi<OpenPlan>(`/api/plans/${open.id}`))
    set({ document, revision, undo, redo, unsent, save })
    outbox.keepUnsent()
  }

  return {
    ...store,
    ...selecting(store),
    edit,
    undo: () => step('undo'),
    redo: () => step('redo'),
    keepUnsent: outbox.keepUnsent,
    flush: outbox.flush,
    resume,
    resolve,
    reload,
  }
}

/** What is in hand: zones of a stage. */
function selecting({ getState: get, setState: set }: StoreApi<PlanState>) {
  /** Selects one zone, or none; `also` keeps what is selected and puts the zone to it, or takes it out again. */
  function select(zoneId: string | undefined, how: 'only' | 'also' = 'only'): void {
    const { selectedZone, alsoSelected } = get()
    const chosen = selectedZone === undefined ? [] : [selectedZone, ...alsoSelected]
    const [first, ...others] = zoneId === undefined ? [] : how === 'only' ? [zoneId] : toggled(chosen, zoneId)
    set({ selectedZone: first, alsoSelected: others, chosenPiece: undefined })
  }

  /** Puts a stage on the map; the first one where none is named. */
  function show(stageId: string | undefined): void {
    select(undefined)
    set({ stageId, openTotal: undefined })
  }

  /** Points a foil out: its zone is selected, its stage on the map. */
  function choosePiece({ pieceId, zoneId, stageId }: { pieceId: string; zoneId: string; stageId: string }): void {
    set({ stageId, selectedZone: zoneId, alsoSelected: [], chosenPiece: pieceId })
  }

  return { select, show, choosePiece }
}

/** The same with an item in it that was not, or without it. */
const toggled = <Item>(list: readonly Item[], item: Item): Item[] =>
  list.includes(item) ? list.filter((one) => one !== item) : [...list, item]
