'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState, type FormEvent } from 'react'
import { PIN_DIGITS, type TabletPerson } from '@/core/model'
import { failureWords } from '../hooks/api'
import { comeIn } from '../hooks/doors'
import { People } from './People'

interface Props {
  people: readonly TabletPerson[]
  /** She is in. */
  onIn: () => void
}

/** Whoever shares a tablet takes it over: her name, then her PIN. */
export function PinEntry({ people, onIn }: Props) {
  const [chosen, setChosen] = useState<TabletPerson>()
  const [pin, setPin] = useState('')
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)

  async function submit(event: FormEvent<HTMLFormElement>) {
    event.preventDefault()
    setBusy(true)
    setProblem(undefined)
    try {
      await comeIn('/api/tablet', { staffId: chosen!.id, pin })
      onIn()
    } catch (error) {
      setProblem(failureWords(error))
      setPin('')
      setBusy(false)
    }
  }

  if (!chosen)
    return people.length > 0 ? (
      <People people={people} onChoose={(id) => setChosen(people.find((one) => one.id === id))} />
    ) : (
      <Alert severity="info">Nobody has a PIN yet. Sign in with your password and set one on “Account”.</Alert>
    )
  return (
    <Box component="form" onSubmit={(event) => void submit(event)} aria-labelledby="pin-of">
      <Typography id="pin-of" variant="h2" sx={{ mb: 1 }}>
        {chosen.name}
      </Typography>
      <Stack spacing={1.5}>
        <TextField
          label="PIN"
          type="password"
          value={pin}
          onChange={({ target }) => setPin(target.value.replaceAll(/\D/g, ''))}
          error={problem !== undefined}
          helperText={problem}
          autoComplete="off"
          autoFocus
          slotProps={{ htmlInput: { inputMode: 'numeric', maxLength: PIN_DIGITS.most } }}
        />
        <Button type="submit" variant="contained" disabled={busy || pin === ''} sx={{ minHeight: 48 }}>
          {busy ? 'One moment…' : 'Go on'}
        </Button>
        <Button color="inherit" onClick={() => setChosen(undefined)}>
          Somebody else
        </Button>
      </Stack>
    </Box>
  )
}
