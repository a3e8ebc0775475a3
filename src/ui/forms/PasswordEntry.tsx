'use client'
import type { Control, FieldPathByValue, FieldValues } from 'react-hook-form'
import { PASSWORD } from '@/dto'
import { useShown } from '../parts/useShown'
import { TextEntry } from './fields'

interface Props<Entry extends FieldValues> {
  control: Control<Entry>
  name: FieldPathByValue<Entry, string | undefined>
  label?: string
  autoFocus?: boolean
}

/** A password that is asked, of who has it. */
export function PasswordEntry<Entry extends FieldValues>({ label = 'Your password', ...rest }: Props<Entry>) {
  const shown = useShown()
  return <TextEntry {...rest} {...shown} label={label} autoComplete="current-password" />
}

/** A password that is chosen. */
export function NewPasswordEntry<Entry extends FieldValues>({ label = 'Password', ...rest }: Props<Entry>) {
  const shown = useShown()
  return (
    <TextEntry
      {...rest}
      {...shown}
      label={label}
      autoComplete="new-password"
      help={`At least ${PASSWORD.shortest} characters; a few words are easier to keep in mind than signs.`}
      required
    />
  )
}
