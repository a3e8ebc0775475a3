'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { INCIDENTS } from '@/core/model'
import type { LoggedVisit, OpenLog } from '@/core/record/visit'
import type { LogWishDto } from '@/dto'
import { INCIDENT_WORDS } from '@/words'
import { duration } from '../clock/words'
import { pageOf, useFurther } from '../hooks/useFurther'
import { money } from '../mix/context'
import { ListChoice, Read } from '../parts'
import { DateField } from '../parts/DateField'
import { LINE } from '../theme'
import { dateInWords } from '../words'
import { Charts } from './Charts'
import { LogBar } from './LogBar'

const TableDialog = dynamic(() => import('../parts/TableDialog').then((module) => module.TableDialog))

interface Props {
  log: OpenLog
  wish: LogWishDto
  currency: string
  /** Whether she may enter visits. */
  mayWrite: boolean
}

/** Every visit there was: searched, summed up, and opened. */
export function LogPage({ log, wish, currency, mayWrite }: Props) {
  const router = useRouter()
  const [taking, setTaking] = useState(false)
  const search = (changes: LogWishDto) => router.push(`/log?${asQuery({ ...wish, ...changes })}`)
  return (
    <Box>
      <LogBar here="/log">
        <Button color="inherit" component="a" href={`/api/visits/csv?${asQuery(wish)}`} download>
          Save as table
        </Button>
        {mayWrite && (
          <Button color="inherit" onClick={() => setTaking(true)}>
            From a table…
          </Button>
        )}
      </LogBar>
      {taking && (
        <TableDialog
          title="Visits from a table"
          columns={VISIT_COLUMNS}
          path="/api/visits/table"
          names={['visit', 'visits']}
          beside="They are entered as told afterwards: what they weighed stands in the log, and nothing is learned from them."
          onClose={() => {
            setTaking(false)
            router.refresh()
          }}
        />
      )}
      <Box sx={{ maxWidth: 1180, mx: 'auto', p: { xs: 1.5, md: 3 }, display: 'grid', gap: 3 }}>
        <Filters log={log} wish={wish} onChange={search} />
        {log.months.length > 0 && <Charts months={log.months} incidents={log.incidents} currency={currency} />}
        <Visits key={JSON.stringify(wish)} log={log} wish={wish} currency={currency} />
      </Box>
    </Box>
  )
}

const VISIT_COLUMNS = (
  <>
    A CSV file of visits that were done without Falto, one formula a row; rows of the same visit stand below each other.
    It needs <code>client</code> (her name), <code>on</code> (such as 2026-09-15) and <code>service</code>, and may have{' '}
    <code>name</code>, <code>minutes</code>, <code>product</code>, <code>level</code>, <code>tone</code>,{' '}
    <code>developer_vol</code>, <code>grams</code>, <code>left</code>, <code>change</code>.
  </>
)

const asQuery = (wish: LogWishDto): string =>
  new URLSearchParams(
    Object.entries(wish).filter((entry): entry is [string, string] => typeof entry[1] === 'string' && entry[1] !== ''),
  ).toString()

function Filters({ log, wish, onChange }: Pick<Props, 'log' | 'wish'> & { onChange: (changes: LogWishDto) => void }) {
  const [words, setWords] = useState(wish.words ?? '')
  return (
    <Box
      component="form"
      role="search"
      onSubmit={(event) => {
        event.preventDefault()
        onChange({ words })
      }}
      sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'end', '& > *': { flex: '1 1 150px' } }}
    >
      <TextField
        size="small"
        label="Client, plan, product or shade"
        value={words}
        onChange={({ target }) => setWords(target.value)}
        sx={{ flex: '2 1 240px !important' }}
      />
      <ListChoice
        label="Colourist"
        value={wish.staffId ?? ''}
        options={[{ value: '', label: 'Everybody' }, ...log.people.map(({ id, name }) => ({ value: id, label: name }))]}
        onChange={(staffId) => onChange({ staffId })}
      />
      <ListChoice
        label="What happened"
        value={wish.incident ?? ''}
        options={[
          { value: '', label: 'Anything' },
          ...INCIDENTS.map((value) => ({ value: value as string, label: INCIDENT_WORDS[value].name })),
        ]}
        onChange={(incident) => onChange({ incident })}
      />
      <DateField label="From" value={wish.from ?? ''} optional onChange={(from) => onChange({ from })} />
      <DateField label="To" value={wish.to ?? ''} optional onChange={(to) => onChange({ to })} />
      <Button type="submit" variant="outlined" color="inherit" sx={{ flex: '0 0 auto !important' }}>
        Search
      </Button>
    </Box>
  )
}

function Visits({ log, wish, currency }: Omit<Props, 'mayWrite'>) {
  const { items, hasMore, busy, goOn } = useFurther(
    { items: log.visits, next: log.next },
    pageOf<LoggedVisit>('visits', (after) => `/api/visits?${asQuery({ ...wish, after })}`),
  )
  return (
    <Paper variant="outlined" component="section" aria-label="Visits">
      {items.length === 0 && (
        <Typography sx={{ p: 3 }} color="textSecondary">
          {Object.values(wish).some(Boolean)
            ? 'No visit is like that. Take something off the search.'
            : 'No visit yet. One that ends at the chair and is put into the record stands here, and so does a plan that was carried out.'}
        </Typography>
      )}
      {items.map((visit) => (
        <VisitRow key={visit.id} visit={visit} currency={currency} />
      ))}
      {hasMore && (
        <Button color="inherit" fullWidth disabled={busy} onClick={goOn}>
          Earlier visits
        </Button>
      )}
    </Paper>
  )
}

function VisitRow({
  visit: { id, on, client, by, name, figures },
  currency,
}: {
  visit: LoggedVisit
  currency: string
}) {
  return (
    <Box
      component={Link}
      href={`/visits/${id}`}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '150px 1fr 1fr 260px' },
        columnGap: 2,
        px: 2,
        py: 1.25,
        color: 'inherit',
        textDecoration: 'none',
        '& + &': { borderTop: LINE },
        '&:hover': { bgcolor: 'action.hover' },
      }}
    >
      <span>{dateInWords(on)}</span>
      <b>{client.name}</b>
      <span>
        {name}
        {figures && figures.incidents.length > 0 && (
          <Typography variant="body2" sx={{ color: 'warning.main', fontWeight: 600 }}>
            {figures.incidents.map((incident) => INCIDENT_WORDS[incident].name).join(', ')}
          </Typography>
        )}
      </span>
      <Typography variant="body2" color="textSecondary" sx={{ textAlign: { md: 'right' } }}>
        {by}
        {figures && (
          <>
            {figures.minutes.took !== null && ` · ${duration(figures.minutes.took)}`}
            {figures.grams.weighed > 0 && (
              <>
                {' · '}
                <Read>{`${figures.grams.weighed} g`}</Read>
              </>
            )}
            {` · ${money(figures.net, currency)}`}
          </>
        )}
      </Typography>
    </Box>
  )
}
