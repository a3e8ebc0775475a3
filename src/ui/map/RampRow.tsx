'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { LIMITS, RAMP_FIGURES, type Ramp, type RampFigure, type RampWay } from '@/core/model'
import { rampWays } from '@/core/placement/foils'
import { ListChoice, NumberField } from '../parts'
import { optionsOf, WORDS } from '../words'

const ENDS: Record<RampWay, string> = {
  upwards: 'At the upper edge',
  alongRow: 'Away from the hairline',
  alternating: 'Then',
  afterRows: 'Then',
}

/** Rows before a figure changes where nothing was said. Our choice. */
const USUAL_ROWS = 3

/** The same ramp of another figure: within that one's limits, and in a way that one can go. */
function ofFigure(ramp: Ramp, figure: RampFigure): Ramp {
  const { min, max } = LIMITS[figure]
  const to = Math.min(max, Math.max(min, ramp.to))
  return { ...ramp, figure, to, way: rampWays(figure).includes(ramp.way) ? ramp.way : 'upwards' }
}

interface Props {
  ramp: Ramp
  readOnly: boolean
  onChange: (ramp: Ramp) => void
  onRemove: () => void
}

/** A figure that changes over a zone: which, how, and to what. */
export function RampRow({ ramp, readOnly, onChange, onRemove }: Props) {
  const { figure, way, to, rows = USUAL_ROWS } = ramp
  return (
    <Box
      role="group"
      aria-label={`${WORDS.rampFigure[figure]} ${WORDS.rampWay[way]}`}
      sx={{ border: 1, borderColor: 'divider', p: 1, display: 'grid', gap: 1 }}
    >
      <Box sx={{ display: 'flex', gap: 1 }}>
        <ListChoice
          label="Figure"
          value={figure}
          disabled={readOnly}
          sx={{ flex: 1 }}
          options={optionsOf(RAMP_FIGURES, WORDS.rampFigure)}
          onChange={(next) => onChange(ofFigure(ramp, next))}
        />
        <ListChoice
          label="Changes"
          value={way}
          disabled={readOnly}
          sx={{ flex: 1 }}
          options={optionsOf(rampWays(figure), WORDS.rampWay)}
          onChange={(next) => onChange({ ...ramp, way: next, rows: next === 'afterRows' ? rows : undefined })}
        />
      </Box>
      <NumberField
        layout="row"
        label={ENDS[way]}
        value={to}
        limit={LIMITS[figure]}
        step={figure.endsWith('Cm') ? 0.5 : 1}
        disabled={readOnly}
        onChange={(next) => onChange({ ...ramp, to: next })}
      />
      {way === 'afterRows' && (
        <NumberField
          layout="row"
          label="After rows"
          value={rows}
          limit={LIMITS.rampRows}
          step={1}
          disabled={readOnly}
          onChange={(next) => onChange({ ...ramp, rows: next })}
        />
      )}
      {!readOnly && (
        <Button color="inherit" size="small" onClick={onRemove} sx={{ justifySelf: 'start' }}>
          Remove
        </Button>
      )}
    </Box>
  )
}
