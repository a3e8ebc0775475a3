'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useEffect, useState } from 'react'
import type { OpenRun, RunEventKind } from '@/core/model'
import type { Cause, Deadline, ExpectedStep, RunScript } from '@/core/time/run'
import { taskWords } from '@/words'
import { useOfflineWorker } from '../hooks/useOfflineWorker'
import { Choice } from '../parts'
import { LINE } from '../theme'
import { Bowls } from './Bowls'
import { CrossCheck } from './CrossCheck'
import { useAlarm, useAwake } from './device'
import { Hair, type HairUnderProduct } from './Hair'
import { Happened } from './Happened'
import { LevelPicker } from './LevelPicker'
import { TALL } from './look'
import { More } from './More'
import { NextStep, Then } from './NextStep'
import { OutHair } from './OutHair'
import { Over } from './Over'
import { RunHead } from './RunHead'
import { useRun, type LiveRun } from './useRun'
import { chairView, type ChairView } from './view'
import { WayOut } from './WayOut'
import { useWhose } from './whose'
import { useClockTime, running } from './words'

/** What somebody may do to a visit: tell what happens, and put what it left into the record. */
export interface ChairPermissions {
  tell: boolean
  record: boolean
}

/** The visit while it goes on: what is next, large; the hair and its time; what has to be told. */
export function ChairPage({ open: pinned, permissions }: { open: OpenRun<RunScript>; permissions: ChairPermissions }) {
  'use memo'
  const live = useRun(pinned)
  const { open } = live
  const now = useNow(live.now)
  const people = [...open.script.people, ...live.state.joined]
  const [whose, setWhose] = useWhose(people)
  const view = chairView(open.script, live.state, now, whose)
  const [picker, setPicker] = useState<HairUnderProduct>()
  const [dialog, setDialog] = useState<'happened' | 'wayOut' | 'more'>()
  useAwake()
  useOfflineWorker()
  useAlarm(view.pressing.map(({ putInBy, stepId }) => `${putInBy} ${stepId}`))
  const tell = permissions.tell ? live.tell : undefined
  const close = () => setDialog(undefined)
  return (
    <Box sx={{ minHeight: '100dvh', display: 'flex', flexDirection: 'column' }}>
      <Bar open={open} live={live} view={view} mayTell={permissions.tell} />
      <Calls view={view} live={live} now={now} onWayOut={tell && (() => setDialog('wayOut'))} />
      <Box
        sx={{
          flex: 1,
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 4fr)' },
        }}
      >
        <Box sx={{ p: { xs: 1.5, sm: 2 } }}>
          {people.length > 1 && <Whose people={people} whose={whose} onChange={setWhose} />}
          <Work
            open={open}
            live={live}
            view={view}
            now={now}
            permissions={permissions}
            onHappened={() => setDialog('happened')}
            onMore={() => setDialog('more')}
          />
        </Box>
        <Box sx={{ borderLeft: { md: LINE }, borderTop: { xs: LINE, md: 'none' } }}>
          {view.zoneOnMap && <RunHead map={open.map} zones={view.zones} stageId={view.zoneOnMap.stageId} now={now} />}
          {tell && <OutHair steps={view.toRead} onCheck={setPicker} />}
          <Hair open={open} state={live.state} expected={view.expected} now={now} tell={tell} onCheck={setPicker} />
          {!view.over && (
            <Bowls script={open.script} formulas={open.formulas} state={live.state} now={now} tell={tell} />
          )}
        </Box>
      </Box>
      {picker && (
        <LevelPicker
          title={`${picker.name}: what does it show?`}
          where={picker.where}
          onClose={() => setPicker(undefined)}
          onPick={(value, spot) => live.tell({ kind: 'seen', stepId: picker.stepId, value, ...(spot && { spot }) })}
        />
      )}
      {dialog === 'happened' && <Happened stepId={view.next[0]?.step.id} tell={live.tell} onClose={close} />}
      {dialog === 'more' && <More formulas={open.formulas} add={live.add} onClose={close} />}
      {dialog === 'wayOut' && (
        <WayOut
          script={open.script}
          state={live.state}
          now={now}
          onClose={close}
          onTake={({ steps, joins }) => {
            live.tell({ kind: 'replanned', steps, ...(joins && { joins }) })
            close()
          }}
        />
      )}
    </Box>
  )
}

interface Part {
  live: LiveRun
  view: ChairView
  now: number
}

