import { useKeys } from './useKeys'

interface Steps {
  undo: () => void
  redo: () => void
}

/** Ctrl+Z (⌘Z) takes the newest edit back, with Shift it is done again. */
export function useUndoKeys({ undo, redo }: Steps, mayWrite: boolean): void {
  useKeys(mayWrite ? { undo, redo } : {})
}
