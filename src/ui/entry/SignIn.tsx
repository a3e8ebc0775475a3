'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState, type FormEvent } from 'react'
import { callApi, failureWords } from '../hooks/api'
import { Link } from '../link'

interface Props {
  /** People of the demo salon, when the demo is switched on. */
  demo: { key: string; name: string; role: string }[]
  /** Where to go afterwards. */
  next: string
}

export function SignIn({ demo, next }: Props) {
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState<string>()
  const [asksCode, setAsksCode] = useState(false)

  async function enter(who: string, path: string, body: object) {
    setBusy(who)
    setProblem(undefined)
    try {
      const { twoFactorRedirect } = await callApi<{ twoFactorRedirect?: boolean }>(path, 'POST', body)
      if (twoFactorRedirect) {
        setAsksCode(true)
        setBusy(undefined)
      } else window.location.assign(next)
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

  function submitCode(event: FormEvent<HTMLFormElement>) {
    event.preventDefault()
    const code = String(new FormData(event.currentTarget).get('code')).trim()
    // Codes for the day the authenticator is lost are longer than what it shows.
    const path = /^\d{6}$/.test(code) ? 'verify-totp' : 'verify-backup-code'
    void enter('code', `/api/auth/two-factor/${path}`, { code })
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
        {asksCode && <CodeForm busy={busy} onSubmit={submitCode} />}
        {!asksCode && demo.length > 0 && (
          <DemoPeople
            demo={demo}
            busy={busy}
            onChoose={(key) => void enter(key, '/api/demo/sign-in', { staff: key })}
          />
        )}
        {!asksCode && (
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
              <Button color="inherit" component={Link} href="/forgotten">
                Password forgotten
              </Button>
            </Stack>
          </Box>
        )}
      </Box>
    </Box>
  )
}

type Busy = { busy: string | undefined }

function CodeForm({ busy, onSubmit }: Busy & { onSubmit: (event: FormEvent<HTMLFormElement>) => void }) {
  return (
    <Box component="form" onSubmit={onSubmit} aria-labelledby="second">
      <Typography id="second" variant="h2" sx={{ mb: 1 }}>
        Your second factor
      </Typography>
      <Stack spacing={1.5}>
        <TextField
          name="code"
          label="Code of your authenticator, or one of your spare codes"
          autoComplete="one-time-code"
          autoFocus
          required
          size="small"
        />
        <Button type="submit" variant="contained" disabled={busy !== undefined}>
          {busy === 'code' ? 'One moment…' : 'Go on'}
        </Button>
      </Stack>
    </Box>
  )
}

function DemoPeople({ demo, busy, onChoose }: Busy & Pick<Props, 'demo'> & { onChoose: (key: string) => void }) {
  return (
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
            onClick={() => onChoose(key)}
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
  )
}
