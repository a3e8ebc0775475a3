'use client'
import Box from '@mui/material/Box'
import type { Remote } from 'comlink'
import { useMemo, type CSSProperties, type ReactNode } from 'react'
import type { MapDrawing } from '@/core/plan/sheets'
import type { PlanWorker } from '@/workers/plan.worker'
import { useUnits } from '../hooks/useUnits'
import { HatchDefinitions } from '../parts'
import { INK } from '../theme'
import { stageOf, usePlan } from './context'
import type { MapBox } from './mapView'
import { UnderPointer } from './UnderPointer'
import { useMapView } from './useMapView'
import { ZoneGroup, ZoneNumber } from './ZoneShapes'
import { ZoomBar } from './ZoomBar'

/** Margin around the scalp, cm of the map; beside it there is room for the names of the ears. */
const MARGIN = 1.2
const SIDE_MARGIN = 2.1

interface Props {
  worker: Remote<PlanWorker> | undefined
  /** Whether one finger belongs to a tool on the map, or moves what is in sight. */
  held: 'byTool' | 'free'
  /**
   * Drawn over the map in its coordinates, on a sheet of its own, so that what moves there does not have the map
   * painted again.
   * @param scale see {@link MapView}
   */
  children?: (scale: number) => ReactNode
}

/**
 * The equal-area scalp map with zones, rows and stitches, all to scale. Zones are walked with arrow keys in working
 * order.
 */
export function ScalpMap({ worker, held, children }: Props) {
  const all = usePlan((state) => state.answer?.drawing)
  const stageId = usePlan((state) => stageOf(state).id)
  const drawing = useMemo(
    () => all && { ...all, zones: all.zones.filter((zone) => zone.stageId === stageId) },
    [all, stageId],
  )
  const whole = useMemo(() => all && wholeBox(all.extent), [all])
  const moving = usePlan((state) => state.moving)
  const { svg, hands, zoomed, view } = useMapView(whole, held)
  const over = children && view && children(view.scale)
  if (!drawing || !view)
    return <Box sx={{ aspectRatio: '1', display: 'grid', placeItems: 'center' }}>Measuring the head…</Box>
  const { box, scale } = view
  const inSight = `${box.x} ${box.y} ${box.width} ${box.height}`

  return (
    // On a phone a finger on a whole map scrolls the page; one that is zoomed in, or drawn on, takes every finger for
    // itself.
    <Box sx={{ position: 'relative', height: '100%', minHeight: 0 }}>
      <Box
        {...hands}
        sx={{
          height: '100%',
          touchAction: { xs: zoomed || held === 'byTool' ? 'none' : 'pan-y', md: 'none' },
          '& > svg': { width: '100%', height: '100%', display: 'block' },
          ...STITCH_LOOK,
        }}
      >
        <svg
          ref={svg}
          viewBox={inSight}
          role="group"
          aria-label="Scalp map, seen from behind and above: the face is at the top, the client’s left on the left"
          data-moving={moving}
          style={swatchVariables(drawing.swatches)}
        >
          <HatchDefinitions swatches={drawing.swatches} prefix="hatch" scale={scale} />
          <path
            d={drawing.hairline}
            fill={INK.paper}
            stroke={INK.strong}
            strokeWidth={1.6}
            vectorEffect="non-scaling-stroke"
          />
          <Underlay />
          {drawing.zones.map((zone, i) => (
            <ZoneGroup key={zone.id} zone={zone} turn={i + 1} first={i === 0} />
          ))}
          <ChosenPiece drawing={drawing} />
          {drawing.zones.map((zone, i) => (
            <ZoneNumber key={zone.id} zone={zone} turn={i + 1} scale={scale} />
          ))}
          <Landmarks drawing={drawing} scale={scale} />
          <Scale x={box.x + 0.5 * scale} y={box.y + box.height - 0.3 * scale} scale={scale} />
          <UnderPointer worker={worker} stageId={stageId} scale={scale} />
        </svg>
        {over && (
          <svg
            viewBox={inSight}
            style={{ position: 'absolute', inset: 0, pointerEvents: 'none', willChange: 'transform' }}
          >
            <g pointerEvents="auto">{over}</g>
          </svg>
        )}
      </Box>
      <ZoomBar view={view} zoomed={zoomed} drawing={drawing} />
    </Box>
  )
}

