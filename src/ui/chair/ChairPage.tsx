'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import { INCIDENTS, type Incident, type OpenRun } from '@/core/model'
import { expectedRun, runOutcome, WAITING, type Deadline, type ExpectedStep, type RunScript } from '@/core/run'
import { tenth } from '@/core/units'
import { duration, taskWords } from '../clock/words'
import { LINE } from '../theme'
import { Hair, type HairUnderProduct } from './Hair'
import { LevelPicker } from './LevelPicker'
import { useAlarm, useAwake, useOffline } from './device'
import { useRun, type LiveRun } from './useRun'
import { clockTime, INCIDENT_WORDS, running } from './words'

/** A deadline is called out so long before it, ms. */
const CALL_MS = 120_000

/** The visit while it goes on: what is next, large; the hair and its time; what has to be told. */
export function ChairPage({ open, mayTell }: { open: OpenRun<RunScript>; mayTell: boolean }) {
  const live = useRun(open)
  const { state } = live
  const now = useNow(live.now)
  const [picker, setPicker] = useState<HairUnderProduct>()
  const [incident, setIncident] = useState<'choose' | Incident>()
  useAwake()
  useOffline()
  const expected = expectedRun(open.script, state, now)
  const pressing = expected.deadlines.filter(({ at }) => at - now < CALL_MS)
  useAlarm(pressing.map(({ putInBy, stepId }) => `${putInBy} ${stepId}`))
  const next = expected.steps.filter(({ status }) => status === 'begun' || status === 'waiting').sort((a, b) => Number(b.status === 'begun') - Number(a.status === 'begun') || a.from - b.from)
  const over = state.endedAt !== undefined

  return (
    <Box sx={{ minHeight: '100dvh', display: 'flex', flexDirection: 'column' }}>
      <Bar open={open} live={live} finish={expected.finish} behind={expected.behind} mayTell={mayTell} />
      {live.refused && <Alert severity="warning">Not taken by the server yet: {live.refused} It is kept on this device.</Alert>}
      {pressing.map((deadline) => (
        <Call key={`${deadline.putInBy} ${deadline.stepId}`} deadline={deadline} steps={expected.steps} now={now} />
      ))}
      <Box sx={{ flex: 1, display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 4fr)' } }}>
        <Box sx={{ p: { xs: 1.5, sm: 2 } }}>
          {over || next.length === 0 ? <Over live={live} mayTell={mayTell} open={open} /> : <Next expected={next[0]!} people={open.script.people} live={live} now={now} mayTell={mayTell} />}
          {!over && next[1] && <Then expected={next[1]} people={open.script.people} />}
          {mayTell && (
            <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, mt: 2 }}>
              <Button variant="outlined" color="inherit" sx={TALL} disabled={!state.last} onClick={() => live.tell({ kind: 'undone', undoes: state.last!.id })}>
                Take back{state.last ? `: ${lastWords(state.last, open.script)}` : ''}
              </Button>
              <Button variant="outlined" color="inherit" sx={TALL} onClick={() => setIncident('choose')}>
                Something happened
              </Button>
            </Box>
          )}
        </Box>
        <Box sx={{ borderLeft: { md: LINE }, borderTop: { xs: LINE, md: 'none' } }}>
          <Hair script={open.script} state={state} expected={expected} now={now} mayTell={mayTell} onCheck={setPicker} onAgain={(stepId) => live.tell({ kind: 'reapplied', stepId })} />
        </Box>
      </Box>
      {picker && (
        <LevelPicker
          title={`${picker.name}: what does it show?`}
          where={picker.where}
          onClose={() => setPicker(undefined)}
          onPick={(value) => {
            live.tell({ kind: 'seen', stepId: picker.stepId, value })
            setPicker(undefined)
          }}
        />
      )}
      {incident && <IncidentDialog incident={incident} onChoose={setIncident} onClose={() => setIncident(undefined)} onTell={(kind) => live.tell({ kind: 'incident', incident: kind, ...(next[0] && { stepId: next[0].step.id }) })} />}
    </Box>
  )
}

const TALL = { minHeight: 56, fontSize: '1rem', lineHeight: 1.2 } as const

/** The clock, a second at a time. */
function useNow(read: () => number): number {
  const [now, setNow] = useState(read)
  useEffect(() => {
    const timer = setInterval(() => setNow(read()), 1000)
    return () => clearInterval(timer)
  }, [read])
  return now
}

/** A minute a second. */
const DEMO_PACE = 60

/** A button that has just taken another's place is not to be hit by a second tap, nor by one that another device was quicker than; it looks as ever meanwhile. ms; our estimate. */
const REST_MS = 400

/** Whether what is shown has stood for a moment. */
function useRested(shown: string): boolean {
  const [stood, setStood] = useState<string>()
  useEffect(() => {
    const timer = setTimeout(() => setStood(shown), REST_MS)
    return () => clearTimeout(timer)
  }, [shown])
  return stood === shown
}

