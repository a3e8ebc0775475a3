'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { COUNTS, LEAVE, type Formula } from '@/core/model'
import { FormulaSample } from '../parts'

interface Props {
  sequence: string[]
  formulas: Formula[]
  swatches: Record<string, string>
  disabled: boolean
  onChange: (sequence: string[], what: string) => void
}

/** The rhythm of rows as beads: tap one to take it out, tap a formula to add it. */
export function SequenceBeads({ sequence, formulas, swatches, disabled, onChange }: Props) {
  const bead = (id: string) => {
    const index = formulas.findIndex((formula) => formula.id === id)
    return index < 0 ? <LeaveSample /> : <FormulaSample id={id} index={index} swatch={swatches[id] ?? '#888888'} />
  }
  return (
    <Box>
      <Typography variant="caption" color="textSecondary">
        Row rhythm, repeated: {sequence.length === 0 ? 'nothing is taken here' : 'tap a bead to take it out'}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, minHeight: 44, alignItems: 'center' }}>
        {sequence.map((id, i) => (
          <Button
            key={i}
            color="inherit"
            disabled={disabled}
            aria-label={`Row ${i + 1} of the rhythm: ${id === LEAVE ? 'left as it is' : `formula ${id}`}. Take out`}
            onClick={() =>
              onChange(
                sequence.filter((_, at) => at !== i),
                'Rhythm',
              )
            }
            sx={{ minWidth: 44, p: 0 }}
          >
            {bead(id)}
          </Button>
        ))}
        {sequence.length > 0 && (
          <Typography aria-hidden color="textSecondary">
            …
          </Typography>
        )}
      </Box>
      <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
        {[...formulas.map(({ id }) => id), LEAVE].map((id) => (
          <Button
            key={id}
            variant="outlined"
            color="inherit"
            disabled={disabled || sequence.length >= COUNTS.sequence}
            onClick={() => onChange([...sequence, id], 'Rhythm')}
            aria-label={id === LEAVE ? 'Add a row left as it is' : `Add a row of formula ${id}`}
            sx={{ borderColor: 'divider', px: 1, gap: 0.5, minWidth: 44 }}
          >
            + {bead(id)}
          </Button>
        ))}
      </Box>
    </Box>
  )
}

function LeaveSample() {
  return (
    <Box
      component="span"
      sx={{
        px: 0.5,
        height: 28,
        border: '1px dashed',
        borderColor: 'text.secondary',
        display: 'grid',
        placeItems: 'center',
        fontSize: '0.7rem',
        lineHeight: 1,
      }}
    >
      leave
    </Box>
  )
}
