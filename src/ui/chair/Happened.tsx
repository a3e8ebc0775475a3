'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { COUNTS, INCIDENTS, type Incident } from '@/core/model'
import { INCIDENT_WORDS } from '@/words'
import { TALL } from './look'
import type { LiveRun } from './useRun'

/** Delays that are told, min. */
const HELD_UP = [5, 10, 15, 30]

interface Props {
  stepId: string | undefined
  tell: LiveRun['tell']
  onClose: () => void
}

/** What went otherwise than planned: put down with its time, and answered with what is usually done. */
export function Happened({ stepId, tell, onClose }: Props) {
  const [incident, setIncident] = useState<Incident>()
  const [note, setNote] = useState('')
  const tellIncident = (kind: Incident, words = '') =>
    tell({ kind: 'incident', incident: kind, ...(stepId !== undefined && { stepId }), ...(words && { note: words }) })

  function choose(kind: Incident) {
    if (kind !== 'other') tellIncident(kind)
    setIncident(kind)
  }

  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-labelledby="incident-title">
      <DialogTitle id="incident-title">{incident ? INCIDENT_WORDS[incident].name : 'What happened?'}</DialogTitle>
      <DialogContent>
        {!incident && (
          <Box sx={{ display: 'grid', gap: 1 }}>
            <Incidents onChoose={choose} />
            <HeldUp
              onHeldUp={(minutes) => {
                tell({ kind: 'delayed', value: minutes })
                onClose()
              }}
            />
          </Box>
        )}
        {incident && incident !== 'other' && (
          <Typography sx={{ fontSize: '1.15rem' }}>
            {INCIDENT_WORDS[incident].mend} It is in the log with its time.
          </Typography>
        )}
        {incident === 'other' && (
          <TextField
            autoFocus
            fullWidth
            multiline
            minRows={2}
            label="What happened"
            value={note}
            onChange={({ target }) => setNote(target.value)}
            slotProps={{ htmlInput: { maxLength: COUNTS.noteLength } }}
            sx={{ mt: 1 }}
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" sx={TALL} onClick={onClose}>
          {incident && incident !== 'other' ? 'Close' : 'Cancel'}
        </Button>
        {incident === 'other' && (
          <Button
            variant="contained"
            sx={TALL}
            disabled={note.trim() === ''}
            onClick={() => {
              tellIncident('other', note.trim())
              onClose()
            }}
          >
            Put it down
          </Button>
        )}
      </DialogActions>
    </Dialog>
  )
}

function Incidents({ onChoose }: { onChoose: (incident: Incident) => void }) {
  return INCIDENTS.map((one) => (
    <Button
      key={one}
      variant="outlined"
      color={one === 'burning' || one === 'breakage' ? 'error' : 'inherit'}
      sx={TALL}
      onClick={() => onChoose(one)}
    >
      {INCIDENT_WORDS[one].name}
    </Button>
  ))
}

function HeldUp({ onHeldUp }: { onHeldUp: (minutes: number) => void }) {
  return (
    <>
      <Typography sx={{ mt: 1 }}>Held up, nobody can begin anything for</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(4, 1fr)', gap: 1 }}>
        {HELD_UP.map((minutes) => (
          <Button key={minutes} variant="outlined" color="inherit" sx={TALL} onClick={() => onHeldUp(minutes)}>
            {minutes} min
          </Button>
        ))}
      </Box>
    </>
  )
}
