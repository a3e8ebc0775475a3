'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { LIMITS, type ShelfItem, type StockLot } from '@/core/model'
import { callApi, problemAt } from '../hooks/api'
import { NumberField, Read, SaveButton } from '../parts'
import { DateField } from '../parts/DateField'
import { LINE } from '../theme'
import { dateInWords } from '../words'

/** Lots of one product: a delivery comes in, a lot is counted. */
export function StockDialog({
  known: { item, lots, grams },
  onClose,
  onDone,
}: {
  known: ShelfItem
  onClose: () => void
  onDone: (message: string) => void
}) {
  const [packs, setPacks] = useState(1)
  const [lot, setLot] = useState('')
  const [expiresOn, setExpiresOn] = useState('')
  const [error, setError] = useState<unknown>()

  async function attempt(work: () => Promise<unknown>, said: string) {
    try {
      await work()
      onDone(said)
    } catch (problem) {
      setError(problem)
    }
  }
  const receive = () =>
    attempt(
      () =>
        callApi('/api/shelf/deliveries', 'POST', {
          productId: item.id,
          grams: packs * item.pack.grams,
          lot: lot.trim(),
          ...(expiresOn && { expiresOn }),
        }),
      `${packs * item.pack.grams} g of ${item.name} came in.`,
    )
  const count = (lotId: string, counted: number) =>
    attempt(() => callApi('/api/shelf/counts', 'POST', { lotId, grams: counted }), `${item.name}: counted.`)

  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="stock-title">
      <DialogTitle id="stock-title">
        <Read>{`${item.name}: ${grams} g`}</Read>
      </DialogTitle>
      <DialogContent>
        {error instanceof Error && (
          <Alert severity="error">
            <Read>{error.message}</Read>
          </Alert>
        )}
        <Typography component="h2" sx={{ fontWeight: 600, mb: 0.5 }}>
          On the shelf
        </Typography>
        {lots.length === 0 && <Typography color="textSecondary">Nothing is left of it.</Typography>}
        {lots.map((one) => (
          <Lot key={one.id} lot={one} onCount={(counted) => void count(one.id, counted)} />
        ))}
        <Typography component="h2" sx={{ fontWeight: 600, mt: 2.5, mb: 1 }}>
          A delivery
        </Typography>
        <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap', alignItems: 'flex-start' }}>
          <NumberField
            label={`Packs of ${item.pack.grams} g`}
            value={packs}
            limit={{ min: 0.1, max: 500, unit: 'packs' }}
            step={1}
            onChange={setPacks}
          />
          <TextField
            size="small"
            label="Lot"
            value={lot}
            error={problemAt(error, 'lot') !== undefined}
            helperText={problemAt(error, 'lot') ?? 'as printed on the pack'}
            onChange={({ target }) => setLot(target.value)}
            sx={{ mt: 2, width: 150 }}
          />
          <DateField label="Expires on" value={expiresOn} optional onChange={setExpiresOn} />
        </Stack>
        <SaveButton onSave={receive} disabled={lot.trim() === ''}>
          Take in
        </SaveButton>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  )
}

function Lot({ lot: { lot, expiresOn, grams }, onCount }: { lot: StockLot; onCount: (grams: number) => void }) {
  const [counted, setCounted] = useState(grams)
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', borderTop: LINE, py: 1, flexWrap: 'wrap' }}>
      <Typography sx={{ flex: '1 1 160px', mt: 2.5 }}>
        Lot {lot}
        {expiresOn && `, expires on ${dateInWords(expiresOn)}`}
      </Typography>
      <NumberField
        label={`Counted in lot ${lot}`}
        value={counted}
        limit={LIMITS.stockG}
        step={10}
        onChange={setCounted}
      />
      <Button
        color="inherit"
        variant="outlined"
        disabled={counted === grams}
        onClick={() => onCount(counted)}
        sx={{ mt: 2.25 }}
      >
        Set
      </Button>
    </Box>
  )
}
