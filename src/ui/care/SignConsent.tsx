'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { useController, useWatch } from 'react-hook-form'
import { v7 as newId } from 'uuid'
import { ConsentDto } from '@/dto'
import { CONSENT_TEXT } from '@/core/judgement/care'
import { COUNTS, type OpenCare } from '@/core/model'
import { TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { SignatureField } from './Signature'

interface Props {
  open: OpenCare
  again: boolean
  onSigned: () => void
}

/** Agreement to the text: signed by hand, or a name typed before a witness where a hand cannot sign. */
export function SignConsent({ open, again, onSigned }: Props) {
  const [how, setHow] = useState<'drawn' | 'typed'>('drawn')
  const [seen, setSeen] = useState(false)
  const [start] = useState(() => startOf(open))
  const form = useEntryForm(ConsentDto, {
    start,
    send: async (consent) => {
      await callApi(`/api/clients/${open.client.id}/care/consents`, 'POST', consent)
      onSigned()
    },
  })
  const { control } = form
  const strokes = useController({ control, name: 'strokes' }).field
  const typedName = useWatch({ control, name: 'typedName' })
  const ready = how === 'drawn' ? strokes.value.length > 0 : Boolean(typedName?.trim()) && seen

  function change(next: typeof how) {
    form.reset(startOf(open))
    setSeen(false)
    setHow(next)
  }

  return (
    <Box sx={{ mt: 2 }}>
      {form.refused && (
        <Alert severity="error" sx={{ mb: 1 }}>
          {form.refused}
        </Alert>
      )}
      {how === 'drawn' ? (
        <>
          <Typography variant="caption" color="textSecondary">
            {again ? 'Sign again' : 'Sign here'} with a finger, pen or mouse
          </Typography>
          <SignatureField strokes={strokes.value} onChange={strokes.onChange} />
        </>
      ) : (
        <>
          <TextEntry
            control={control}
            name="typedName"
            label="The client’s own name, typed"
            longest={COUNTS.nameLength}
            sx={{ width: '100%' }}
          />
          <FormControlLabel
            label={`I read the text with ${open.client.name} and heard the agreement myself.`}
            control={<Checkbox checked={seen} onChange={({ target }) => setSeen(target.checked)} />}
          />
        </>
      )}
      <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
        <Button variant="contained" disabled={!ready || form.busy} onClick={() => void form.save()}>
          {open.client.name.split(' ')[0]} agrees
        </Button>
        {how === 'drawn' && (
          <Button color="inherit" disabled={strokes.value.length === 0} onClick={() => strokes.onChange([])}>
            Clear
          </Button>
        )}
        <Button color="inherit" onClick={() => change(how === 'drawn' ? 'typed' : 'drawn')}>
          {how === 'drawn' ? 'Type the name instead' : 'Sign by hand'}
        </Button>
      </Box>
    </Box>
  )
}

const startOf = ({ today }: OpenCare): ConsentDto => ({
  id: newId(),
  on: today,
  textVersion: CONSENT_TEXT.version,
  strokes: [],
})
