'use client'
import MenuItem from '@mui/material/MenuItem'
import TextField, { type TextFieldProps } from '@mui/material/TextField'
import type { ReactNode } from 'react'

interface Props<T extends string> extends Pick<TextFieldProps, 'size' | 'sx' | 'fullWidth' | 'onBlur' | 'error'> {
  label: string
  value: T | ''
  options: readonly { value: T; label: ReactNode }[]
  onChange: (value: T) => void
  disabled?: boolean
  help?: ReactNode
}

const SHOWS_EMPTY = { select: { displayEmpty: true }, inputLabel: { shrink: true } }

/** One of many, from a list that opens. */
export function ListChoice<T extends string>({ value, options, onChange, help, size = 'small', ...rest }: Props<T>) {
  return (
    <TextField
      select
      size={size}
      {...rest}
      value={value}
      helperText={help}
      // An option for nothing is shown like any other.
      slotProps={options.some((option) => option.value === '') ? SHOWS_EMPTY : {}}
      onChange={({ target }) => onChange(target.value as T)}
    >
      {options.map((option) => (
        <MenuItem key={option.value} value={option.value}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  )
}
