'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import type { BookedVisit, PersonAtHand } from '@/core/model'
import { canWork, presumedPresent, type DayClock } from '@/core/time/schedule'
import type { AskedDay, AskedVisit } from '@/workers/clock.worker'
import { useClockWorker } from '../clock/useClockWorker'
import { duration, minuteOf } from '../clock/words'
import { callApi, failureWords } from '../hooks/api'
import { Choices } from '../parts'
import { DateField } from '../parts/DateField'
import { TimeField } from '../parts/TimeField'
import { LINE } from '../theme'
import { useWritten, type Written } from '../written'
import { DayLanes, Mark } from './DayLanes'
import { clock, useTold } from './told'

interface Props {
  on: string
  visits: Written<BookedVisit[]>
  /** Who could be at hand, and who asks. */
  people: PersonAtHand[]
  own: string
  mayBook: boolean
}

/**
 * Everybody who is booked for a day: when each comes, whether all fits, when hands are needed and when they are free.
 */
export function DayPage({ on, visits: booked, people, own, mayBook }: Props) {
  const visits = useWritten(booked)
  const [present, setPresent] = useState(() => presumedPresent(people, own))
  const [hours, setHours] = useState<Hours>({ opens: '09:00', closes: '19:00' })
  const { arrivals, arrive, message, say } = useArrivals(on, visits)
  const asked = useMemo<AskedDay>(
    () => ({
      visits: visits.flatMap(({ planId, document, canvas }) =>
        arrivals.has(planId) ? [{ id: planId, plan: document, canvas, arrives: arrivals.get(planId)! }] : [],
      ),
      people: people.filter(({ id }) => present.includes(id)),
      opens: minuteOf(hours.opens),
      closes: minuteOf(hours.closes),
    }),
    [visits, arrivals, people, present, hours],
  )
  const { day, busy, find } = useDay(asked)

  async function findTime({ planId, document, canvas, client }: BookedVisit) {
    const minute = await find({ id: planId, plan: document, canvas })
    if (minute !== undefined) return arrive(planId, minute)
    say(
      `${client.name} fits in at no time between ${hours.opens} and ${hours.closes}: with help, on another day, or with less at once.`,
    )
  }

  return (
    <Box sx={{ pb: 2 }}>
      <DayBar on={on} hours={hours} onHours={setHours} />
      <Box sx={{ height: 4 }}>{busy && <LinearProgress aria-label="Working out the day" />}</Box>
      {message && (
        <Alert severity="warning" onClose={() => say(undefined)}>
          {message}
        </Alert>
      )}
      {visits.length === 0 ? (
        <Alert severity="info" sx={{ m: 2 }}>
          Nobody is booked for this day. Book a plan for it on the plan’s Mix page.
        </Alert>
      ) : (
        <>
          <Fits day={day} asked={asked} visits={visits} people={people} onPresent={setPresent} />
          <Clients
            visits={visits}
            arrivals={arrivals}
            day={day}
            mayBook={mayBook}
            busy={busy}
            onArrive={arrive}
            onFind={(visit) => void findTime(visit)}
          />
          {day && (
            <DayLanes day={day} visits={visits} people={asked.people} opens={asked.opens} closes={asked.closes} />
          )}
        </>
      )}
    </Box>
  )
}

/** When each client comes, kept with the booking; and what there is to say about it. */
function useArrivals(on: string, visits: readonly BookedVisit[]) {
  const [arrivals, setArrivals] = useState(
    () => new Map(visits.flatMap(({ planId, arrives }) => (arrives === null ? [] : [[planId, arrives]]))),
  )
  const [message, say] = useState<string>()
  function arrive(planId: string, minute: number) {
    setArrivals(new Map(arrivals).set(planId, minute))
    say(undefined)
    callApi(`/api/plans/${planId}/booking`, 'PUT', { on, arrives: minute }).catch((error: unknown) =>
      say(failureWords(error, 'That time was not kept. Try again.')),
    )
  }
  return { arrivals, arrive, message, say }
}

/** `HH:MM` */
interface Hours {
  opens: string
  closes: string
}

function DayBar({ on, hours, onHours }: { on: string; hours: Hours; onHours: (hours: Hours) => void }) {
  const router = useRouter()
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        columnGap: 2,
        rowGap: 1,
        flexWrap: 'wrap',
        px: 2,
        pt: 1.5,
        pb: 1,
        borderBottom: LINE,
        bgcolor: 'background.paper',
      }}
    >
      <Typography component="h1" variant="h2" sx={{ flex: '1 1 120px' }}>
        Day
      </Typography>
      <DateField label="Day" value={on} onChange={(day) => router.push(`/day?on=${day}`)} />
      <TimeField label="From" value={hours.opens} onChange={(opens) => onHours({ ...hours, opens })} />
      <TimeField label="To" value={hours.closes} onChange={(closes) => onHours({ ...hours, closes })} />
    </Box>
  )
}

interface FitsProps {
  day: DayClock | undefined
  asked: AskedDay
  visits: readonly BookedVisit[]
  people: readonly PersonAtHand[]
  onPresent: (ids: string[]) => void
}

