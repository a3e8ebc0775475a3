'use client'
import { byId } from '@/core/model'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import type { Rescue, RunScript, RunState } from '@/core/time/run'
import { taskWords } from '@/words'
import { useClockWorker } from '../clock/useClockWorker'
import { duration } from '../clock/words'
import { TALL } from './look'
import { useClockTime } from './words'

interface Props {
  script: RunScript
  state: RunState
  now: number
  onTake: (rescue: Rescue) => void
  onClose: () => void
}

/** How the visit could go on, worked out anew from where it stands. */
export function WayOut({ script, state, now, onTake, onClose }: Props) {
  const clockTime = useClockTime()
  const [asked] = useState({ script, state, now })
  const [ways, setWays] = useState<Rescue[]>()
  const remote = useClockWorker()
  useEffect(() => {
    void remote.current!.rescues(asked.script, asked.state, asked.now).then(setWays)
  }, [remote, asked])
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="ways-title">
      <DialogTitle id="ways-title">How to go on</DialogTitle>
      <DialogContent>
        {!ways && <LinearProgress aria-label="Working out the rest of the visit" />}
        {ways?.length === 0 && (
          <Alert severity="info">
            No other order and no help would come nearer to the times. Take out first what has sat longest, and rinse it
            where its time is up.
          </Alert>
        )}
        {ways?.map((way, i) => (
          <Box key={i} component="article" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, mb: 1 }}>
            <Typography sx={{ fontWeight: 600, fontSize: '1.1rem' }}>
              {way.helper === undefined
                ? 'Same people, another order'
                : `With ${way.helper === 'assistant' ? 'an assistant' : 'a second colourist'} from now on`}
            </Typography>
            <Typography>
              {way.over === 0
                ? 'Every longest time is kept'
                : `Longest times are passed by ${duration(way.over)} in all`}
              , done at {clockTime(way.finish)}.
            </Typography>
            <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
              Next:{' '}
              {way.steps
                .slice(0, 4)
                .map(({ stepId }) => taskWords(byId(script.steps, stepId)))
                .join(', ')}{' '}
              …
            </Typography>
            <Button variant="contained" sx={TALL} onClick={() => onTake(way)}>
              Go on like this
            </Button>
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" sx={TALL} onClick={onClose}>
          As it is
        </Button>
      </DialogActions>
    </Dialog>
  )
}
