'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import type { ReactNode } from 'react'
import type { MapDrawing } from '@/core/plan/sheets'
import { useKeys } from '../keys'
import { LINE } from '../theme'
import { usePlan, usePlanStore } from './context'
import { boxOfPath } from './mapView'
import { ZOOM_STEP, type MapView } from './useMapView'
import { Add, Remove } from '../parts/icons'

const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Nearer, further, the selected zones, the whole head; also + − Z F and Shift with the arrows. */
export function ZoomBar({ view, zoomed, drawing }: { view: MapView; zoomed: boolean; drawing: MapDrawing }) {
  const { store } = usePlanStore()
  const selected = usePlan((state) => state.selectedZone !== undefined)

  function toZones() {
    const { selectedZone, alsoSelected } = store.getState()
    const outlines = drawing.zones
      .filter(({ id }) => id === selectedZone || alsoSelected.includes(id))
      .map(({ outline }) => outline)
    if (outlines.length > 0) view.fit(boxOfPath(outlines.join('')))
  }

  /** A bent zone's middle may lie outside it; its number never does. */
  const zoom = (factor: number) =>
    view.zoomBy(factor, drawing.zones.find(({ id }) => id === store.getState().selectedZone)?.label)

  useKeys({
    nearer: () => zoom(ZOOM_STEP),
    further: () => zoom(1 / ZOOM_STEP),
    toZones,
    toHead: () => view.fit(),
    moveMap: zoomed ? ({ key }) => view.moveBy(...MOVES[key]!) : undefined,
  })

  const button = (label: string, face: ReactNode, onClick: () => void, disabled: boolean) => (
    <Button
      color="inherit"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      sx={{ minWidth: 44, minHeight: 40, p: 0, borderRadius: 0, fontSize: '0.8rem' }}
    >
      {face}
    </Button>
  )
  return (
    <Box
      className="screen-only"
      role="group"
      aria-label="Zoom"
      sx={{
        position: 'absolute',
        top: 0,
        right: 0,
        zIndex: 1,
        display: 'flex',
        flexDirection: 'column',
        bgcolor: 'background.paper',
        borderLeft: LINE,
        borderBottom: LINE,
      }}
    >
      {button('Nearer', <Add />, () => zoom(ZOOM_STEP), false)}
      {button('Further', <Remove />, () => zoom(1 / ZOOM_STEP), !zoomed)}
      {button('Zoom to the selected zones', 'Zone', toZones, !selected)}
      {button('Whole head', 'All', () => view.fit(), !zoomed)}
    </Box>
  )
}
