import IconButton from '@mui/material/IconButton'
import InputAdornment from '@mui/material/InputAdornment'
import { useState, type ReactNode } from 'react'
import { Hide, Show } from './icons'

/** The type of a password's field, and the button at its end that shows what is typed. */
export function useShown(): { type: 'password' | 'text'; end: ReactNode } {
  const [shown, setShown] = useState(false)
  return {
    type: shown ? 'text' : 'password',
    end: (
      <InputAdornment position="end">
        <IconButton
          size="small"
          edge="end"
          aria-label="Show what is typed"
          aria-pressed={shown}
          onClick={() => setShown(!shown)}
        >
          {shown ? <Hide fontSize="small" /> : <Show fontSize="small" />}
        </IconButton>
      </InputAdornment>
    ),
  }
}
