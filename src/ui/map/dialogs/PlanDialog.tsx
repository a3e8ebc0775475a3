'use client'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { COUNTS, LIMITS, type FoilSizes } from '@/core/model'
import { USUAL_FOILS } from '@/core/placement/foils'
import { useUnits } from '../../hooks/useUnits'
import { NumberField } from '../../parts'
import { usePlan, usePlanStore } from '../context'

const lengthsOf = (words: string): number[] =>
  words
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number)

/** What keeps written lengths from being taken, in words. */
function problemWith(lengths: readonly number[]): string | undefined {
  const { min, max } = LIMITS.foilLengthCm
  if (lengths.length > COUNTS.foilLengths) return `Name at most ${COUNTS.foilLengths} lengths.`
  if (!lengths.every((cm) => cm >= min && cm <= max)) return `Each is a number between ${min} and ${max} cm.`
  if (lengths.some((cm, i) => i > 0 && cm <= lengths[i - 1]!)) return 'Name them from the shortest to the longest.'
  return undefined
}

/** What a plan is called, what a hand should know of it, and the foils it is laid with. */
export function PlanDialog({ onClose }: { onClose: () => void }) {
  const { store } = usePlanStore()
  const { read } = useUnits()
  const document = usePlan((state) => state.document)
  const [name, setName] = useState(document.name)
  const [note, setNote] = useState(document.note ?? '')
  const [widthCm, setWidth] = useState((document.foils ?? USUAL_FOILS).widthCm)
  const [lengths, setLengths] = useState((document.foils ?? USUAL_FOILS).lengthsCm.join(', '))
  const lengthsCm = lengthsOf(lengths)
  const problem = problemWith(lengthsCm)

  function save() {
    store.edit('Name, note and foils', 'plan', (draft) => {
      draft.name = name.trim()
      if (note.trim()) draft.note = note.trim()
      else delete draft.note
      const foils: FoilSizes = { widthCm, lengthsCm }
      if (lengthsCm.length > 0 || widthCm !== USUAL_FOILS.widthCm) draft.foils = foils
      else delete draft.foils
    })
    onClose()
  }

  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="plan-title">
      <DialogTitle id="plan-title">Name, note and foils</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <TextField
            autoFocus
            fullWidth
            label="Name"
            value={name}
            slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
            onChange={(event) => setName(event.target.value)}
          />
          <TextField
            fullWidth
            multiline
            minRows={2}
            label="Note for this plan"
            value={note}
            slotProps={{ htmlInput: { maxLength: COUNTS.noteLength } }}
            onChange={(event) => setNote(event.target.value)}
          />
          <NumberField
            label="A foil holds, across"
            value={widthCm}
            limit={LIMITS.foilWidthCm}
            step={0.5}
            onChange={setWidth}
          />
          <TextField
            fullWidth
            label="Ready lengths of foil, cm"
            value={lengths}
            error={problem !== undefined}
            helperText={problem ?? read('Shortest first, as 15, 30, 45 cm; empty where foil is cut to measure.')}
            onChange={(event) => setLengths(event.target.value)}
          />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <Button variant="contained" disabled={name.trim() === '' || problem !== undefined} onClick={save}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  )
}
