'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState, type MouseEvent, type ReactNode } from 'react'

interface Props {
  onSave: () => Promise<void> | void
  busy?: boolean
  disabled?: boolean
  children: ReactNode
}

/** What a button saves: its dialog, or the page's main part. */
const SCOPE = '[role="dialog"], form, main'

/** Saves, unless a field of the same dialog holds an entry that cannot be taken: then it leads there. */
export function SaveButton({ onSave, busy = false, disabled = false, children }: Props) {
  const [blocked, setBlocked] = useState(false)

  function press({ currentTarget }: MouseEvent<HTMLElement>) {
    const wrong = currentTarget.closest(SCOPE)?.querySelector<HTMLElement>('[aria-invalid="true"]')
    setBlocked(Boolean(wrong))
    if (wrong) wrong.focus()
    else void onSave()
  }

  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
      {blocked && (
        <Typography role="alert" variant="caption" color="error">
          Mend the marked field first.
        </Typography>
      )}
      <Button variant="contained" disabled={busy || disabled} onClick={press}>
        {busy ? 'One moment…' : children}
      </Button>
    </Box>
  )
}
