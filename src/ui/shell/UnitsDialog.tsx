'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { readIn, timeIn, type ReadingUnits } from '@/core/units'
import { callApi } from '../hooks/api'
import { useUnits } from '../hooks/useUnits'
import { Choice, SaveButton } from '../parts'

const EXAMPLE = 'Formula A: 118 g (83–167) with 20 vol, row gap 6 mm, foils 24–30 cm long'

/** The units of the whole salon, for its owner. */
export function UnitsDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter()
  const { units: now } = useUnits()
  const [units, setUnits] = useState<ReadingUnits>(now)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string>()
  const set = (change: Partial<ReadingUnits>) => setUnits({ ...units, ...change })

  async function save() {
    setBusy(true)
    setProblem(undefined)
    try {
      await callApi('/api/units', 'PUT', units)
      router.refresh()
      onClose()
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be saved. Try again.')
      setBusy(false)
    }
  }

  return (
    <Dialog open onClose={onClose} maxWidth="xs" aria-labelledby="units-title">
      <DialogTitle id="units-title">Units of the salon</DialogTitle>
      <DialogContent>
        <Stack spacing={1.5}>
          <Typography color="textSecondary">
            For everybody who signs in here, on screen and on paper. Nothing that is recorded changes; files with data
            (CSV, JSON) stay in g, cm and vol.
          </Typography>
          {problem && <Alert severity="error">{problem}</Alert>}
          <Choice
            label="Product"
            value={units.mass}
            options={[
              { value: 'g', label: 'Grams' },
              { value: 'oz', label: 'Ounces' },
            ]}
            onChange={(mass) => set({ mass })}
          />
          <Choice
            label="Lengths"
            value={units.length}
            options={[
              { value: 'cm', label: 'Centimetres' },
              { value: 'in', label: 'Inches' },
            ]}
            onChange={(length) => set({ length })}
          />
          <Choice
            label="Developer"
            value={units.developer}
            options={[
              { value: 'vol', label: 'Volume' },
              { value: '%', label: 'Per cent' },
            ]}
            onChange={(developer) => set({ developer })}
          />
          <Choice
            label="Time"
            value={units.clock}
            options={[
              { value: '24', label: '24 hours' },
              { value: '12', label: '12 hours' },
            ]}
            onChange={(clock) => set({ clock })}
          />
          <Typography aria-label="Example">
            {readIn(units, EXAMPLE)}, done by {timeIn(units, '14:30')}.
          </Typography>
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <SaveButton onSave={save} busy={busy}>
          Save
        </SaveButton>
      </DialogActions>
    </Dialog>
  )
}
