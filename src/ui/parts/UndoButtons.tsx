'use client'
import Button from '@mui/material/Button'
import { memo } from 'react'
import { useUnits } from '../hooks/useUnits'

interface Props {
  /** What would be taken back and what done again, in words; nothing where there is nothing. */
  undo: string | undefined
  redo: string | undefined
  onUndo: () => void
  onRedo: () => void
}

/** Undo and redo, each saying what it is about. */
export function UndoButtons({ undo, redo, onUndo, onRedo }: Props) {
  return (
    <>
      <UndoButton what="Undo" label={undo} onClick={onUndo} />
      <UndoButton what="Redo" label={redo} onClick={onRedo} />
    </>
  )
}

/** Drawn again only when its own words change: the other's do at every move of a hand. */
const UndoButton = memo(function UndoButton({
  what,
  label,
  onClick,
}: {
  what: string
  label: string | undefined
  onClick: () => void
}) {
  const { read } = useUnits()
  const words = label && `${what}: ${read(label)}`
  return (
    <Button color="inherit" disabled={!label} title={words} aria-label={words ?? what} onClick={onClick}>
      {what}
    </Button>
  )
})
