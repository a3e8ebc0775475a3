'use client'
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider'
import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs'
import { TimeField as MuiTimeField } from '@mui/x-date-pickers/TimeField'
import dayjs, { type Dayjs } from 'dayjs'
import { useState } from 'react'
import { useUnits } from '../hooks/useUnits'
import { HALF_TYPED, leavesField } from './leavesField'

interface Props {
  label: string
  /** `HH:MM`, or empty. */
  value: string
  onChange: (time: string) => void
  disabled?: boolean
}

/** Any day: only the time of it counts. */
const ON = '2000-01-01'

/** A time of day, by the salon's clock. It counts once the field is left: half a time is never taken. */
export function TimeField({ label, value, onChange, disabled = false }: Props) {
  const { units } = useUnits()
  const [typed, setTyped] = useState<Dayjs | null>()
  const [left, setLeft] = useState(false)
  const kept = value === '' ? null : dayjs(`${ON}T${value}`)
  const shown = typed === undefined ? kept : typed
  const wrong = left && typed !== undefined && !typed?.isValid()

  function take() {
    if (typed === undefined) return
    setLeft(true)
    if (!typed?.isValid()) return
    setTyped(undefined)
    const time = typed.format('HH:mm')
    if (time !== value) onChange(time)
  }

  return (
    <LocalizationProvider dateAdapter={AdapterDayjs}>
      <MuiTimeField
        label={label}
        value={shown}
        ampm={units.clock === '12'}
        disabled={disabled}
        size="small"
        error={wrong}
        helperText={wrong ? `${HALF_TYPED} time.` : undefined}
        onChange={(time) => {
          setLeft(false)
          setTyped(time)
        }}
        onBlur={(event) => leavesField(event) && take()}
        onKeyDown={({ key }) => key === 'Enter' && take()}
        sx={{ width: units.clock === '12' ? 130 : 104 }}
      />
    </LocalizationProvider>
  )
}
