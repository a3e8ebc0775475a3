'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { otherSideFirst, sideBegun } from '@/core/placement/layout'
import { editStage, stageOf, usePlan, usePlanStore } from './context'

/** Begins on the other side of the head: with a side part the side with less hair goes first. */
export function OtherSide() {
  const { store, permissions } = usePlanStore()
  const side = usePlan((state) => sideBegun(stageOf(state)))
  if (side === 0 || !permissions.write) return null
  const other = side > 0 ? 'right' : 'left'
  return (
    <Box className="screen-only" sx={{ p: 1.5, pb: 0 }}>
      <Button
        fullWidth
        variant="outlined"
        color="inherit"
        sx={{ borderColor: 'divider' }}
        onClick={() =>
          editStage(store, `Begun on the ${other}`, 'order/side', (stage) => void (stage.order = otherSideFirst(stage)))
        }
      >
        Begin on the {other}
      </Button>
    </Box>
  )
}
