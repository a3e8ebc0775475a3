'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { HairState, HeadMeasures } from '@/core/model'
import { callApi, failureWords } from '../../hooks/api'
import { HairFields, HeadFields, Read } from '../../parts'
import { usePlan, usePlanStore } from '../context'

/** The head and hair this plan is computed for. Figures follow at once; a head that cannot be is said at the field. */
export function HeadHairDialog({ clientId, onClose }: { clientId: string; onClose: () => void }) {
  const { store, permissions } = usePlanStore()
  const head = usePlan((state) => state.document.head)
  const hair = usePlan((state) => state.document.hair)
  const problems = usePlan((state) => state.problems)
  const [problem, setProblem] = useState<string>()
  const problemAt = (path: string) => problems.find((candidate) => candidate.path === path)?.message

  async function takeFromRecord() {
    try {
      const record = await callApi<{ head: HeadMeasures; hair: HairState }>(`/api/clients/${clientId}`)
      store.edit('Head and hair from the client’s record', 'record', (draft) => {
        draft.head = record.head
        draft.hair = record.hair
      })
    } catch (error) {
      setProblem(failureWords(error, 'The record could not be read.'))
    }
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="head-title">
      <DialogTitle id="head-title">Head and hair of this plan</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          {problem && <Alert severity="error">{problem}</Alert>}
          {problems.length > 0 && (
            <Alert severity="warning">
              The figures stand still until this is mended: <Read>{problems[0]!.message}</Read>
            </Alert>
          )}
          <HeadFields
            head={head}
            disabled={!permissions.write}
            problemAt={problemAt}
            onChange={(next) => store.edit('Head measures', 'head', (draft) => void (draft.head = next))}
          />
          <HairFields
            hair={hair}
            disabled={!permissions.write}
            problemAt={problemAt}
            onChange={(next) => store.edit('Hair', 'hair', (draft) => void (draft.hair = next))}
          />
          <Typography variant="caption" color="textSecondary">
            Zones are kept in places that do not depend on the size of the head, so a new measurement keeps them all.
          </Typography>
        </Stack>
      </DialogContent>
      <DialogActions>
        {permissions.write && (
          <Button color="inherit" onClick={() => void takeFromRecord()}>
            Take over the client’s record
          </Button>
        )}
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}
