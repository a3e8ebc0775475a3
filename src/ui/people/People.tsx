'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import type { ClientSummary } from '@/core/model'
import { pageOf, useFurther } from '../hooks/useFurther'
import { PeopleGrid } from './PeopleGrid'
import { AddPerson } from '../parts/icons'

const NewClient = dynamic(() => import('./NewClient').then((module) => module.NewClient))

interface Props {
  clients: ClientSummary[]
  /** Where the next page begins. */
  next: string | null
  search: string
  which: 'present' | 'removed'
  writable: boolean
}

/** What is typed is searched for after so long, ms. */
const REST_MS = 200

/** The client list, with search; and those who were removed, to be brought back. */
export function People({ clients, next, search, which, writable }: Props) {
  const [adding, setAdding] = useState(false)
  const router = useRouter()
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => {
    // Whoever types before the page has come alive is heard all the same.
    const early = field.current!.value
    if (early !== search) searchFor(early)
    return () => clearTimeout(timer.current)
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the page comes alive
  }, [])
  const removed = which === 'removed'
  const asked = (words: string) =>
    new URLSearchParams({ ...(words && { search: words }), ...(removed && { removed: '' }) })
  const { items, hasMore, busy, goOn } = useFurther(
    { items: clients, next },
    pageOf<ClientSummary>('clients', (after) => `/api/clients?${asked(search)}&after=${after}`),
  )

  function searchFor(words: string) {
    const query = asked(words)
    clearTimeout(timer.current)
    timer.current = setTimeout(() => router.replace(query.size > 0 ? `/people?${query}` : '/people'), REST_MS)
  }

  return (
    <Box sx={{ maxWidth: 1080, mx: 'auto', p: { xs: 2, sm: 4 } }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 3 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {removed ? 'Removed clients' : 'People'}
        </Typography>
        <TextField
          size="small"
          label="Search by name"
          type="search"
          defaultValue={search}
          inputRef={field}
          onChange={(event) => searchFor(event.target.value)}
          sx={{ minWidth: 260 }}
        />
        <Button color="inherit" component={Link} href={removed ? '/people' : '/people?removed'}>
          {removed ? 'Back to People' : 'Removed'}
        </Button>
        {writable && !removed && (
          <Button variant="contained" onClick={() => setAdding(true)}>
            <AddPerson fontSize="small" sx={{ mr: 1 }} />
            New client
          </Button>
        )}
      </Box>
      {clients.length === 0 ? (
        <Nobody search={search} removed={removed} writable={writable} />
      ) : (
        // Whoever is opened before the search was sent is not left for its answer.
        <Box onClickCapture={() => clearTimeout(timer.current)}>
          <PeopleGrid clients={items} which={which} writable={writable} />
        </Box>
      )}
      {hasMore && (
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mt: 1 }}>
          <Typography color="textSecondary">These are the first {items.length} by name.</Typography>
          <Button color="inherit" variant="outlined" disabled={busy} onClick={goOn} sx={{ borderColor: 'divider' }}>
            Show more
          </Button>
        </Box>
      )}
      {adding && <NewClient onClose={() => setAdding(false)} onMade={(id) => router.push(`/people/${id}`)} />}
    </Box>
  )
}

function Nobody({ search, removed, writable }: { search: string; removed: boolean; writable: boolean }) {
  const next = search
    ? 'Try fewer letters.'
    : removed
      ? 'Who is removed stands here and can be brought back.'
      : writable
        ? 'Add the first one: a name, a head circumference and a look at the hair are enough.'
        : 'A colourist can add them.'
  return (
    <Paper variant="outlined" sx={{ p: 4, textAlign: 'center' }}>
      <Typography>
        {search ? `Nobody’s name contains “${search}”.` : removed ? 'Nobody was removed.' : 'No clients yet.'}
      </Typography>
      <Typography color="textSecondary">{next}</Typography>
    </Paper>
  )
}
