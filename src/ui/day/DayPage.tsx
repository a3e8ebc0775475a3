'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import type { BookedVisit } from '@/core/model'
import { helpersFor, withHelp, type DayClock, type Helper } from '@/core/time/schedule'
import type { AskedDay, AskedVisit } from '@/workers/clock.worker'
import { Lane, NAMES } from '../clock/Lane'
import { useClockWorker } from '../clock/useClockWorker'
import { duration, minuteOf, taskWords, timeOfDay, useTimeOfDay } from '../clock/words'
import { callApi } from '../hooks/api'
import { Choices } from '../parts'
import { DateField } from '../parts/DateField'
import { TimeField } from '../parts/TimeField'
import { LINE } from '../theme'

const clock = (minute: number) => timeOfDay('00:00', minute)
/** {@link clock}, as the salon tells the time. */
function useTold(): (minute: number) => string {
  const told = useTimeOfDay()
  return (minute) => told('00:00', minute)
}

interface Props {
  on: string
  visits: BookedVisit[]
  mayBook: boolean
}

/**
 * Everybody who is booked for a day: when each comes, whether all fits, when hands are needed and when they are free.
 */
export function DayPage({ on, visits, mayBook }: Props) {
  const told = useTold()
  const router = useRouter()
  const [arrivals, setArrivals] = useState(
    () => new Map(visits.flatMap(({ planId, arrives }) => (arrives === null ? [] : [[planId, arrives]]))),
  )
  const [helping, setHelping] = useState<Helper[]>([])
  const [hours, setHours] = useState({ opens: '09:00', closes: '19:00' })
  const [message, setMessage] = useState<string>()
  const asked = useMemo<AskedDay>(
    () => ({
      visits: visits.flatMap(({ planId, document, canvas }) =>
        arrivals.has(planId) ? [{ id: planId, plan: document, canvas, arrives: arrivals.get(planId)! }] : [],
      ),
      helping,
      opens: minuteOf(hours.opens),
      closes: minuteOf(hours.closes),
    }),
    [visits, arrivals, helping, hours],
  )
  const { day, busy, find } = useDay(asked)

  function arrive(planId: string, minute: number) {
    setArrivals(new Map(arrivals).set(planId, minute))
    setMessage(undefined)
    callApi(`/api/plans/${planId}/booking`, 'PUT', { on, arrives: minute }).catch((error: unknown) =>
      setMessage(error instanceof Error ? error.message : 'That time was not kept. Try again.'),
    )
  }

  async function findTime({ planId, document, canvas, client }: BookedVisit) {
    const minute = await find({ id: planId, plan: document, canvas })
    if (minute === undefined)
      setMessage(
        `${client.name} fits in at no time between ${hours.opens} and ${hours.closes}: with help, on another day, or with less at once.`,
      )
    else arrive(planId, minute)
  }

  return (
    <Box sx={{ pb: 2 }}>
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
        <TimeField label="From" value={hours.opens} onChange={(opens) => setHours({ ...hours, opens })} />
        <TimeField label="To" value={hours.closes} onChange={(closes) => setHours({ ...hours, closes })} />
      </Box>
      <Box sx={{ height: 4 }}>{busy && <LinearProgress aria-label="Working out the day" />}</Box>
      {message && (
        <Alert severity="warning" onClose={() => setMessage(undefined)}>
          {message}
        </Alert>
      )}
      {visits.length === 0 && (
        <Alert severity="info" sx={{ m: 2 }}>
          Nobody is booked for this day. Book a plan for it on the plan’s Mix page.
        </Alert>
      )}
      {visits.length > 0 && (
        <>
          <Box sx={{ px: 2, py: 1, display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
            <Choices
              label="Beside the colourist"
              values={helping}
              options={[
                { value: 'assistant', label: 'Assistant' },
                { value: 'second', label: 'Second colourist' },
              ]}
              onChange={setHelping}
            />
            {day && (
              <Typography sx={{ fontSize: '1.2rem', fontWeight: 600 }} role="status">
                {day.fits
                  ? `It fits, the last is done at ${told(day.ends)}.`
                  : `It does not fit: ${notFitting(day, asked, visits, told)}.`}
              </Typography>
            )}
          </Box>
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
            <DayLanes
              day={day}
              visits={visits}
              people={withHelp(helpersFor(helping)).people}
              opens={asked.opens}
              closes={asked.closes}
            />
          )}
        </>
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

/** A client by her number on the list. */
function Mark({ number }: { number: number }) {
  return (
    <Box
      component="span"
      sx={{
        width: 28,
        height: 28,
        borderRadius: '50%',
        border: '2px solid',
        borderColor: 'text.primary',
        display: 'grid',
        placeItems: 'center',
        fontWeight: 700,
        ...FILLS[(number - 1) % FILLS.length],
      }}
    >
      {number}
    </Box>
  )
}

/** Clients are told apart by their number first, and by how their blocks are filled. */
const FILLS = [
  { bgcolor: 'text.primary', color: 'background.paper' },
  { bgcolor: 'background.paper', color: 'text.primary' },
  { bgcolor: 'text.secondary', color: 'background.paper' },
  { bgcolor: 'action.selected', color: 'text.primary' },
] as const

function DayLanes({
  day,
  visits,
  people,
  opens,
  closes,
}: {
  day: DayClock
  visits: readonly BookedVisit[]
  people: { id: string; name: string }[]
  opens: number
  closes: number
}) {
  const told = useTold()
  const from = Math.min(opens, ...day.tasks.map((task) => task.from))
  const to = Math.max(closes, day.ends)
  const at = (minute: number) => `${(100 * (minute - from)) / (to - from)}%`
  const ticks = Array.from(
    { length: Math.floor(to / 60) - Math.ceil(from / 60) + 1 },
    (_, i) => 60 * (Math.ceil(from / 60) + i),
  )
  const numberOf = (id: string) => visits.findIndex(({ planId }) => planId === id) + 1
  return (
    <Box sx={{ borderTop: LINE, mt: 1 }}>
      <Box sx={{ overflowX: 'auto' }} role="region" aria-label="Who works on whom when" tabIndex={0}>
        <Box sx={{ minWidth: 760 }}>
          <Lane name="" tall={22}>
            {ticks.map((tick) => (
              <Typography
                key={tick}
                variant="caption"
                style={{ left: at(tick) }}
                sx={{ position: 'absolute', top: 0, transform: tick === from ? undefined : 'translateX(-50%)' }}
              >
                {told(tick)}
              </Typography>
            ))}
          </Lane>
          {people.map(({ id, name }) => (
            <Lane key={id} name={name} tall={46} ticks={ticks.map(at)}>
              {day.tasks
                .filter(({ personId }) => personId === id)
                .map((task) => {
                  const number = numberOf(task.visitId)
                  return (
                    <Box
                      key={`${task.visitId} ${task.from} ${task.kind}`}
                      title={`${number}: ${taskWords(task)}, ${told(task.from)}–${told(task.to)}`}
                      style={{ left: at(task.from), width: `${(100 * (task.to - task.from)) / (to - from)}%` }}
                      sx={{
                        position: 'absolute',
                        top: 5,
                        bottom: 5,
                        overflow: 'hidden',
                        fontSize: '0.8rem',
                        fontWeight: 700,
                        lineHeight: '34px',
                        textIndent: 3,
                        border: '1px solid',
                        borderColor: 'text.primary',
                        ...FILLS[(number - 1) % FILLS.length],
                      }}
                    >
                      {task.to - task.from >= 8 ? number : ''}
                    </Box>
                  )
                })}
            </Lane>
          ))}
        </Box>
      </Box>
      <Typography sx={{ pl: { xs: 2, md: `${NAMES}px` }, pt: 1 }}>
        {day.gaps.length === 0
          ? 'No free stretch of ten minutes or more.'
          : `Hands free: ${day.gaps.map(({ personId, from: begins, to: ends }) => `${people.length > 1 ? `${people.find(({ id }) => id === personId)?.name} ` : ''}${told(begins)}–${told(ends)}`).join(', ')}.`}
      </Typography>
    </Box>
  )
}
