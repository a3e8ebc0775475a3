'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { FactorCodeDto, PasswordDto } from '@/dto'
import { FormDialog, PasswordEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'

/** Sets a second factor up, takes it away. */
export function SecondFactor({ on }: { on: boolean }) {
  const router = useRouter()
  const [asking, setAsking] = useState<'on' | 'off'>()
  const [begun, setBegun] = useState<Begun>()
  return (
    <Stack spacing={1.5}>
      <Typography color="textSecondary">
        {on
          ? 'On signing in you are asked for a code of your authenticator too.'
          : 'An authenticator app shows a code that is asked for on signing in, so that a password alone lets nobody in.'}
      </Typography>
      <Button
        color="inherit"
        variant="outlined"
        sx={{ alignSelf: 'flex-start', borderColor: 'divider' }}
        onClick={() => setAsking(on ? 'off' : 'on')}
      >
        {on ? 'Take it away…' : 'Set it up…'}
      </Button>
      {asking && (
        <AskPassword
          title={asking === 'on' ? 'Set up a second factor' : 'Take the second factor away'}
          onClose={() => setAsking(undefined)}
          send={async (password) => {
            if (asking === 'on') setBegun(await begin(password))
            else {
              await callApi('/api/auth/two-factor/disable', 'POST', { password })
              router.refresh()
            }
            setAsking(undefined)
          }}
        />
      )}
      {begun && (
        <Confirm
          begun={begun}
          onClose={() => setBegun(undefined)}
          onDone={() => {
            setBegun(undefined)
            router.refresh()
          }}
        />
      )}
    </Stack>
  )
}

interface Begun {
  /** Picture of what the authenticator reads, as a data address. */
  picture: string
  /** The same, to be typed. */
  secret: string
  backupCodes: string[]
}

async function begin(password: string): Promise<Begun> {
  const { totpURI, backupCodes } = await callApi<{ totpURI: string; backupCodes: string[] }>(
    '/api/auth/two-factor/enable',
    'POST',
    { password },
  )
  const { toDataURL } = await import('qrcode')
  return {
    picture: await toDataURL(totpURI, { margin: 2, width: 220 }),
    secret: new URL(totpURI).searchParams.get('secret') ?? '',
    backupCodes,
  }
}

interface AskProps {
  title: string
  send: (password: string) => Promise<void>
  onClose: () => void
}

function AskPassword({ title, send, onClose }: AskProps) {
  const form = useEntryForm(PasswordDto, { start: { password: '' }, send: ({ password }) => send(password) })
  return (
    <FormDialog title={title} form={form} save="Go on" onClose={onClose} maxWidth="xs" fullWidth>
      <PasswordEntry control={form.control} name="password" autoFocus />
    </FormDialog>
  )
}

function Confirm({ begun, onClose, onDone }: { begun: Begun; onClose: () => void; onDone: () => void }) {
  const form = useEntryForm(FactorCodeDto, {
    start: { code: '' },
    send: async (entry) => {
      await callApi('/api/auth/two-factor/verify-totp', 'POST', entry)
      onDone()
    },
  })
  return (
    <FormDialog title="Set up a second factor" form={form} save="Switch it on" onClose={onClose} maxWidth="sm">
      <Typography>
        1. Read this with your authenticator app, or type <Box component="code">{begun.secret}</Box> into it.
      </Typography>
      {/* eslint-disable-next-line @next/next/no-img-element -- made here, nothing to fetch */}
      <img src={begun.picture} width={220} height={220} alt="Code for the authenticator app" />
      <Typography>2. Write these spare codes down. Each lets you in once when the app is lost.</Typography>
      <Alert severity="info" icon={false}>
        <Box component="code" sx={{ display: 'grid', gridTemplateColumns: 'repeat(2, auto)', columnGap: 3 }}>
          {begun.backupCodes.map((code) => (
            <span key={code}>{code}</span>
          ))}
        </Box>
      </Alert>
      <TextEntry
        control={form.control}
        name="code"
        label="3. Code that the app shows now"
        autoComplete="one-time-code"
      />
    </FormDialog>
  )
}