function Bar({ open, live, finish, behind, mayTell }: { open: OpenRun<RunScript>; live: LiveRun; finish: number; behind: number; mayTell: boolean }) {
  const late = Math.round(behind / 60_000)
  return (
    <Box component="header" sx={{ display: 'flex', alignItems: 'center', columnGap: 2, flexWrap: 'wrap', px: 2, py: 1, borderBottom: LINE, bgcolor: 'background.paper' }}>
      <Typography component="h1" noWrap sx={{ fontWeight: 600, fontSize: '1.05rem', flex: '1 1 160px' }}>
        <Link href={`/plans/${open.planId}/clock`} style={{ color: 'inherit' }}>
          {open.client.name}
        </Link>{' '}
        · {open.planName}
      </Typography>
      <Typography sx={{ fontSize: '1.05rem' }}>
        done at <strong suppressHydrationWarning>{clockTime(finish)}</strong>
        {live.state.startedAt !== undefined && late !== 0 && ` · ${Math.abs(late)} min ${late > 0 ? 'later' : 'sooner'} than planned`}
      </Typography>
      {open.demo && mayTell && (
        <Button variant="outlined" color="inherit" aria-pressed={live.state.clock.pace > 1} onClick={() => live.tell({ kind: 'pace', value: live.state.clock.pace > 1 ? 1 : DEMO_PACE })}>
          Demo: {live.state.clock.pace > 1 ? 'time as it is' : `${DEMO_PACE} × as fast`}
        </Button>
      )}
      <Typography role="status" variant="body2" color={live.unsent > 0 ? 'warning' : 'textSecondary'}>
        {live.unsent > 0 ? `${live.unsent} kept here, sent when the network is back` : 'in step'}
      </Typography>
    </Box>
  )
}

function Call({ deadline: { at, stepId }, steps, now }: { deadline: Deadline; steps: readonly ExpectedStep[]; now: number }) {
  const out = steps.find(({ step }) => step.id === stepId)!
  return (
    <Alert severity={at < now ? 'error' : 'warning'} sx={{ fontSize: '1.1rem' }}>
      <strong>
        {taskWords(out.step)}: {at < now ? `${running(now - at)} over the product’s longest time. Out now.` : `out within ${running(at - now)}.`}
      </strong>
    </Alert>
  )
}

interface StepProps {
  expected: ExpectedStep
  people: RunScript['people']
}

const nameOf = (people: RunScript['people'], id: string) => people.find((person) => person.id === id)?.name ?? ''

function Next({ expected: { step, status, from, to }, people, live, now, mayTell }: StepProps & { live: LiveRun; now: number; mayTell: boolean }) {
  const { counted } = live.state.steps.get(step.id) ?? WAITING
  const pieces = step.pieces.length
  const rested = useRested(`${step.id} ${status}`)
  return (
    <Box component="section" aria-label="Next step" sx={{ p: 2, border: '2px solid', borderColor: 'text.primary', borderRadius: 1, bgcolor: 'background.paper' }}>
      <Typography color="textSecondary">
        {status === 'begun' ? 'Now' : 'Next'}
        {people.length > 1 && ` · ${nameOf(people, step.personId)}`}
        {status === 'waiting' && from - now > 60_000 && ` · from ${clockTime(from)}`}
      </Typography>
      <Typography sx={{ fontSize: { xs: '1.7rem', sm: '2.1rem' }, fontWeight: 600, lineHeight: 1.15, my: 0.5 }}>{taskWords(step)}</Typography>
      <Typography sx={{ fontSize: '1.2rem' }}>
        {status === 'begun' ? `${running(now - from)} of about ${Math.max(1, Math.round(step.seconds / 60))} min` : `about ${Math.max(1, Math.round(step.seconds / 60))} min, to ${clockTime(to)}`}
      </Typography>
      {pieces > 0 && status === 'begun' && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 1.5 }}>
          <Typography sx={{ fontSize: '2rem', fontWeight: 600, minWidth: 110 }} aria-live="polite">
            {counted} / {pieces}
          </Typography>
          {mayTell && (
            <Button variant="outlined" color="inherit" sx={{ ...TALL, minHeight: 72, flex: 1, fontSize: '1.2rem' }} disabled={counted >= pieces} onClick={() => live.tell({ kind: 'counted', stepId: step.id, value: counted + 1 })}>
              One more {step.kind === 'takeOut' ? 'out' : 'in'}
            </Button>
          )}
        </Box>
      )}
      {mayTell && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '3fr 1fr', gap: 1, mt: 2 }}>
          {status === 'begun' ? (
            <Button variant="contained" sx={{ ...TALL, minHeight: 80, fontSize: '1.4rem', '&.Mui-disabled': { bgcolor: 'primary.main', color: 'primary.contrastText' } }} disabled={!rested} onClick={() => live.tell({ kind: 'done', stepId: step.id })}>
              Done
            </Button>
          ) : (
            <Button variant="contained" sx={{ ...TALL, minHeight: 80, fontSize: '1.4rem', '&.Mui-disabled': { bgcolor: 'primary.main', color: 'primary.contrastText' } }} disabled={!rested} onClick={() => live.tell({ kind: 'begun', stepId: step.id })}>
              Begin
            </Button>
          )}
          <Button variant="outlined" color="inherit" sx={{ ...TALL, minHeight: 80, '&.Mui-disabled': { color: 'inherit', borderColor: 'currentcolor' } }} disabled={!rested} onClick={() => live.tell({ kind: 'skipped', stepId: step.id })}>
            Skip
          </Button>
        </Box>
      )}
    </Box>
  )
}

