'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { COUNTS, type Stale } from '@/core/model'
import { clash } from '../differences'
import { callApi, failureWords } from '../hooks/api'
import { usePlan, usePlanStore } from './context'

/** The plan was changed elsewhere: what happened there, what is mine, and what to do about it. */
export function Conflict({ stale }: { stale: Stale }) {
  const { store } = usePlanStore()
  const unsent = usePlan((state) => state.unsent)
  const document = usePlan((state) => state.document)
  const [problem, setProblem] = useState<string>()
  const [copied, setCopied] = useState<'no' | 'yes'>('no')
  const mine = unsent.filter(({ kind, id }) => kind === 'edit' && !stale.known.includes(id))
  const clashes = mine.filter(({ patches }) =>
    patches.some((patch) => stale.since.some((other) => other.patches.some((theirs) => clash(patch, theirs)))),
  )

  /** Mine as a plan of its own, so that nothing is lost whatever is chosen afterwards. */
  async function keepCopy() {
    try {
      const open = await callApi<{ client: { id: string } }>(`/api/plans/${store.getState().id}`)
      await callApi(`/api/clients/${open.client.id}/imports`, 'POST', {
        ...document,
        name: `${document.name} (my changes)`.slice(0, COUNTS.nameLength),
      })
      setCopied('yes')
      store.resolve('theirs')
    } catch (error) {
      setProblem(failureWords(error, 'The copy could not be kept. Try again.'))
    }
  }

  return (
    <Dialog open maxWidth="sm" aria-labelledby="conflict">
      <DialogTitle id="conflict">This plan was changed elsewhere meanwhile</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>Nothing has been overwritten. Since you loaded it:</Typography>
        <ul>
          {stale.since.map(({ label, by, kind, at }) => (
            <li key={at + label}>
              {kind === 'edit' ? label : `${kind}: ${label}`}{' '}
              <Typography component="span" color="textSecondary">
                by {by}
              </Typography>
            </li>
          ))}
        </ul>
        <Typography sx={{ mb: 1 }}>Yours, not yet saved:</Typography>
        <ul>
          {mine.map((operation) => (
            <li key={operation.id}>
              {operation.label}
              {clashes.includes(operation) && <b> (same place as a change above; merging keeps yours)</b>}
            </li>
          ))}
        </ul>
        {problem && <Alert severity="error">{problem}</Alert>}
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap' }}>
        <Button color="inherit" disabled={copied === 'yes'} onClick={() => void keepCopy()}>
          Keep mine as a separate plan
        </Button>
        <Button variant="contained" autoFocus onClick={() => store.resolve('merge')}>
          Merge both
        </Button>
      </DialogActions>
    </Dialog>
  )
}
