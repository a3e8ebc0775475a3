'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { byId, type PourEvent } from '@/core/model'
import { corrected, describeStep, nextTarget, poured, withDeveloper, type Pouring } from '@/core/product/bowls'
import { roundToTenth } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { usePlan } from '../map/context'
import { useNotice } from '../notices'
import { BowlMade } from './BowlMade'
import { BowlTable } from './BowlTable'
import { PourLine } from './PourLine'
import { useBowl, useScaleGone } from './useBowl'
import { useScale, type Scale } from './useScale'

interface Props {
  id: string
  bowl: number
  onClose: () => void
}

const SCALE_WORDS = { there: 'scale: simulated', lost: 'scale: silent', looking: 'looking for the scale' } as const

/** What is added at a time to a bowl that has thickened, g. Our estimate. */
const THINNING_G = 5

/**
 * One bowl on the scale: what to pour next, how much is in, and what an overshoot led to. Typing works without a scale.
 */
export function WeighDialog({ id, bowl: number, onClose }: Props) {
  const planId = usePlan((state) => state.id)
  const planned = usePlan(
    (state) => state.judged!.figures.mix.find(({ formulaId }) => formulaId === id)!.bowls[number - 1]!,
  )
  const name = usePlan((state) => byId(state.document.formulas, id).name)
  const bowl = useBowl({ planId, formulaId: id, number }, planned.parts)
  const [ending, setEnding] = useState(false)
  const { reading, first, state } = useScale()
  const { read } = useUnits()
  const notice = useNotice()
  const { pouring } = bowl
  const at = nextTarget(pouring)
  const line = pouring.lines[at]
  const zero = bowl.from ?? first ?? 0
  const now = reading ? roundToTenth(Math.max(0, reading.grams - zero)) : 0

  const log = (next: Pouring, event: Omit<PourEvent, 'id'>) => bowl.log(next, event, zero)

  useScaleGone(state, (kind) => log(pouring, { kind, line: Math.max(0, at), grams: now, source: 'scale' }))

  async function end(how: 'done' | 'abandoned') {
    setEnding(true)
    const became = await bowl.end(how)
    setEnding(false)
    if (!became) return
    notice(
      became === 'done'
        ? `Bowl ${number} of ${name} is mixed; the shelf is counted down.`
        : `Bowl ${number} was given up; the shelf stays as it is.`,
    )
    onClose()
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="weigh-title">
      <Title words={`Formula ${id}, bowl ${number}: ${planned.grams} g`} scale={state} />
      <DialogContent>
        {bowl.trouble && <Alert severity="warning">{bowl.trouble}</Alert>}
        <Typography role="status" sx={{ fontSize: '1.6rem', fontWeight: 600 }}>
          {read(describeStep(pouring))}
        </Typography>
        {line && (
          <PourLine
            line={line}
            now={now}
            steady={reading?.steady === true}
            scale={state}
            onTake={(grams, source) =>
              bowl.log(poured(pouring, at, grams), { kind: 'poured', line: at, grams, source }, reading?.grams ?? zero)
            }
          />
        )}
        {'words' in pouring.verdict && (
          <Alert severity={pouring.verdict.kind === 'kept' ? 'info' : 'warning'} sx={{ mt: 1.5 }}>
            {read(pouring.verdict.words)}
          </Alert>
        )}
        <BowlTable
          lines={pouring.lines}
          at={at}
          onCorrect={(i, grams) =>
            log(corrected(pouring, i, grams), { kind: 'corrected', line: i, grams, source: 'typed' })
          }
        />
        <BowlMade
          pouring={pouring}
          vol={planned.vol}
          thinningG={THINNING_G}
          onThin={(i) =>
            log(withDeveloper(pouring, i, THINNING_G), { kind: 'poured', line: i, grams: THINNING_G, source: 'typed' })
          }
        />
        <Typography variant="caption" color="textSecondary">
          Every pour is kept at once, also without the network; a reload goes on where it was.
        </Typography>
      </DialogContent>
      <BowlActions pouring={pouring} busy={ending} onEnd={(how) => void end(how)} onLater={onClose} />
    </Dialog>
  )
}

function Title({ words, scale }: { words: string; scale: Scale['state'] }) {
  const { read } = useUnits()
  return (
    <DialogTitle id="weigh-title" sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
      <Box sx={{ flex: 1 }}>{read(words)}</Box>
      <Chip size="small" color={scale === 'lost' ? 'warning' : 'default'} label={SCALE_WORDS[scale]} />
    </DialogTitle>
  )
}

interface ActionsProps {
  pouring: Pouring
  busy: boolean
  onEnd: (how: 'done' | 'abandoned') => void
  onLater: () => void
}

/** How a bowl ends, or waits. */
function BowlActions({ pouring, busy, onEnd, onLater }: ActionsProps) {
  const empty = pouring.lines.every(({ actual }) => actual === 0)
  const whole = pouring.verdict.kind === 'done' || nextTarget(pouring) < 0
  return (
    <DialogActions>
      <Button color="inherit" disabled={busy} onClick={() => onEnd('abandoned')}>
        Give this bowl up
      </Button>
      <Button color="inherit" onClick={onLater}>
        Later
      </Button>
      <Button variant="contained" disabled={busy || empty} onClick={() => onEnd('done')}>
        {whole ? 'Mixed' : 'Mixed as it is'}
      </Button>
    </DialogActions>
  )
}
