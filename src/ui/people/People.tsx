'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { hairLine } from '../words'
import { NewClient } from './NewClient'
import type { ClientSummary } from '@/core/model'
import { Read } from '../parts'
import { dateInWords } from '../words'

interface Props {
  clients: ClientSummary[]
  /** There are more than are listed. */
  more: boolean
  search: string
  writable: boolean
}

/** The client list, with search. */
export function People({ clients, more, search, writable }: Props) {
  const [adding, setAdding] = useState(false)
  const router = useRouter()
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)

  function searchFor(words: string) {
    clearTimeout(timer.current)
    timer.current = setTimeout(
      () => router.replace(words ? `/people?search=${encodeURIComponent(words)}` : '/people'),
      200,
    )
  }

  return (
    <Box sx={{ maxWidth: 960, mx: 'auto', p: { xs: 2, sm: 4 } }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 3 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          People
        </Typography>
        <TextField
          size="small"
          label="Search by name"
          type="search"
          defaultValue={search}
          onChange={(event) => searchFor(event.target.value)}
          sx={{ minWidth: 260 }}
        />
        {writable && (
          <Button variant="contained" onClick={() => setAdding(true)}>
            New client
          </Button>
        )}
      </Box>
      {clients.length === 0 ? (
        <Paper variant="outlined" sx={{ p: 4, textAlign: 'center' }}>
          <Typography>{search ? `Nobody’s name contains “${search}”.` : 'No clients yet.'}</Typography>
          <Typography color="textSecondary">
            {search
              ? 'Try fewer letters.'
              : writable
                ? 'Add the first one: a name, a head circumference and a look at the hair are enough.'
                : 'A colourist can add them.'}
          </Typography>
        </Paper>
      ) : (
        <Paper variant="outlined" component="ul" aria-label="Clients" sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {clients.map((client, i) => (
            <Box component="li" key={client.id} sx={{ borderTop: i > 0 ? 1 : 0, borderColor: 'divider' }}>
              <Box
                component={Link}
                href={`/people/${client.id}`}
                sx={{
                  display: 'flex',
                  gap: 2,
                  alignItems: 'baseline',
                  flexWrap: 'wrap',
                  p: 2,
                  color: 'inherit',
                  textDecoration: 'none',
                  '&:hover': { bgcolor: 'action.hover' },
                }}
              >
                <Typography sx={{ fontWeight: 600, minWidth: 200 }}>{client.name}</Typography>
                <Typography color="textSecondary" sx={{ flex: 1, minWidth: 260 }}>
                  <Read>{hairLine(client.hair)}</Read>
                </Typography>
                <Typography variant="caption" color="textSecondary">
                  {client.plans === 0 ? 'no plan yet' : `${client.plans} plan${client.plans === 1 ? '' : 's'}`}
                  {client.lastPlanAt && `, ${dateInWords(client.lastPlanAt)}`}
                </Typography>
              </Box>
            </Box>
          ))}
        </Paper>
      )}
      {more && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          These are the first {clients.length} by name. Search to find the others.
        </Typography>
      )}
      {adding && <NewClient onClose={() => setAdding(false)} onMade={(id) => router.push(`/people/${id}`)} />}
    </Box>
  )
}
