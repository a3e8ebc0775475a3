'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { MessageKind } from '@/core/record/upkeep'
import type { DueClient, Outbox } from '@/core/record/visit'
import { useNotice } from '../notices'
import { LINE } from '../theme'
import { dateInWords } from '../words'
import { LogBar } from './LogBar'

interface Props {
  today: string
  due: readonly DueClient[]
  /** What messages begin with. */
  words: Pick<Outbox, 'salon' | 'templates'>
  mayWrite: boolean
}

const WriteDialog = dynamic(() => import('./WriteDialog').then((module) => module.WriteDialog), { ssr: false })

/** Who is due again, by how long ago it was and how the root was done. */
export function DuePage({ today, due, words, mayWrite }: Props) {
  const router = useRouter()
  const notice = useNotice()
  const [writing, setWriting] = useState<{ due: DueClient; kind: MessageKind }>()
  const groups: { title: string; kind: MessageKind; of: DueClient[] }[] = [
    { title: 'Overdue', kind: 'overdue', of: due.filter(({ next, booked }) => next.to < today && !booked) },
    {
      title: 'Due now',
      kind: 'due',
      of: due.filter(({ next, booked }) => next.from <= today && next.to >= today && !booked),
    },
    {
      title: 'A gloss would be due',
      kind: 'gloss',
      of: due.filter(({ gloss, next, booked }) => gloss && gloss.from <= today && next.from > today && !booked),
    },
    { title: 'Booked', kind: 'allergyTest', of: due.filter(({ booked }) => booked) },
    { title: 'Later', kind: 'due', of: due.filter(({ next, booked }) => next.from > today && !booked) },
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
          .map(({ title, kind, of }) => (
            <Box key={title} component="section" aria-label={title}>
              <Typography variant="h2" sx={{ mb: 1 }}>
                {title}
              </Typography>
              <Paper variant="outlined">
                {of.map((one) => (
                  <DueRow
                    key={one.client.id}
                    due={one}
                    onWrite={mayWrite ? () => setWriting({ due: one, kind }) : undefined}
                  />
                ))}
              </Paper>
            </Box>
          ))}
      </Box>
      {writing && (
        <WriteDialog
          {...writing}
          words={words}
          onClose={() => setWriting(undefined)}
          onWritten={() => {
            setWriting(undefined)
            notice(`A message to ${writing.due.client.name} is in the outbox.`)
            router.refresh()
          }}
        />
      )}
    </Box>
  )
}

interface RowProps {
  due: DueClient
  onWrite: (() => void) | undefined
}

function DueRow({ due, onWrite }: RowProps) {
  const { client, visitId, on, name, next, gloss, booked, allergyTest, writtenAt } = due
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, px: 2, py: 1.25, '& + &': { borderTop: LINE } }}>
      <Box sx={{ flex: 1, '& a': { color: 'inherit' } }}>
        <Link href={`/people/${client.id}`}>
          <b>{client.name}</b>
        </Link>
        {booked ? ` is booked for ${dateInWords(booked)}` : `: ${dateInWords(next.from)} to ${dateInWords(next.to)}`}
        <Typography variant="body2" color="textSecondary">
          Last <Link href={`/visits/${visitId}`}>{dateInWords(on)}</Link>, {name}
          {gloss && `; a gloss ${dateInWords(gloss.from)} to ${dateInWords(gloss.to)}`}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {allergyTest ? `Allergy test ${dateInWords(allergyTest)}` : 'No allergy test recorded'}
          {writtenAt && `; written to ${dateInWords(writtenAt)}`}
        </Typography>
      </Box>
      <Button color="inherit" size="small" component="a" href={`/api/visits/${visitId}/calendar`}>
        Calendar
      </Button>
      {onWrite && (
        <Button color="inherit" size="small" variant="outlined" onClick={onWrite}>
          Write
        </Button>
      )}
    </Box>
  )
}
