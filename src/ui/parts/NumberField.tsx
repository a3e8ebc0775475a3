'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import OutlinedInput from '@mui/material/OutlinedInput'
import Typography from '@mui/material/Typography'
import { memo, useId, useState, type MouseEvent } from 'react'
import type { Limit } from '@/core/model'
import { useUnits } from '../hooks/useUnits'

interface Props {
  label: string
  value: number | undefined
  limit: Limit
  step: number
  onChange: (value: number) => void
  /** Called when an optional figure is emptied. */
  onClear?: () => void
  help?: string
  problem?: string | undefined
  disabled?: boolean
  /** `row`: label beside the figure, for narrow columns with many figures. */
  layout?: 'stacked' | 'row'
}

/**
 * A figure with its unit, in the salon's: typed, or stepped by a hand that cannot type. Says at the field what is wrong
 * with an entry.
 */
export function NumberField({
  label: kept,
  value,
  limit,
  step,
  onChange,
  onClear,
  help,
  problem,
  disabled,
  layout = 'stacked',
}: Props) {
  const id = useId()
  const { read, field } = useUnits()
  const label = read(kept)
  const reading = field(limit.unit)
  const [typed, setTyped] = useState<string>()
  const shown = typed ?? (value === undefined ? '' : String(reading.shown(value)))
  const range = `${reading.shown(limit.min)} to ${reading.shown(limit.max)} ${reading.unit}`.trim()
  const wrong = typed !== undefined && !accepts(typed) ? `Enter a number from ${range}.` : problem

  function accepts(text: string): boolean {
    if (text.trim() === '') return onClear !== undefined
    const number = Number(text.replace(',', '.'))
    return Number.isFinite(number) && limited(keptOf(number)) === keptOf(number)
  }

  /** What is typed, as it is kept; what reads as one of the limits is that limit. */
  function keptOf(typed: number): number {
    return [limit.min, limit.max].find((end) => reading.shown(end) === typed) ?? reading.kept(typed)
  }

  function limited(kept: number): number {
    return Math.min(limit.max, Math.max(limit.min, kept))
  }

  function type(text: string) {
    setTyped(text)
    if (!accepts(text)) return
    if (text.trim() === '') onClear?.()
    else onChange(keptOf(Number(text.replace(',', '.'))))
  }

  /** A press on either button; they say by how many steps. */
  function stepped({ target }: MouseEvent) {
    const by = Number((target as Element).closest<HTMLElement>('[data-steps]')?.dataset['steps'] ?? 0)
    if (by !== 0) stepBy(by)
  }

  function stepBy(direction: number) {
    const base = reading.shown(value ?? (limit.min + limit.max) / 2)
    const by = reading.step(step)
    const next = Math.round((Math.round(base / by) * by + direction * by) * 1000) / 1000
    setTyped(undefined)
    onChange(limited(keptOf(next)))
  }

  return (
    <Box sx={{ minWidth: 0 }}>
      <Box sx={layout === 'row' ? { display: 'flex', alignItems: 'center', gap: 1 } : undefined}>
        <Typography
          component="label"
          htmlFor={id}
          variant="caption"
          color="textSecondary"
          sx={{ flex: 1, display: 'block', lineHeight: 1.2, mb: layout === 'row' ? 0 : '2px' }}
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
            disabled={disabled ?? false}
            error={wrong !== undefined}
            onChange={(event) => type(event.target.value)}
            onBlur={() => accepts(shown) && setTyped(undefined)}
            endAdornment={
              <Typography variant="caption" color="textSecondary" sx={{ pl: 0.5, whiteSpace: 'nowrap' }}>
                {reading.unit}
              </Typography>
            }
            inputProps={{ inputMode: 'decimal', 'aria-describedby': `${id}-help`, 'aria-invalid': wrong !== undefined }}
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
          minHeight: layout === 'row' ? 0 : undefined,
        }}
        color={wrong ? 'error' : 'textSecondary'}
        role={wrong ? 'alert' : undefined}
      >
        {read(wrong ?? help ?? '')}
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
  disabled: boolean | undefined
}) {
  return (
    <Button
      variant="outlined"
      color="inherit"
      disabled={disabled ?? false}
      aria-label={label}
      data-steps={steps}
      sx={{ minWidth: 44, p: 0, borderColor: 'divider' }}
    >
      {steps < 0 ? '−' : '+'}
    </Button>
  )
})
