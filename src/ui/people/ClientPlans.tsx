'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import MenuItem from '@mui/material/MenuItem'
import Paper from '@mui/material/Paper'
import Snackbar from '@mui/material/Snackbar'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState, type ChangeEvent } from 'react'
import { type ClientRecord, LAYOUT_TEMPLATES, type LayoutTemplate } from '@/core/model'
import { SERVICES } from '@/core/plan/serviceKinds'
import { callApi } from '../hooks/api'
import { Choice, SaveButton } from '../parts'
import { WORDS, dateInWords } from '../words'
import { DoneDialog } from './DoneDialog'

/** The plans of one client: open, start, copy, import, remove. */
export function ClientPlans({ record, today, writable }: { record: ClientRecord; today: string; writable: boolean }) {
  const router = useRouter()
  const [starting, setStarting] = useState(false)
  const [done, setDone] = useState<{ id: string; name: string }>()
  const [error, setError] = useState<string>()
  const [removed, setRemoved] = useState<{ id: string; name: string }>()

  async function run(work: () => Promise<unknown>) {
    setError(undefined)
    try {
      await work()
      router.refresh()
    } catch (problem) {
      setError(problem instanceof Error ? problem.message : 'That did not work. Try again.')
    }
  }

  function importFile(event: ChangeEvent<HTMLInputElement>) {
    const file = event.target.files?.[0]
    event.target.value = ''
    if (!file) return
    void run(async () => {
      const { id } = await callApi<{ id: string }>(`/api/clients/${record.id}/imports`, 'POST', await file.text())
      router.push(`/plans/${id}`)
    })
  }

  return (
    <Box component="section" aria-labelledby="plans">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1, flexWrap: 'wrap' }}>
        <Typography id="plans" variant="h2" sx={{ flex: 1 }}>
          Plans
        </Typography>
        {writable && (
          <>
            <Button component="label" color="inherit" variant="outlined" sx={{ borderColor: 'divider' }}>
              Import a plan file
              <input type="file" accept="application/json,.json" hidden onChange={importFile} aria-label="Plan file" />
            </Button>
            <Button variant="contained" onClick={() => setStarting(true)}>
              New plan
            </Button>
          </>
        )}
      </Box>
      {error && (
        <Alert severity="error" sx={{ mb: 1, wordBreak: 'break-word' }} onClose={() => setError(undefined)}>
          {error}
        </Alert>
      )}
      <Paper variant="outlined">
        {record.plans.length === 0 && (
          <Typography sx={{ p: 3 }} color="textSecondary">
            No plan yet. {writable ? 'Start one: choose the sections, then set what is taken in each.' : ''}
          </Typography>
        )}
        {record.plans.map((plan, i) => (
          <Box
            key={plan.id}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 1,
              p: 1,
              pl: 2,
              borderTop: i > 0 ? 1 : 0,
              borderColor: 'divider',
            }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography component={Link} href={`/plans/${plan.id}`} sx={{ fontWeight: 600, color: 'text.primary' }}>
                {plan.name}
              </Typography>
              <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
                changed {dateInWords(plan.updatedAt)}
              </Typography>
            </Box>
            {writable && (
              <>
                <Button color="inherit" aria-label={`${plan.name} was carried out`} onClick={() => setDone(plan)}>
                  Carried out…
                </Button>
                <Button
                  color="inherit"
                  aria-label={`Copy ${plan.name}`}
                  onClick={() => void run(() => callApi(`/api/plans/${plan.id}/copies`, 'POST'))}
                >
                  Copy
                </Button>
                <Button
                  color="inherit"
                  aria-label={`Remove ${plan.name}`}
                  onClick={() =>
                    void run(async () => {
                      await callApi(`/api/plans/${plan.id}`, 'DELETE')
                      setRemoved(plan)
                    })
                  }
                >
                  Remove
                </Button>
              </>
            )}
            <Button
              component={Link}
              href={`/plans/${plan.id}`}
              variant="outlined"
              color="inherit"
              sx={{ borderColor: 'divider' }}
            >
              Open
            </Button>
          </Box>
        ))}
      </Paper>
      <Snackbar
        open={removed !== undefined}
        autoHideDuration={10_000}
        onClose={(_event, reason) => reason !== 'clickaway' && setRemoved(undefined)}
        message={`“${removed?.name}” was removed.`}
        action={
          <Button
            color="inherit"
            onClick={() =>
              void run(async () => {
                await callApi(`/api/plans/${removed!.id}/restore`, 'POST')
                setRemoved(undefined)
              })
            }
          >
            Undo
          </Button>
        }
      />
      {done && (
        <DoneDialog
          plan={done}
          today={today}
          onClose={() => setDone(undefined)}
          onDone={() => {
            setDone(undefined)
            router.refresh()
          }}
        />
      )}
      {starting && (
        <NewPlan clientId={record.id} onClose={() => setStarting(false)} onMade={(id) => router.push(`/plans/${id}`)} />
      )}
    </Box>
  )
}

/** An empty plan on a layout, or a kind of service fitted to this client's hair. */
function NewPlan({
  clientId,
  onClose,
  onMade,
}: {
  clientId: string
  onClose: () => void
  onMade: (id: string) => void
}) {
  const [name, setName] = useState('New plan')
  const [template, setTemplate] = useState<LayoutTemplate>('fourQuadrants')
  const [service, setService] = useState('')
  const [error, setError] = useState<string>()
  const [busy, setBusy] = useState(false)
  const chosen = SERVICES.find(({ id }) => id === service)

  async function make() {
    setBusy(true)
    try {
      onMade(
        (
          await callApi<{ id: string }>(`/api/clients/${clientId}/plans`, 'POST', {
            name: name.trim(),
            template,
            ...(service && { service }),
          })
        ).id,
      )
    } catch (problem) {
      setError(problem instanceof Error ? problem.message : 'That did not work. Try again.')
      setBusy(false)
    }
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="new-plan">
      <DialogTitle id="new-plan">New plan</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          {error && <Alert severity="error">{error}</Alert>}
          <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} autoFocus required />
          <TextField
            select
            label="Start from"
            value={service}
            onChange={({ target }) => {
              const next = SERVICES.find(({ id }) => id === target.value)
              setService(target.value)
              setName(next?.name ?? (target.value === 'proposed' ? 'Proposed plan' : 'New plan'))
            }}
            helperText={
              service === 'proposed'
                ? 'A whole plan from the hair, the wish and how it is worn; every choice says why, and everything can be changed.'
                : (chosen?.help ?? 'An empty plan: choose the sections, then set what is taken in each.')
            }
          >
            <MenuItem value="">An empty plan</MenuItem>
            <MenuItem value="proposed">Proposed from the consultation</MenuItem>
            {SERVICES.map(({ id, name: words }) => (
              <MenuItem key={id} value={id}>
                {words}
              </MenuItem>
            ))}
          </TextField>
          {!service && (
            <>
              <Choice
                label="Sections"
                value={template}
                options={LAYOUT_TEMPLATES.map((value) => ({ value, label: WORDS.template[value] }))}
                onChange={setTemplate}
              />
              <Typography color="textSecondary">{WORDS.templateHelp[template]}</Typography>
            </>
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <SaveButton onSave={make} busy={busy} disabled={name.trim() === ''}>
          Start planning
        </SaveButton>
      </DialogActions>
    </Dialog>
  )
}