/** Who is there, and whether the day then fits. */
function Fits({ day, asked, visits, people, onPresent }: FitsProps) {
  const told = useTold()
  return (
    <Box sx={{ px: 2, py: 1, display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
      <Choices
        label="Who is there"
        values={asked.people.map(({ id }) => id)}
        options={people.map(({ id, name, hours }) => ({
          value: id,
          label: hours ? `${name}, ${told(hours.from)}–${told(hours.to)}` : name,
        }))}
        onChange={onPresent}
      />
      {!canWork(asked.people) && (
        <Typography role="status">Nobody of those who are there can do all of it. Choose who is.</Typography>
      )}
      {day && (
        <Typography sx={{ fontSize: '1.2rem', fontWeight: 600 }} role="status">
          {day.fits
            ? `It fits, the last is done at ${told(day.ends)}.`
            : `It does not fit: ${notFitting(day, asked, visits, told)}.`}
        </Typography>
      )}
    </Box>
  )
}

function notFitting(
  day: DayClock,
  { closes }: AskedDay,
  visits: readonly BookedVisit[],
  told: (minute: number) => string,
): string {
  const nameOf = (id: string) => visits.find(({ planId }) => planId === id)!.client.name
  const over = day.visits
    .filter((visit) => visit.over > 0.5)
    .map((visit) => `${nameOf(visit.id)}’s product would sit ${Math.ceil(visit.over)} min too long`)
  const late = day.visits
    .filter(({ ends }) => ends > closes + 0.5)
    .map(({ id, ends }) => `${nameOf(id)} would be done at ${told(ends)}`)
  return [...over, ...late].join('; ') || 'hands are missing'
}

/** Works the day out in a worker; a newer question ends an older one. */
function useDay(asked: AskedDay) {
  const remote = useClockWorker()
  const [answer, setAnswer] = useState<{ day: DayClock | undefined; to: AskedDay }>()
  const [finding, setFinding] = useState(false)
  useEffect(() => {
    let stale = false
    void remote.current!.day(asked).then((day) => {
      if (!stale) setAnswer({ day, to: asked })
    })
    return () => {
      stale = true
    }
  }, [remote, asked])
  async function find(added: AskedVisit): Promise<number | undefined> {
    setFinding(true)
    try {
      return await remote.current!.arrival(
        { ...asked, visits: asked.visits.filter(({ id }) => id !== added.id) },
        added,
      )
    } finally {
      setFinding(false)
    }
  }
  return { day: answer?.day, busy: answer?.to !== asked || finding, find }
}

interface ClientsProps {
  visits: readonly BookedVisit[]
  arrivals: ReadonlyMap<string, number>
  day: DayClock | undefined
  mayBook: boolean
  busy: boolean
  onArrive: (planId: string, minute: number) => void
  onFind: (visit: BookedVisit) => void
}

function Clients({ visits, arrivals, day, mayBook, busy, onArrive, onFind }: ClientsProps) {
  const told = useTold()
  return (
    <Box component="ol" sx={{ listStyle: 'none', m: 0, px: 2, py: 1 }}>
      {visits.map((visit, i) => {
        const own = day?.visits.find(({ id }) => id === visit.planId)
        const arrives = arrivals.get(visit.planId)
        return (
          <Box
            component="li"
            key={visit.planId}
            aria-label={visit.client.name}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '36px 1fr', md: '36px minmax(200px, 1fr) 300px minmax(260px, 1fr)' },
              gap: 1,
              alignItems: 'center',
              py: 0.75,
              borderTop: LINE,
            }}
          >
            <Mark number={i + 1} />
            <Box>
              <Link href={`/people/${visit.client.id}`} style={{ color: 'inherit', fontWeight: 600 }}>
                {visit.client.name}
              </Link>
              {' · '}
              <Link href={`/plans/${visit.planId}/clock`} style={{ color: 'inherit' }}>
                {visit.document.name}
              </Link>
            </Box>
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', gridColumn: { xs: '2', md: 'auto' } }}>
              <TimeField
                label="Comes at"
                disabled={!mayBook}
                value={arrives === undefined ? '' : clock(arrives)}
                onChange={(time) => onArrive(visit.planId, minuteOf(time))}
              />
              {mayBook && (
                <Button
                  variant="outlined"
                  color="inherit"
                  disabled={busy}
                  onClick={() => onFind(visit)}
                  sx={{ minHeight: 44 }}
                >
                  Earliest
                </Button>
              )}
            </Box>
            <Typography sx={{ gridColumn: { xs: '2', md: 'auto' } }}>
              {own
                ? `done at ${told(own.ends)}, ${duration(own.ends - own.arrives)}${own.waits >= 1 ? `, ${duration(own.waits)} longer than alone` : ''}`
                : arrives === undefined
                  ? 'no time yet'
                  : day
                    ? 'nothing is placed in this plan yet'
                    : ''}
            </Typography>
          </Box>
        )
      })}
    </Box>
  )
}
