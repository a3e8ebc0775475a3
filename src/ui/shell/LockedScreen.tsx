'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { usePathname } from 'next/navigation'
import { useEffect, useState } from 'react'
import type { TabletPerson } from '@/core/model'
import { PinEntry } from '../entry'
import { callApi, failureWords } from '../hooks/api'
import { leaveDevice } from '../hooks/doors'
import { Link } from '../link'
import { LINE } from '../theme'
import { Lock } from '../parts/icons'

/**
 * A shared tablet that nobody has touched for a while. Whoever was signed in is not any longer, except where a visit
 * stays in sight: its clock goes on by what others tell, and nothing can be told here.
 */
export function LockedScreen({ inSight }: { inSight: boolean }) {
  const [opening, setOpening] = useState(!inSight)
  useEffect(() => {
    // Without a network it is tried when somebody comes in: her session takes the place of this one.
    if (!inSight) void leaveDevice().catch(() => {})
  }, [inSight])
  return (
    <>
      {inSight && (
        <Paper
          role="status"
          square
          elevation={0}
          sx={{
            position: 'fixed',
            insetInline: 0,
            bottom: 0,
            zIndex: 'snackbar',
            borderTop: LINE,
            display: 'flex',
            alignItems: 'center',
            gap: 2,
            p: 1.5,
          }}
        >
          <Lock />
          <Typography sx={{ flex: 1 }}>Locked. The visit goes on; to tell something, say who you are.</Typography>
          <Button variant="contained" sx={{ minHeight: 48 }} onClick={() => setOpening(true)}>
            Unlock
          </Button>
        </Paper>
      )}
      {opening && <WhoIsIt onClose={inSight ? () => setOpening(false) : undefined} />}
    </>
  )
}

function WhoIsIt({ onClose }: { onClose: (() => void) | undefined }) {
  const path = usePathname()
  const [people, setPeople] = useState<TabletPerson[]>()
  const [problem, setProblem] = useState<string>()
  const ask = () =>
    callApi<{ people: TabletPerson[] }>('/api/tablet').then(
      (answer) => {
        setProblem(undefined)
        setPeople(answer.people)
      },
      (error: unknown) => setProblem(failureWords(error)),
    )
  useEffect(() => void ask(), [])
  return (
    <Dialog open fullScreen={!onClose} fullWidth maxWidth="xs" onClose={onClose} aria-labelledby="locked-title">
      <Box sx={{ display: 'grid', placeItems: 'center', minHeight: onClose ? undefined : '100dvh', p: 3 }}>
        <Stack spacing={2} sx={{ width: '100%', maxWidth: 420 }}>
          <Box>
            <Typography id="locked-title" variant="h1">
              Who is it?
            </Typography>
            <Typography color="textSecondary">This tablet is shared. It locked itself.</Typography>
          </Box>
          {problem && (
            <Alert severity="error" action={<Button onClick={() => void ask()}>Try again</Button>}>
              {problem}
            </Alert>
          )}
          {people && <PinEntry people={people} onIn={() => goOn(path)} />}
          <Button color="inherit" component={Link} href={`/sign-in?next=${encodeURIComponent(path)}`}>
            Sign in with a password
          </Button>
        </Stack>
      </Box>
    </Dialog>
  )
}

/** What belongs to who was here before is nothing for who comes in. */
const OWN_PAGES = /^\/(account|salon)/

/** The page as she sees it; nothing of it stays as somebody else saw it. */
const goOn = (path: string): void =>
  OWN_PAGES.test(path) ? window.location.replace('/people') : window.location.reload()
