'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { ClientRecord, OpenCare, OpenConsultation } from '@/core/model'
import { differences } from '../differences'
import { ApiError, callApi, problemAt } from '../hooks/api'
import { ClientHeader, HeadFields } from '../parts'
import { ClientPlans } from './ClientPlans'
import { TodayCard } from './TodayCard'

interface Props {
  record: ClientRecord
  consultation: OpenConsultation
  care: OpenCare
  writable: boolean
}

/** One client: plans first, because that is what one comes for; how things stand today; then name and head. */
export function ClientPage({ record, consultation, care, writable }: Props) {
  const router = useRouter()
  const [name, setName] = useState(record.name)
  const [note, setNote] = useState(record.note)
  const [head, setHead] = useState(record.head)
  const [error, setError] = useState<unknown>()
  const [state, setState] = useState<'rest' | 'busy' | 'saved' | 'removed'>('rest')
  /** What the server holds, as far as this page knows. */
  const [kept, setKept] = useState({ entry: { name, note, head }, revision: record.revision })
  const entry = { name: name.trim(), note, head }
  const changed = differences(kept.entry, entry).length > 0

  async function save() {
    setState('busy')
    setError(undefined)
    try {
      const { revision } = await callApi<{ revision: number }>(`/api/clients/${record.id}`, 'PUT', {
        ...entry,
        baseRevision: kept.revision,
      })
      setKept({ entry, revision })
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
    <Box>
      <ClientHeader id={record.id} name={kept.entry.name} />
      <Box
        sx={{
          maxWidth: 1180,
          mx: 'auto',
          p: { xs: 1.5, md: 3 },
          display: 'grid',
          gap: 3,
          gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 400px' },
          alignItems: 'start',
        }}
      >
        <Stack spacing={3}>
          {kept.entry.note && <Typography color="textSecondary">{kept.entry.note}</Typography>}
          <ClientPlans record={record} today={consultation.today} writable={writable} />
          <Paper variant="outlined" component="section" aria-labelledby="record" sx={{ p: 2 }}>
            <Typography id="record" variant="h2" sx={{ mb: 2 }}>
              Name and head
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
              <HeadFields
                head={head}
                onChange={setHead}
                problemAt={(path) => problemAt(error, path)}
                disabled={!writable}
              />
              <TextField
                label="Note"
                value={note}
                size="small"
                multiline
                minRows={2}
                disabled={!writable}
                onChange={(event) => setNote(event.target.value)}
              />
              {writable && (
                <Box sx={{ display: 'flex', gap: 1 }}>
                  <Button
                    variant="contained"
                    disabled={!changed || state === 'busy' || name.trim() === ''}
                    onClick={() => void save()}
                  >
                    Save record
                  </Button>
                  <Typography
                    role="status"
                    variant="caption"
                    color="textSecondary"
                    sx={{ flex: 1, alignSelf: 'center' }}
                  >
                    {state === 'saved' &&
                      !changed &&
                      'Record saved. Plans keep the figures they were made with until you take the new ones over.'}
                  </Typography>
                  <Button color="inherit" onClick={() => void setRemoved(true)}>
                    Remove client
                  </Button>
                </Box>
              )}
            </Stack>
          </Paper>
        </Stack>
        <TodayCard consultation={consultation} care={care} />
      </Box>
    </Box>
  )
}
