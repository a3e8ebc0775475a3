'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import type { Remote } from 'comlink'
import {
  memo,
  useEffect,
  useMemo,
  useRef,
  useState,
  type CSSProperties,
  type KeyboardEvent,
  type ReactNode,
} from 'react'
import type { MapDrawing, PieceDrawing, ZoneDrawing } from '@/core/plan/sheets'
import type { PlanWorker, Probe } from '@/workers/plan.worker'
import { useUnits } from '../hooks/useUnits'
import { editStage, pick, stageOf, usePlan, usePlanStore, zonesInOrder } from './context'
import { useKeys } from '../keys'
import { HatchDefinitions, placeUnder } from '../parts'
import { INK, LINE } from '../theme'
import { boxOfPath, type MapBox } from './mapView'
import { useMapView, ZOOM_STEP, type MapView } from './useMapView'

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
  const { svg, zoomed, view, hands } = useMapView(whole, held)
  const over = children && view && children(view.scale)
  if (!drawing || !view)
    return <Box sx={{ aspectRatio: '1', display: 'grid', placeItems: 'center' }}>Measuring the head…</Box>
  const { box, scale } = view
  const inSight = `${box.x} ${box.y} ${box.width} ${box.height}`
  const { top } = drawing.extent

  return (
    // On a phone a finger on a whole map scrolls the page; one that is zoomed in, or drawn on, takes every finger for
    // itself.
    <Box sx={{ position: 'relative', height: '100%', minHeight: 0 }}>
      <Box
        sx={{
          height: '100%',
          touchAction: { xs: zoomed || held === 'byTool' ? 'none' : 'pan-y', md: 'none' },
          '& > svg': { width: '100%', height: '100%', display: 'block' },
          ...STITCH_LOOK,
        }}
        {...hands}
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
          {drawing.zones.map((zone, i) => (
            <ZoneNumber key={zone.id} zone={zone} turn={i + 1} scale={scale} />
          ))}
          {drawing.landmarks.map(({ name, x, y }) => (
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
          <text x={0} y={top - 0.45} fontSize={0.5} textAnchor="middle" fill={INK.faint}>
            face
          </text>
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

const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Nearer, further, the selected zones, the whole head; also + − Z F and Shift with the arrows. */
function ZoomBar({ view, zoomed, drawing }: { view: MapView; zoomed: boolean; drawing: MapDrawing }) {
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

  const button = (label: string, words: string, onClick: () => void, disabled: boolean) => (
    <Button
      color="inherit"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      sx={{ minWidth: 44, minHeight: 40, p: 0, borderRadius: 0, fontSize: words.length > 1 ? '0.8rem' : '1.2rem' }}
    >
      {words}
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
      {button('Nearer', '+', () => zoom(ZOOM_STEP), false)}
      {button('Further', '−', () => zoom(1 / ZOOM_STEP), !zoomed)}
      {button('Zoom to the selected zones', 'Zone', toZones, !selected)}
      {button('Whole head', 'All', () => view.fit(), !zoomed)}
    </Box>
  )
}

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

/** Asks what lies under the pointer, one question at a time, and shows it. */
function UnderPointer({
  worker,
  stageId,
  scale,
}: {
  worker: Remote<PlanWorker> | undefined
  stageId: string
  scale: number
}) {
  const [under, setUnder] = useState<{ x: number; y: number; probe: Probe }>()
  const layer = useRef<SVGGElement>(null)

  useEffect(() => {
    const map = layer.current?.ownerSVGElement
    if (!map || !worker) return
    let asking = false
    let gone = false
    const leave = () => setUnder(undefined)
    const look = async (event: globalThis.PointerEvent) => {
      if (event.buttons > 0) return leave()
      if (asking) return
      const { x, y } = placeUnder(map, event)
      asking = true
      const probe = await worker.probe({ x, y }, stageId)
      asking = false
      if (!gone) setUnder(probe && { x, y, probe })
    }
    const listen = (event: globalThis.PointerEvent) => void look(event)
    // The sheet over the map is beside it, so both are listened to where they lie.
    const both = map.parentElement!
    both.addEventListener('pointermove', listen)
    both.addEventListener('pointerleave', leave)
    return () => {
      gone = true
      both.removeEventListener('pointermove', listen)
      both.removeEventListener('pointerleave', leave)
    }
  }, [worker, stageId])

  return <g ref={layer}>{under && <Ruler {...under} scale={scale} />}</g>
}

/**
 * A true centimetre, or inch, along and across the meridian under the pointer, the region's name, and the foil that
 * lies there.
 */
function Ruler({ x, y, probe, scale }: { x: number; y: number; probe: Probe; scale: number }) {
  const cos = Math.cos(probe.angle)
  const sin = Math.sin(probe.angle)
  const { read, field } = useUnits()
  const { unit, kept } = field('cm')
  const along = (probe.along * kept(1)) / 2
  const across = (probe.across * kept(1)) / 2
  const line = { stroke: INK.strong, strokeWidth: 1.5, vectorEffect: 'non-scaling-stroke' } as const
  const text = {
    x: x + 0.5 * scale,
    fontSize: 0.44 * scale,
    fill: INK.strong,
    stroke: INK.paper,
    strokeWidth: 0.16 * scale,
    paintOrder: 'stroke',
  } as const
  return (
    <g pointerEvents="none" aria-hidden>
      <line x1={x - along * cos} y1={y - along * sin} x2={x + along * cos} y2={y + along * sin} {...line} />
      <line x1={x + across * sin} y1={y - across * cos} x2={x - across * sin} y2={y + across * cos} {...line} />
      <text {...text} y={y - 0.6 * scale}>
        {probe.region}, 1 {unit} each way
      </text>
      {probe.piece && (
        <text {...text} y={y + 0.95 * scale}>
          {read(describePiece(probe.piece))}
        </text>
      )}
    </g>
  )
}

const describePiece = ({ turn, formulaId, kind, widthCm, foilLengthCm }: PieceDrawing & { turn: number }): string =>
  `${turn}: ${formulaId}, ${kind === 'foil' ? `foil ${widthCm} cm wide, ${foilLengthCm} cm long` : `${widthCm} cm of parting`}`

/** One zone as a button. It is drawn again only when it changes itself. */
const ZoneGroup = memo(function ZoneGroup({ zone, turn, first }: { zone: ZoneDrawing; turn: number; first: boolean }) {
  const { store, permissions } = usePlanStore()
  const { id } = zone
  const name = usePlan((state) => stageOf(state).zones.find((one) => one.id === id)?.name ?? '')
  const chosen = usePlan((state) =>
    state.selectedZone === id ? 'first' : state.alsoSelected.includes(id) ? 'also' : 'no',
  )
  const lit = usePlan((state) => litFormula(state.openTotal))
  const focusable = usePlan((state) => (state.selectedZone === undefined ? first : state.selectedZone === id))

  function keys(event: KeyboardEvent<SVGGElement>) {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
    if (step !== undefined && !event.altKey && !event.shiftKey) {
      event.preventDefault()
      const order = zonesInOrder(store.getState()).map((one) => one.id)
      const next = order[(turn - 1 + step + order.length) % order.length]!
      store.select(next)
      document.getElementById(`zone-${next}`)?.focus()
    } else if ((event.key === 'Enter' || event.key === ' ') && !event.ctrlKey) {
      event.preventDefault()
      pick(store, id, event)
    } else if (/^\d$/.test(event.key) && permissions.write && !event.ctrlKey && !event.metaKey && !event.altKey) {
      assign(Number(event.key))
    }
  }

  /** 0 leaves the zone alone; 1, 2 … give it the first, second … formula throughout. */
  function assign(digit: number) {
    const formula = store.getState().document.formulas[digit - 1]
    if (digit > 0 && !formula) return
    editStage(store, `${formula ? `Formula ${formula.id}` : 'Leave alone'}, ${name}`, `${id}/digit`, (draft) => {
      draft.zones.find((candidate) => candidate.id === id)!.placement.sequence = formula ? [formula.id] : []
    })
  }

  return (
    <g
      id={`zone-${id}`}
      role="button"
      tabIndex={focusable ? 0 : -1}
      aria-pressed={chosen !== 'no'}
      aria-label={`${turn}, ${name}, ${zone.pieces.length} pieces`}
      style={{ cursor: 'pointer', outline: 'none' }}
      onClick={(event) => pick(store, id, event)}
      // A focus that a press brings is followed by its click, which may ask for more than one zone.
      onFocus={(event) => event.currentTarget.matches(':focus-visible') && store.select(id)}
      onKeyDown={keys}
    >
      <path d={zone.outline} fill={chosen === 'no' ? 'transparent' : INK.selected} />
      <ZonePieces zone={zone} lit={lit} />
      <path
        d={zone.outline}
        fill="none"
        stroke={INK.strong}
        strokeWidth={chosen === 'no' ? 1.4 : 3.5}
        strokeDasharray={chosen === 'also' ? '7 3' : undefined}
        strokeLinejoin="round"
        vectorEffect="non-scaling-stroke"
      />
    </g>
  )
})

/** The formula an opened total is about; all of them when it is about no single one. */
const litFormula = (openTotal: string | undefined): string | undefined => openTotal?.match(/^grams:(.+)$/)?.[1]

/**
 * Subsections and stitches: two paths a formula, however many foils there are, because every element costs time while a
 * hand drags.
 */
const ZonePieces = memo(function ZonePieces({ zone, lit }: { zone: ZoneDrawing; lit: string | undefined }) {
  const formulas = [...new Set(zone.pieces.map(({ formulaId }) => formulaId))]
  const joined = (formulaId: string, path: 'outline' | 'stitches') =>
    zone.pieces.reduce((whole, piece) => (piece.formulaId === formulaId ? whole + piece[path] : whole), '')
  return (
    <>
      <clipPath id={`inside-${zone.id}`}>
        <path d={zone.outline} />
      </clipPath>
      <g className="pieces" style={{ '--inside': `url(#inside-${zone.id})` } as CSSProperties}>
        {formulas.map((id) => (
          <g
            key={id}
            opacity={lit === undefined || lit === id ? 1 : 0.15}
            style={{ '--hatch': `url(#hatch-${id})`, '--swatch': `var(--swatch-${id})` } as CSSProperties}
          >
            <path className="strips" d={joined(id, 'outline')} />
            <path className="stitches" d={joined(id, 'stitches')} />
          </g>
        ))}
      </g>
    </>
  )
})

/** A zone's number in working order, above everything else; as large on screen however near the map is. */
const ZoneNumber = memo(function ZoneNumber({
  zone: { id, label },
  turn,
  scale,
}: {
  zone: ZoneDrawing
  turn: number
  scale: number
}) {
  const chosen = usePlan((state) => state.selectedZone === id || state.alsoSelected.includes(id))
  return (
    <g transform={`translate(${label.x} ${label.y}) scale(${scale})`} pointerEvents="none" aria-hidden>
      <circle r={0.62} fill={chosen ? INK.strong : INK.paper} stroke={INK.strong} strokeWidth={0.06} />
      <text y={0.27} fontSize={0.78} fontWeight={700} textAnchor="middle" fill={chosen ? INK.paper : INK.strong}>
        {turn}
      </text>
    </g>
  )
})
