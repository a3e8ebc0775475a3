'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import type { OwnSession } from '@/core/model'
import { ChangePasswordDto } from '@/dto'
import { NewPasswordEntry, PasswordEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { useAttempt } from '../hooks/useAttempt'
import { useNotice } from '../notices'
import { SaveButton } from '../parts'
import { momentInWords } from '../words'
import { Calendar } from './Calendar'
import { Pin } from './Pin'
import { SecondFactor } from './SecondFactor'

interface Props {
  name: string
  email: string
  secondFactor: boolean
  /** Nothing else is open before one has a second factor. */
  lacksSecondFactor: boolean
  sessions: OwnSession[]
  /** Since when one's bookings can be followed elsewhere, ISO 8601; null for not. */
  calendarSince: string | null
  /** Since when one has a PIN for shared tablets, ISO 8601; null for not. */
  pinSince: string | null
}

/** What concerns only oneself: password, second factor, calendar, where one is signed in. */
export function AccountPage({
  name,
  email,
  secondFactor,
  lacksSecondFactor,
  sessions,
  calendarSince,
  pinSince,
}: Props) {
  return (
    <Stack spacing={3} sx={{ maxWidth: 720, mx: 'auto', p: { xs: 2, sm: 4 } }}>
      <Box>
        <Typography variant="h1">{name}</Typography>
        <Typography color="textSecondary">{email}</Typography>
      </Box>
      {lacksSecondFactor && (
        <Alert severity="warning">Owners of this salon need a second factor. Set yours up; then the rest opens.</Alert>
      )}
      <Section title="Second factor">
        <SecondFactor on={secondFactor} />
      </Section>
      <Section title="Password">
        <Password />
      </Section>
      <Section title="PIN">
        <Pin since={pinSince} />
      </Section>
      <Section title="Calendar">
        <Calendar since={calendarSince} />
      </Section>
      <Section title="Signed in on">
        <Sessions sessions={sessions} />
      </Section>
    </Stack>
  )
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  const id = title.toLowerCase().replaceAll(' ', '-')
  return (
    <Paper variant="outlined" component="section" aria-labelledby={id} sx={{ p: 2 }}>
      <Typography id={id} variant="h2" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Paper>
  )
}

function Password() {
  const notice = useNotice()
  const form = useEntryForm(ChangePasswordDto, {
    start: { currentPassword: '', newPassword: '' },
    send: async (entry) => {
      await callApi('/api/auth/change-password', 'POST', { ...entry, revokeOtherSessions: true })
      form.reset()
      notice('The new password is kept. Other devices are signed out.')
    },
  })
  const { control } = form
  return (
    <Stack component="form" spacing={1.5} onSubmit={(event) => event.preventDefault()} sx={{ maxWidth: 400 }}>
      {form.refused && <Alert severity="error">{form.refused}</Alert>}
      <PasswordEntry control={control} name="currentPassword" label="Password as it is" />
      <NewPasswordEntry control={control} name="newPassword" label="New password" />
      <SaveButton onSave={form.save} busy={form.busy}>
        Keep this password
      </SaveButton>
    </Stack>
  )
}

function Sessions({ sessions }: { sessions: OwnSession[] }) {
  const { attempt, problem } = useAttempt()
  const end = (path: string) => attempt(() => callApi(path, 'DELETE'))
  return (
    <Stack spacing={1}>
      {problem && <Alert severity="error">{problem}</Alert>}
      {sessions.map(({ id, device, from, since, current }) => (
        <Box key={id} sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
          <Box sx={{ flex: '1 1 240px' }}>
            <Typography>{deviceWords(device)}</Typography>
            <Typography variant="caption" color="textSecondary">
              since {momentInWords(since)}
              {from && `, from ${from}`}
            </Typography>
          </Box>
          {current ? (
            <Typography color="textSecondary">this device</Typography>
          ) : (
            <Button color="inherit" onClick={() => void end(`/api/account/sessions/${id}`)}>
              Sign out there
            </Button>
          )}
        </Box>
      ))}
      {sessions.length > 1 && (
        <Button
          color="inherit"
          variant="outlined"
          sx={{ alignSelf: 'flex-start', borderColor: 'divider' }}
          onClick={() => void end('/api/account/sessions')}
        >
          Sign out everywhere else
        </Button>
      )}
    </Stack>
  )
}

const SYSTEMS: readonly [RegExp, string][] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, 'Android device'],
  [/Windows/, 'Windows computer'],
  [/Mac OS/, 'Mac'],
  [/Linux/, 'Linux computer'],
]
const BROWSERS: readonly [RegExp, string][] = [
  [/Firefox\//, 'Firefox'],
  [/Edg\//, 'Edge'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
]

/** What a browser says of itself, as one would. */
function deviceWords(agent: string): string {
  const named = (names: readonly [RegExp, string][]) => names.find(([sign]) => sign.test(agent))?.[1]
  const [browser, system] = [named(BROWSERS), named(SYSTEMS)]
  return [browser, system].filter(Boolean).join(', ') || 'A device that does not say what it is'
}
