'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import type { Pouring } from '@/core/product/bowls'
import { roundToTenth } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { LINE } from '../theme'

interface Props {
  lines: Pouring['lines']
  /** The line that is poured next. */
  at: number
  onCorrect: (line: number, grams: number) => void
}

/** What goes into a bowl, line by line: as planned, as it has to be now, and what is in. */
export function BowlTable({ lines, at, onCorrect }: Props) {
  const { read, field } = useUnits()
  const mass = field('g')
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        mt: 2,
        borderCollapse: 'collapse',
        '& td, & th': { borderTop: LINE, py: 0.5, fontVariantNumeric: 'tabular-nums' },
        '& td + td, & th + th': { textAlign: 'right' },
        '& th': { fontWeight: 400, fontSize: '0.8rem', textAlign: 'left' },
      }}
    >
      <thead>
        <tr>
          <th>in turn</th>
          <th>planned</th>
          <th>now</th>
          <th>in the bowl</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((one, i) => (
          <Box
            component="tr"
            key={`${one.name}-${i}`}
            sx={i === at ? { bgcolor: 'action.selected', fontWeight: 600 } : undefined}
          >
            <td>{read(one.name)}</td>
            <td>{mass.fixed(one.grams)}</td>
            <td>{mass.fixed(one.target)}</td>
            <td>
              <InBowl line={one.name} value={one.actual} onCorrect={(grams) => onCorrect(i, grams)} />
            </td>
          </Box>
        ))}
      </tbody>
    </Box>
  )
}

/** What is in of one line; can be put right by hand. */
function InBowl({ line, value, onCorrect }: { line: string; value: number; onCorrect: (grams: number) => void }) {
  const { read, field } = useUnits()
  const { unit, shown, kept, fixed } = field('g')
  const [text, setText] = useState<string>()
  if (text === undefined)
    return (
      <Button
        size="small"
        color="inherit"
        aria-label={read(`${line}: ${value.toFixed(1)} g in the bowl, correct it`)}
        onClick={() => setText(String(shown(value)))}
        sx={{ fontVariantNumeric: 'tabular-nums', minHeight: 40 }}
      >
        {fixed(value)}
      </Button>
    )
  const commit = () => {
    const typed = Number(text.replace(',', '.'))
    // What was only looked at stays to the tenth of a gram, also where ounces show less of it.
    if (typed >= 0 && typed !== shown(value) && roundToTenth(kept(typed)) !== value)
      onCorrect(roundToTenth(kept(typed)))
    setText(undefined)
  }
  return (
    <TextField
      size="small"
      autoFocus
      value={text}
      onChange={({ target }) => setText(target.value)}
      onBlur={commit}
      onKeyDown={({ key }) => (key === 'Enter' ? commit() : key === 'Escape' && setText(undefined))}
      slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `${line}, ${unit} in the bowl` } }}
      sx={{ width: 96 }}
    />
  )
}
