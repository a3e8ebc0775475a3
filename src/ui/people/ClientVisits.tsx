'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { ClientRecord } from '@/core/model'
import { LINE } from '../theme'
import { dateInWords } from '../words'

/** Visits shown; the log has them all. Our choice. */
const NEWEST = 12

const ToldVisit = dynamic(() => import('./ToldVisit').then((module) => module.ToldVisit), { ssr: false })

interface Props {
  record: Pick<ClientRecord, 'id' | 'visits'>
  today: string
  writable: boolean
}

/** What was done on her so far, newest first, with what its colourist wants done otherwise. */
export function ClientVisits({ record: { id: clientId, visits }, today, writable }: Props) {
  const [isTelling, setTelling] = useState(false)
  const router = useRouter()
  return (
    <Box component="section" aria-labelledby="visits">
      <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', mb: 1 }}>
        <Typography id="visits" variant="h2">
          Visits
        </Typography>
        {writable && (
          <Button color="inherit" onClick={() => setTelling(true)}>
            Enter an earlier one
          </Button>
        )}
      </Box>
      {isTelling && (
        <ToldVisit
          clientId={clientId}
          today={today}
          onClose={() => setTelling(false)}
          onEntered={(visitId) => router.push(`/visits/${visitId}`)}
        />
      )}
      <Paper variant="outlined">
        {visits.length === 0 && (
          <Typography sx={{ p: 3 }} color="textSecondary">
            No visit yet. One that ends at the chair and is put into the record stands here.
          </Typography>
        )}
        {visits.slice(0, NEWEST).map(({ id, on, name, by, change }) => (
          <Box
            key={id}
            component={Link}
            href={`/visits/${id}`}
            sx={{
              display: 'block',
              px: 2,
              py: 1.25,
              color: 'inherit',
              textDecoration: 'none',
              '& + &': { borderTop: LINE },
              '&:hover': { bgcolor: 'action.hover' },
            }}
          >
            <b>{dateInWords(on)}</b> · {name} · {by}
            {change && (
              <Typography variant="body2" sx={{ fontStyle: 'italic' }}>
                Next time: {change}
              </Typography>
            )}
          </Box>
        ))}
      </Paper>
    </Box>
  )
}
