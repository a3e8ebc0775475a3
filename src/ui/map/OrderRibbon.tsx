'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import type { KeyboardEvent } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { editStage, usePlan, usePlanStore, zonesInOrder } from './context'

/** The zones in the order of application: the list a colourist reads aloud to an assistant. */
export function OrderRibbon() {
  const { store, permissions } = usePlanStore()
  const zones = usePlan(useShallow(zonesInOrder))
  const figures = usePlan((state) => state.answer?.figures)
  const selected = usePlan((state) => state.selectedZone)
  const most = Math.max(1, ...(figures?.zones.map(({ foils }) => foils) ?? []))

  function move(index: number, by: 1 | -1) {
    const to = index + by
    if (!permissions.write || to < 0 || to >= zones.length) return
    editStage(store, `${zones[index]!.name} ${by < 0 ? 'earlier' : 'later'}`, `order/${zones[index]!.id}`, (stage) => {
      const [id] = stage.order.splice(index, 1)
      stage.order.splice(to, 0, id!)
    })
  }

  function keys(event: KeyboardEvent, index: number) {
    if (!event.altKey) return
    if (event.key === 'ArrowUp') move(index, -1)
    else if (event.key === 'ArrowDown') move(index, 1)
    else return
    event.preventDefault()
  }

  return (
    <Box component="ol" aria-label="Order of application" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {zones.map((zone, i) => {
        const own = figures?.zones.find(({ id }) => id === zone.id)
        const here = zone.id === selected
        return (
          <Box component="li" key={zone.id} sx={{ borderBottom: 1, borderColor: 'divider', bgcolor: here ? 'action.selected' : undefined }}>
            <Box sx={{ display: 'flex', alignItems: 'center' }}>
              <Button
                color="inherit"
                aria-pressed={here}
                onClick={() => store.setState({ selectedZone: zone.id })}
                onKeyDown={(event) => keys(event, i)}
                sx={{ flex: 1, justifyContent: 'flex-start', gap: 0.75, pl: 1.5, pr: 1, minWidth: 0, borderRadius: 0, textAlign: 'left' }}
              >
                <Typography component="span" sx={{ fontWeight: 700, width: 18 }}>
                  {i + 1}
                </Typography>
                <Typography component="span" noWrap sx={{ flex: 1, fontWeight: here ? 700 : 500 }}>
                  {zone.name}
                </Typography>
                <Typography component="span" sx={{ minWidth: 22, textAlign: 'right' }}>
                  {own ? own.foils || (own.takenFraction > 0 ? '' : '–') : ''}
                </Typography>
              </Button>
              {permissions.write && here && (
                <>
                  <IconButton className="screen-only" size="small" aria-label={`${zone.name} earlier`} disabled={i === 0} onClick={() => move(i, -1)} sx={{ width: 28, height: 44, borderRadius: 1 }}>
                    ↑
                  </IconButton>
                  <IconButton className="screen-only" size="small" aria-label={`${zone.name} later`} disabled={i === zones.length - 1} onClick={() => move(i, 1)} sx={{ width: 28, height: 44, borderRadius: 1 }}>
                    ↓
                  </IconButton>
                </>
              )}
            </Box>
            <Box aria-hidden sx={{ height: 3, ml: 1.5, mr: 1.5, mb: '2px', width: `calc((100% - 24px) * ${(own?.foils ?? 0) / most})`, bgcolor: 'text.secondary' }} />
          </Box>
        )
      })}
    </Box>
  )
}
