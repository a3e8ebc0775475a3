'use client'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { COUNTS, type Limit } from '@/core/model'
import { NumberField } from '../parts'
import { TALL } from './look'

const GRAMS: Limit = { min: 0, max: 500, unit: 'g' }

/** A piece that was not planned: where it is, and what went on it, so that both are found again. */
export function Unplanned({
  about,
  onTell,
  onClose,
}: {
  about: string
  onTell: (piece: { note?: string; grams?: number }) => void
  onClose: () => void
}) {
  const [place, setPlace] = useState('')
  const [grams, setGrams] = useState(0)
  function tell() {
    onTell({ ...(place.trim() && { note: place.trim() }), ...(grams > 0 && { grams }) })
    onClose()
  }
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="unplanned-title">
      <DialogTitle id="unplanned-title">One not planned, {about}</DialogTitle>
      <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 2 }}>
        <TextField
          label="Where"
          placeholder="above row 3, at the part"
          value={place}
          onChange={(event) => setPlace(event.target.value)}
          slotProps={{ htmlInput: { maxLength: COUNTS.noteLength } }}
          margin="dense"
        />
        <NumberField label="Grams on it, if weighed" value={grams} limit={GRAMS} step={0.5} onChange={setGrams} />
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <Button variant="contained" sx={TALL} onClick={tell}>
          It is in
        </Button>
      </DialogActions>
    </Dialog>
  )
}
