'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { v7 as newId } from 'uuid'
import { DeliveryDto } from '@/dto'
import { LIMITS, type CatalogueItem, type ShelfItem, type StockLot } from '@/core/model'
import { DateEntry, TextEntry, useEntryForm } from '../forms'
import { callApi, failureWords } from '../hooks/api'
import { NumberField, Read, SaveButton } from '../parts'
import { LINE } from '../theme'
import { dateInWords } from '../words'
import { Heading } from './productForm'

interface Props {
  known: ShelfItem
  onClose: () => void
  onDone: (message: string) => void
}

/** Lots of one product: a delivery comes in, a lot is counted. */
export function StockDialog({ known: { item, lots, grams }, onClose, onDone }: Props) {
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="stock-title">
      <DialogTitle id="stock-title">
        <Read>{`${item.name}: ${grams} g`}</Read>
      </DialogTitle>
      <DialogContent>
        <Stack spacing={2.5}>
          <Lots item={item} lots={lots} onDone={onDone} />
          <Delivery item={item} onDone={onDone} />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  )
}

type Part = Pick<Props, 'onDone'> & { item: CatalogueItem }

function Lots({ item, lots, onDone }: Part & { lots: StockLot[] }) {
  const [trouble, setTrouble] = useState<string>()
  async function count(lotId: string, counted: number) {
    try {
      await callApi('/api/shelf/counts', 'POST', { lotId, grams: counted })
      onDone(`${item.name}: counted.`)
    } catch (error) {
      setTrouble(failureWords(error))
    }
  }
  return (
    <div>
      <Heading>On the shelf</Heading>
      {trouble && <Alert severity="error">{trouble}</Alert>}
      {lots.length === 0 && <Typography color="textSecondary">Nothing is left of it.</Typography>}
      {lots.map((one) => (
        <Lot key={one.id} lot={one} onCount={(counted) => void count(one.id, counted)} />
      ))}
    </div>
  )
}

function Delivery({ item, onDone }: Part) {
  const [packs, setPacks] = useState(1)
  const came = packs * item.pack.grams
  const form = useEntryForm(DeliveryDto, {
    start: { id: newId(), productId: item.id, grams: came, lot: '' },
    send: async (delivery) => {
      await callApi('/api/shelf/deliveries', 'POST', delivery)
      onDone(`${delivery.grams} g of ${item.name} came in.`)
    },
  })
  const { control } = form
  const lot = useWatch({ control, name: 'lot' })
  return (
    <div>
      <Heading>A delivery</Heading>
      {form.refused && <Alert severity="error">{form.refused}</Alert>}
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <NumberField
          label={`Packs of ${item.pack.grams} g`}
          value={packs}
          limit={{ min: 0.1, max: 500, unit: 'packs' }}
          step={1}
          onChange={(count) => {
            setPacks(count)
            form.setValue('grams', count * item.pack.grams)
          }}
        />
        <TextEntry control={control} name="lot" label="Lot" help="as printed on the pack" sx={{ mt: 2, width: 150 }} />
        <DateEntry control={control} name="expiresOn" label="Expires on" optional />
      </Stack>
      <SaveButton onSave={form.save} busy={form.busy} disabled={lot.trim() === ''}>
        Take in
      </SaveButton>
    </div>
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
