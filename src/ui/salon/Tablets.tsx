'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { LIMITS, type SharedTablet } from '@/core/model'
import { SharedTabletDto } from '@/dto'
import { FormDialog, NumberEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { useAttempt } from '../hooks/useAttempt'
import { markOpened } from '../hooks/useLock'
import { momentInWords } from '../words'
import { Row } from './Row'

/** Proposed: longer than a look at the map with wet hands, shorter than a break. Our estimate. */
const LOCK_AFTER_MIN = 5

/** Tablets that several people use in turn. */
export function Tablets({ tablets }: { tablets: SharedTablet[] }) {
  const [sharing, setSharing] = useState(false)
  const { attempt, problem } = useAttempt()
  return (
    <Paper variant="outlined" component="section" aria-labelledby="tablets" sx={{ p: 2 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flexWrap: 'wrap', mb: 1 }}>
        <Typography id="tablets" variant="h2" sx={{ flex: 1 }}>
          Shared tablets
        </Typography>
        {!tablets.some(({ here }) => here) && (
          <Button variant="outlined" color="inherit" sx={{ borderColor: 'divider' }} onClick={() => setSharing(true)}>
            Share this device…
          </Button>
        )}
      </Box>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        A tablet at the chair that several of you use: it locks itself, and each takes it over by her PIN (chosen on
        “Account”). What one of you has not sent yet goes out under nobody else’s name.
      </Typography>
      {problem && <Alert severity="error">{problem}</Alert>}
      {tablets.map(({ id, name, lockAfterMin, since, here }) => (
        <Row
          key={id}
          name={here ? `${name} (this device)` : name}
          beside={
            <Button
              color="inherit"
              aria-label={`Stop sharing ${name}`}
              onClick={() => void attempt(() => callApi(`/api/tablets/${id}`, 'DELETE'))}
            >
              Stop sharing
            </Button>
          }
        >
          locks itself after {lockAfterMin} min · shared since {momentInWords(since)}
        </Row>
      ))}
      {sharing && <ShareDialog onClose={() => setSharing(false)} />}
    </Paper>
  )
}

function ShareDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter()
  const form = useEntryForm(SharedTabletDto, {
    start: { name: '', lockAfterMin: LOCK_AFTER_MIN },
    send: async (entry) => {
      await callApi('/api/tablets', 'POST', entry)
      markOpened()
      router.refresh()
      onClose()
    },
  })
  const { control } = form
  return (
    <FormDialog title="Share this device" form={form} save="Share it" onClose={onClose} maxWidth="xs" fullWidth>
      <TextEntry
        control={control}
        name="name"
        label="What you call it"
        help="Such as “Basin” or “Chair 2”."
        autoFocus
      />
      <NumberEntry
        control={control}
        name="lockAfterMin"
        label="Locks itself when untouched for"
        limit={LIMITS.lockAfterMin}
        step={1}
      />
      <Typography color="textSecondary">
        Whoever is signed in here is asked for her PIN then. On the page of a visit the clock stays in sight.
      </Typography>
    </FormDialog>
  )
}
