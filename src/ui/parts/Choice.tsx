'use client'
import Box from '@mui/material/Box'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { useId, type ReactNode } from 'react'
import { useUnits } from '../hooks/useUnits'

interface Props<T extends string> {
  label: string
  value: T | undefined
  options: readonly { value: T; label: ReactNode; name?: string }[]
  onChange: (value: T) => void
  disabled?: boolean
}

/** One of a few, all in sight. */
export function Choice<T extends string>({ label, value, options, onChange, disabled }: Props<T>) {
  const id = useId()
  const { read } = useUnits()
  return (
    <Box>
      <Typography id={id} variant="caption" color="textSecondary" sx={{ display: 'block', lineHeight: 1.2, mb: '2px' }}>
        {label}
      </Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-labelledby={id}
        value={value ?? null}
        disabled={disabled ?? false}
        onChange={(_event, next: T | null) => next !== null && onChange(next)}
        sx={{ display: 'flex', flexWrap: 'wrap' }}
      >
        {options.map((option) => (
          <ToggleButton
            key={option.value}
            value={option.value}
            aria-label={option.name}
            sx={{ flex: '1 1 auto', px: 1, lineHeight: 1.15, borderColor: 'divider' }}
          >
            {typeof option.label === 'string' ? read(option.label) : option.label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  )
}
