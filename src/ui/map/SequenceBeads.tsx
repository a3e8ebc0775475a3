'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { COUNTS, LEAVE, lettersOf, type Formula, type RowEntry } from '@/core/model'
import type { ReactNode } from 'react'
import { FormulaSample } from '../parts'
import { SortableList, useSortableItem } from '../parts/sortable'
import { withMoved } from './context'

interface Props {
  sequence: RowEntry[]
  formulas: Formula[]
  swatches: Record<string, string>
  disabled: boolean
  onChange: (sequence: RowEntry[], what: string) => void
}

/** The rhythm of rows as beads: drag one elsewhere, tap one to take it out, tap a formula to add it. */
export function SequenceBeads({ sequence, formulas, swatches, disabled, onChange }: Props) {
  // The same letter can come twice, so beads go by their places.
  const ids = sequence.map((_, i) => String(i))
  const nameOf = (id: string) => `row ${Number(id) + 1}, ${wordsOf(sequence[Number(id)]!)}`
  return (
    <Box>
      <Typography variant="caption" color="textSecondary">
        Row rhythm, repeated:{' '}
        {sequence.length === 0 ? 'nothing is taken here' : 'drag a bead elsewhere, tap it to take it out'}
      </Typography>
      <SortableList
        ids={ids}
        nameOf={nameOf}
        layout="wrapped"
        onMove={(id, to) => onChange(withMoved(sequence, Number(id), Number(to)), 'Rhythm')}
      >
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, minHeight: 44, alignItems: 'center' }}>
          {ids.map((id, i) => (
            <Bead
              key={id}
              id={id}
              label={`Row ${i + 1} of the rhythm: ${wordsOf(sequence[i]!)}. Take out`}
              disabled={disabled}
              onTake={() =>
                onChange(
                  sequence.filter((_, at) => at !== i),
                  'Rhythm',
                )
              }
            >
              {(lettersOf(sequence[i]!).length > 0 ? lettersOf(sequence[i]!) : [LEAVE]).map((letter, k) => (
                <Sample key={k} letter={letter} formulas={formulas} swatches={swatches} />
              ))}
            </Bead>
          ))}
          {sequence.length > 0 && (
            <Typography aria-hidden color="textSecondary">
              …
            </Typography>
          )}
        </Box>
      </SortableList>
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
            + <Sample letter={id} formulas={formulas} swatches={swatches} />
          </Button>
        ))}
      </Box>
    </Box>
  )
}

const wordsOf = (entry: RowEntry): string => {
  const letters = lettersOf(entry)
  return letters.length === 0 ? 'left as it is' : `formula ${letters.join(', then ')}`
}

interface BeadProps {
  id: string
  label: string
  disabled: boolean
  onTake: () => void
  children: ReactNode
}

/** A row of the rhythm: pressed it is taken out, dragged (or taken with Space) it goes elsewhere. */
function Bead({ id, label, disabled, onTake, children }: BeadProps) {
  const { ref, style, grip } = useSortableItem(id, disabled)
  const { ref: gripRef, ...handlers } = grip
  return (
    <Box ref={ref} style={style}>
      <Button
        {...handlers}
        ref={gripRef}
        color="inherit"
        disabled={disabled}
        aria-label={label}
        onClick={onTake}
        sx={{ minWidth: 44, p: 0, touchAction: 'none' }}
      >
        {children}
      </Button>
    </Box>
  )
}

function Sample({ letter, formulas, swatches }: Pick<Props, 'formulas' | 'swatches'> & { letter: string }) {
  const index = formulas.findIndex(({ id }) => id === letter)
  if (index < 0) return <LeaveSample />
  return <FormulaSample id={letter} index={index} swatch={swatches[letter] ?? '#888888'} />
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
