'use client'
import Box from '@mui/material/Box'
import type { CSSProperties, MouseEvent, ReactNode } from 'react'
import type { useSortableItem } from '../parts/sortable'
import { LINE } from '../theme'

/** Room for the names of lanes, px. */
export const NAMES = 148

interface LaneProps {
  name: ReactNode
  tall: number
  ticks?: readonly string[]
  children: ReactNode
  onPress?: () => void
  pressed?: boolean
  label?: string
  /** Where its track is pressed, 0…1 of its width. For the eye and the hand only: the list of steps says the same. */
  onTrack?: ((share: number) => void) | undefined
  /** Its name takes hold of it. */
  sortable?: ReturnType<typeof useSortableItem>
}

/** One line of a time table, with its name. */
export function Lane({ name, tall, ticks = [], children, onPress, pressed, label, onTrack, sortable }: LaneProps) {
  return (
    <Box
      ref={sortable?.ref}
      style={sortable?.style}
      sx={{
        display: 'flex',
        alignItems: 'stretch',
        minHeight: tall,
        borderBottom: ticks.length > 0 ? LINE : 'none',
        bgcolor: pressed ? 'action.selected' : sortable?.isDragging ? 'background.paper' : undefined,
        ...(sortable?.isDragging && { boxShadow: '0 0 0 1px var(--mui-palette-text-primary)' }),
      }}
    >
      {onPress ? (
        <Box
          component="button"
          type="button"
          {...sortable?.grip}
          aria-label={label}
          aria-pressed={pressed}
          onClick={onPress}
          style={NAME_BUTTON}
          sx={{
            ...NAME_STAYS,
            minHeight: tall,
            touchAction: sortable ? 'none' : undefined,
            backgroundImage: pressed ? 'linear-gradient(var(--mui-palette-action-selected) 0 0)' : undefined,
          }}
        >
          {name}
        </Box>
      ) : (
        <Box sx={{ ...NAME_STAYS, pl: 1, display: 'flex', alignItems: 'center', fontWeight: 600 }}>{name}</Box>
      )}
      <Track ticks={ticks} onTrack={onTrack}>
        {children}
      </Track>
    </Box>
  )
}

/** Names stay in sight while the lanes are wider than the page. */
const NAME_STAYS = {
  width: NAMES,
  flex: 'none',
  position: 'sticky',
  left: 0,
  zIndex: 2,
  bgcolor: 'background.default',
} as const

const NAME_BUTTON: CSSProperties = {
  font: 'inherit',
  color: 'inherit',
  border: 'none',
  textAlign: 'left',
  padding: '0 0 0 8px',
  cursor: 'pointer',
  whiteSpace: 'nowrap',
  overflow: 'hidden',
}

function Track({
  ticks,
  onTrack,
  children,
}: Required<Pick<LaneProps, 'ticks' | 'children'>> & Pick<LaneProps, 'onTrack'>) {
  const press = ({ currentTarget, clientX }: MouseEvent<HTMLElement>) => {
    const { left, width } = currentTarget.getBoundingClientRect()
    onTrack?.((clientX - left) / width)
  }
  return (
    <Box
      aria-hidden
      data-track={onTrack ? '' : undefined}
      onClick={onTrack && press}
      sx={{ position: 'relative', flex: 1, mr: 3, cursor: onTrack ? 'pointer' : undefined }}
    >
      {ticks.map((left) => (
        <Box
          key={left}
          aria-hidden
          style={{ left }}
          sx={{ position: 'absolute', top: 0, bottom: 0, borderLeft: LINE }}
        />
      ))}
      {children}
    </Box>
  )
}
