'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { RunFormula } from '@/core/model'
import { WAITING, type RunScript, type RunState } from '@/core/time/run'
import { useUnits } from '../hooks/useUnits'
import { FormulaSample, NumberField } from '../parts'
import { LINE } from '../theme'
import type { LiveRun } from './useRun'
import { useClockTime } from './words'

const GRAMS = { min: 1, max: 500, unit: 'g' }
const VOL = { min: 3, max: 40, unit: 'vol' }
/** What usually goes into a bowl that has thickened, g. Our estimate. */
const USUALLY_ADDED_G = 10

interface Props {
  script: RunScript
  formulas: readonly RunFormula[]
  state: RunState
  now: number
  tell: LiveRun['tell'] | undefined
}

/** A question about a bowl: how much developer went in, or at which strength it goes on. */
interface Asked {
  formula: RunFormula
  kind: 'thinned' | 'changed'
  /** What the field holds at first. */
  value: number
}

/** Bowls in use: how old they are, and what was done to them. */
export function Bowls({ script, formulas, state, now, tell }: Props) {
  'use memo'
  const [asked, setAsked] = useState<Asked>()
  const used = formulas.filter(({ id }) => state.bowls.has(id))
  if (used.length === 0) return null
  return (
    <Box component="section" aria-label="Bowls" sx={{ p: { xs: 1.5, sm: 2 }, borderTop: LINE }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Bowls
      </Typography>
      {used.map((formula) => (
        <Bowl
          key={formula.id}
          formula={formula}
          index={formulas.indexOf(formula)}
          script={script}
          state={state}
          now={now}
          tell={tell}
          onAsk={setAsked}
        />
      ))}
      {asked && tell && (
        <BowlQuestion
          asked={asked}
          onClose={() => setAsked(undefined)}
          onTell={(value) => {
            tell({ kind: asked.kind, formulaId: asked.formula.id, value })
            setAsked(undefined)
          }}
        />
      )}
    </Box>
  )
}

interface BowlProps extends Omit<Props, 'formulas'> {
  formula: RunFormula
  index: number
  onAsk: (asked: Asked) => void
}

/** Whether something is still to be put on with a formula. */
const isNeeded = ({ steps }: RunScript, state: RunState, formula: string): boolean =>
  steps.some(
    ({ id, kind, pieces }) =>
      kind === 'apply' &&
      pieces.some(({ formulaId }) => formulaId === formula) &&
      ['waiting', 'begun'].includes((state.steps.get(id) ?? WAITING).status),
  )

function Bowl({ formula, index, script, state, now, tell, onAsk }: BowlProps) {
  'use memo'
  const clockTime = useClockTime()
  const { read } = useUnits()
  const { mixedAt, emptyAt, thinnedG, vol } = state.bowls.get(formula.id)!
  const age = mixedAt === undefined ? undefined : Math.max(0, Math.floor((now - mixedAt) / 60_000))
  const life = formula.workingLifeMinutes
  const needed = isNeeded(script, state, formula.id)
  const old = needed && age !== undefined && life !== null && age >= life
  const words = [
    age === undefined ? `empty since ${clockTime(emptyAt ?? now)}` : `mixed ${age} min ago`,
    needed && age !== undefined && life !== null
      ? old
        ? `, past its ${life} min: mix afresh`
        : `, keeps ${life} min`
      : '',
    needed ? '' : ', nothing left to put it on',
    thinnedG > 0 ? read(` · ${thinnedG} g developer added`) : '',
    vol ? read(` · ${vol.vol} vol since ${clockTime(vol.at)}`) : '',
  ]
  return (
    <Box component="article" aria-label={`Bowl of ${formula.id}`} sx={{ borderTop: LINE, py: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <FormulaSample id={formula.id} index={index} swatch={formula.swatch} size={28} />
        <Typography sx={{ flex: 1 }} color={old ? 'error' : undefined}>
          {formula.product}: {words.join('')}
        </Typography>
      </Box>
      {tell && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, mt: 0.75, '& button': { minHeight: 52 } }}>
          {age !== undefined && (
            <Button
              variant="outlined"
              color="inherit"
              onClick={() => tell({ kind: 'bowlEmpty', formulaId: formula.id })}
            >
              Bowl is empty
            </Button>
          )}
          {(age === undefined || old) && (
            <Button variant="contained" onClick={() => tell({ kind: 'bowlMixed', formulaId: formula.id })}>
              Another is mixed
            </Button>
          )}
          <Button
            variant="outlined"
            color="inherit"
            onClick={() => onAsk({ formula, kind: 'thinned', value: USUALLY_ADDED_G })}
          >
            Developer added
          </Button>
          <Button
            variant="outlined"
            color="inherit"
            onClick={() => onAsk({ formula, kind: 'changed', value: vol?.vol ?? formula.developerVol })}
          >
            Other strength
          </Button>
        </Box>
      )}
    </Box>
  )
}

interface QuestionProps {
  asked: Asked
  onClose: () => void
  onTell: (value: number) => void
}

function BowlQuestion({ asked: { formula, kind, value: first }, onClose, onTell }: QuestionProps) {
  const [value, setValue] = useState(first)
  const thinned = kind === 'thinned'
  return (
    <Dialog open onClose={onClose} aria-labelledby="bowl-title">
      <DialogTitle id="bowl-title">
        {thinned ? `Developer added to ${formula.id}` : `${formula.id} is mixed otherwise from here on`}
      </DialogTitle>
      <DialogContent sx={{ pt: '8px !important' }}>
        <NumberField
          label={thinned ? 'Developer' : 'Developer strength'}
          value={value}
          limit={thinned ? GRAMS : VOL}
          step={thinned ? 5 : 1}
          onChange={setValue}
        />
        {!thinned && (
          <Typography sx={{ mt: 1 }} variant="body2">
            What goes in from now on is expected to lift at that strength’s speed. Strengths and times of the product’s
            label hold.
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" sx={{ minHeight: 52 }} onClick={onClose}>
          Cancel
        </Button>
        <Button variant="contained" sx={{ minHeight: 52 }} onClick={() => onTell(value)}>
          Tell
        </Button>
      </DialogActions>
    </Dialog>
  )
}
