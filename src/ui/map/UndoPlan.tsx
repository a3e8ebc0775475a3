'use client'
import { UndoButtons } from '../parts'
import { usePlan, usePlanStore } from './context'

/** Takes back the newest edit of the open plan, or does it again. */
export function UndoPlan() {
  const { store } = usePlanStore()
  const undo = usePlan((state) => state.undo.at(-1)?.label)
  const redo = usePlan((state) => state.redo[0]?.label)
  return <UndoButtons undo={undo} redo={redo} onUndo={store.undo} onRedo={store.redo} />
}
