'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import { mayDo, WAITING, type ExpectedStep, type RunScript } from '@/core/time/run'
import { taskWords } from '@/words'
import { LINE } from '../theme'
import { TALL, TALLEST } from './look'
import type { LiveRun } from './useRun'
import { Unplanned } from './Unplanned'
import { pieceWords, running, useClockTime } from './words'

/**
 * A button that has just taken another's place is not to be hit by a second tap, nor by one that another device was
 * quicker than; it looks as ever meanwhile. ms; our estimate.
 */
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

interface StepProps {
  expected: ExpectedStep
  people: RunScript['people']
}

const nameOf = (people: RunScript['people'], id: string) => people.find((person) => person.id === id)?.name ?? ''

interface NextProps extends StepProps {
  live: LiveRun
  now: number
  mayTell: boolean
}

/** What is next, or being done, as large as it can be. */
export function NextStep({ expected, people, live, now, mayTell }: NextProps) {
  'use memo'
  const { step, status, personId, from, to } = expected
  const clockTime = useClockTime()
  const about = Math.max(1, Math.round(step.seconds / 60))
  const begun = status === 'begun'
  return (
    <Box
      component="section"
      aria-label="Next step"
      sx={{ p: 2, border: '2px solid', borderColor: 'text.primary', borderRadius: 1, bgcolor: 'background.paper' }}
    >
      <Typography color="textSecondary">
        {begun ? 'Now' : 'Next'}
        {people.length > 1 && ` · ${nameOf(people, personId)}`}
        {status === 'waiting' && from - now > 60_000 && ` · from ${clockTime(from)}`}
      </Typography>
      <Typography sx={{ fontSize: { xs: '1.7rem', sm: '2.1rem' }, fontWeight: 600, lineHeight: 1.15, my: 0.5 }}>
        {taskWords(step)}
      </Typography>
      <Typography sx={{ fontSize: '1.2rem' }}>
        {begun ? `${running(now - from)} of about ${about} min` : `about ${about} min, to ${clockTime(to)}`}
      </Typography>
      {begun && <Counter step={step} live={live} mayTell={mayTell} />}
      {mayTell && <StepButtons step={step} begun={begun} tell={live.tell} />}
    </Box>
  )
}

/** How many pieces are in, or out. */
function Counter({ step, live, mayTell }: Pick<NextProps, 'live' | 'mayTell'> & Pick<ExpectedStep, 'step'>) {
  const { counted, extra, leftOut } = live.state.steps.get(step.id) ?? WAITING
  const [adding, setAdding] = useState(false)
  const planned = step.pieces.filter(({ id }) => !leftOut.includes(id))
  const pieces = planned.length + extra
  const coming = step.kind === 'apply' ? planned[counted] : undefined
  if (step.pieces.length + extra === 0) return null
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(2, 1fr)', alignItems: 'center', gap: 1, mt: 1.5 }}>
      <Box>
        <Typography sx={{ fontSize: '2rem', fontWeight: 600, lineHeight: 1.1 }} aria-live="polite">
          {counted} / {pieces}
        </Typography>
        {coming && <Typography color="textSecondary">{pieceWords(coming.id)}</Typography>}
      </Box>
      {mayTell && (
        <Button
          variant="outlined"
          color="inherit"
          sx={{ ...TALL, minHeight: 72, fontSize: '1.2rem' }}
          disabled={counted >= pieces}
          onClick={() => live.tell({ kind: 'counted', stepId: step.id, value: counted + 1 })}
        >
          One more {step.kind === 'takeOut' ? 'out' : 'in'}
        </Button>
      )}
      {mayTell && step.kind === 'apply' && (
        <>
          <Button
            variant="outlined"
            color="inherit"
            sx={TALL}
            disabled={!coming}
            onClick={() => coming && live.tell({ kind: 'leftOut', stepId: step.id, pieceId: coming.id })}
          >
            Leave it out
          </Button>
          <Button variant="outlined" color="inherit" sx={TALL} onClick={() => setAdding(true)}>
            One not planned
          </Button>
        </>
      )}
      {adding && (
        <Unplanned
          about={step.about}
          onTell={(piece) => live.tell({ kind: 'extra', stepId: step.id, value: 1, ...piece })}
          onClose={() => setAdding(false)}
        />
      )}
    </Box>
  )
}

interface StepButtonsProps extends Pick<ExpectedStep, 'step'> {
  begun: boolean
  tell: LiveRun['tell']
}

function StepButtons({ step, begun, tell }: StepButtonsProps) {
  const rested = useRested(`${step.id} ${begun}`)
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '3fr 1fr', gap: 1, mt: 2 }}>
      <Button
        variant="contained"
        sx={{ ...TALLEST, '&.Mui-disabled': { bgcolor: 'primary.main', color: 'primary.contrastText' } }}
        disabled={!rested}
        onClick={() => tell({ kind: begun ? 'done' : 'begun', stepId: step.id })}
      >
        {begun ? 'Done' : 'Begin'}
      </Button>
      <Button
        variant="outlined"
        color="inherit"
        sx={{ ...TALL, minHeight: 80, '&.Mui-disabled': { color: 'inherit', borderColor: 'currentcolor' } }}
        disabled={!rested}
        onClick={() => tell({ kind: 'skipped', stepId: step.id })}
      >
        Skip
      </Button>
    </Box>
  )
}

/** The step after it, with a way to hand it to somebody else. */
export function Then({
  expected: { step, from, status, personId },
  people,
  onHand,
}: StepProps & { onHand: ((personId: string) => void) | undefined }) {
  'use memo'
  const clockTime = useClockTime()
  const others = people.filter((person) => person.id !== personId && mayDo(person, step.kind))
  return (
    <Box
      component="section"
      aria-label="Then"
      sx={{ px: 2, py: 1.25, border: LINE, borderRadius: 1, mt: 1.5, display: 'flex', alignItems: 'center', gap: 1 }}
    >
      <Box sx={{ flex: 1 }}>
        <Typography color="textSecondary" variant="body2">
          {status === 'begun' ? 'Meanwhile' : 'Then'}
          {people.length > 1 && ` · ${nameOf(people, personId)}`} · {clockTime(from)}
        </Typography>
        <Typography sx={{ fontSize: '1.35rem', fontWeight: 600 }}>{taskWords(step)}</Typography>
      </Box>
      {onHand &&
        others.map(({ id, name }) => (
          <Button key={id} variant="outlined" color="inherit" sx={{ minHeight: 52 }} onClick={() => onHand(id)}>
            To {name}
          </Button>
        ))}
    </Box>
  )
}
