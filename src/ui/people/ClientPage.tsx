'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Snackbar from '@mui/material/Snackbar'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { differences } from '../differences'
import { ApiError, callApi, problemAt } from '../hooks/api'
import { HairFields, HeadFields } from '../parts'
import { ClientPlans } from './ClientPlans'
import type { ClientRecord } from '@/core/model'

/** One client: plans first, because that is what one comes for, then the record. */
export function ClientPage({ record, writable }: { record: ClientRecord; writable: boolean }) {
  const router = useRouter()
  const [name, setName] = useState(record.name)
  const [note, setNote] = useState(record.note)
  const [head, setHead] = useState(record.head)
  const [hair, setHair] = useState(record.hair)
  const [error, setError] = useState<unknown>()
  const [state, setState] = useState<'rest' | 'busy' | 'saved' | 'removed'>('rest')
  const changed = differences({ name, note, head, hair }, { name: record.name, note: record.note, head: record.head, hair: record.hair }).length > 0

  async function save() {
    setState('busy')
    setError(undefined)
    try {
      await callApi(`/api/clients/${record.id}`, 'PUT', { name: name.trim(), note, head, hair, baseRevision: record.revision })
      setState('saved')
      router.refresh()
    } catch (problem) {
      setError(problem)
      setState('rest')
    }
  }

  async function setRemoved(removed: boolean) {
    setError(undefined)
    try {
      if (removed) await callApi(`/api/clients/${record.id}`, 'DELETE')
      else await callApi(`/api/clients/${record.id}/restore`, 'POST')
      setState(removed ? 'removed' : 'rest')
    } catch (problem) {
      setError(problem)
    }
  }

  if (state === 'removed')
    return (
      <Box sx={{ maxWidth: 960, mx: 'auto', p: { xs: 2, sm: 4 } }}>
        <Alert
          severity="info"
          action={
            <Button color="inherit" onClick={() => void setRemoved(false)}>
              Undo
            </Button>
          }
        >
          {record.name} was removed.
        </Alert>
        <Button color="inherit" sx={{ mt: 2 }} onClick={() => router.push('/people')}>
          Back to People
        </Button>
      </Box>
    )

  const nameProblem = problemAt(error, 'name')
  return (
    <Box sx={{ maxWidth: 960, mx: 'auto', p: { xs: 2, sm: 4 } }}>
      <Typography variant="h1">{record.name}</Typography>
      {record.note && <Typography color="textSecondary">{record.note}</Typography>}
      <ClientPlans record={record} writable={writable} />
      <Paper variant="outlined" component="section" aria-labelledby="record" sx={{ p: { xs: 2, sm: 3 } }}>
        <Typography id="record" variant="h2" sx={{ mb: 2 }}>
          Head and hair
        </Typography>
        <Stack spacing={2}>
          {error instanceof Error && (
            <Alert
              severity="error"
              action={
                error instanceof ApiError &&
                error.status === 409 && (
                  <Button color="inherit" onClick={() => window.location.reload()}>
                    Load it again
                  </Button>
                )
              }
            >
              {error.message}
            </Alert>
          )}
          <TextField
            label="Name"
            value={name}
            size="small"
            disabled={!writable}
            error={nameProblem !== undefined}
            helperText={nameProblem}
            onChange={(event) => setName(event.target.value)}
          />
          <HeadFields head={head} onChange={setHead} problemAt={(path) => problemAt(error, path)} disabled={!writable} />
          <HairFields hair={hair} onChange={setHair} problemAt={(path) => problemAt(error, path)} disabled={!writable} />
          <TextField label="Note" value={note} size="small" multiline minRows={2} disabled={!writable} onChange={(event) => setNote(event.target.value)} />
          {writable && (
            <Box sx={{ display: 'flex', gap: 1 }}>
              <Button variant="contained" disabled={!changed || state === 'busy' || name.trim() === ''} onClick={() => void save()}>
                Save record
              </Button>
              <Box sx={{ flex: 1 }} />
              <Button color="inherit" onClick={() => void setRemoved(true)}>
                Remove client
              </Button>
            </Box>
          )}
        </Stack>
      </Paper>
      <Snackbar open={state === 'saved'} autoHideDuration={4000} onClose={() => setState('rest')} message="Record saved. Plans keep the figures they were made with until you take the new ones over." />
    </Box>
  )
}
