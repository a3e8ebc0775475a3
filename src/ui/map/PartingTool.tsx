'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { LINE } from '../theme'
import { usePlan, usePlanStore } from './context'

const PartingLayer = dynamic(() => import('./PartingLayer').then((module) => module.PartingLayer))

/** `rest`: the map selects zones; `draw`: a new parting; `move`: corners and bends; `merge`: tap the zone to join. */
export type PartingMode = 'rest' | 'draw' | 'move' | 'merge'

interface Props {
  mode: PartingMode
  onMode: (mode: PartingMode) => void
}

/** Buttons that choose what a hand on the map does, and the words when something cannot be. */
export function PartingBar({ mode, onMode }: Props) {
  const { permissions } = usePlanStore()
  const problem = usePlan((state) => state.partingProblem)
  if (!permissions.write) return null
  const tool = (value: PartingMode, label: string) => (
    <Button color="inherit" aria-pressed={mode === value} onClick={() => onMode(mode === value ? 'rest' : value)} sx={{ minHeight: 40, px: 1, borderRadius: 0, fontWeight: mode === value ? 700 : 500, bgcolor: mode === value ? 'action.selected' : undefined }}>
      {label}
    </Button>
  )
  return (
    <Box className="screen-only" sx={{ position: 'absolute', bottom: 0, right: 0, zIndex: 1, maxWidth: '72%' }}>
      {problem && (
        <Alert severity="warning" role="alert" sx={{ borderRadius: 0 }}>
          {problem}
        </Alert>
      )}
      {mode !== 'rest' && (
        <Typography variant="caption" component="p" sx={{ bgcolor: 'background.paper', border: LINE, px: 1 }}>
          {HELP[mode]}
        </Typography>
      )}
      <Box role="group" aria-label="Partings" sx={{ display: 'flex', bgcolor: 'background.paper', borderLeft: LINE, borderTop: LINE, justifyContent: 'flex-end' }}>
        {tool('draw', 'Draw a parting')}
        {tool('move', 'Move')}
        {tool('merge', 'Merge')}
      </Box>
    </Box>
  )
}

const HELP: Record<Exclude<PartingMode, 'rest'>, string> = {
  draw: 'Draw from one edge of a zone to another. With Shift the other side is cut alike.',
  move: 'Drag a corner, or a dot on a parting to bend it.',
  merge: 'Choose a zone, then tap its neighbour: the larger keeps its name.',
}

/** What a hand on the map does to partings; nothing while it selects zones or the head cannot be. */
export function PartingTool({ mode }: Pick<Props, 'mode'>) {
  const wrong = usePlan((state) => state.problems.length > 0)
  return mode === 'rest' || wrong ? null : <PartingLayer mode={mode} />
}
