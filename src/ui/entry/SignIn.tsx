'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState, type FormEvent, type ReactNode } from 'react'
import type { TabletPerson } from '@/core/model'
import { failureWords } from '../hooks/api'
import { comeIn } from '../hooks/doors'
import { Link } from '../link'
import { useShown } from '../parts/useShown'
import { People } from './People'
import { PinEntry } from './PinEntry'

interface Props {
  /** People of the demo salon, when the demo is switched on. */
  demo: { id: string; name: string; role: string }[]
  /** What the salon calls this device and who can take it over, where it is shared. */
  tablet: { name: string; people: TabletPerson[] } | null
  /** Where to go afterwards. */
  next: string
}

export function SignIn({ demo, tablet, next }: Props) {
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState<string>()
  const [asksCode, setAsksCode] = useState(false)

  async function enter(who: string, path: string, body: object) {
    setBusy(who)
    setProblem(undefined)
    try {
      if ((await comeIn(path, body)).asksCode) {
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
        {!asksCode && tablet && (
          <Group id="tablet" title="Who is it?">
            <Typography color="textSecondary" sx={{ mb: 1.5 }}>
              {tablet.name} is shared; take it over with your PIN.
            </Typography>
            <PinEntry people={tablet.people} onIn={() => window.location.assign(next)} />
          </Group>
        )}
        {!asksCode && demo.length > 0 && (
          <Group id="demo" title="Demo salon: come in as">
            <People people={demo} busy={busy} onChoose={(id) => void enter(id, '/api/demo/sign-in', { staff: id })} />
          </Group>
        )}
        {!asksCode && (
          <PasswordForm
            busy={busy}
            title={tablet ? 'Or with your password' : demo.length > 0 ? 'Or with your own account' : 'Sign in'}
            onSubmit={submit}
          />
        )}
      </Box>
    </Box>
  )
}

type Busy = { busy: string | undefined }

interface FormProps extends Busy {
  title: string
  onSubmit: (event: FormEvent<HTMLFormElement>) => void
}

function PasswordForm({ busy, title, onSubmit }: FormProps) {
  const { type, end } = useShown()
  return (
    <Box component="form" onSubmit={onSubmit} aria-labelledby="own">
      <Typography id="own" variant="h2" sx={{ mb: 1 }}>
        {title}
      </Typography>
      <Stack spacing={1.5}>
        <TextField name="email" type="email" label="E-mail" autoComplete="username" required size="small" />
        <TextField
          name="password"
          type={type}
          label="Password"
          autoComplete="current-password"
          required
          size="small"
          slotProps={{ input: { endAdornment: end } }}
        />
        <Button type="submit" variant="contained" disabled={busy !== undefined}>
          {busy === 'form' ? 'One moment…' : 'Sign in'}
        </Button>
        <Button color="inherit" component={Link} href="/forgotten">
          Password forgotten
        </Button>
      </Stack>
    </Box>
  )
}

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

const Group = ({ id, title, children }: { id: string; title: string; children: ReactNode }) => (
  <Box component="section" aria-labelledby={id} sx={{ mb: 4 }}>
    <Typography id={id} variant="h2" sx={{ mb: 1 }}>
      {title}
    </Typography>
    {children}
  </Box>
)
