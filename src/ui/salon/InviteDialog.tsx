'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { STAFF_ROLES, type StaffRole } from '@/core/model'
import { InvitationDto } from '@/dto'
import { ChoiceEntry, FormDialog, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { optionsOf } from '../words'
import { ROLE_HELP, ROLE_WORDS } from './words'

/** Asks somebody to join; the link can be handed over too, where there is no mail. */
export function InviteDialog({ onClose }: { onClose: () => void }) {
  const [link, setLink] = useState<string>()
  const form = useEntryForm<InvitationDto>(InvitationDto, {
    start: { name: '', email: '', role: 'colourist' },
    send: async (entry) => setLink((await callApi<{ link: string }>('/api/team/invitations', 'POST', entry)).link),
  })
  const { control } = form
  const role = useWatch({ control, name: 'role' }) as StaffRole
  if (link !== undefined) return <Sent link={link} onClose={onClose} />
  return (
    <FormDialog
      title="Ask somebody to join"
      form={form}
      save="Send the invitation"
      onClose={onClose}
      maxWidth="sm"
      fullWidth
    >
      <TextEntry control={control} name="name" label="Name" autoFocus required />
      <TextEntry control={control} name="email" label="E-mail" type="email" required />
      <ChoiceEntry control={control} name="role" label="Role" options={optionsOf(STAFF_ROLES, ROLE_WORDS)} />
      <Typography color="textSecondary">{ROLE_HELP[role]}</Typography>
    </FormDialog>
  )
}

function Sent({ link, onClose }: { link: string; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="sent-title">
      <DialogTitle id="sent-title">The invitation is on its way</DialogTitle>
      <DialogContent>
        <Alert severity="info" sx={{ mb: 2 }}>
          The letter has this link. It works once, within seven days; hand it over yourself if the letter gets lost.
        </Alert>
        <TextField
          fullWidth
          size="small"
          label="Link"
          value={link}
          onFocus={({ target }) => target.select()}
          slotProps={{ htmlInput: { readOnly: true } }}
        />
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}
