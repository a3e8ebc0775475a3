'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { hairLine } from '../words'
import { usePlan } from './context'
import { Read } from '../parts'

/** Whose plan this is, and the hair in one line. */
export function PlanTitle({ client }: { client: { id: string; name: string } }) {
  const name = usePlan((state) => state.document.name)
  const hair = usePlan((state) => state.document.hair)
  return (
    <Box sx={{ flex: '1 1 280px', minWidth: 0 }}>
      <Typography component="h1" noWrap sx={{ fontWeight: 600, fontSize: '1.05rem' }}>
        <Link href={`/people/${client.id}`} style={{ color: 'inherit' }}>
          {client.name}
        </Link>
        {' · '}
        {name}
      </Typography>
      <Typography variant="caption" color="textSecondary" noWrap sx={{ display: 'block' }}>
        <Read>{hairLine(hair)}</Read>
      </Typography>
    </Box>
  )
}
