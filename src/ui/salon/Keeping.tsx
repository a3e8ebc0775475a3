'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import LinearProgress from '@mui/material/LinearProgress'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { LIMITS, type Retention } from '@/core/model'
import { callApi, failureWords } from '../hooks/api'
import { useAttempt } from '../hooks/useAttempt'
import { Link } from '../link'
import { NumberField } from '../parts'
import { dateInWords } from '../words'
import { Row } from './Row'

/** Names that stand on the page; the rest is counted. */
const SHOWN = 10

/** How long records are kept, and who has been away for longer. */
export function Keeping({ retention: { years, due } }: { retention: Retention }) {
  const [asking, setAsking] = useState(false)
  const { attempt, problem } = useAttempt()
  return (
    <Paper variant="outlined" component="section" aria-labelledby="keeping" sx={{ p: 2 }}>
      <Typography id="keeping" variant="h2" sx={{ mb: 1 }}>
        How long records are kept
      </Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        Whoever was not there for longer is proposed here for erasure. What your law asks you to keep, and for how long,
        comes first; nothing is erased by itself.
      </Typography>
      {problem && <Alert severity="error">{problem}</Alert>}
      <Box sx={{ maxWidth: 260 }}>
        <NumberField
          label="Years after the last visit (0: for ever)"
          value={years}
          limit={LIMITS.retentionYears}
          step={1}
          onChange={(retentionYears) => void attempt(() => callApi('/api/salon', 'PUT', { retentionYears }))}
        />
      </Box>
      {years > 0 && due.length === 0 && <Typography sx={{ mt: 2 }}>Nobody has been away for so long.</Typography>}
      {due.slice(0, SHOWN).map(({ id, name, last }) => (
        <Row
          key={id}
          name={name}
          beside={
            <Button component={Link} href={`/people/${id}`} color="inherit">
              Look
            </Button>
          }
        >
          last on {dateInWords(last)}
        </Row>
      ))}
      {due.length > 0 && (
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1 }}>
          <Typography color="textSecondary" sx={{ flex: 1 }}>
            {due.length > SHOWN && `and ${due.length - SHOWN} more`}
          </Typography>
          <Button variant="outlined" color="error" onClick={() => setAsking(true)}>
            Erase {due.length === 1 ? 'this record' : `these ${due.length} records`}…
          </Button>
        </Box>
      )}
      {asking && <EraseDue due={due} onClose={() => setAsking(false)} />}
    </Paper>
  )
}

function EraseDue({ due, onClose }: { due: Retention['due']; onClose: () => void }) {
  const router = useRouter()
  const [done, setDone] = useState<number>()
  const [problem, setProblem] = useState<string>()
  async function erase() {
    setProblem(undefined)
    try {
      for (const [i, { id, name }] of due.entries()) {
        setDone(i)
        await callApi(`/api/clients/${id}/erasure`, 'POST', { name })
      }
      onClose()
    } catch (error) {
      setProblem(failureWords(error))
      setDone(undefined)
    }
    router.refresh()
  }
  return (
    <Dialog open onClose={done === undefined ? onClose : undefined} aria-labelledby="erase-due" maxWidth="xs" fullWidth>
      <DialogTitle id="erase-due">Erase {due.length === 1 ? 'one record' : `${due.length} records`}?</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>{due.map(({ name }) => name).join(', ')}</Typography>
        <Typography>
          Everything that is kept of them goes: hair, plans, visits, pictures, consents. Sums of the log stay without
          them. It cannot be taken back.
        </Typography>
        {done !== undefined && (
          <LinearProgress
            variant="determinate"
            value={(100 * done) / due.length}
            aria-label={`Erased ${done} of ${due.length}`}
            sx={{ mt: 2 }}
          />
        )}
        {problem && (
          <Alert severity="error" sx={{ mt: 2 }}>
            {problem}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose} disabled={done !== undefined}>
          Cancel
        </Button>
        <Button variant="contained" color="error" disabled={done !== undefined} onClick={() => void erase()}>
          Erase for good
        </Button>
      </DialogActions>
    </Dialog>
  )
}
