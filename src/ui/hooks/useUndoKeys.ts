import { useEffect } from 'react'

interface Steps {
  undo: () => void
  redo: () => void
}

/**
 * Ctrl+Z (⌘Z) takes the newest edit back, with Shift it is done again; not while something is typed or chosen from a
 * list, nor in a dialog.
 */
export function useUndoKeys({ undo, redo }: Steps, mayWrite: boolean): void {
  useEffect(() => {
    if (!mayWrite) return
    function keys(event: KeyboardEvent) {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
      if (
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, [role="dialog"], [role="menu"], [role="listbox"]')
      )
        return
      event.preventDefault()
      if (event.shiftKey) redo()
      else undo()
    }
    window.addEventListener('keydown', keys)
    return () => window.removeEventListener('keydown', keys)
  }, [undo, redo, mayWrite])
}
