'use client'
import Box from '@mui/material/Box'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import type { DueClient } from '@/core/record/visit'
import { LINE } from '../theme'
import { dateInWords } from '../words'
import { LogBar } from './LogBar'

interface Props {
  today: string
  due: readonly DueClient[]
}

/** Who is due again, by how long ago it was and how the root was done. */
export function DuePage({ today, due }: Props) {
  const groups = [
    { title: 'Overdue', of: due.filter(({ next, booked }) => next.to < today && !booked) },
    { title: 'Due now', of: due.filter(({ next, booked }) => next.from <= today && next.to >= today && !booked) },
    {
      title: 'A gloss would be due',
      of: due.filter(({ gloss, next, booked }) => gloss && gloss.from <= today && next.from > today && !booked),
    },
    { title: 'Booked', of: due.filter(({ booked }) => booked) },
    { title: 'Later', of: due.filter(({ next, booked }) => next.from > today && !booked) },
  ]
  return (
    <Box>
      <LogBar here="/log/due" />
      <Box sx={{ maxWidth: 900, mx: 'auto', p: { xs: 1.5, md: 3 }, display: 'grid', gap: 3 }}>
        <Typography color="textSecondary">
          Counted from the last visit: 3–4 weeks where colour goes to the scalp, 6–8 where the root is broken up or
          shadowed, 8–12 where it begins farther down. An allergy test comes before colour, as the product says.
        </Typography>
        {due.length === 0 && <Typography>Nobody has been here yet.</Typography>}
        {groups
          .filter(({ of }) => of.length > 0)
          .map(({ title, of }) => (
            <Box key={title} component="section" aria-label={title}>
              <Typography variant="h2" sx={{ mb: 1 }}>
                {title}
              </Typography>
              <Paper variant="outlined">
                {of.map((one) => (
                  <DueRow key={one.client.id} due={one} />
                ))}
              </Paper>
            </Box>
          ))}
      </Box>
    </Box>
  )
}

function DueRow({ due: { client, visitId, on, name, next, gloss, booked } }: { due: DueClient }) {
  return (
    <Box sx={{ px: 2, py: 1.25, '& + &': { borderTop: LINE }, '& a': { color: 'inherit' } }}>
      <Link href={`/people/${client.id}`}>
        <b>{client.name}</b>
      </Link>
      {booked ? ` is booked for ${dateInWords(booked)}` : `: ${dateInWords(next.from)} to ${dateInWords(next.to)}`}
      <Typography variant="body2" color="textSecondary">
        Last <Link href={`/visits/${visitId}`}>{dateInWords(on)}</Link>, {name}
        {gloss && `; a gloss ${dateInWords(gloss.from)} to ${dateInWords(gloss.to)}`}
      </Typography>
    </Box>
  )
}
