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
  type Expected,
  type RunScript,
  type RunState,
  type ScriptStep,
} from '@/core/time/run'
import { roundToTenth } from '@/core/units'
import { LINE } from '../theme'
import type { LiveRun } from './useRun'
import { useClockTime, running } from './words'

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

const CARE_WORDS = { reapplied: 'applied again', misted: 'misted', warmed: 'warmed' } as const

function Piece({ open, step, state, expected, now, tell, onCheck }: Props & { step: ScriptStep }) {
  'use memo'
  const clockTime = useClockTime()
  const { script } = open
  const { begunAt = now, seen, care } = state.steps.get(step.id) ?? WAITING
  const deadline = expected.deadlines.find(({ putInBy }) => putInBy === step.id)
  const zone = zoneOfStep(script, step)
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
            about{' '}
            {roundToTenth(level.low) === roundToTenth(level.high)
              ? roundToTenth(level.low)
              : `${roundToTenth(level.low)}–${roundToTenth(level.high)}`}
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
      <Typography variant="body2" color={deadline && deadline.late > 0 ? 'error' : 'textSecondary'}>
        {[
          ready !== undefined && (!deadline || ready < deadline.at) ? `near its goal about ${clockTime(ready)}` : '',
          dry === undefined ? '' : dry <= now ? 'drying: apply again, or mist' : `wet until about ${clockTime(dry)}`,
          deadline
            ? `out by ${clockTime(deadline.at)} at the latest${deadline.late > 0 ? `, ${Math.ceil(deadline.late / 60_000)} min before there is a hand for it` : ''}`
            : 'no longest time given',
          seen.length > 0 ? `seen ${seen.at(-1)!.level} at ${clockTime(seen.at(-1)!.at)}` : '',
          care.length > 0 ? `${CARE_WORDS[care.at(-1)!.kind]} ${clockTime(care.at(-1)!.at)}` : '',
        ]
          .filter(Boolean)
          .join(' · ')}
      </Typography>
      {tell && (
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: '2fr 1fr 1fr 1fr',
            gap: 1,
            mt: 0.75,
            '& button': { minHeight: 52, lineHeight: 1.15, px: 0.5 },
          }}
        >
          <Button
            variant={due <= now ? 'contained' : 'outlined'}
            color={due <= now ? 'primary' : 'inherit'}
            onClick={() => onCheck({ stepId: step.id, name: step.about, where })}
          >
            {due <= now ? 'Look now' : `Look at ${clockTime(due)}`}
          </Button>
          <Button
            variant={dry !== undefined && dry <= now ? 'contained' : 'outlined'}
            color={dry !== undefined && dry <= now ? 'primary' : 'inherit'}
            onClick={() => tell({ kind: 'reapplied', stepId: step.id })}
          >
            Applied again
          </Button>
          <Button variant="outlined" color="inherit" onClick={() => tell({ kind: 'misted', stepId: step.id })}>
            Misted
          </Button>
          <Button
            variant="outlined"
            color="inherit"
            onClick={() => tell({ kind: 'warmed', stepId: step.id, value: WARM_MINUTES })}
          >
            Warmed {WARM_MINUTES} min
          </Button>
        </Box>
      )}
    </Box>
  )
}

/** How long careful heat on lagging ends usually lasts, min. Common practice. */
const WARM_MINUTES = 5

/** A piece by its row and place, as the head sheet counts them. */
function pieceWords(id: string): string {
  const [, , row, index] = id.split('/')
  return `row ${Number(row) + 1}, piece ${Number(index) + 1}`
}
