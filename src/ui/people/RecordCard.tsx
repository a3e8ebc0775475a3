'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { ApiError, problemAt } from '../hooks/api'
import { HeadFields } from '../parts'
import type { useClientRecord } from './useClientRecord'

interface Props {
  client: ReturnType<typeof useClientRecord>
  writable: boolean
  /** What else can be done with the record. */
  children: ReactNode
}

const STATUS = {
  rest: '',
  unnamed: 'A client needs a name; nothing is saved without one.',
  waiting: 'saving…',
  saved: 'saved ✓ Plans keep the figures they were made with until you take the new ones over.',
} as const

/** Name, note and head of a client. */
export function RecordCard({ client: { entry, error, status, change }, writable, children }: Props) {
  const nameProblem = problemAt(error, 'name') ?? (status === 'unnamed' ? 'A name is missing.' : undefined)
  return (
    <Paper variant="outlined" component="section" aria-labelledby="record" sx={{ p: 2 }}>
      <Typography id="record" variant="h2" sx={{ mb: 2 }}>
        Name and head
      </Typography>
      <Stack spacing={2}>
        {error instanceof Error && <Refused error={error} />}
        <TextField
          label="Name"
          value={entry.name}
          size="small"
          disabled={!writable}
          error={nameProblem !== undefined}
          helperText={nameProblem}
          onChange={(event) => change({ name: event.target.value })}
        />
        <HeadFields
          head={entry.head}
          onChange={(head) => change({ head })}
          problemAt={(path) => problemAt(error, path)}
          disabled={!writable}
        />
        <TextField
          label="Note"
          value={entry.note}
          size="small"
          multiline
          minRows={2}
          disabled={!writable}
          onChange={(event) => change({ note: event.target.value })}
        />
        {writable && (
          <Box sx={{ display: 'flex', gap: 1 }}>
            <Typography role="status" variant="caption" color="textSecondary" sx={{ flex: 1, alignSelf: 'center' }}>
              {STATUS[status]}
            </Typography>
            {children}
          </Box>
        )}
      </Stack>
    </Paper>
  )
}

function Refused({ error }: { error: Error }) {
  const stale = error instanceof ApiError && error.status === 409
  return (
    <Alert
      severity="error"
      action={
        stale && (
          <Button color="inherit" onClick={() => window.location.reload()}>
            Load it again
          </Button>
        )
      }
    >
      {error.message}
    </Alert>
  )
}
