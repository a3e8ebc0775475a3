'use client'
import Box from '@mui/material/Box'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { useId } from 'react'

interface Props<T extends string> {
  label: string
  values: readonly T[]
  options: readonly { value: T; label: string }[]
  onChange: (values: T[]) => void
  disabled?: boolean
}

/** Any of a few, all in sight. */
export function Choices<T extends string>({ label, values, options, onChange, disabled }: Props<T>) {
  const id = useId()
  return (
    <Box>
      <Typography id={id} variant="caption" color="textSecondary" sx={{ display: 'block', lineHeight: 1.2, mb: '2px' }}>
        {label}
      </Typography>
      <ToggleButtonGroup
        size="small"
        aria-labelledby={id}
        value={[...values]}
        disabled={disabled ?? false}
        onChange={(_event, next: T[]) => onChange(next)}
        sx={{ display: 'flex', flexWrap: 'wrap' }}
      >
        {options.map((option) => (
          <ToggleButton
            key={option.value}
            value={option.value}
            sx={{ flex: '1 1 auto', px: 1, lineHeight: 1.15, borderColor: 'divider' }}
          >
            {option.label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  )
}
