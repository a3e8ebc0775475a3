'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { WAITING, zoneOfStep, type Expected, type RunScript, type RunState } from '@/core/run'
import { LINE } from '../theme'
import { clockTime, running } from './words'

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
  script: RunScript
  state: RunState
  expected: Expected
  now: number
  mayTell: boolean
  onCheck: (hair: HairUnderProduct) => void
  onAgain: (stepId: string) => void
}

/** All hair that is under product, with its time, what was seen, and when to look again. */
export function Hair({ script, state, expected, now, mayTell, onCheck, onAgain }: Props) {
  const under = script.steps.filter(({ id, kind }) => {
    if (kind !== 'apply' || state.steps.get(id)?.begunAt === undefined) return false
    // What is out or rinsed is under product no more.
    const ends = script.lags.filter(({ from, formulaId }) => from === id && formulaId !== null).map(({ to }) => state.steps.get(to)?.status ?? 'waiting')
    return ends.length === 0 || ends.some((status) => status === 'waiting' || status === 'begun')
  })
  return (
    <Box component="section" aria-label="Hair under product" sx={{ p: { xs: 1.5, sm: 2 } }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Under product
      </Typography>
      {under.length === 0 && <Typography color="textSecondary">{state.startedAt === undefined ? 'Nothing yet. Times begin with the first piece.' : 'Nothing now.'}</Typography>}
      {under.map((step) => {
        const { begunAt = now, seen, reappliedAt } = state.steps.get(step.id) ?? WAITING
        const deadline = expected.deadlines.find(({ putInBy }) => putInBy === step.id)
        const zone = zoneOfStep(script, step)
        const lastLook = Math.max(begunAt, ...seen.map(({ at }) => at))
        const due = lastLook + CHECK_MS
        const share = deadline ? Math.min(1, Math.max(0, now - begunAt) / (deadline.at - begunAt)) : 0
        const fragile = step.pieces.find(({ id }) => id === zone?.checks.fragile)
        const where = `Wipe and look at ${fragile ? `the most fragile piece (${pieceWords(fragile.id)}) and ` : ''}the one put in last (${pieceWords(step.pieces.at(-1)!.id)}), not only at the first.`
        return (
          <Box key={step.id} component="article" aria-label={step.about} sx={{ borderTop: LINE, py: 1 }}>
            <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
              <Typography sx={{ fontWeight: 600, fontSize: '1.1rem', flex: 1 }}>{step.about}</Typography>
              <Typography sx={{ fontSize: '1.5rem', fontWeight: 600 }}>{running(now - begunAt)}</Typography>
            </Box>
            <Box aria-hidden sx={{ height: 8, bgcolor: 'action.selected', my: 0.5 }}>
              <Box style={{ width: `${100 * share}%` }} sx={{ height: 8, bgcolor: share >= 1 ? 'error.main' : 'text.primary' }} />
            </Box>
            <Typography variant="body2" color={deadline && deadline.late > 0 ? 'error' : 'textSecondary'}>
              {deadline ? `out by ${clockTime(deadline.at)} at the latest` : 'no longest time given'}
              {deadline && deadline.late > 0 && `, ${Math.ceil(deadline.late / 60_000)} min before there is a hand for it`}
              {seen.length > 0 && ` · seen ${seen.at(-1)!.level} at ${clockTime(seen.at(-1)!.at)}`}
              {reappliedAt.length > 0 && ` · applied again ${clockTime(reappliedAt.at(-1)!)}`}
            </Typography>
            {mayTell && (
              <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, mt: 0.75 }}>
                <Button variant={due <= now ? 'contained' : 'outlined'} color={due <= now ? 'primary' : 'inherit'} sx={{ minHeight: 52 }} onClick={() => onCheck({ stepId: step.id, name: step.about, where })}>
                  {due <= now ? 'Look now' : `Look at ${clockTime(due)}`}
                </Button>
                <Button variant="outlined" color="inherit" sx={{ minHeight: 52 }} onClick={() => onAgain(step.id)}>
                  Applied again
                </Button>
              </Box>
            )}
          </Box>
        )
      })}
    </Box>
  )
}

/** A piece by its row and place, as the head sheet counts them. */
function pieceWords(id: string): string {
  const [, , row, index] = id.split('/')
  return `row ${Number(row) + 1}, piece ${Number(index) + 1}`
}
