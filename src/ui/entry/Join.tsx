'use client'
import { useRouter } from 'next/navigation'
import { JoinDto } from '@/dto'
import { NewPasswordEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { EntryPage } from './EntryPage'

interface Props {
  token: string
  invitation: { salon: string; name: string; email: string; role: string }
}

/** Somebody who was invited chooses her password. */
export function Join({ token, invitation: { salon, name, email, role } }: Props) {
  const router = useRouter()
  const form = useEntryForm(JoinDto, {
    start: { token, name, password: '' },
    send: async (entry) => {
      await callApi('/api/invitations', 'POST', entry)
      await callApi('/api/auth/sign-in/email', 'POST', { email, password: entry.password })
      router.push('/day')
    },
  })
  const { control } = form
  return (
    <EntryPage
      title={`Join ${salon}`}
      says={`As ${role}. You will sign in with ${email} and the password you choose now.`}
      form={form}
      save="Join"
    >
      <TextEntry control={control} name="name" label="Your name" autoComplete="name" required />
      <NewPasswordEntry control={control} name="password" />
    </EntryPage>
  )
}
