'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { STARTING_RATES } from '@/core/product/money'
import type { OpenVisit } from '@/core/record/visit'
import { INCIDENT_WORDS, SPOT_WORDS } from '@/words'
import { callApi, failureWords } from '../hooks/api'
import { duration } from '../clock/words'
import { money } from '../mix/context'
import { PageBar, Read } from '../parts'
import { dateInWords, WORDS } from '../words'
import { Bowls } from './Bowls'
import { Reviews } from './Reviews'
import { Section } from './Section'
import { Standing, TakeBack } from './Standing'
import { Steps } from './Steps'
import { Facts } from './table'
import { VisitPictures } from './VisitPictures'

interface Props {
  visit: OpenVisit
  mayWrite: boolean
  mayMix: boolean
}

/** A visit as it went: what was planned beside what was done, what was thought of it, and the way to do it again. */
export function VisitPage({ visit, mayWrite, mayMix }: Props) {
  const { summary, client, on, by } = visit
  const { minutes, incidents, changes, levels, foils, reapplied } = summary
  return (
    <Box>
      <PageBar>
        <Typography variant="h1" sx={{ fontSize: '1.25rem', flex: 1, minWidth: 240 }}>
          {client.name}, {dateInWords(on)}
        </Typography>
        <Again visit={visit} mayWrite={mayWrite} />
      </PageBar>
      <Box sx={PAGE}>
        <Stack spacing={3}>
          <Standing visit={visit} />
          <Box>
            <Typography variant="h2">{summary.name}</Typography>
            <Typography color="textSecondary">
              {summary.stages.join(' · ')} · {by}
            </Typography>
            <Typography sx={{ mt: 1 }}>
              {foils} foils. Planned {duration(minutes.planned)}
              {minutes.took === null ? ', time not told at the chair' : `, took ${duration(minutes.took)}`}
              {reapplied > 0 && `; product put on again ${reapplied} ${reapplied === 1 ? 'time' : 'times'}`}.
            </Typography>
          </Box>
          <Bowls visit={visit} mayMix={mayMix} />
          {levels.length > 0 && (
            <Section title="Levels">
              <Facts
                head={['Section', 'meant', 'expected', 'seen']}
                rows={levels.map((level) => [
                  `${level.name}, ${level.formulaId}`,
                  level.meant,
                  level.expected,
                  level.seen === null && level.bands.length === 0 ? 'not looked at' : readLevels(level),
                ])}
              />
            </Section>
          )}
          {(incidents.length > 0 || changes.length > 0) && (
            <Section title="What was otherwise">
              {incidents.map(({ incident, note, minute }, i) => (
                <Typography key={i}>
                  Minute {minute}: {INCIDENT_WORDS[incident].name}
                  {note && `, ${note}`}
                </Typography>
              ))}
              {changes.map((change, i) => (
                <Typography key={i}>
                  <Read>{change}</Read>
                </Typography>
              ))}
            </Section>
          )}
          {summary.steps.length > 0 && <Steps steps={summary.steps} />}
        </Stack>
        <Stack spacing={3}>
          <Reviews visitId={visit.id} reviews={visit.reviews} />
          <AfterCare visit={visit} />
          <Money visit={visit} />
          <Lots lots={visit.lots} />
          <Before visit={visit} />
          <VisitPictures visit={visit} mayWrite={mayWrite} />
          {mayWrite && <TakeBack visit={visit} />}
        </Stack>
      </Box>
    </Box>
  )
}

const PAGE = {
  maxWidth: 1180,
  mx: 'auto',
  p: { xs: 1.5, md: 3 },
  display: 'grid',
  gap: 3,
  gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 380px' },
  alignItems: 'start',
} as const

/** What was read of a section: of all of it, and along the strand. */
const readLevels = ({ seen, bands }: OpenVisit['summary']['levels'][number]): string =>
  [...(seen === null ? [] : [`${seen}`]), ...bands.map((band) => `${SPOT_WORDS[band.spot]} ${band.seen}`)].join(', ')

