'use client'
import type { Control, FieldPathByValue, FieldValues } from 'react-hook-form'
import { PASSWORD } from '@/dto'
import { TextEntry } from './fields'

interface Props<Entry extends FieldValues> {
  control: Control<Entry>
  name: FieldPathByValue<Entry, string | undefined>
  label?: string
  autoFocus?: boolean
}

/** A password that is chosen. */
export const NewPasswordEntry = <Entry extends FieldValues>({
  control,
  name,
  label = 'Password',
  autoFocus = false,
}: Props<Entry>) => (
  <TextEntry
    control={control}
    name={name}
    label={label}
    type="password"
    autoComplete="new-password"
    help={`At least ${PASSWORD.shortest} characters; a few words are easier to keep in mind than signs.`}
    autoFocus={autoFocus}
    required
  />
)
