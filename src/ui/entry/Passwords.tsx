'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { EmailDto, NewPasswordDto } from '@/dto'
import { NewPasswordEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { Link } from '../link'
import { EntryPage } from './EntryPage'

/** Asks for a letter with a link to a new password. */
export function Forgotten() {
  const [sent, setSent] = useState(false)
  const form = useEntryForm(EmailDto, {
    start: { email: '' },
    send: async (entry) => {
      await callApi('/api/auth/request-password-reset', 'POST', entry)
      setSent(true)
    },
  })
  return (
    <EntryPage
      title="Password forgotten"
      says="A letter with a link goes to your e-mail address. Nothing changes before you have chosen a new password."
      form={form}
      save="Send the letter"
      beside={<Back />}
    >
      {sent && (
        <Alert severity="success">
          If somebody signs in with this address, the letter is on its way. It is good for an hour.
        </Alert>
      )}
      <TextEntry
        control={form.control}
        name="email"
        label="E-mail"
        type="email"
        autoComplete="username"
        autoFocus
        required
      />
    </EntryPage>
  )
}

/** Chooses a new password by the word of a letter. */
export function NewPassword({ token }: { token: string }) {
  const [done, setDone] = useState(false)
  const form = useEntryForm(NewPasswordDto, {
    start: { token, newPassword: '' },
    send: async (entry) => {
      await callApi('/api/auth/reset-password', 'POST', entry)
      setDone(true)
    },
  })
  return (
    <EntryPage
      title="A new password"
      says="Wherever you are signed in, you will be signed out."
      form={form}
      save="Keep this password"
      beside={<Back />}
    >
      {done && <Alert severity="success">It is kept. Sign in with it.</Alert>}
      <NewPasswordEntry control={form.control} name="newPassword" label="New password" autoFocus />
    </EntryPage>
  )
}

const Back = () => (
  <Button color="inherit" component={Link} href="/sign-in">
    Back to sign-in
  </Button>
)
