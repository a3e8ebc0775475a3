'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRef, type TouchEvent } from 'react'
import { LINE } from '../theme'

/** Views of one document: the flat map, the head, and what it will look like. */
export const SIDES = ['map', 'head', 'look'] as const
export type Side = (typeof SIDES)[number]
const WORDS: Record<Side, string> = { map: 'Map', head: 'Head', look: 'Look' }

/** A finger that goes so far sideways over the bar goes on to the next view, px. */
const SWIPE = 48

/** Map, Head or Look; also M, H, L and a finger that wipes over the bar. */
export function SideBar({ side, onSide }: { side: Side; onSide: (side: Side) => void }) {
  const start = useRef<number>(undefined)
  function wiped(event: TouchEvent) {
    const way = event.changedTouches[0]!.clientX - (start.current ?? 0)
    const next = SIDES[SIDES.indexOf(side) + (way < 0 ? 1 : -1)]
    if (Math.abs(way) > SWIPE && next) onSide(next)
  }
  return (
    <Box
      role="tablist"
      aria-label="Views of the plan"
      className="screen-only"
      onTouchStart={(event) => (start.current = event.touches[0]!.clientX)}
      onTouchEnd={wiped}
      sx={{ display: 'flex', borderBottom: LINE, touchAction: 'pan-y', bgcolor: 'background.paper' }}
    >
      {SIDES.map((one) => (
        <Button
          key={one}
          role="tab"
          color="inherit"
          aria-selected={one === side}
          onClick={() => onSide(one)}
          sx={{
            minHeight: 40,
            flex: { xs: 1, sm: '0 0 88px' },
            borderRadius: 0,
            fontWeight: one === side ? 700 : 500,
            borderBottom: '3px solid',
            borderColor: one === side ? 'text.primary' : 'transparent',
          }}
        >
          {WORDS[one]}
        </Button>
      ))}
    </Box>
  )
}
