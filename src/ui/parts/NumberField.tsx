'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import OutlinedInput from '@mui/material/OutlinedInput'
import Typography from '@mui/material/Typography'
import { memo, useId, type MouseEvent } from 'react'
import { useUnits } from '../hooks/useUnits'
import { useTypedNumber, type TypedNumber } from './useTypedNumber'
import { Add, Remove } from './icons'

export interface NumberFieldProps extends TypedNumber {
  label: string
  help?: string
  problem?: string | undefined
  disabled?: boolean
  /** `row`: label beside the figure, for narrow columns with many figures. */
  layout?: 'stacked' | 'row'
}

const IN_ROW = { display: 'flex', alignItems: 'center', gap: 1 } as const

/**
 * A figure with its unit, in the salon's: typed, or stepped by a hand that cannot type. What is typed is taken as a
 * whole, once the field is left or Enter is pressed; what is wrong with it is said at the field, and it is not taken.
 */
export function NumberField({
  label: kept,
  help,
  problem,
  disabled = false,
  layout = 'stacked',
  ...figure
}: NumberFieldProps) {
  const id = useId()
  const { read } = useUnits()
  const label = read(kept)
  const { value, limit } = figure
  const { shown, unit, wrong, type, take, leave, stepBy } = useTypedNumber(figure)
  const trouble = wrong ?? problem

  /** A press on either button; they say by how many steps. */
  function stepped({ target }: MouseEvent) {
    const by = Number((target as Element).closest<HTMLElement>('[data-steps]')?.dataset['steps'] ?? 0)
    if (by !== 0) stepBy(by)
  }

  return (
    <Box sx={{ minWidth: 0 }}>
      <Box sx={layout === 'row' ? IN_ROW : undefined}>
        <Typography
          component="label"
          htmlFor={id}
          variant="caption"
          color="textSecondary"
          // Help below takes its place even where there is none, so that fields beside one another stand in line.
          sx={{ flex: 1, display: 'block', lineHeight: 1.2, minHeight: '1lh', mb: layout === 'row' ? 0 : '2px' }}
        >
          {label}
        </Typography>
        <Box onClick={stepped} sx={{ display: 'flex', gap: 0.5, width: layout === 'row' ? 196 : undefined }}>
          <StepButton
            steps={-1}
            label={`${label}: less`}
            disabled={disabled || (value !== undefined && value <= limit.min)}
          />
          <OutlinedInput
            id={id}
            size="small"
            value={shown}
            disabled={disabled}
            error={trouble !== undefined}
            onChange={(event) => type(event.target.value)}
            onBlur={take}
            onKeyDown={({ key }) => (key === 'Enter' ? take() : key === 'Escape' ? leave() : undefined)}
            endAdornment={
              <Typography variant="caption" color="textSecondary" sx={{ pl: 0.5, whiteSpace: 'nowrap' }}>
                {unit}
              </Typography>
            }
            inputProps={{
              inputMode: 'decimal',
              'aria-describedby': `${id}-help`,
              'aria-invalid': trouble !== undefined,
            }}
            sx={{ flex: 1, minWidth: 76, height: 44, '& input': { textAlign: 'right', px: 0.5 }, pr: 1 }}
          />
          <StepButton
            steps={1}
            label={`${label}: more`}
            disabled={disabled || (value !== undefined && value >= limit.max)}
          />
        </Box>
      </Box>
      <Typography
        id={`${id}-help`}
        variant="caption"
        sx={{
          display: 'block',
          textAlign: layout === 'row' ? 'right' : 'left',
          minHeight: layout === 'row' ? 0 : '1lh',
        }}
        color={trouble ? 'error' : 'textSecondary'}
        role={trouble ? 'alert' : undefined}
      >
        {read(trouble ?? help ?? '')}
      </Typography>
    </Box>
  )
}

/** Drawn again only at the ends of the range, not whenever the figure changes. */
const StepButton = memo(function StepButton({
  steps,
  label,
  disabled,
}: {
  steps: 1 | -1
  label: string
  disabled: boolean
}) {
  return (
    <Button
      variant="outlined"
      color="inherit"
      disabled={disabled}
      aria-label={label}
      data-steps={steps}
      sx={{ minWidth: 44, p: 0, borderColor: 'divider' }}
    >
      {steps < 0 ? <Remove fontSize="small" /> : <Add fontSize="small" />}
    </Button>
  )
})
