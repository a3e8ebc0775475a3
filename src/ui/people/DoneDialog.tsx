'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { SaveButton } from '../parts'
import { DateField } from '../parts/DateField'
import { callApi } from '../hooks/api'

interface Props {
  plan: { id: string; name: string }
  today: string
  onClose: () => void
  onDone: () => void
}

/** Records that a plan was carried out; the hair after it is predicted from it. */
export function DoneDialog({ plan, today, onClose, onDone }: Props) {
  const [on, setOn] = useState(today)
  const [error, setError] = useState<string>()
  const [busy, setBusy] = useState(false)

  async function record() {
    setBusy(true)
    try {
      await callApi(`/api/plans/${plan.id}/done`, 'POST', { on })
      onDone()
    } catch (problem) {
      setError(problem instanceof Error ? problem.message : 'That did not work. Try again.')
      setBusy(false)
    }
  }

  return (
    <Dialog open onClose={onClose} maxWidth="xs" aria-labelledby="done-title">
      <DialogTitle id="done-title">“{plan.name}” was carried out</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 0.5 }}>
          <Typography color="textSecondary">
            The plan is kept as it is now. What its foils took becomes hair of its own in the record, as the formulas
            meant it; the next consultation corrects what came out otherwise.
          </Typography>
          {error && <Alert severity="error">{error}</Alert>}
          <DateField label="On" value={on} max={today} onChange={setOn} />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <SaveButton onSave={record} busy={busy} disabled={on === ''}>
          Record as carried out
        </SaveButton>
      </DialogActions>
    </Dialog>
  )
}