function Then({ expected: { step, from, status }, people }: StepProps) {
  return (
    <Box component="section" aria-label="Then" sx={{ px: 2, py: 1.25, border: LINE, borderRadius: 1, mt: 1.5 }}>
      <Typography color="textSecondary" variant="body2">
        {status === 'begun' ? 'Meanwhile' : 'Then'}
        {people.length > 1 && ` · ${nameOf(people, step.personId)}`} · {clockTime(from)}
      </Typography>
      <Typography sx={{ fontSize: '1.35rem', fontWeight: 600 }}>{taskWords(step)}</Typography>
    </Box>
  )
}

function Over({ live, mayTell, open: { script, planId } }: { live: LiveRun; mayTell: boolean; open: OpenRun<RunScript> }) {
  const { planned, actual, steps, levels } = runOutcome(script, live.state)
  return (
    <Box component="section" aria-label="Next step" sx={{ p: 2, border: '2px solid', borderColor: 'text.primary', borderRadius: 1, bgcolor: 'background.paper' }}>
      <Typography sx={{ fontSize: '1.7rem', fontWeight: 600 }}>{live.state.endedAt === undefined ? 'All steps are done.' : 'This visit is over.'}</Typography>
      {live.state.endedAt === undefined && mayTell && (
        <Button variant="contained" sx={{ ...TALL, minHeight: 80, my: 2 }} fullWidth onClick={() => live.tell({ kind: 'ended' })}>
          End the visit
        </Button>
      )}
      <Typography sx={{ mt: 1 }}>
        Planned {duration(planned)}
        {actual !== null && `, took ${duration(actual)}`}.
      </Typography>
      <Box component="table" sx={{ width: '100%', borderCollapse: 'collapse', my: 1, '& td, & th': { textAlign: 'left', py: 0.25, fontVariantNumeric: 'tabular-nums' }, '& td + td, & th + th': { textAlign: 'right' } }}>
        <thead>
          <tr>
            <th>Step</th>
            <th>planned</th>
            <th>took</th>
          </tr>
        </thead>
        <tbody>
          {steps.map((step) => (
            <tr key={step.id}>
              <td>{taskWords(step)}</td>
              <td>{duration(step.planned)}</td>
              <td>{step.skipped ? 'skipped' : step.actual === null ? '–' : duration(step.actual)}</td>
            </tr>
          ))}
        </tbody>
      </Box>
      {levels.map(({ about, seen, minute, expected }, i) => (
        <Typography key={i} variant="body2">
          {about}: seen {seen} after {duration(minute)}
          {expected && `, expected ${tenth(expected.low)}–${tenth(expected.high)} when it comes out`}
        </Typography>
      ))}
      <Typography sx={{ mt: 1 }}>
        <Link href={`/plans/${planId}`} style={{ color: 'inherit' }}>
          Back to the plan
        </Link>
      </Typography>
    </Box>
  )
}

const KIND_WORDS = { pace: '', begun: 'begun', done: 'done', skipped: 'skipped', counted: 'counted', seen: 'level seen', reapplied: 'applied again', incident: 'what happened', undone: '', ended: 'the end' } as const

function lastWords({ kind, stepId, value }: NonNullable<LiveRun['state']['last']>, script: RunScript): string {
  const step = script.steps.find(({ id }) => id === stepId)
  return `${KIND_WORDS[kind]}${kind === 'counted' || kind === 'seen' ? ` ${value}` : ''}${step ? `, ${taskWords(step)}` : ''}`
}

function IncidentDialog({ incident, onChoose, onClose, onTell }: { incident: 'choose' | Incident; onChoose: (incident: Incident) => void; onClose: () => void; onTell: (incident: Incident) => void }) {
  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-labelledby="incident-title">
      <DialogTitle id="incident-title">{incident === 'choose' ? 'What happened?' : INCIDENT_WORDS[incident].name}</DialogTitle>
      <DialogContent>
        {incident === 'choose' ? (
          <Box sx={{ display: 'grid', gap: 1 }}>
            {INCIDENTS.map((one) => (
              <Button
                key={one}
                variant="outlined"
                color={one === 'burning' || one === 'breakage' ? 'error' : 'inherit'}
                sx={TALL}
                onClick={() => {
                  onTell(one)
                  onChoose(one)
                }}
              >
                {INCIDENT_WORDS[one].name}
              </Button>
            ))}
          </Box>
        ) : (
          <Typography sx={{ fontSize: '1.15rem' }}>{INCIDENT_WORDS[incident].mend} It is in the log with its time.</Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" sx={TALL} onClick={onClose}>
          {incident === 'choose' ? 'Cancel' : 'Close'}
        </Button>
      </DialogActions>
    </Dialog>
  )
}
