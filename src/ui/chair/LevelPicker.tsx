'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { exposedLab, hexFromLab, underlyingPigment } from '@/core/hair/colour'
import { STRAND_SPOTS, type StrandSpot } from '@/core/model'
import { SPOT_WORDS } from '@/words'
import { Choice, inkOn } from '../parts'

const LEVELS = [3, 4, 5, 6, 7, 7.5, 8, 8.5, 9, 9.5, 10]
/** The surround on which exposed pigment is judged. */
const GREY = '#808080'

const WHERE: readonly { value: StrandSpot | 'all'; label: string }[] = [
  { value: 'all', label: 'All of it alike' },
  ...STRAND_SPOTS.map((value) => ({ value, label: `The ${SPOT_WORDS[value]}` })),
]

/**
 * What a wiped strand shows: exposed pigment on neutral grey, dark to light; along the strand one after the other where
 * it is not alike.
 */
export function LevelPicker({
  title,
  where,
  onPick,
  onClose,
}: {
  title: string
  where: string
  onPick: (level: number, spot: StrandSpot | undefined) => void
  onClose: () => void
}) {
  const [at, setAt] = useState<StrandSpot | 'all'>('all')
  function pick(level: number) {
    onPick(level, at === 'all' ? undefined : at)
    const next = at === 'all' ? undefined : STRAND_SPOTS[STRAND_SPOTS.indexOf(at) + 1]
    if (next) setAt(next)
    else onClose()
  }
  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="level-title">
      <DialogTitle id="level-title">{title}</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1.5 }}>{where}</Typography>
        <Box sx={{ mb: 1.5, '& button': { minHeight: 48 } }}>
          <Choice label="Where on the strand" value={at} options={WHERE} onChange={setAt} />
        </Box>
        <Box
          style={{ backgroundColor: GREY }}
          sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(104px, 1fr))', gap: 1.5, p: 2 }}
        >
          {LEVELS.map((level) => {
            const swatch = hexFromLab(exposedLab(level))
            return (
              <Button
                key={level}
                aria-label={`Level ${level}, ${underlyingPigment(level).name}`}
                onClick={() => pick(level)}
                style={{ backgroundColor: swatch, color: inkOn(swatch) }}
                sx={{ minHeight: 84, flexDirection: 'column', lineHeight: 1.2 }}
              >
                <span style={{ fontSize: '1.4rem' }}>{level}</span>
                <span>{underlyingPigment(level).name}</span>
              </Button>
            )
          })}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
      </DialogActions>
    </Dialog>
  )
}
