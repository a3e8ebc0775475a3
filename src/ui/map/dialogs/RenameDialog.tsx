'use client'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { COUNTS } from '@/core/model'
import { usePlan, usePlanStore } from '../context'

export function RenameDialog({ onClose }: { onClose: () => void }) {
  const { store } = usePlanStore()
  const current = usePlan((state) => state.document.name)
  const [name, setName] = useState(current)
  function save() {
    store.edit(`Renamed to ${name.trim()}`, 'name', (draft) => void (draft.name = name.trim()))
    onClose()
  }
  return (
    <Dialog open onClose={onClose} maxWidth="xs" aria-labelledby="rename-title">
      <DialogTitle id="rename-title">Rename the plan</DialogTitle>
      <DialogContent>
        <TextField
          autoFocus
          fullWidth
          margin="dense"
          label="Name"
          value={name}
          slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
          onChange={(event) => setName(event.target.value)}
        />
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <Button variant="contained" disabled={name.trim() === ''} onClick={save}>
          Rename
        </Button>
      </DialogActions>
    </Dialog>
  )
}
