'use client'
import Typography from '@mui/material/Typography'
import { Controller, useWatch } from 'react-hook-form'
import { SKILLS, STAFF_ROLES, type StaffRole, type TeamMember, type WorkDay } from '@/core/model'
import { TeamMemberDto } from '@/dto'
import { CheckEntry, ChoiceEntry, FormDialog, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { Choices } from '../parts'
import { optionsOf, SKILL_WORDS } from '../words'
import { WorkWeek } from './WorkWeek'
import { ROLE_HELP, ROLE_WORDS } from './words'

const SKILL_OPTIONS = optionsOf(SKILLS, SKILL_WORDS)

/** Name and role of somebody who works here, and whether she still does. */
export function MemberDialog({ member, onClose }: { member: TeamMember; onClose: () => void }) {
  const { id, name, role, active, skills, week } = member
  const form = useEntryForm(TeamMemberDto, {
    start: { name, role, active, skills: [...skills], week: week ?? [] },
    send: async ({ week: days, skills: trusted, ...entry }) => {
      // A week of no days says that she never works; where nothing was said, nothing is.
      const said = week !== null || days!.length > 0
      // Left as they are, they go on following her role.
      const chosen = trusted!.join() !== skills.join()
      await callApi(`/api/team/${id}`, 'PUT', {
        ...entry,
        ...(said && { week: days }),
        ...(chosen && { skills: trusted }),
      })
      onClose()
    },
  })
  const { control } = form
  const newRole = useWatch({ control, name: 'role' }) as StaffRole
  return (
    <FormDialog title={name} form={form} save="Save" onClose={onClose} maxWidth="sm" fullWidth>
      <TextEntry control={control} name="name" label="Name" required />
      <ChoiceEntry control={control} name="role" label="Role" options={optionsOf(STAFF_ROLES, ROLE_WORDS)} />
      <Typography color="textSecondary">{ROLE_HELP[newRole]}</Typography>
      <Controller
        control={control}
        name="skills"
        render={({ field }) => (
          <Choices label="Trusted with" values={field.value ?? []} options={SKILL_OPTIONS} onChange={field.onChange} />
        )}
      />
      <Controller
        control={control}
        name="week"
        render={({ field, fieldState }) => (
          <WorkWeek
            week={(field.value ?? []) as WorkDay[]}
            problem={fieldState.error && 'Every day has to end later than it begins.'}
            onChange={field.onChange}
          />
        )}
      />
      <CheckEntry control={control} name="active" label="Works here" />
      <Typography color="textSecondary">
        Whoever works here no more cannot sign in; her devices are signed out at once. What she did stays under her
        name.
      </Typography>
    </FormDialog>
  )
}
