'use client'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { useController, type Control } from 'react-hook-form'
import type { ProductChangeDto } from '@/dto'

const numbersIn = (text: string): number[] =>
  text
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => Number(word.replace(',', '.')))

/** The mixing ratios a label allows, as one line of figures. */
export function RatiosEntry({ control }: { control: Control<ProductChangeDto> }) {
  const { field, fieldState } = useController({ control, name: 'item.rules.ratios' })
  const [text, setText] = useState(field.value.join(' '))
  const wrong = numbersIn(text).every(Number.isFinite) ? fieldState.error?.message : 'numbers with spaces between'
  return (
    <TextField
      size="small"
      label="Developer to one part"
      value={text}
      error={wrong !== undefined}
      helperText={wrong ?? 'such as 1 1.5 2; empty: used as it is'}
      onBlur={field.onBlur}
      onChange={({ target }) => {
        setText(target.value)
        const numbers = numbersIn(target.value)
        if (numbers.every(Number.isFinite)) field.onChange(numbers)
      }}
      sx={{ mt: 2 }}
    />
  )
}
