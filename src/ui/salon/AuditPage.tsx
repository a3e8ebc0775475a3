'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import type { AuditPage as Page } from '@/core/model'
import { Link } from '../link'
import { LINE } from '../theme'
import { auditWords } from './auditWords'
import { momentInWords } from './words'

interface Props {
  page: Page
  about: string | undefined
}

/** Who read health records and who changed what, newest first. */
export function AuditPage({ page: { entries, next }, about }: Props) {
  const older = new URLSearchParams({ ...(about && { about }), ...(next && { before: next }) })
  return (
    <Stack spacing={2} sx={{ maxWidth: 980, mx: 'auto', p: { xs: 2, sm: 4 } }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Who did what
        </Typography>
        <Button color="inherit" component={Link} href={about ? '/salon/audit' : '/salon'}>
          {about ? 'Show everything' : 'Back to the salon'}
        </Button>
      </Box>
      <Paper variant="outlined" sx={{ overflowX: 'auto' }}>
        <Box
          component="table"
          sx={{
            width: '100%',
            borderCollapse: 'collapse',
            '& td, & th': { p: 1, textAlign: 'left', verticalAlign: 'top' },
            '& td': { borderTop: LINE },
            '& th': { fontWeight: 400, fontSize: '0.8rem' },
          }}
        >
          <thead>
            <tr>
              <th>When</th>
              <th>Who</th>
              <th>What</th>
              <th>Of</th>
              <th>From</th>
            </tr>
          </thead>
          <tbody>
            {entries.map(({ id, at, by, what, about: of, client, from }) => (
              <tr key={id}>
                <Box component="td" sx={{ whiteSpace: 'nowrap' }}>
                  {momentInWords(at)}
                </Box>
                <td>{by}</td>
                <td>{auditWords(what)}</td>
                <td>
                  {of && (
                    <Link href={`/salon/audit?about=${of}`} title={of} style={{ color: 'inherit' }}>
                      {client ?? of.slice(-6)}
                    </Link>
                  )}
                </td>
                <td>{from}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Paper>
      {entries.length === 0 && <Typography color="textSecondary">Nothing is written down here.</Typography>}
      {next && (
        <Button component={Link} href={`/salon/audit?${older}`} color="inherit" variant="outlined">
          Older
        </Button>
      )}
    </Stack>
  )
}
