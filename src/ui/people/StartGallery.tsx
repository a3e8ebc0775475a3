'use client'
import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import type { Sitter } from '@/workers/gallery.worker'
import { LINE } from '../theme'
import { SmallPair, useThumbnails, type Wanted } from '../thumbnails'

interface Props {
  starts: readonly { value: string; label: string }[]
  chosen: string
  sitter: Sitter
  onChoose: (value: string) => void
}

/** What a plan can be started from, each on this client's own map and head, small. */
export function StartGallery({ starts, chosen, sitter, onChoose }: Props) {
  const whom = JSON.stringify(sitter)
  const wanted = starts.map(({ value }): Wanted => ({
    name: value,
    key: value + whom,
    of: () => ({ start: value, sitter }),
  }))
  const thumbnails = useThumbnails(wanted)
  const left = starts.length - thumbnails.size
  return (
    <Box role="radiogroup" aria-label="Starts to look at">
      {left > 0 && (
        <LinearProgress
          variant="determinate"
          value={(100 * thumbnails.size) / starts.length}
          aria-label="Drawing what there is to start from"
        />
      )}
      <Box sx={GRID}>
        {starts.map(({ value, label }) => (
          <ButtonBase
            key={value}
            role="radio"
            aria-checked={chosen === value}
            onClick={() => onChoose(value)}
            sx={{ ...CARD, ...(chosen === value && { borderColor: 'text.primary', bgcolor: 'action.selected' }) }}
          >
            <SmallPair thumbnail={thumbnails.get(value)} />
            <Typography variant="body2" sx={{ lineHeight: 1.2 }}>
              {label}
            </Typography>
          </ButtonBase>
        ))}
      </Box>
    </Box>
  )
}

const GRID = {
  display: 'grid',
  gap: 1,
  mt: 1,
  gridTemplateColumns: 'repeat(auto-fill, minmax(148px, 1fr))',
  maxHeight: 330,
  overflow: 'auto',
} as const
const CARD = {
  flexDirection: 'column',
  justifyContent: 'flex-start',
  border: LINE,
  borderRadius: 1,
  p: 1,
  textAlign: 'center',
  '&:focus-visible': { outline: '2px solid', outlineOffset: '-2px' },
} as const