/** What cannot wait: what the server refused, longest times that end, and that it will not come out in time. */
function Calls({
  view: { pressing, late, offersWayOut, expected },
  live: { refused, left, takeOverLeft },
  now,
  onWayOut,
}: Part & { onWayOut: (() => void) | undefined }) {
  'use memo'
  const clockTime = useClockTime()
  return (
    <>
      {refused && <Alert severity="warning">Not taken by the server yet: {refused} It is kept on this device.</Alert>}
      {left > 0 && (
        <Alert
          severity="warning"
          action={
            <Button color="inherit" sx={{ minHeight: 44 }} onClick={takeOverLeft}>
              Send it as mine
            </Button>
          }
        >
          {left === 1 ? 'One step was' : `${left} steps were`} told on this tablet by somebody else and not sent before
          she left it. {left === 1 ? 'It waits' : 'They wait'} for her to come back, or go out under your name.
        </Alert>
      )}
      {pressing.map((deadline) => (
        <Call key={`${deadline.putInBy} ${deadline.stepId}`} deadline={deadline} steps={expected.steps} now={now} />
      ))}
      {offersWayOut && (
        <Alert
          severity="warning"
          action={
            onWayOut && (
              <Button color="inherit" sx={{ minHeight: 44 }} onClick={onWayOut}>
                Find a way
              </Button>
            )
          }
        >
          {late.length === 0
            ? `As it goes, it is done ${Math.round(expected.behind / 60_000)} min later than planned.`
            : `As it goes, ${late.length === 1 ? 'one longest time' : `${late.length} longest times`} would be passed, the first by ${Math.ceil(late[0]!.late / 60_000)} min at ${clockTime(late[0]!.at)}.`}
        </Alert>
      )}
    </>
  )
}

interface WorkProps extends Part {
  open: OpenRun<RunScript>
  permissions: ChairPermissions
  onHappened: () => void
  onMore: () => void
}

/** What is next and what comes then, or how it ended; and what a hand tells of it. */
function Work({ open, live, view: { over, next, toCheck }, now, permissions, onHappened, onMore }: WorkProps) {
  'use memo'
  const { script } = open
  const { state, tell } = live
  const people = [...script.people, ...state.joined]
  const mayTell = permissions.tell
  const [first, second] = next
  const handOver =
    mayTell && second?.status === 'waiting'
      ? (personId: string) => tell({ kind: 'handed', stepId: second.step.id, personId })
      : undefined
  return (
    <>
      {over && <Over live={live} mayTell={mayTell} mayRecord={permissions.record} open={open} />}
      {!over && first && <NextStep expected={first} people={people} live={live} now={now} mayTell={mayTell} />}
      {!over && !first && (
        <Alert severity="info">Nothing is left for this device. What others still do stands under Everybody.</Alert>
      )}
      {!over && second && <Then expected={second} people={people} onHand={handOver} />}
      {!over && mayTell && toCheck && (
        <CrossCheck
          step={toCheck}
          onTell={(note) => tell({ kind: 'crossChecked', stepId: toCheck.id, ...(note && { note }) })}
        />
      )}
      {mayTell && state.endedAt === undefined && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, mt: 2 }}>
          <Button
            variant="outlined"
            color="inherit"
            sx={TALL}
            disabled={!state.last}
            onClick={() => tell({ kind: 'undone', undoes: state.last!.id })}
          >
            Take back{state.last ? `: ${lastWords(state.last, script)}` : ''}
          </Button>
          <Button variant="outlined" color="inherit" sx={TALL} onClick={onHappened}>
            Something happened
          </Button>
          <Button variant="outlined" color="inherit" sx={{ ...TALL, gridColumn: 'span 2' }} onClick={onMore}>
            Put on something more
          </Button>
        </Box>
      )}
    </>
  )
}

/** Whose steps this device shows: everybody's, or one person's own. */
function Whose({
  people,
  whose,
  onChange,
}: {
  people: readonly { id: string; name: string }[]
  whose: string | undefined
  onChange: (personId?: string) => void
}) {
  const options = [{ value: 'all', label: 'Everybody' }, ...people.map(({ id, name }) => ({ value: id, label: name }))]
  return (
    <Box sx={{ mb: 1.5, '& button': { minHeight: 44 } }}>
      <Choice
        label="This device shows the steps of"
        value={whose ?? 'all'}
        options={options}
        onChange={(next) => onChange(next === 'all' ? undefined : next)}
      />
    </Box>
  )
}

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

