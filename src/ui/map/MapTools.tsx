'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Remote } from 'comlink'
import dynamic from 'next/dynamic'
import type { PlanWorker } from '@/workers/plan.worker'
import { Read } from '../parts'
import { LINE } from '../theme'
import { usePlan, usePlanStore } from './context'
import type { RampWish } from './RampTool'

const PartingLayer = dynamic(() => import('./PartingLayer').then((module) => module.PartingLayer))
const RampLayer = dynamic(() => import('./RampTool').then((module) => module.RampLayer))
const RampFields = dynamic(() => import('./RampTool').then((module) => module.RampFields))

/**
 * `rest`: the map selects zones; `draw`: a new parting; `move`: partings, corners and bends; `merge`: tap the zone to
 * join; `ramp`: let a figure change along a line.
 */
export type MapTool = 'rest' | 'draw' | 'move' | 'merge' | 'ramp'

interface Props {
  tool: MapTool
  onTool: (tool: MapTool) => void
  wish: RampWish
  onWish: (wish: RampWish) => void
}

/** Buttons that choose what a hand on the map does, and the words when something cannot be. */
export function MapTools({ tool, onTool, wish, onWish }: Props) {
  const { store, permissions } = usePlanStore()
  const problem = usePlan((state) => state.partingProblem)
  const picking = usePlan((state) => state.picking)
  const button = (label: string, pressed: boolean, onClick: () => void) => (
    <Button
      color="inherit"
      aria-pressed={pressed}
      onClick={onClick}
      sx={{
        minHeight: 40,
        px: 1,
        borderRadius: 0,
        fontWeight: pressed ? 700 : 500,
        bgcolor: pressed ? 'action.selected' : undefined,
      }}
    >
      {label}
    </Button>
  )
  const toolButton = (value: MapTool, label: string) =>
    button(label, tool === value, () => {
      store.setState({ partingProblem: undefined })
      onTool(tool === value ? 'rest' : value)
    })
  return (
    <Box className="screen-only" sx={{ bgcolor: 'background.paper', borderTop: LINE }}>
      {problem && (
        <Alert severity="warning" role="alert" sx={{ borderRadius: 0 }}>
          <Read>{problem}</Read>
        </Alert>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', justifyContent: 'flex-end', columnGap: 1 }}>
        {tool !== 'rest' && (
          <Typography variant="caption" sx={{ flex: '1 1 160px', px: 1, lineHeight: 1.25 }}>
            {HELP[tool]}
          </Typography>
        )}
        {tool === 'ramp' && <RampFields wish={wish} onWish={onWish} />}
        <Box
          role="group"
          aria-label="Hands on the map"
          sx={{ display: 'flex', flexWrap: 'wrap', justifyContent: 'flex-end' }}
        >
          {button('Several', picking === 'several', () =>
            store.setState({ picking: picking === 'several' ? 'one' : 'several' }),
          )}
          {permissions.write && (
            <>
              {toolButton('draw', 'Draw a parting')}
              {toolButton('move', 'Move')}
              {toolButton('merge', 'Merge')}
              {toolButton('ramp', 'Ramp')}
            </>
          )}
        </Box>
      </Box>
    </Box>
  )
}

const HELP: Record<Exclude<MapTool, 'rest'>, string> = {
  draw: 'Draw from edge to edge of a zone, or round a place. With Shift the other side is cut alike.',
  move: 'Drag a parting, a corner, or a dot on a parting to bend it.',
  merge: 'Choose a zone, then tap its neighbour: the larger keeps its name.',
  ramp: 'Draw a line over the map: the figure changes along it, in the zones it crosses or in those selected.',
}

/** What a hand on the map does with a tool; nothing while it selects zones or the head cannot be. */
export function ToolLayer({
  tool,
  wish,
  worker,
  scale,
}: Pick<Props, 'tool' | 'wish'> & {
  worker: Remote<PlanWorker> | undefined
  scale: number
}) {
  const wrong = usePlan((state) => state.problems.length > 0)
  if (tool === 'rest' || wrong) return null
  if (tool === 'ramp') return worker ? <RampLayer worker={worker} wish={wish} scale={scale} /> : null
  return <PartingLayer mode={tool} scale={scale} />
}
