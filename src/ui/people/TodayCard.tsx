'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useMemo } from 'react'
import { careStates } from '@/core/judgement/care'
import { mainStrand, meanWhite } from '@/core/hair/hairRecord'
import { hexFromLab, labOfHair } from '@/core/hair/colour'
import { assess } from '@/core/judgement/feasibility'
import { createHead } from '@/core/scalp/head'
import type { Band, OpenCare, OpenConsultation } from '@/core/model'
import { useUnits } from '../hooks/useUnits'
import { opening } from '../consultation/store'
import { LINE } from '../theme'
import { dateInWords, REACH_WORDS, WORDS } from '../words'

type Opening = ReturnType<typeof opening>

interface Props {
  consultation: OpenConsultation
  care: OpenCare
}

/** How things stand today: the hair as recorded or predicted, what is possible, which checks are due. */
export function TodayCard({ consultation, care }: Props) {
  const { latest, client, today, history } = consultation
  const { entry } = useMemo(() => opening(consultation), [consultation])
  return (
    <Paper variant="outlined" component="section" aria-labelledby="today" sx={{ p: 2 }}>
      <Typography id="today" variant="h2">
        Today, {dateInWords(today)}
      </Typography>
      <Typography variant="caption" color="textSecondary" component="p">
        {sourceOf(latest, today)}
      </Typography>
      {consultation.lastVisit && (
        <Typography variant="caption" component="p">
          <Link href={`/visits/${consultation.lastVisit.id}`} style={{ color: 'inherit' }}>
            Last visit, {dateInWords(consultation.lastVisit.on)}
          </Link>
        </Typography>
      )}
      <MainStrand bands={mainStrand(entry.canvas, 'all').bands} />
      {latest && <Verdict head={consultation.head} entry={entry} />}
      <PageLink href={`/people/${client.id}/consultation`} next={!latest}>
        {latest ? 'Open the consultation' : 'Start the consultation'}
      </PageLink>
      <CareDue care={care} today={today} clientId={client.id} />
      {history.length > 0 && <Records history={history} />}
    </Paper>
  )
}

/** Where what is shown comes from. */
function sourceOf(latest: OpenConsultation['latest'], today: string): string {
  if (!latest) return 'No consultation yet; this is virgin hair at the level that was entered.'
  const { kind, recordedOn, by } = latest
  if (kind === 'seen' && recordedOn === today) return `As seen by ${by}.`
  return `Predicted from ${dateInWords(recordedOn)}${kind === 'done' ? ', when a plan was carried out' : ''}.`
}

function MainStrand({ bands }: { bands: readonly Band[] }) {
  const { read } = useUnits()
  const length = bands.at(-1)!.toCm
  return (
    <>
      <Box
        role="img"
        aria-label={read(
          `Main strand: ${bands.map(({ fromCm, toCm, level }) => `${fromCm} to ${toCm} cm level ${level}`).join(', ')}`,
        )}
        sx={{ display: 'flex', height: 36, border: LINE, my: 1 }}
      >
        {bands.map((band) => (
          <Box
            key={band.fromCm}
            sx={{ borderRight: LINE }}
            style={{
              width: `${(100 * (band.toCm - band.fromCm)) / length}%`,
              backgroundColor: hexFromLab(labOfHair(band.level, band.hue, band.strength)),
            }}
          />
        ))}
      </Box>
      <Typography variant="body2">
        {read(bands.map(({ fromCm, toCm, level }) => `${fromCm}–${toCm} cm level ${level}`).join(' · '))}
      </Typography>
    </>
  )
}

/** What of the wish is possible. */
function Verdict({ head: measures, entry }: Pick<OpenConsultation, 'head'> & Pick<Opening, 'entry'>) {
  const { read } = useUnits()
  const { reach, visits, reasons } = useMemo(() => {
    const { hair, canvas, goal } = entry
    return assess({ hair, canvas, goal, meanWhite: meanWhite(createHead(measures), hair, canvas) })
  }, [measures, entry])
  const count = visits.low === visits.high ? `${visits.low}` : `${visits.low}–${visits.high}`
  return (
    <Box sx={{ mt: 2 }}>
      <Typography sx={{ fontWeight: 600 }}>
        {REACH_WORDS[reach]}
        {reach !== 'notNow' && visits.high > 1 && `, ${count} visits`}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {read(reasons[0]?.text ?? '')}
      </Typography>
    </Box>
  )
}

const SECTION = { borderTop: LINE, mt: 2, pt: 1.5 } as const

function CareDue({ care, today, clientId }: Pick<Props, 'care'> & { today: string; clientId: string }) {
  const due = careStates(care, today).filter(({ standing }) => standing !== 'current')
  return (
    <Box sx={SECTION}>
      <Typography sx={{ fontWeight: 600 }}>
        {due.length === 0
          ? 'All care checks are current'
          : `${due.length} care check${due.length === 1 ? '' : 's'} due`}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {due.map(({ kind }) => WORDS.care[kind]).join(' · ')}
      </Typography>
      <PageLink href={`/people/${clientId}/care`}>Care checks</PageLink>
    </Box>
  )
}

/** Records shown; the consultation has them all. */
const NEWEST = 8

function Records({ history }: Pick<OpenConsultation, 'history'>) {
  return (
    <Box component="section" aria-label="Records" sx={SECTION}>
      <Typography sx={{ fontWeight: 600 }}>Records</Typography>
      {history.slice(0, NEWEST).map(({ number, kind, recordedOn, by, corrections }) => (
        <Typography key={number} variant="body2" sx={{ py: 0.25 }}>
          {dateInWords(recordedOn)}: {kind === 'done' ? 'plan carried out' : 'consultation'}, {by}
          {corrections.length > 0 && `, ${corrections.length} correction${corrections.length === 1 ? '' : 's'}`}
        </Typography>
      ))}
    </Box>
  )
}

/** A way to another page of this client; `next` where it is what comes next. */
function PageLink({ href, next = false, children }: { href: string; next?: boolean; children: string }) {
  return (
    <Button
      component={Link}
      href={href}
      variant={next ? 'contained' : 'outlined'}
      color={next ? 'primary' : 'inherit'}
      sx={{ mt: 1.5, borderColor: 'divider' }}
    >
      {children}
    </Button>
  )
}
