'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { usePlan, usePlanStore } from './context'
import { Read } from '../parts'

const Conflict = dynamic(() => import('./Conflict').then((module) => module.Conflict))

const WORDS = {
  saved: 'saved ✓',
  waiting: 'not yet saved',
  saving: 'saving…',
  offline: 'kept on this device; retrying',
  signedOut: 'signed out',
  stale: 'changed elsewhere',
  refused: 'not saved',
} as const

/** Whether everything is safe, in a few words; a live region, so that a screen reader hears a change. */
export function SaveStatus() {
  const save = usePlan((state) => state.save)
  const trouble = save.kind !== 'saved' && save.kind !== 'saving' && save.kind !== 'waiting'
  return (
    <Typography
      variant="caption"
      role="status"
      data-save={save.kind}
      color={trouble ? 'warning' : 'textSecondary'}
      sx={{ whiteSpace: 'nowrap', fontWeight: trouble ? 700 : 400 }}
    >
      {WORDS[save.kind]}
    </Typography>
  )
}

/** What to do when saving needs a decision. */
export function SaveTrouble() {
  const { store } = usePlanStore()
  const save = usePlan((state) => state.save)
  const id = usePlan((state) => state.id)
  const problems = usePlan((state) => state.problems)
  switch (save.kind) {
    case 'stale':
      return <Conflict stale={save.stale} />
    case 'signedOut':
      return (
        <Alert
          severity="warning"
          action={
            <Button color="inherit" href={`/sign-in?next=/plans/${id}`}>
              Sign in
            </Button>
          }
        >
          Your session has ended. Your changes are kept on this device and saved once you have signed in again.
        </Alert>
      )
    case 'refused':
      // What the core finds wrong itself is said beside the figures, with the place to mend it.
      return problems.length > 0 ? null : (
        <Alert
          severity="error"
          action={
            <Button color="inherit" onClick={() => void store.reload()}>
              Back to the saved plan
            </Button>
          }
        >
          The last change was not saved: <Read>{save.message}</Read>
        </Alert>
      )
    default:
      return null
  }
}
