import Box from '@mui/material/Box'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import type { ClientRecord } from '@/core/model'
import { LINE } from '../theme'
import { dateInWords } from '../words'

/** Visits shown; the log has them all. Our choice. */
const NEWEST = 12

/** What was done on her so far, newest first, with what its colourist wants done otherwise. */
export function ClientVisits({ visits }: Pick<ClientRecord, 'visits'>) {
  return (
    <Box component="section" aria-labelledby="visits">
      <Typography id="visits" variant="h2" sx={{ mb: 1 }}>
        Visits
      </Typography>
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
