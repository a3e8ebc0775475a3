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
import { byId } from '@/core/model'
import { corrected, describeStep, nextTarget, poured, withDeveloper } from '@/core/product/bowls'
import { roundToTenth } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { usePlan } from '../map/context'
import { useNotice } from '../notices'
import { BowlMade } from './BowlMade'
import { BowlTable } from './BowlTable'
import { PourLine } from './PourLine'
import { useBowl, useScaleGone } from './useBowl'
import { useScale } from './useScale'

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

  useScaleGone(state, (kind) => bowl.log(pouring, { kind, line: Math.max(0, at), grams: now, source: 'scale' }, zero))

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
      <DialogTitle id="weigh-title" sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Box sx={{ flex: 1 }}>
          Formula {id}, bowl {number}: {read(`${planned.grams} g`)}
        </Box>
        <Chip size="small" color={state === 'lost' ? 'warning' : 'default'} label={SCALE_WORDS[state]} />
      </DialogTitle>
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
            bowl.log(corrected(pouring, i, grams), { kind: 'corrected', line: i, grams, source: 'typed' }, zero)
          }
        />
        <BowlMade
          pouring={pouring}
          vol={planned.vol}
          thinningG={THINNING_G}
          onThin={(i) => {
            const thinned = withDeveloper(pouring, i, THINNING_G)
            bowl.log(thinned, { kind: 'poured', line: i, grams: THINNING_G, source: 'typed' }, zero)
          }}
        />
        <Typography variant="caption" color="textSecondary">
          Every pour is kept at once, also without the network; a reload goes on where it was.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" disabled={ending} onClick={() => void end('abandoned')}>
          Give this bowl up
        </Button>
        <Button color="inherit" onClick={onClose}>
          Later
        </Button>
        <Button
          variant="contained"
          disabled={ending || pouring.lines.every(({ actual }) => actual === 0)}
          onClick={() => void end('done')}
        >
          {pouring.verdict.kind === 'done' || at < 0 ? 'Mixed' : 'Mixed as it is'}
        </Button>
      </DialogActions>
    </Dialog>
  )
}
