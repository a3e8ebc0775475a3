'use client'
import Typography from '@mui/material/Typography'
import { DoneDto } from '@/dto'
import { DateEntry, FormDialog, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'

interface Props {
  plan: { id: string; name: string }
  today: string
  onClose: () => void
  onDone: () => void
}

/** Records that a plan was carried out; the hair after it is predicted from it. */
export function DoneDialog({ plan, today, onClose, onDone }: Props) {
  const form = useEntryForm(DoneDto, {
    start: { on: today },
    send: async (entry) => {
      await callApi(`/api/plans/${plan.id}/done`, 'POST', entry)
      onDone()
    },
  })
  return (
    <FormDialog
      title={`“${plan.name}” was carried out`}
      form={form}
      save="Record as carried out"
      onClose={onClose}
      maxWidth="xs"
    >
      <Typography color="textSecondary">
        The plan is kept as it is now. What its foils took becomes hair of its own in the record, as the formulas meant
        it; the next consultation corrects what came out otherwise.
      </Typography>
      <DateEntry control={form.control} name="on" label="On" max={today} />
    </FormDialog>
  )
}
