'use client'
import Box from '@mui/material/Box'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { CONSENT_TEXT } from '@/core/judgement/care'
import type { Consent, OpenCare } from '@/core/model'
import { LINE } from '../theme'
import { dateInWords } from '../words'
import { SignatureView } from './Signature'

const SignConsent = dynamic(() => import('./SignConsent').then((module) => module.SignConsent))

interface Props {
  open: OpenCare
  writable: boolean
  onSigned: () => void
}

/** The text, a way to sign it, and the newest signature. */
export function ConsentSection({ open, writable, onSigned }: Props) {
  const newest = open.consents.at(-1)
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
      {newest && <Signed consent={newest} />}
      {writable && <SignConsent key={newest?.id} open={open} again={newest !== undefined} onSigned={onSigned} />}
    </Paper>
  )
}

function Signed({ consent: { strokes, typedName, on, textVersion, by } }: { consent: Consent }) {
  const earlier = textVersion === CONSENT_TEXT.version ? '' : `, to text ${textVersion}`
  return (
    <Box sx={{ mt: 2, border: LINE, p: 1 }}>
      {typedName ? (
        <Typography sx={{ fontSize: '1.2rem' }}>{typedName}</Typography>
      ) : (
        <SignatureView strokes={strokes} />
      )}
      <Typography variant="caption" color="textSecondary">
        {typedName ? 'Agreed, name typed' : 'Signed'} {dateInWords(on)}
        {earlier}; witnessed by {by}
      </Typography>
    </Box>
  )
}
