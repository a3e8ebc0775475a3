'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { PIN_DIGITS } from '@/core/model'
import { OwnPinDto } from '@/dto'
import { FormDialog, PasswordEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { useAttempt } from '../hooks/useAttempt'
import { useNotice } from '../notices'
import { momentInWords } from '../words'

/** With which one takes over a tablet that the salon shares. */
export function Pin({ since }: { since: string | null }) {
  const [open, setOpen] = useState(false)
  const { attempt, problem } = useAttempt()
  return (
    <Stack spacing={1.5} sx={{ alignItems: 'flex-start' }}>
      <Typography color="textSecondary">
        A few digits that let you take over a tablet which the salon shares, quicker than a password. They are good for
        nothing anywhere else.
      </Typography>
      {problem && <Alert severity="error">{problem}</Alert>}
      {since && <Typography>You have one since {momentInWords(since)}.</Typography>}
      <Stack direction="row" spacing={1.5}>
        <Button variant="outlined" color="inherit" sx={{ borderColor: 'divider' }} onClick={() => setOpen(true)}>
          {since ? 'Choose another…' : 'Choose a PIN…'}
        </Button>
        {since && (
          <Button color="inherit" onClick={() => void attempt(() => callApi('/api/account/pin', 'DELETE'))}>
            Take it away
          </Button>
        )}
      </Stack>
      {open && <PinDialog onClose={() => setOpen(false)} />}
    </Stack>
  )
}

function PinDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter()
  const notice = useNotice()
  const form = useEntryForm(OwnPinDto, {
    start: { password: '', pin: '' },
    send: async (entry) => {
      await callApi('/api/account/pin', 'PUT', entry)
      notice('The PIN is kept.')
      router.refresh()
      onClose()
    },
  })
  const { control } = form
  return (
    <FormDialog
      title="PIN for shared tablets"
      form={form}
      save="Keep this PIN"
      onClose={onClose}
      maxWidth="xs"
      fullWidth
    >
      <PasswordEntry control={control} name="password" autoFocus />
      <TextEntry
        control={control}
        name="pin"
        label="New PIN"
        type="password"
        autoComplete="off"
        longest={PIN_DIGITS.most}
        help={`${PIN_DIGITS.fewest} to ${PIN_DIGITS.most} digits.`}
      />
    </FormDialog>
  )
}
