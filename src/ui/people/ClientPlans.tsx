'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { useState, type ChangeEvent } from 'react'
import type { ClientRecord, OpenConsultation, OpenPlan } from '@/core/model'
import type { Thumbnail } from '@/workers/gallery.worker'
import { callApi } from '../hooks/api'
import { useAttempt } from '../hooks/useAttempt'
import { useNotice } from '../notices'
import { LINE } from '../theme'
import { SmallPair, useThumbnails } from '../thumbnails'
import { dateInWords } from '../words'

const DoneDialog = dynamic(() => import('./DoneDialog').then((module) => module.DoneDialog))
const NewPlan = dynamic(() => import('./NewPlan').then((module) => module.NewPlan))

interface Props {
  record: ClientRecord
  consultation: OpenConsultation
  writable: boolean
}

type Plan = ClientRecord['plans'][number]

/** The plans of one client: open, start, copy, import, remove. */
export function ClientPlans({ record, consultation, writable }: Props) {
  const router = useRouter()
  const [starting, setStarting] = useState(false)
  const [done, setDone] = useState<Plan>()
  const { attempt: run, problem: error, forget } = useAttempt()
  const small = usePlansDrawn(record.plans, consultation.latest)

  return (
    <Box component="section" aria-labelledby="plans">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1, flexWrap: 'wrap' }}>
        <Typography id="plans" variant="h2" sx={{ flex: 1 }}>
          Plans
        </Typography>
        {writable && (
          <>
            <ImportButton clientId={record.id} run={run} />
            <Button variant="contained" onClick={() => setStarting(true)}>
              New plan
            </Button>
          </>
        )}
      </Box>
      {error && (
        <Alert severity="error" sx={{ mb: 1, wordBreak: 'break-word' }} onClose={forget}>
          {error}
        </Alert>
      )}
      <Paper variant="outlined">
        {record.plans.length === 0 && (
          <Typography sx={{ p: 3 }} color="textSecondary">
            {record.visits.length > 0 ? 'No plan for the next visit. ' : 'No plan yet. '}
            {writable ? 'Start one: choose the sections, then set what is taken in each.' : ''}
          </Typography>
        )}
        {record.plans.map((plan) => (
          <PlanRow
            key={plan.id}
            plan={plan}
            small={small.get(plan.id)}
            writable={writable}
            run={run}
            onDone={() => setDone(plan)}
          />
        ))}
      </Paper>
      {done && (
        <DoneDialog
          plan={done}
          today={consultation.today}
          onClose={() => setDone(undefined)}
          onDone={() => {
            setDone(undefined)
            router.refresh()
          }}
        />
      )}
      {starting && (
        <NewPlan
          clientId={record.id}
          consultation={consultation}
          onClose={() => setStarting(false)}
          onMade={(id) => router.push(`/plans/${id}`)}
        />
      )}
    </Box>
  )
}

type Run = (work: () => Promise<unknown>) => Promise<void>

function ImportButton({ clientId, run }: { clientId: string; run: Run }) {
  const router = useRouter()
  function importFile(event: ChangeEvent<HTMLInputElement>) {
    const file = event.target.files?.[0]
    event.target.value = ''
    if (!file) return
    void run(async () => {
      const { id } = await callApi<{ id: string }>(`/api/clients/${clientId}/imports`, 'POST', await file.text())
      router.push(`/plans/${id}`)
    })
  }
  return (
    <Button component="label" color="inherit" variant="outlined" sx={{ borderColor: 'divider' }}>
      Import a plan file
      <input type="file" accept="application/json,.json" hidden onChange={importFile} aria-label="Plan file" />
    </Button>
  )
}

interface RowProps extends Pick<Props, 'writable'> {
  plan: Plan
  small: Thumbnail | undefined
  run: Run
  onDone: () => void
}

/** Plans as they stand now, small, on the hair as it was recorded last. */
const usePlansDrawn = (plans: readonly Plan[], latest: OpenConsultation['latest']) =>
  useThumbnails(
    plans.map(({ id, updatedAt }) => ({
      name: id,
      key: `${id} ${updatedAt} ${latest?.number}.${latest?.revision}`,
      async of() {
        const { document, canvas } = await callApi<OpenPlan>(`/api/plans/${id}`)
        return { plan: document, canvas: canvas ?? undefined }
      },
    })),
  )

function PlanRow({ plan: { id, name, updatedAt }, small, writable, run, onDone }: RowProps) {
  const notice = useNotice()
  const copy = () => run(() => callApi(`/api/plans/${id}/copies`, 'POST'))
  const restore = () => run(() => callApi(`/api/plans/${id}/restore`, 'POST'))
  const remove = () =>
    run(async () => {
      await callApi(`/api/plans/${id}`, 'DELETE')
      notice(`“${name}” was removed.`, () => void restore())
    })
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        p: 1,
        pl: 2,
        '& + &': { borderTop: LINE },
        flexWrap: 'wrap',
      }}
    >
      <SmallPair thumbnail={small} />
      <Box sx={{ flex: '1 1 160px', minWidth: 0 }}>
        <Typography component={Link} href={`/plans/${id}`} sx={{ fontWeight: 600, color: 'text.primary' }}>
          {name}
        </Typography>
        <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
          changed {dateInWords(updatedAt)}
        </Typography>
      </Box>
      {writable && (
        <>
          <Button color="inherit" aria-label={`${name} was carried out`} onClick={onDone}>
            Carried out…
          </Button>
          <Button color="inherit" aria-label={`Copy ${name}`} onClick={() => void copy()}>
            Copy
          </Button>
          <Button color="inherit" aria-label={`Remove ${name}`} onClick={() => void remove()}>
            Remove
          </Button>
        </>
      )}
      <Button component={Link} href={`/plans/${id}`} variant="outlined" color="inherit" sx={{ borderColor: 'divider' }}>
        Open
      </Button>
    </Box>
  )
}
