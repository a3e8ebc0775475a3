'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import type { HairState, HeadMeasures } from '@/core/model'
import { callApi, problemAt } from '../hooks/api'
import { HairFields, HeadFields, SaveButton } from '../parts'

const startingHead: HeadMeasures = { circumferenceCm: 54 } // the middle of adult heads, see the core's head constants
const startingHair: HairState = {
  naturalLevel: 5,
  density: 'medium',
  texture: 'medium',
  curl: 'straight',
  cutLine: 'layered',
  lengthCm: 35,
  weeksSinceColour: 0,
}

export function NewClient({ onClose, onMade }: { onClose: () => void; onMade: (id: string) => void }) {
  const [name, setName] = useState('')
  const [head, setHead] = useState(startingHead)
  const [hair, setHair] = useState(startingHair)
  const [error, setError] = useState<unknown>()
  const [busy, setBusy] = useState(false)

  async function save() {
    setBusy(true)
    try {
      onMade((await callApi<{ id: string }>('/api/clients', 'POST', { name: name.trim(), note: '', head, hair })).id)
    } catch (problem) {
      setError(problem)
      setBusy(false)
    }
  }

  const nameProblem = problemAt(error, 'name')
  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="new-client">
      <DialogTitle id="new-client">New client</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          {error instanceof Error && <Alert severity="error">{error.message}</Alert>}
          <TextField
            label="Name"
            value={name}
            autoFocus
            required
            error={nameProblem !== undefined}
            helperText={nameProblem}
            onChange={(event) => setName(event.target.value)}
          />
          <HeadFields head={head} onChange={setHead} problemAt={(path) => problemAt(error, path)} />
          <HairFields hair={hair} onChange={setHair} problemAt={(path) => problemAt(error, path)} />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <SaveButton onSave={save} busy={busy} disabled={name.trim() === ''}>
          Add client
        </SaveButton>
      </DialogActions>
    </Dialog>
  )
}