/** What she takes home: when to come again, and how to keep it. */
function AfterCare({ visit: { summary, id } }: Pick<Props, 'visit'>) {
  const { next, gloss, home } = summary.upkeep
  return (
    <Section title="For her to take home">
      <Typography>
        Next visit {dateInWords(next.from)} to {dateInWords(next.to)}
        {gloss && `; a gloss in between, ${dateInWords(gloss.from)} to ${dateInWords(gloss.to)}`}.
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
        {home.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </Box>
      <Button
        className="screen-only"
        color="inherit"
        variant="outlined"
        component="a"
        href={`/api/visits/${id}/aftercare`}
      >
        Sheet as PDF
      </Button>
    </Section>
  )
}

function Money({ visit: { summary, document } }: Pick<Props, 'visit'>) {
  const { bill } = summary
  const currency = document.rates?.currency ?? STARTING_RATES.currency
  return (
    <Section title="Money">
      <Facts
        head={['', '']}
        rows={[
          ['Net', money(bill.net, currency)],
          ['With tax', money(bill.gross, currency)],
          ['It cost', money(bill.cost, currency)],
          ['Left', money(bill.margin, currency)],
        ]}
      />
    </Section>
  )
}

function Lots({ lots }: Pick<OpenVisit, 'lots'>) {
  if (lots.length === 0) return null
  return (
    <Section title="Products and lots">
      <Facts
        head={['Product', 'lot', 'g']}
        rows={lots.map(({ product, lot, grams }) => [product, lot ?? 'not on the shelf', grams])}
      />
    </Section>
  )
}

/** Checks, consents and cautions that somebody looked at. */
function Before({ visit }: Pick<Props, 'visit'>) {
  return (
    <Section title="Before it began">
      {visit.checks.length + visit.consents.length + visit.acknowledged.length === 0 && (
        <Typography color="textSecondary">Nothing was recorded.</Typography>
      )}
      {visit.checks.map(({ id, kind, on: made, result, by: who }) => (
        <Typography key={id} variant="body2">
          {WORDS.care[kind]}, {dateInWords(made)}: {result === 'clear' ? 'nothing found' : 'a concern'}, {who}
        </Typography>
      ))}
      {visit.consents.map(({ id, on: signed, by: who }) => (
        <Typography key={id} variant="body2">
          Consent signed {dateInWords(signed)} before {who}
        </Typography>
      ))}
      {visit.acknowledged.map(({ cautionId, text, reason, by: who, at }) => (
        <Typography key={`${cautionId} ${at}`} variant="body2">
          <Read>{text}</Read> {who}: {reason || 'looked at'}
        </Typography>
      ))}
    </Section>
  )
}

/** Doing it again, and the ways on from here. */
function Again({ visit: { id, planId, client, earlier, later }, mayWrite }: Pick<Props, 'visit' | 'mayWrite'>) {
  const router = useRouter()
  const [busy, setBusy] = useState(false)
  const [error, setError] = useState<string>()
  async function repeat() {
    setBusy(true)
    try {
      const made = await callApi<{ id: string }>(`/api/visits/${id}/repeat`, 'POST')
      router.push(`/plans/${made.id}`)
    } catch (problem) {
      setBusy(false)
      setError(failureWords(problem))
    }
  }
  return (
    <Box className="screen-only" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      {error && <Alert severity="error">{error}</Alert>}
      <Button color="inherit" component={Link} href={`/people/${client.id}`}>
        Record
      </Button>
      <Button color="inherit" component={Link} href={`/plans/${planId}`}>
        Its plan
      </Button>
      {earlier && (
        <Button color="inherit" component={Link} href={`/visits/${earlier}`}>
          Visit before
        </Button>
      )}
      {later && (
        <Button color="inherit" component={Link} href={`/visits/${later}`}>
          Next visit
        </Button>
      )}
      <Button color="inherit" onClick={() => window.print()}>
        Print
      </Button>
      <Button color="inherit" component="a" href={`/api/visits/${id}/document`}>
        PDF
      </Button>
      <Button color="inherit" component="a" href={`/api/visits/${id}/export`} download>
        Save as file
      </Button>
      {mayWrite && (
        <Button variant="contained" disabled={busy} onClick={() => void repeat()}>
          Repeat today
        </Button>
      )}
    </Box>
  )
}