/** Crown, ears and the like, and where the face is. */
function Landmarks({ drawing: { landmarks, extent }, scale }: { drawing: MapDrawing; scale: number }) {
  return (
    <>
      {landmarks.map(({ name, x, y }) => (
        <g key={name} aria-hidden pointerEvents="none" transform={`translate(${x} ${y}) scale(${scale})`}>
          <circle r={0.09} fill={INK.faint} />
          <text
            x={x < 0 ? -0.2 : 0.2}
            y={0.14}
            fontSize={0.48}
            textAnchor={x < 0 ? 'end' : 'start'}
            fill={INK.faint}
            stroke={INK.paper}
            strokeWidth={0.12}
            paintOrder="stroke"
          >
            {name}
          </text>
        </g>
      ))}
      <text x={0} y={extent.top - 0.45} fontSize={0.5} textAnchor="middle" fill={INK.faint}>
        face
      </text>
    </>
  )
}

/**
 * Stitches, hatches and clipped edges are what a map costs to draw without a graphics chip. While the comb is dragged
 * the stitches are plain; while partings or the map itself are, each piece is one plain strip.
 */
const STITCH_LOOK = {
  '& .pieces': { clipPath: 'var(--inside)' },
  '& .stitches': { fill: 'var(--hatch)', stroke: INK.strong, strokeWidth: 0.5, vectorEffect: 'non-scaling-stroke' },
  '& .strips': { fill: INK.strong, fillOpacity: 0.07, stroke: 'none' },
  '& [data-moving="comb"] .pieces, & [data-moving="map"] .pieces': { clipPath: 'none' },
  '& [data-moving="comb"] .stitches': { fill: 'var(--swatch)', stroke: 'none' },
  '& [data-moving="map"] .stitches': { display: 'none' },
  '& [data-moving="map"] .strips': { fill: 'var(--swatch)', fillOpacity: 0.5, shapeRendering: 'optimizeSpeed' },
} as const

const swatchVariables = (swatches: Record<string, string>) =>
  Object.fromEntries(Object.entries(swatches).map(([id, swatch]) => [`--swatch-${id}`, swatch])) as CSSProperties

const wholeBox = ({ left, right, top, bottom }: MapDrawing['extent']): MapBox => ({
  x: left - SIDE_MARGIN,
  y: top - MARGIN,
  width: right - left + 2 * SIDE_MARGIN,
  height: bottom - top + 2 * MARGIN + 0.9,
})

/** Foils of the plan carried out last, in outline: what carries an earlier treatment. */
function Underlay() {
  const underlay = usePlan((state) => state.underlay)
  if (!underlay) return null
  return (
    <g aria-hidden pointerEvents="none">
      {underlay.zones.flatMap(({ pieces }) =>
        pieces.map(({ id, outline }) => (
          <path
            key={id}
            d={outline}
            fill={INK.strong}
            fillOpacity={0.14}
            stroke={INK.strong}
            strokeWidth={0.04}
            strokeDasharray="0.18 0.12"
          />
        )),
      )}
    </g>
  )
}

/** The foil that was pointed out on the head or in its look. */
function ChosenPiece({ drawing }: { drawing: MapDrawing }) {
  const chosen = usePlan((state) => state.chosenPiece)
  const piece = drawing.zones.flatMap(({ pieces }) => pieces).find(({ id }) => id === chosen)
  if (!piece) return null
  return (
    <path
      data-chosen-piece={piece.id}
      d={piece.outline}
      fill="none"
      stroke={INK.strong}
      strokeWidth={4}
      strokeLinejoin="round"
      vectorEffect="non-scaling-stroke"
      pointerEvents="none"
    />
  )
}

/** Area square: true everywhere on this map. */
function Scale({ x, y, scale }: { x: number; y: number; scale: number }) {
  const { field } = useUnits()
  const side = field('cm').kept(1)
  const words = `1 ${field('cm²').unit} of scalp, everywhere`
  return (
    <g aria-label={`Scale: this square is ${words}`} role="img">
      <rect
        x={x}
        y={y - side}
        width={side}
        height={side}
        fill={INK.paper}
        fillOpacity={0.6}
        stroke={INK.faint}
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
      />
      <text
        x={x + side + 0.2 * scale}
        y={y - 0.35 * scale}
        fontSize={0.46 * scale}
        fill={INK.faint}
        stroke={INK.paper}
        strokeWidth={0.12 * scale}
        paintOrder="stroke"
      >
        {words}
      </text>
    </g>
  )
}
