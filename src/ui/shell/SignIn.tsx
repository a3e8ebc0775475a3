'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState, type FormEvent } from 'react'
import { callApi, failureWords } from '../hooks/api'

interface Props {
  /** People of the demo salon, when the demo is switched on. */
  demo: { key: string; name: string; role: string }[]
  /** Where to go afterwards. */
  next: string
}

export function SignIn({ demo, next }: Props) {
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState<string>()

  async function enter(who: string, path: string, body: object) {
    setBusy(who)
    setProblem(undefined)
    try {
      await callApi(path, 'POST', body)
      window.location.assign(next)
    } catch (error) {
      setProblem(failureWords(error, 'Sign-in failed. Try again.'))
      setBusy(undefined)
    }
  }

  function submit(event: FormEvent<HTMLFormElement>) {
    event.preventDefault()
    const form = new FormData(event.currentTarget)
    void enter('form', '/api/auth/sign-in/email', { email: form.get('email'), password: form.get('password') })
  }

  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', p: 2 }}>
      <Box sx={{ width: '100%', maxWidth: 420 }}>
        <Typography variant="h1">Falto</Typography>
        <Typography color="textSecondary" sx={{ mb: 3 }}>
          Placement, product and timing for dimensional colour.
        </Typography>
        {problem && (
          <Alert severity="error" sx={{ mb: 2 }}>
            {problem}
          </Alert>
        )}
        {demo.length > 0 && (
          <Box component="section" aria-labelledby="demo" sx={{ mb: 4 }}>
            <Typography id="demo" variant="h2" sx={{ mb: 1 }}>
              Demo salon: come in as
            </Typography>
            <Stack spacing={1}>
              {demo.map(({ key, name, role }) => (
                <Button
                  key={key}
                  variant="outlined"
                  color="inherit"
                  disabled={busy !== undefined}
                  onClick={() => void enter(key, '/api/demo/sign-in', { staff: key })}
                  sx={{ justifyContent: 'space-between', borderColor: 'divider', bgcolor: 'background.paper' }}
                >
                  <span>{busy === key ? 'One moment…' : name}</span>
                  <Typography component="span" variant="caption" color="textSecondary">
                    {role}
                  </Typography>
                </Button>
              ))}
            </Stack>
          </Box>
        )}
        <Box component="form" onSubmit={submit} aria-labelledby="own">
          <Typography id="own" variant="h2" sx={{ mb: 1 }}>
            {demo.length > 0 ? 'Or with your own account' : 'Sign in'}
          </Typography>
          <Stack spacing={1.5}>
            <TextField name="email" type="email" label="E-mail" autoComplete="username" required size="small" />
            <TextField
              name="password"
              type="password"
              label="Password"
              autoComplete="current-password"
              required
              size="small"
            />
            <Button type="submit" variant="contained" disabled={busy !== undefined}>
              {busy === 'form' ? 'One moment…' : 'Sign in'}
            </Button>
          </Stack>
        </Box>
      </Box>
    </Box>
  )
}
