'use client'
import Typography from '@mui/material/Typography'
import { useWatch } from 'react-hook-form'
import { STAFF_ROLES, type StaffRole, type TeamMember } from '@/core/model'
import { TeamMemberDto } from '@/dto'
import { CheckEntry, ChoiceEntry, FormDialog, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { optionsOf } from '../words'
import { ROLE_HELP, ROLE_WORDS } from './words'

/** Name and role of somebody who works here, and whether she still does. */
export function MemberDialog({ member, onClose }: { member: TeamMember; onClose: () => void }) {
  const { id, name, role, active } = member
  const form = useEntryForm(TeamMemberDto, {
    start: { name, role, active },
    send: async (entry) => {
      await callApi(`/api/team/${id}`, 'PUT', entry)
      onClose()
    },
  })
  const { control } = form
  const chosen = useWatch({ control, name: 'role' }) as StaffRole
  return (
    <FormDialog title={name} form={form} save="Save" onClose={onClose} maxWidth="sm" fullWidth>
      <TextEntry control={control} name="name" label="Name" required />
      <ChoiceEntry control={control} name="role" label="Role" options={optionsOf(STAFF_ROLES, ROLE_WORDS)} />
      <Typography color="textSecondary">{ROLE_HELP[chosen]}</Typography>
      <CheckEntry control={control} name="active" label="Works here" />
      <Typography color="textSecondary">
        Whoever works here no more cannot sign in; her devices are signed out at once. What she did stays under her
        name.
      </Typography>
    </FormDialog>
  )
}
