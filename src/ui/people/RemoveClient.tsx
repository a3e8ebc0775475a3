'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogContentText from '@mui/material/DialogContentText'
import DialogTitle from '@mui/material/DialogTitle'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { callApi, failureWords } from '../hooks/api'

interface Props {
  id: string
  name: string
  /** What goes out of sight with her, in words. */
  holds: string[]
}

/** Takes a client out of sight, once it has been said what goes with her. She can be brought back from People. */
export function RemoveClient({ id, name, holds }: Props) {
  const router = useRouter()
  const [asking, setAsking] = useState(false)
  const [problem, setProblem] = useState<string>()

  async function remove() {
    try {
      await callApi(`/api/clients/${id}`, 'DELETE')
      router.push('/people?removed')
      router.refresh()
    } catch (error) {
      setProblem(failureWords(error, 'It could not be done. Try again.'))
    }
  }

  return (
    <>
      <Button color="inherit" onClick={() => setAsking(true)}>
        Remove client…
      </Button>
      <Dialog open={asking} onClose={() => setAsking(false)} maxWidth="xs" aria-labelledby="remove-title">
        <DialogTitle id="remove-title">Remove {name}?</DialogTitle>
        <DialogContent>
          {problem && <Alert severity="error">{problem}</Alert>}
          <DialogContentText>
            {holds.length > 0 && `With her go out of sight: ${holds.join(', ')}. `}
            Nothing is deleted: under People, “Removed”, she can be brought back with everything.
          </DialogContentText>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={() => setAsking(false)} autoFocus>
            Keep
          </Button>
          <Button variant="outlined" color="error" onClick={() => void remove()}>
            Remove
          </Button>
        </DialogActions>
      </Dialog>
    </>
  )
}
