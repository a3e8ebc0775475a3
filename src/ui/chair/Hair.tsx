'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { OpenRun } from '@/core/model'
import {
  endsOf,
  underProduct,
  WAITING,
  zoneOfStep,
  type Deadline,
  type Expected,
  type RunScript,
  type RunState,
  type ScriptStep,
  type StepState,
} from '@/core/time/run'
import { roundToTenth } from '@/core/units'
import { SPOT_WORDS } from '@/words'
import { LINE } from '../theme'
import type { LiveRun } from './useRun'
import { pieceWords, running, useClockTime } from './words'

/** Hair that one step put under product. */
export interface HairUnderProduct {
  /** The step that put it in. */
  stepId: string
  name: string
  /** Where to look first. */
  where: string
}

/** A strand is looked at every so often, ms. Common practice: every five to ten minutes. */
const CHECK_MS = 8 * 60_000

interface Props {
  open: OpenRun<RunScript>
  state: RunState
  expected: Expected
  now: number
  tell: LiveRun['tell'] | undefined
  onCheck: (hair: HairUnderProduct) => void
}

/** All hair that is under product, with its time, what it should show by now, what was seen, and when to look again. */
export function Hair({ open, state, expected, now, tell, onCheck }: Props) {
  'use memo'
  const { script } = open
  const under = script.steps.filter(({ id, kind }) => {
    if (kind !== 'apply' || state.steps.get(id)?.begunAt === undefined) return false
    // What is out or rinsed is under product no more.
    const ends = endsOf(script, id).map((end) => state.steps.get(end)?.status ?? 'waiting')
    return ends.length === 0 || ends.some((status) => status === 'waiting' || status === 'begun')
  })
  return (
    <Box component="section" aria-label="Hair under product" sx={{ p: { xs: 1.5, sm: 2 } }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Under product
      </Typography>
      {under.length === 0 && (
        <Typography color="textSecondary">
          {state.startedAt === undefined ? 'Nothing yet. Times begin with the first piece.' : 'Nothing now.'}
        </Typography>
      )}
      {under.map((step) => (
        <Piece
          key={step.id}
          open={open}
          step={step}
          state={state}
          expected={expected}
          now={now}
          tell={tell}
          onCheck={onCheck}
        />
      ))}
    </Box>
  )
}

const CARE_WORDS = { reapplied: 'applied again', misted: 'misted', warmed: 'warmed', opened: 'opened' } as const

function Piece({ open, step, state, expected, now, tell, onCheck }: Props & { step: ScriptStep }) {
  'use memo'
  const { begunAt = now, seen, care } = state.steps.get(step.id) ?? WAITING
  const ends = endsOf(open.script, step.id)
  // Colour's time counts from when the last of it is on, which stands for what went on before.
  const deadline =
    expected.deadlines.find(({ putInBy }) => putInBy === step.id) ??
    expected.deadlines.find(
      ({ stepId, formulaId }) => ends.includes(stepId) && step.pieces.some((piece) => piece.formulaId === formulaId),
    )
  const zone = zoneOfStep(open.script, step)
  const { level, ready, dryAt } = underProduct(open, state, step, now)
  // What is out before it dries need not be wetted.
  const dry = dryAt !== undefined && (!deadline || dryAt < deadline.at) ? dryAt : undefined
  const due = Math.max(begunAt, ...seen.map(({ at }) => at)) + CHECK_MS
  const share = deadline ? Math.min(1, Math.max(0, now - begunAt) / (deadline.at - begunAt)) : 0
  const fragile = step.pieces.find(({ id }) => id === zone?.checks.fragile)
  const where = `Wipe and look at ${fragile ? `the most fragile piece (${pieceWords(fragile.id)}) and ` : ''}the one put in last (${pieceWords(step.pieces.at(-1)!.id)}), not only at the first.`
  return (
    <Box component="article" aria-label={step.about} sx={{ borderTop: LINE, py: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography sx={{ fontWeight: 600, fontSize: '1.1rem', flex: 1 }}>{step.about}</Typography>
        {level && (
          <Typography title="The first piece, expected from its mix, its hair and what was seen; a range">
            about {rangeWords(level)}
            {zone && `, goal ${zone.goal}`}
          </Typography>
        )}
        <Typography sx={{ fontSize: '1.5rem', fontWeight: 600 }}>{running(now - begunAt)}</Typography>
      </Box>
      <Box aria-hidden sx={{ height: 8, bgcolor: 'action.selected', my: 0.5 }}>
        <Box
          style={{ width: `${100 * share}%` }}
          sx={{ height: 8, bgcolor: share >= 1 ? 'error.main' : 'text.primary' }}
        />
      </Box>
      <Times step={step} state={state} deadline={deadline} ends={ends.length > 0} ready={ready} dry={dry} now={now} />
      {tell && (
        <PieceButtons
          due={due}
          drying={dry !== undefined && dry <= now}
          closed={step.course?.cover === 'foil' && care.every(({ kind }) => kind !== 'opened')}
          now={now}
          onLook={() => onCheck({ stepId: step.id, name: step.about, where })}
          onTell={(event) => tell({ stepId: step.id, ...event })}
        />
      )}
    </Box>
  )
}

const rangeWords = ({ low, high }: { low: number; high: number }): string =>
  [...new Set([roundToTenth(low), roundToTenth(high)])].join('–')

interface TimesProps extends Pick<Props, 'state' | 'now'> {
  step: ScriptStep
  deadline: Deadline | undefined
  /** Whether something ends its time. */
  ends: boolean
  /** When it is near its goal, and when it dries, ms. */
  ready: number | undefined
  dry: number | undefined
}

/** What is known of a piece's time, and what was last done to it. */
function Times({ step, state, deadline, ends, ready, dry, now }: TimesProps) {
  const clockTime = useClockTime()
  const { seen, care } = state.steps.get(step.id) ?? WAITING
  const touch = care.at(-1)
  const words = [
    ready !== undefined && (!deadline || ready < deadline.at) ? `near its goal about ${clockTime(ready)}` : '',
    dry === undefined ? '' : dry <= now ? 'drying: apply again, or mist' : `wet until about ${clockTime(dry)}`,
    deadline
      ? `out by ${clockTime(deadline.at)} at the latest${deadline.late > 0 ? `, ${Math.ceil(deadline.late / 60_000)} min before there is a hand for it` : ''}`
      : ends
        ? 'its time counts from when the last of it is on'
        : 'no longest time given',
    seen.length > 0 ? `seen ${seenWords(seen)} at ${clockTime(seen.at(-1)!.at)}` : '',
    touch ? `${CARE_WORDS[touch.kind]} ${clockTime(touch.at)}` : '',
  ]
  return (
    <Typography variant="body2" color={deadline && deadline.late > 0 ? 'error' : 'textSecondary'}>
      {words.filter(Boolean).join(' · ')}
    </Typography>
  )
}

/** The last look: at all of the strand, or at some of it since. */
function seenWords(seen: StepState['seen']): string {
  const since = seen.slice(
    Math.max(
      0,
      seen.findLastIndex(({ spot }) => spot === undefined),
    ),
  )
  return since.map(({ level, spot }) => (spot ? `${SPOT_WORDS[spot]} ${level}` : `${level}`)).join(', ')
}

interface ButtonsProps {
  /** When it is to be looked at next, ms. */
  due: number
  drying: boolean
  /** Whether it lies in a closed foil. */
  closed: boolean
  now: number
  onLook: () => void
  onTell: (event: { kind: keyof typeof CARE_WORDS; value?: number }) => void
}

function PieceButtons({ due, drying, closed, now, onLook, onTell }: ButtonsProps) {
  const clockTime = useClockTime()
  const urgent = (yes: boolean) =>
    ({ variant: yes ? 'contained' : 'outlined', color: yes ? 'primary' : 'inherit' }) as const
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: `2fr repeat(${closed ? 4 : 3}, 1fr)`,
        gap: 1,
        mt: 0.75,
        '& button': { minHeight: 52, lineHeight: 1.15, px: 0.5 },
      }}
    >
      <Button {...urgent(due <= now)} onClick={onLook}>
        {due <= now ? 'Look now' : `Look at ${clockTime(due)}`}
      </Button>
      <Button {...urgent(drying)} onClick={() => onTell({ kind: 'reapplied' })}>
        Applied again
      </Button>
      <Button {...urgent(false)} onClick={() => onTell({ kind: 'misted' })}>
        Misted
      </Button>
      <Button {...urgent(false)} onClick={() => onTell({ kind: 'warmed', value: WARM_MINUTES })}>
        Warmed {WARM_MINUTES} min
      </Button>
      {closed && (
        <Button {...urgent(false)} onClick={() => onTell({ kind: 'opened' })}>
          Opened
        </Button>
      )}
    </Box>
  )
}

/** How long careful heat on lagging ends usually lasts, min. Common practice. */
const WARM_MINUTES = 5
