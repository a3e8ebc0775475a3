'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { madeOf, nextTarget, type Pouring } from '@/core/product/bowls'
import { roundToTenth } from '@/core/units'
import { useUnits } from '../hooks/useUnits'

interface Props {
  pouring: Pouring
  /** Strength of the bowl's developer, vol. */
  vol: number
  /** What is added at a time to a bowl that has thickened, g. */
  thinningG: number
  onThin: (line: number) => void
}

/** What is in the bowl as a mix, and what thins it once it is full. */
export function BowlMade({ pouring, vol, thinningG, onThin }: Props) {
  const { read } = useUnits()
  const made = madeOf(pouring, vol)
  const developer = pouring.lines.findIndex(({ role }) => role === 'developer')
  if (!made) return null
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mt: 1 }}>
      <Typography>
        In the bowl: <b>1 : {Math.round(100 * made.ratio) / 100}</b>, <b>{roundToTenth(made.peroxidePercent)} %</b>{' '}
        peroxide
      </Typography>
      {nextTarget(pouring) < 0 && developer >= 0 && (
        <Button color="inherit" variant="outlined" onClick={() => onThin(developer)}>
          Thickened: {read(`${thinningG} g`)} more developer
        </Button>
      )}
    </Box>
  )
}
