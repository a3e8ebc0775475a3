'use client'
import Button from '@mui/material/Button'

interface Props {
  /** What would be taken back and what done again, in words; nothing where there is nothing. */
  undo: string | undefined
  redo: string | undefined
  onUndo: () => void
  onRedo: () => void
}

/** Undo and redo, each saying what it is about. */
export function UndoButtons({ undo, redo, onUndo, onRedo }: Props) {
  const button = (what: string, label: string | undefined, onClick: () => void) => (
    <Button color="inherit" disabled={!label} title={label && `${what}: ${label}`} aria-label={label ? `${what}: ${label}` : what} onClick={onClick}>
      {what}
    </Button>
  )
  return (
    <>
      {button('Undo', undo, onUndo)}
      {button('Redo', redo, onRedo)}
    </>
  )
}
