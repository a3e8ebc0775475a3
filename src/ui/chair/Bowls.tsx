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

interface Props {
  script: RunScript
  formulas: readonly RunFormula[]
  state: RunState
  now: number
  tell: LiveRun['tell'] | undefined
}

/** Bowls in use: how old they are, and what was done to them. */
export function Bowls({ script, formulas, state, now, tell }: Props) {
  'use memo'
  const clockTime = useClockTime()
  const { read } = useUnits()
  const [asking, setAsking] = useState<{ formula: RunFormula; kind: 'thinned' | 'changed'; value: number }>()
  const used = formulas.filter(({ id }) => state.bowls.has(id))
  if (used.length === 0) return null
  return (
    <Box component="section" aria-label="Bowls" sx={{ p: { xs: 1.5, sm: 2 }, borderTop: LINE }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Bowls
      </Typography>
      {used.map((formula) => {
        const { mixedAt, emptyAt, thinnedG, vol } = state.bowls.get(formula.id)!
        const age = mixedAt === undefined ? undefined : Math.max(0, Math.floor((now - mixedAt) / 60_000))
        const needed = script.steps.some(
          ({ id, kind, pieces }) =>
            kind === 'apply' &&
            pieces.some(({ formulaId }) => formulaId === formula.id) &&
            ['waiting', 'begun'].includes((state.steps.get(id) ?? WAITING).status),
        )
        const old =
          needed && age !== undefined && formula.workingLifeMinutes !== null && age >= formula.workingLifeMinutes
        return (
          <Box
            key={formula.id}
            component="article"
            aria-label={`Bowl of ${formula.id}`}
            sx={{ borderTop: LINE, py: 1 }}
          >
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
              <FormulaSample id={formula.id} index={formulas.indexOf(formula)} swatch={formula.swatch} size={28} />
              <Typography sx={{ flex: 1 }} color={old ? 'error' : undefined}>
                {formula.product}:{' '}
                {age === undefined ? `empty since ${clockTime(emptyAt ?? now)}` : `mixed ${age} min ago`}
                {needed &&
                  age !== undefined &&
                  formula.workingLifeMinutes !== null &&
                  (old
                    ? `, past its ${formula.workingLifeMinutes} min: mix afresh`
                    : `, keeps ${formula.workingLifeMinutes} min`)}
                {!needed && ', nothing left to put it on'}
                {thinnedG > 0 && read(` · ${thinnedG} g developer added`)}
                {vol && read(` · ${vol.vol} vol since ${clockTime(vol.at)}`)}
              </Typography>
            </Box>
            {tell && (
              <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, mt: 0.75 }}>
                {age !== undefined && (
                  <Button
                    variant="outlined"
                    color="inherit"
                    sx={{ minHeight: 52 }}
                    onClick={() => tell({ kind: 'bowlEmpty', formulaId: formula.id })}
                  >
                    Bowl is empty
                  </Button>
                )}
                {(age === undefined || old) && (
                  <Button
                    variant="contained"
                    sx={{ minHeight: 52 }}
                    onClick={() => tell({ kind: 'bowlMixed', formulaId: formula.id })}
                  >
                    Another is mixed
                  </Button>
                )}
                <Button
                  variant="outlined"
                  color="inherit"
                  sx={{ minHeight: 52 }}
                  onClick={() => setAsking({ formula, kind: 'thinned', value: 10 })}
                >
                  Developer added
                </Button>
                <Button
                  variant="outlined"
                  color="inherit"
                  sx={{ minHeight: 52 }}
                  onClick={() => setAsking({ formula, kind: 'changed', value: vol?.vol ?? formula.developerVol })}
                >
                  Other strength
                </Button>
              </Box>
            )}
          </Box>
        )
      })}
      {asking && tell && (
        <Dialog open onClose={() => setAsking(undefined)} aria-labelledby="bowl-title">
          <DialogTitle id="bowl-title">
            {asking.kind === 'thinned'
              ? `Developer added to ${asking.formula.id}`
              : `${asking.formula.id} is mixed otherwise from here on`}
          </DialogTitle>
          <DialogContent sx={{ pt: '8px !important' }}>
            <NumberField
              label={asking.kind === 'thinned' ? 'Developer' : 'Developer strength'}
              value={asking.value}
              limit={asking.kind === 'thinned' ? GRAMS : VOL}
              step={asking.kind === 'thinned' ? 5 : 1}
              onChange={(value) => setAsking({ ...asking, value })}
            />
            {asking.kind === 'changed' && (
              <Typography sx={{ mt: 1 }} variant="body2">
                What goes in from now on is expected to lift at that strength’s speed. Strengths and times of the
                product’s label hold.
              </Typography>
            )}
          </DialogContent>
          <DialogActions>
            <Button color="inherit" sx={{ minHeight: 52 }} onClick={() => setAsking(undefined)}>
              Cancel
            </Button>
            <Button
              variant="contained"
              sx={{ minHeight: 52 }}
              onClick={() => {
                tell({ kind: asking.kind, formulaId: asking.formula.id, value: asking.value })
                setAsking(undefined)
              }}
            >
              Tell
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </Box>
  )
}
