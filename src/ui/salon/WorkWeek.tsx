'use client'
import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import Typography from '@mui/material/Typography'
import type { WorkDay } from '@/core/model'
import { minuteOf, timeOfDay } from '../clock/words'
import { TimeField } from '../parts/TimeField'

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
/** A day that is ticked begins with these hours, min after midnight. Common practice. */
const USUAL = { from: 9 * 60, to: 18 * 60 }

interface Props {
  week: readonly WorkDay[]
  problem: string | undefined
  onChange: (week: WorkDay[]) => void
}

/** Which days of the week somebody works, and from when to when. */
export function WorkWeek({ week, problem, onChange }: Props) {
  const put = (weekday: number, day: WorkDay | undefined) =>
    onChange(
      [...week.filter((one) => one.weekday !== weekday), ...(day ? [day] : [])].sort((a, b) => a.weekday - b.weekday),
    )
  return (
    <Box component="fieldset" sx={{ border: 0, m: 0, p: 0 }}>
      <Typography component="legend" variant="caption" color="textSecondary">
        Works on
      </Typography>
      {DAYS.map((name, i) => {
        const weekday = i + 1
        const day = week.find((one) => one.weekday === weekday)
        return (
          <Box key={name} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', minHeight: 52 }}>
            <FormControlLabel
              sx={{ width: 150 }}
              label={name}
              control={
                <Checkbox
                  checked={day !== undefined}
                  onChange={({ target }) => put(weekday, target.checked ? { weekday, ...USUAL } : undefined)}
                />
              }
            />
            {day && (
              <>
                <TimeField
                  label={`${name.slice(0, 3)} from`}
                  value={timeOfDay('00:00', day.from)}
                  onChange={(time) => put(weekday, { ...day, from: minuteOf(time) })}
                />
                <TimeField
                  label={`${name.slice(0, 3)} to`}
                  value={timeOfDay('00:00', day.to)}
                  onChange={(time) => put(weekday, { ...day, to: minuteOf(time) })}
                />
              </>
            )}
          </Box>
        )
      })}
      {problem && <Typography color="error">{problem}</Typography>}
    </Box>
  )
}
