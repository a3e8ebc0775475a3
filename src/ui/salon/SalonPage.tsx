'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Retention, SharedTablet, Team } from '@/core/model'
import { callApi } from '../hooks/api'
import { useAttempt } from '../hooks/useAttempt'
import { Link } from '../link'
import { FirstSteps, type Steps } from './FirstSteps'
import { Keeping } from './Keeping'
import { Row } from './Row'
import { Tablets } from './Tablets'
import { momentInWords, ROLE_WORDS } from './words'

const InviteDialog = dynamic(() => import('./InviteDialog').then((module) => module.InviteDialog))
const MemberDialog = dynamic(() => import('./MemberDialog').then((module) => module.MemberDialog))

interface Props {
  name: string
  team: Team
  tablets: SharedTablet[]
  retention: Retention
  steps: Steps
}

/** What its owner looks after: first steps, who works here, who did what. */
export function SalonPage({ name, team, tablets, retention, steps }: Props) {
  return (
    <Stack spacing={3} sx={{ maxWidth: 860, mx: 'auto', p: { xs: 2, sm: 4 } }}>
      <Typography variant="h1">{name}</Typography>
      <FirstSteps steps={steps} />
      <TeamSection team={team} />
      <Tablets tablets={tablets} />
      <Keeping retention={retention} />
      <Paper variant="outlined" component="section" aria-labelledby="oversight" sx={{ p: 2 }}>
        <Typography id="oversight" variant="h2" sx={{ mb: 1 }}>
          Who did what
        </Typography>
        <Typography color="textSecondary" sx={{ mb: 1 }}>
          Whoever opens health records or changes something is written down, and nothing of it can be changed.
        </Typography>
        <Button component={Link} href="/salon/audit" variant="outlined" color="inherit" sx={{ borderColor: 'divider' }}>
          Open the list
        </Button>
      </Paper>
      <Paper variant="outlined" component="section" aria-labelledby="moving" sx={{ p: 2 }}>
        <Typography id="moving" variant="h2" sx={{ mb: 1 }}>
          Everything in one file
        </Typography>
        <Typography color="textSecondary" sx={{ mb: 1 }}>
          All that this salon keeps, to be moved to another place: clients, plans, visits, pictures, shelf, people.
          Links, PINs and passwords stay here. The file holds health records; keep it to yourself.
        </Typography>
        <Button
          component="a"
          href="/api/salon/file"
          download
          variant="outlined"
          color="inherit"
          sx={{ borderColor: 'divider' }}
        >
          Pack it
        </Button>
      </Paper>
    </Stack>
  )
}

type Open = { kind: 'invite' } | { kind: 'member'; member: Team['members'][number] }

function TeamSection({ team: { members, invitations, ownersNeedSecondFactor } }: { team: Team }) {
  const router = useRouter()
  const [open, setOpen] = useState<Open>()
  const { attempt, problem } = useAttempt()
  const close = () => {
    setOpen(undefined)
    router.refresh()
  }
  return (
    <Paper variant="outlined" component="section" aria-labelledby="team" sx={{ p: 2 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flexWrap: 'wrap', mb: 1 }}>
        <Typography id="team" variant="h2" sx={{ flex: 1 }}>
          Who works here
        </Typography>
        <Button variant="contained" onClick={() => setOpen({ kind: 'invite' })}>
          Ask somebody to join
        </Button>
      </Box>
      {problem && <Alert severity="error">{problem}</Alert>}
      {members.map((member) => (
        <Row
          key={member.id}
          name={member.name}
          beside={
            <Button
              color="inherit"
              aria-label={`Change ${member.name}`}
              onClick={() => setOpen({ kind: 'member', member })}
            >
              Change…
            </Button>
          }
        >
          {ROLE_WORDS[member.role]} · {member.email}
          {!member.active && ' · works here no more'}
          {member.secondFactor && ' · second factor'}
          {member.lastSeen && ` · signed in ${momentInWords(member.lastSeen)}`}
        </Row>
      ))}
      {invitations.map(({ id, name, email, role, expiresAt }) => (
        <Row
          key={id}
          name={`${name} (asked to join)`}
          beside={
            <Button
              color="inherit"
              onClick={() => void attempt(() => callApi(`/api/team/invitations/${id}`, 'DELETE'))}
            >
              Take it back
            </Button>
          }
        >
          {ROLE_WORDS[role]} · {email} · good until {momentInWords(expiresAt)}
        </Row>
      ))}
      <FactorRule
        on={ownersNeedSecondFactor}
        onChange={(on) => void attempt(() => callApi('/api/salon', 'PUT', { ownersNeedSecondFactor: on }))}
      />
      {open?.kind === 'invite' && <InviteDialog onClose={close} />}
      {open?.kind === 'member' && <MemberDialog member={open.member} onClose={close} />}
    </Paper>
  )
}

const FactorRule = ({ on, onChange }: { on: boolean; onChange: (on: boolean) => void }) => (
  <FormControlLabel
    sx={{ mt: 1 }}
    label="Owners need a second factor"
    control={<Switch checked={on} onChange={({ target }) => onChange(target.checked)} />}
  />
)
