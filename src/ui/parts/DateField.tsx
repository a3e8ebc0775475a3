'use client'
import { DatePicker } from '@mui/x-date-pickers/DatePicker'
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider'
import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs'
import dayjs, { type Dayjs } from 'dayjs'
import 'dayjs/locale/en-gb'
import { useState } from 'react'
import { HALF_TYPED, leavesField } from './leavesField'

/** As dates are read everywhere else. */
const FORMAT = 'D MMM YYYY'
const KEPT = 'YYYY-MM-DD'
/** No day that a salon writes down lies outside these. */
const EARLIEST = '2000-01-01'
const LATEST = '2099-12-31'

interface Props {
  label: string
  /** `YYYY-MM-DD`, or empty. */
  value: string
  /** Empty where an optional day was cleared. */
  onChange: (day: string) => void
  min?: string
  max?: string
  optional?: boolean
  disabled?: boolean
  problem?: string | undefined
  help?: string
}

/** A day, typed or picked. It counts once the field is left or a day is picked: half a date is never taken. */
export function DateField({
  label,
  value,
  onChange,
  min = EARLIEST,
  max = LATEST,
  optional = false,
  disabled = false,
  problem,
  help,
}: Props) {
  const kept = value === '' ? null : dayjs(value)
  const [typed, setTyped] = useState<Dayjs | null>()
  const [left, setLeft] = useState(false)
  const shown = typed === undefined ? kept : typed
  const fits = shown === null ? optional : shown.isValid() && shown.format(KEPT) >= min && shown.format(KEPT) <= max
  const wrong = typed !== undefined && left && !fits

  function take(day: Dayjs | null | undefined) {
    setLeft(true)
    if (day === undefined) return
    const text = day === null ? '' : day.isValid() ? day.format(KEPT) : undefined
    if (text === undefined || (text === '' ? !optional : text < min || text > max)) return
    setTyped(undefined)
    if (text !== value) onChange(text)
  }

  return (
    <LocalizationProvider dateAdapter={AdapterDayjs} adapterLocale="en-gb">
      <DatePicker
        label={label}
        value={shown}
        format={FORMAT}
        disabled={disabled}
        minDate={dayjs(min)}
        maxDate={dayjs(max)}
        onChange={(day) => {
          setLeft(false)
          setTyped(day)
        }}
        onAccept={take}
        slotProps={{
          field: { clearable: optional },
          textField: {
            size: 'small',
            sx: { width: 200 },
            error: wrong || problem !== undefined,
            helperText: wrong ? `${HALF_TYPED} day${range(min, max)}.` : (problem ?? help),
            onBlur: (event) => leavesField(event) && take(typed),
            onKeyDown: ({ key }) => key === 'Enter' && take(typed),
          },
        }}
      />
    </LocalizationProvider>
  )
}

/** The range in words, where it is narrower than any. */
function range(min: string, max: string): string {
  const words = (day: string) => dayjs(day).format(FORMAT)
  if (min !== EARLIEST && max !== LATEST) return ` from ${words(min)} to ${words(max)}`
  if (max !== LATEST) return ` up to ${words(max)}`
  return min !== EARLIEST ? ` from ${words(min)}` : ''
}
