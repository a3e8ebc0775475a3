'use client'
import Box from '@mui/material/Box'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import type { ClientRecord, OpenCare, OpenConsultation } from '@/core/model'
import { ClientHeader } from '../parts'
import { ClientPlans } from './ClientPlans'
import { ClientVisits } from './ClientVisits'
import { PersonData } from './PersonData'
import { RecordCard } from './RecordCard'
import { RemoveClient } from './RemoveClient'
import { TodayCard } from './TodayCard'
import { useClientRecord } from './useClientRecord'

interface Props {
  record: ClientRecord
  consultation: OpenConsultation
  care: OpenCare
  writable: boolean
  /** May hand over and erase all that is kept of her. */
  overseen: boolean
}

/** One client: plans first, because that is what one comes for; how things stand today; then name and head. */
export function ClientPage({ record, consultation, care, writable, overseen }: Props) {
  const client = useClientRecord(record, writable)
  return (
    <Box>
      <ClientHeader id={record.id} name={client.kept.name} />
      <Box
        sx={{
          maxWidth: 1180,
          mx: 'auto',
          p: { xs: 1.5, md: 3 },
          display: 'grid',
          gap: 3,
          gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 400px' },
          alignItems: 'start',
        }}
      >
        <Stack spacing={3}>
          {client.kept.note && <Typography color="textSecondary">{client.kept.note}</Typography>}
          <ClientPlans record={record} consultation={consultation} writable={writable} />
          <ClientVisits record={record} today={consultation.today} writable={writable} />
          <RecordCard client={client} writable={writable}>
            <RemoveClient id={record.id} name={client.kept.name} holds={holdingsOf({ record, consultation, care })} />
            {overseen && <PersonData id={record.id} name={client.kept.name} />}
          </RecordCard>
        </Stack>
        <TodayCard consultation={consultation} care={care} />
      </Box>
    </Box>
  )
}

const counted = (count: number, one: string, many = `${one}s`): string[] =>
  count === 0 ? [] : [`${count} ${count === 1 ? one : many}`]

/** What hangs on a client, in words. */
const holdingsOf = ({ record, consultation, care }: Pick<Props, 'record' | 'consultation' | 'care'>): string[] => [
  ...counted(record.plans.length, 'plan'),
  ...counted(consultation.history.filter(({ kind }) => kind === 'done').length, 'visit'),
  ...counted(consultation.history.filter(({ kind }) => kind === 'seen').length, 'consultation'),
  ...counted(care.checks.length, 'care check'),
  ...counted(care.consents.length, 'signed consent'),
]
