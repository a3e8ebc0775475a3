'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { v7 as newId } from 'uuid'
import { VALID_DAYS } from '@/core/judgement/care'
import { COUNTS, type CareKind, type CareResult } from '@/core/model'
import { callApi, problemAt } from '../hooks/api'
import { Choice, SaveButton } from '../parts'
import { DateField } from '../parts/DateField'
import { WORDS } from '../words'

const QUESTIONS: Record<CareKind, string> = {
  allergyAlert: 'Made and read as the product’s instructions say. What did the skin show?',
  strandTest: 'A hidden strand with the planned product, stretched wet afterwards.',
  scalp: 'Dry, in good light: calm, or irritated, broken, flaking, sore?',
  age: 'The instructions and local rules name the lowest age.',
  metallicHenna: 'Restoring lotions, henna, colour of unknown make, ever on these lengths?',
  reactions:
    'Earlier reactions to colour, black tattoos or latex; illness, pregnancy, medicines. With a yes, the instructions and a doctor decide.',
}
const WITH_PRODUCT: readonly CareKind[] = ['allergyAlert', 'strandTest']

interface Props {
  clientId: string
  kind: CareKind
  today: string
  onClose: () => void
  onRecorded: () => void
}

/** Records one check: when, with what, what it showed. */
export function CheckDialog({ clientId, kind, today, onClose, onRecorded }: Props) {
  const [id] = useState(() => newId())
  const [on, setOn] = useState(today)
  const [result, setResult] = useState<CareResult>()
  const [product, setProduct] = useState('')
  const [note, setNote] = useState('')
  const [expiresOn, setExpiresOn] = useState('')
  const [error, setError] = useState<unknown>()
  const [busy, setBusy] = useState(false)

  async function record() {
    setBusy(true)
    try {
      await callApi(`/api/clients/${clientId}/care/checks`, 'POST', {
        id,
        kind,
        on,
        result,
        product: product.trim(),
        note: note.trim(),
        ...(expiresOn && { expiresOn }),
      })
      onRecorded()
    } catch (problem) {
      setError(problem)
      setBusy(false)
    }
  }

  const dateProblem = problemAt(error, 'on')
  const expiryProblem = problemAt(error, 'expiresOn')
  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-labelledby="check-title">
      <DialogTitle id="check-title">{WORDS.care[kind]}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 0.5 }}>
          <Typography color="textSecondary">{QUESTIONS[kind]}</Typography>
          {error instanceof Error && !dateProblem && !expiryProblem && <Alert severity="error">{error.message}</Alert>}
          <Choice
            label="Result"
            value={result}
            options={[
              { value: 'clear', label: 'Nothing found' },
              { value: 'concern', label: 'Cause for concern' },
            ]}
            onChange={setResult}
          />
          <DateField label="Made on" value={on} max={today} onChange={setOn} problem={dateProblem} />
          {WITH_PRODUCT.includes(kind) && (
            <TextField
              label="With which product"
              size="small"
              value={product}
              onChange={({ target }) => setProduct(target.value)}
              slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
            />
          )}
          <TextField
            label="Note"
            size="small"
            multiline
            minRows={2}
            value={note}
            onChange={({ target }) => setNote(target.value)}
            slotProps={{ htmlInput: { maxLength: COUNTS.noteLength } }}
          />
          {VALID_DAYS[kind] > 0 && (
            <DateField
              label="Counts until (if the instructions name a day)"
              value={expiresOn}
              optional
              onChange={setExpiresOn}
              problem={expiryProblem}
              help={
                VALID_DAYS[kind] === Infinity
                  ? 'Left empty, it does not run out.'
                  : `Left empty: ${VALID_DAYS[kind]} days.`
              }
            />
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <SaveButton onSave={record} busy={busy} disabled={result === undefined || on === ''}>
          Record
        </SaveButton>
      </DialogActions>
    </Dialog>
  )
}
