'use client'
import CircularProgress from '@mui/material/CircularProgress'
import Dialog from '@mui/material/Dialog'
import DialogContent from '@mui/material/DialogContent'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import type { SalonRates } from '@/core/model'
import { SalonRatesDto } from '@/dto'
import { FormDialog, useEntryForm } from '../forms'
import { callApi, failureWords } from '../hooks/api'
import { PriceFields } from '../mix'

/** What the salon charges and pays. */
export function PricesDialog({ onClose }: { onClose: () => void }) {
  const [rates, setRates] = useState<SalonRates>()
  const [problem, setProblem] = useState<string>()
  useEffect(() => {
    callApi<SalonRates>('/api/rates').then(setRates, (error: unknown) => setProblem(failureWords(error)))
  }, [])
  if (rates) return <Prices rates={rates} onClose={onClose} />
  return (
    <Dialog open onClose={onClose} aria-label="Prices">
      <DialogContent>{problem ?? <CircularProgress aria-label="Reading the prices" />}</DialogContent>
    </Dialog>
  )
}

function Prices({ rates, onClose }: { rates: SalonRates; onClose: () => void }) {
  const form = useEntryForm(SalonRatesDto, {
    start: { rates: rates.rates, baseRevision: rates.revision },
    send: async (entry) => {
      await callApi('/api/rates', 'PUT', entry)
      onClose()
    },
  })
  return (
    <FormDialog title="What you charge" form={form} save="Keep these prices" onClose={onClose} maxWidth="sm" fullWidth>
      <Typography color="textSecondary">
        For every plan made from now on; a plan’s own can be changed in its Mix.
      </Typography>
      <PriceFields control={form.control} />
    </FormDialog>
  )
}
