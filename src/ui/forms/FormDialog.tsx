'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog, { type DialogProps } from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import { useId, type ReactNode } from 'react'
import { Read, SaveButton } from '../parts'

interface Props extends Pick<DialogProps, 'maxWidth' | 'fullWidth'> {
  title: string
  form: { save: () => Promise<void>; busy: boolean; refused: string | undefined }
  /** What its button says. */
  save: string
  /** Whether what cannot be left out is there. */
  ready?: boolean
  onClose: () => void
  /** What else can be done, left of the buttons. */
  beside?: ReactNode
  children: ReactNode
}

/** A dialog that enters one thing: its fields, what the server refused, and two buttons. */
export function FormDialog({ title, form, save, ready = true, onClose, beside, children, ...size }: Props) {
  const id = useId()
  return (
    <Dialog open onClose={onClose} aria-labelledby={id} {...size}>
      <DialogTitle id={id}>{title}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          {form.refused && (
            <Alert severity="error">
              <Read>{form.refused}</Read>
            </Alert>
          )}
          {children}
        </Stack>
      </DialogContent>
      <DialogActions>
        {beside}
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <SaveButton onSave={form.save} busy={form.busy} disabled={!ready}>
          {save}
        </SaveButton>
      </DialogActions>
    </Dialog>
  )
}
