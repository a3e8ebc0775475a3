'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { v7 as newId } from 'uuid'
import { CONSENT_TEXT } from '@/core/judgement/care'
import type { OpenCare } from '@/core/model'
import { callApi } from '../hooks/api'
import { LINE } from '../theme'
import { dateInWords } from '../words'
import { SignatureField, SignatureView } from './Signature'

interface Props {
  open: OpenCare
  writable: boolean
  onSigned: () => void
}

/** The text, a field to sign it, and the newest signature. */
export function ConsentSection({ open, writable, onSigned }: Props) {
  const [strokes, setStrokes] = useState<number[][]>([])
  const [error, setError] = useState<string>()
  const newest = open.consents.at(-1)
  const current = newest?.textVersion === CONSENT_TEXT.version

  async function sign() {
    try {
      await callApi(`/api/clients/${open.client.id}/care/consents`, 'POST', {
        id: newId(),
        on: open.today,
        textVersion: CONSENT_TEXT.version,
        strokes,
      })
      setStrokes([])
      setError(undefined)
      onSigned()
    } catch (problem) {
      setError(problem instanceof Error ? problem.message : 'The signature was not kept. Try again.')
    }
  }

  return (
    <Paper variant="outlined" component="section" aria-labelledby="consent" sx={{ p: 2 }}>
      <Typography id="consent" variant="h2">
        Consent
      </Typography>
      <Typography variant="caption" color="textSecondary">
        Text {CONSENT_TEXT.version}
      </Typography>
      {CONSENT_TEXT.paragraphs.map((paragraph) => (
        <Typography key={paragraph} variant="body2" sx={{ mt: 1 }}>
          {paragraph}
        </Typography>
      ))}
      {newest && (
        <Box sx={{ mt: 2, border: LINE, p: 1 }}>
          <SignatureView strokes={newest.strokes} />
          <Typography variant="caption" color="textSecondary">
            Signed {dateInWords(newest.on)}
            {current ? '' : `, to text ${newest.textVersion}`}; witnessed by {newest.by}
          </Typography>
        </Box>
      )}
      {error && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {error}
        </Alert>
      )}
      {writable && (
        <Box sx={{ mt: 2 }}>
          <Typography variant="caption" color="textSecondary">
            {newest ? 'Sign again' : 'Sign here'} with a finger, pen or mouse
          </Typography>
          <SignatureField strokes={strokes} onChange={setStrokes} />
          <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
            <Button variant="contained" disabled={strokes.length === 0} onClick={() => void sign()}>
              {open.client.name.split(' ')[0]} agrees
            </Button>
            <Button color="inherit" disabled={strokes.length === 0} onClick={() => setStrokes([])}>
              Clear
            </Button>
          </Box>
        </Box>
      )}
    </Paper>
  )
}
