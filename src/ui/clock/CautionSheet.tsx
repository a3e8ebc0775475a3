'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogContentText from '@mui/material/DialogContentText'
import DialogTitle from '@mui/material/DialogTitle'
import FormControlLabel from '@mui/material/FormControlLabel'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Caution } from '@/core/model'
import { Read } from '../parts'

export type WaitingCaution = Pick<Caution, 'id' | 'text' | 'remedy'> & {
  /** It goes ahead only with a reason. */
  needsReason: boolean
}

interface Props {
  cautions: readonly WaitingCaution[]
  /** Begins with what was looked at. */
  onBegin: (acknowledged: { cautionId: string; reason: string }[]) => Promise<void>
  onClose: () => void
}

/** Cautions that nobody has looked at by name yet: each is ticked, by the one who begins the visit. */
export function CautionSheet({ cautions, onBegin, onClose }: Props) {
  const [looked, setLooked] = useState<ReadonlySet<string>>(new Set())
  const [reason, setReason] = useState('')
  const [busy, setBusy] = useState(false)
  const left = cautions.length - looked.size
  const needsReason = cautions.some((caution) => caution.needsReason)
  const unexplained = needsReason && reason.trim() === ''

  function tick(id: string) {
    const next = new Set(looked)
    if (!next.delete(id)) next.add(id)
    setLooked(next)
  }

  async function begin() {
    setBusy(true)
    await onBegin(cautions.map(({ id }) => ({ cautionId: id, reason: reason.trim() })))
    setBusy(false)
  }

  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-labelledby="cautions-title">
      <DialogTitle id="cautions-title">Before this visit begins</DialogTitle>
      <DialogContent>
        <DialogContentText sx={{ mb: 1 }}>
          These cautions have not been acknowledged. What you tick is kept under your name. The products’ instructions,
          local rules and licensed practice decide; Falto never says that something is safe.
        </DialogContentText>
        {cautions.map(({ id, text, remedy }) => (
          <FormControlLabel
            key={id}
            control={<Checkbox checked={looked.has(id)} onChange={() => tick(id)} />}
            sx={{ display: 'flex', alignItems: 'flex-start', mr: 0, py: 0.5, '& .MuiCheckbox-root': { mt: -0.5 } }}
            label={
              <>
                <Typography>
                  <Read>{text}</Read>
                </Typography>
                {remedy && (
                  <Typography variant="body2" color="textSecondary">
                    <Read>{remedy}</Read>
                  </Typography>
                )}
              </>
            }
          />
        ))}
        <TextField
          label="Why it goes ahead (kept with each)"
          required={needsReason}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          size="small"
          fullWidth
          multiline
          sx={{ mt: 2 }}
          slotProps={{ htmlInput: { maxLength: 500 } }}
        />
        {left > 0 && (
          <Alert severity="info" sx={{ mt: 2 }}>
            {left} still to look at.
          </Alert>
        )}
        {left === 0 && unexplained && (
          <Alert severity="info" sx={{ mt: 2 }}>
            It passes a label’s time: say why it goes ahead.
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Not now
        </Button>
        <Button variant="contained" disabled={left > 0 || unexplained || busy} onClick={() => void begin()}>
          {busy ? 'One moment…' : 'I have looked at these: begin'}
        </Button>
      </DialogActions>
    </Dialog>
  )
}