interface BarProps {
  open: OpenRun<RunScript>
  live: LiveRun
  view: ChairView
  mayTell: boolean
}

function Bar({ open, live, view, mayTell }: BarProps) {
  'use memo'
  const clockTime = useClockTime()
  const { finish, behind, causes } = view.expected
  const late = Math.round(behind / 60_000)
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        columnGap: 2,
        flexWrap: 'wrap',
        px: 2,
        py: 1,
        borderBottom: LINE,
        bgcolor: 'background.paper',
      }}
    >
      <Typography component="h1" noWrap sx={{ fontWeight: 600, fontSize: '1.05rem', flex: '1 1 160px' }}>
        <Link href={`/plans/${open.planId}/clock`} style={{ color: 'inherit' }}>
          {open.client.name}
        </Link>{' '}
        · {open.planName}
      </Typography>
      <Box>
        <Typography sx={{ fontSize: '1.05rem' }}>
          done at <strong suppressHydrationWarning>{clockTime(finish)}</strong>
          {live.state.startedAt !== undefined &&
            late !== 0 &&
            ` · ${Math.abs(late)} min ${late > 0 ? 'later' : 'sooner'} than planned`}
        </Typography>
        {late !== 0 && causes.length > 0 && (
          <Typography variant="body2" color="textSecondary">
            {causes.slice(0, 2).map(causeWords).join('; ')}
          </Typography>
        )}
      </Box>
      {open.demo && mayTell && (
        <Button
          variant="outlined"
          color="inherit"
          aria-pressed={live.state.clock.pace > 1}
          onClick={() => live.tell({ kind: 'pace', value: live.state.clock.pace > 1 ? 1 : DEMO_PACE })}
        >
          Demo: {live.state.clock.pace > 1 ? 'time as it is' : `${DEMO_PACE} × as fast`}
        </Button>
      )}
      <Typography role="status" variant="body2" color={live.unsent > 0 || live.apart ? 'warning' : 'textSecondary'}>
        {keptWords(live)}
      </Typography>
    </Box>
  )
}

const keptWords = ({ unsent, writing, apart }: LiveRun): string => {
  if (unsent === 0) return apart ? 'not in step: Falto cannot be reached' : 'in step'
  return writing ? `keeping ${unsent} here …` : `${unsent} kept here, sent when the network is back`
}

const causeWords = ({ step, by }: Cause): string =>
  `${step ? taskWords(step) : 'Held up'}: ${Math.max(1, Math.round(Math.abs(by) / 60_000))} min ${step ? (by > 0 ? 'longer' : 'shorter') : ''}`.trim()

function Call({
  deadline: { at, stepId },
  steps,
  now,
}: {
  deadline: Deadline
  steps: readonly ExpectedStep[]
  now: number
}) {
  const out = steps.find(({ step }) => step.id === stepId)!
  return (
    <Alert severity={at < now ? 'error' : 'warning'} sx={{ fontSize: '1.1rem' }}>
      <strong>
        {taskWords(out.step)}:{' '}
        {at < now
          ? `${running(now - at)} over the product’s longest time. Out now.`
          : `out within ${running(at - now)}.`}
      </strong>
    </Alert>
  )
}

const KIND_WORDS: Record<RunEventKind, string> = {
  begun: 'begun',
  done: 'done',
  skipped: 'skipped',
  counted: 'counted',
  extra: 'one not planned',
  crossChecked: 'cross-checked',
  handed: 'handed over',
  seen: 'level seen',
  reapplied: 'applied again',
  misted: 'misted',
  warmed: 'warmed',
  opened: 'opened',
  leftOut: 'left out',
  bowlEmpty: 'bowl empty',
  bowlMixed: 'another bowl',
  thinned: 'developer added',
  changed: 'other strength',
  incident: 'what happened',
  delayed: 'held up',
  replanned: 'another way',
  amended: 'something more',
  pace: '',
  undone: '',
  ended: 'the end',
}

function lastWords(
  { kind, stepId, formulaId, value }: NonNullable<LiveRun['state']['last']>,
  script: RunScript,
): string {
  const step = script.steps.find(({ id }) => id === stepId)
  return [
    KIND_WORDS[kind] + (kind === 'counted' || kind === 'seen' ? ` ${value}` : ''),
    step ? taskWords(step) : formulaId,
  ]
    .filter(Boolean)
    .join(', ')
}
