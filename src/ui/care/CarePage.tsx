'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { careStates, VALID_DAYS, type CareStanding, type CareState } from '@/core/judgement/care'
import type { CareKind, OpenCare } from '@/core/model'
import { ClientHeader } from '../parts'
import { LINE } from '../theme'
import { dateInWords, WORDS } from '../words'
import { ConsentSection } from './ConsentSection'

const CheckDialog = dynamic(() => import('./CheckDialog').then((module) => module.CheckDialog))

const STANDING: Record<CareStanding, string> = {
  current: 'current',
  early: 'not yet to be read',
  expired: 'out of date',
  concern: 'cause for concern',
  missing: 'not recorded',
}
const MARK: Record<CareStanding, string> = { current: '✓', early: '…', expired: '!', concern: '!', missing: '–' }

/** Care checks: how each stands today, a way to record one, and everything that was ever recorded. */
export function CarePage({ open, writable }: { open: OpenCare; writable: boolean }) {
  const router = useRouter()
  const [recording, setRecording] = useState<CareKind>()
  const states = careStates(open, open.today)
  return (
    <Box>
      <ClientHeader id={open.client.id} name={open.client.name} />
      <Box
        sx={{
          maxWidth: 1120,
          mx: 'auto',
          p: { xs: 1.5, md: 3 },
          display: 'grid',
          gap: 3,
          gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 400px' },
          alignItems: 'start',
        }}
      >
        <Box>
          <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
            Checks, as of {dateInWords(open.today)}
          </Typography>
          {(open.hair.scalp === 'irritated' || open.hair.scalp === 'broken') && (
            <Alert severity="error" sx={{ mb: 1 }}>
              The scalp is recorded as {WORDS.scalp[open.hair.scalp]}. No colour service on it; with any doubt a doctor
              decides.
            </Alert>
          )}
          <Paper variant="outlined" component="ul" aria-label="Care checks" sx={{ listStyle: 'none', p: 0, m: 0 }}>
            {states.map((state, i) => (
              <CheckRow
                key={state.kind}
                state={state}
                first={i === 0}
                onRecord={writable ? () => setRecording(state.kind) : undefined}
              />
            ))}
          </Paper>
          <Typography variant="caption" color="textSecondary" component="p" sx={{ my: 1 }}>
            A check that is missing or out of date is a caution on every plan of this client until it is made, or until
            somebody acknowledges it by name. The products’ instructions, local rules and licensed practice decide; a
            record does not make a service right.
          </Typography>
          <Log open={open} />
        </Box>
        <ConsentSection open={open} writable={writable} onSigned={() => router.refresh()} />
      </Box>
      {recording && (
        <CheckDialog
          clientId={open.client.id}
          kind={recording}
          today={open.today}
          onClose={() => setRecording(undefined)}
          onRecorded={() => {
            setRecording(undefined)
            router.refresh()
          }}
        />
      )}
    </Box>
  )
}

function CheckRow({
  state: { kind, standing, check, daysLeft },
  first,
  onRecord,
}: {
  state: CareState
  first: boolean
  onRecord: (() => void) | undefined
}) {
  const good = standing === 'current'
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 1.5,
        alignItems: 'center',
        p: 1.5,
        borderTop: first ? 'none' : LINE,
        flexWrap: 'wrap',
      }}
    >
      <Box
        aria-hidden
        sx={{
          width: 32,
          height: 32,
          border: 2,
          borderColor: good ? 'divider' : 'warning.main',
          borderRadius: '50%',
          display: 'grid',
          placeItems: 'center',
          fontWeight: 700,
          flex: 'none',
        }}
      >
        {MARK[standing]}
      </Box>
      <Box sx={{ flex: '1 1 260px' }}>
        <Typography sx={{ fontWeight: 600 }}>
          {WORDS.care[kind]}:{' '}
          <Box component="span" sx={{ color: good ? 'text.primary' : 'warning.main' }}>
            {STANDING[standing]}
          </Box>
        </Typography>
        <Typography variant="caption" color="textSecondary">
          {check
            ? `${dateInWords(check.on)}, ${check.by}${check.product ? `, with ${check.product}` : ''}${check.note ? `: ${check.note}` : ''}${daysLeft !== undefined && daysLeft >= 0 && good ? `. ${daysLeft === 0 ? 'Counts for today' : `Counts for ${daysLeft} more days`}.` : ''}`
            : VALID_DAYS[kind] === 0
              ? 'On the day, before anything is applied.'
              : 'Nothing recorded yet.'}
        </Typography>
      </Box>
      {onRecord && (
        <Button
          variant={good ? 'outlined' : 'contained'}
          color={good ? 'inherit' : 'primary'}
          onClick={onRecord}
          aria-label={`Record: ${WORDS.care[kind]}`}
        >
          Record
        </Button>
      )}
    </Box>
  )
}

/** Everything recorded, newest first; nothing can be changed or removed. */
function Log({ open }: { open: OpenCare }) {
  const entries = [
    ...open.checks.map((check) => ({
      id: check.id,
      on: check.on,
      words: `${WORDS.care[check.kind]}: ${check.result === 'clear' ? 'nothing found' : 'cause for concern'}${check.product ? `, ${check.product}` : ''}${check.note ? ` (${check.note})` : ''}`,
      by: check.by,
    })),
    ...open.consents.map((consent) => ({
      id: consent.id,
      on: consent.on,
      words: `Consent signed, text ${consent.textVersion}`,
      by: consent.by,
    })),
  ].sort((a, b) => (a.on < b.on ? 1 : -1))
  return (
    <Box component="section" aria-labelledby="care-log">
      <Typography id="care-log" variant="h3" sx={{ mt: 2, mb: 0.5 }}>
        Record
      </Typography>
      {entries.length === 0 ? (
        <Typography color="textSecondary">Nothing yet. Record the first check above.</Typography>
      ) : (
        <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {entries.map(({ id, on, words, by }) => (
            <Box component="li" key={id} sx={{ display: 'flex', gap: 2, py: 0.5, borderTop: LINE }}>
              <Typography variant="body2" sx={{ flex: 'none', width: 150 }}>
                {dateInWords(on)}
              </Typography>
              <Typography variant="body2" sx={{ flex: 1 }}>
                {words}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {by}
              </Typography>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  )
}
