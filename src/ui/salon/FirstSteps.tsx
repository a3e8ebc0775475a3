'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Link } from '../link'
import { LINE } from '../theme'
import { Done, NotDone } from '../parts/icons'

const TableDialog = dynamic(() => import('../parts/TableDialog').then((module) => module.TableDialog))
const PricesDialog = dynamic(() => import('./PricesDialog').then((module) => module.PricesDialog))

/** How far a new salon has come. */
export interface Steps {
  products: number
  prices: boolean
  clients: number
  plans: number
  people: number
}

type DialogKind = 'prices' | 'table'

interface Step {
  done: boolean
  title: string
  says: string
  way?: { href: string; label: string }
  dialog?: { kind: DialogKind; label: string }
}

/** What a salon needs before its first plan, in the order in which it is used; gone once all is there. */
export function FirstSteps({ steps }: { steps: Steps }) {
  const router = useRouter()
  const [open, setOpen] = useState<DialogKind>()
  const close = () => {
    setOpen(undefined)
    router.refresh()
  }
  const list = stepsOf(steps)
  if (list.every(({ done }) => done)) return null
  return (
    <Paper variant="outlined" component="section" aria-labelledby="first" sx={{ p: 2 }}>
      <Typography id="first" variant="h2" sx={{ mb: 1 }}>
        First steps
      </Typography>
      {list.map((step) => (
        <StepRow key={step.title} step={step} onOpen={setOpen} />
      ))}
      {open === 'table' && (
        <TableDialog
          title="Clients from a table"
          columns={CLIENT_COLUMNS}
          path="/api/clients/table"
          names={['client', 'clients']}
          beside="Clients of the same name that are here already stay beside them."
          onClose={close}
        />
      )}
      {open === 'prices' && <PricesDialog onClose={close} />}
    </Paper>
  )
}

const CLIENT_COLUMNS = (
  <>
    A CSV file with one client a row. It needs the column <code>name</code> and may have <code>note</code>,{' '}
    <code>head_circumference_cm</code>, <code>length_cm</code>, <code>natural_level</code>, <code>density</code>,{' '}
    <code>texture</code>, <code>curl</code>; what is empty is looked at on her first visit.
  </>
)

function stepsOf(steps: Steps): Step[] {
  return [
    {
      done: steps.products > 0,
      title: 'What is on the shelf',
      says: 'Lighteners, developers and shades with their labels’ rules. A table (CSV) or one by one.',
      way: { href: '/shelf', label: 'To the shelf' },
    },
    {
      done: steps.prices,
      title: 'What you charge',
      says: 'Prices, tax and what an hour costs. Until then plans reckon with starting prices.',
      dialog: { kind: 'prices', label: 'Set prices' },
    },
    {
      done: steps.clients > 0,
      title: 'Who comes to you',
      says: 'One by one on People, or all of them out of a table.',
      way: { href: '/people', label: 'To People' },
      dialog: { kind: 'table', label: 'From a table' },
    },
    {
      done: steps.plans > 0,
      title: 'The first plan',
      says: 'Open a client, choose sections, set what is taken in each zone.',
      way: { href: '/people', label: 'To People' },
    },
    {
      done: steps.people > 1,
      title: 'Who works with you',
      says: 'Ask colourists and assistants to join, below.',
    },
  ]
}

function StepRow({
  step: { done, title, says, way, dialog },
  onOpen,
}: {
  step: Step
  onOpen: (kind: DialogKind) => void
}) {
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', py: 1, borderTop: LINE }}>
      {done ? <Done color="success" titleAccess="done" /> : <NotDone color="disabled" titleAccess="to do" />}
      <Box sx={{ flex: '1 1 260px' }}>
        <Typography sx={{ fontWeight: 600 }}>{title}</Typography>
        <Typography variant="caption" color="textSecondary">
          {says}
        </Typography>
      </Box>
      {dialog && (
        <Button variant="outlined" color="inherit" sx={{ borderColor: 'divider' }} onClick={() => onOpen(dialog.kind)}>
          {dialog.label}
        </Button>
      )}
      {way && (
        <Button component={Link} href={way.href} variant="outlined" color="inherit" sx={{ borderColor: 'divider' }}>
          {way.label}
        </Button>
      )}
    </Box>
  )
}
