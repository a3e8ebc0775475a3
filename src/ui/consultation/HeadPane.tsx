'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { memo, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import {
  cellAt,
  cellOutline,
  mainStrand,
  meanWhite,
  paintWhite,
  SCALP_CELLS,
  setLength,
  strandLength,
  whiteOfCell,
  type ScalpCell,
} from '@/core/hair/hairRecord'
import { hairlineOutline, mapFromPlace, placeFromMap, type Head } from '@/core/scalp/head'
import { LENGTH_REGIONS, LIMITS, type LengthRegion, type MapPoint } from '@/core/model'
import { Choice, NumberField, placeUnder } from '../parts'
import { INK } from '../theme'
import { dateInWords, WORDS } from '../words'
import { useConsultation, useEntry } from './context'
import { EarlierWork } from './EarlierWork'

const MODES = [
  { value: 'white', label: 'White hair' },
  { value: 'regions', label: 'Lengths' },
  { value: 'earlier', label: 'Earlier work' },
] as const
type Mode = (typeof MODES)[number]['value']

const SHARES = [0, 0.1, 0.25, 0.5, 0.75, 1] as const
/** Radius of the brush on the map, cm; 0 paints single spots. */
const BRUSHES = [
  { value: '0', label: 'one spot' },
  { value: '2.2', label: '4 cm' },
  { value: '4', label: '8 cm' },
] as const

/** The head from above: white hair painted on it, lengths by region, what earlier visits treated. */
export function HeadPane() {
  const { store, head, writable, open } = useConsultation()
  const [mode, setMode] = useState<Mode>('white')
  const [share, setShare] = useState<number>(0.5)
  const [radius, setRadius] = useState<string>('2.2')
  const canvas = useEntry((state) => state.entry.canvas)
  const hair = useEntry((state) => state.entry.hair)
  const region = useEntry((state) => state.region)
  const [cursor, setCursor] = useState<number>()
  const overall = Math.round(100 * meanWhite(head, hair, canvas))

  const paint = (cells: Iterable<number>, what: string) =>
    store.edit(`${Math.round(100 * share)} % white, ${what}`, 'white', (entry) => ({
      ...entry,
      canvas: paintWhite(entry.canvas, new Set(cells), share),
    }))
  const under = (cell: number) => brushCells(head, cell, Number(radius))
  const ofRegion = (one: LengthRegion) => SCALP_CELLS.filter((cell) => cell.region === one).map(({ index }) => index)

  return (
    <Box
      component="section"
      aria-label="The head"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: 'minmax(260px, 1fr) minmax(240px, 1fr)' },
        gap: 2,
        mt: 2,
      }}
    >
      <Box sx={{ minWidth: 0, maxWidth: 460 }}>
        {mode === 'earlier' && open.lastVisit ? (
          <EarlierWork visit={open.lastVisit} />
        ) : (
          <HeadMap
            mode={mode}
            paintable={mode === 'white' && writable}
            cursor={mode === 'white' ? cursor : undefined}
            onCursor={setCursor}
            onCell={(cell) => {
              if (mode === 'white' && writable) paint(under(cell), 'painted')
              else if (mode === 'regions') store.show(SCALP_CELLS[cell]!.region)
            }}
          />
        )}
      </Box>
      <Stack spacing={1.25}>
        <Choice label="Show on the head" value={mode} options={MODES} onChange={setMode} />
        {mode === 'white' && (
          <>
            <Typography>
              <b>{overall} %</b> white on the whole head
              {cursor !== undefined && `; ${Math.round(100 * whiteOfCell(canvas.cells[cursor]!))} % under the brush`}
            </Typography>
            {writable && (
              <>
                <Choice
                  label="Paint with"
                  value={String(share)}
                  options={SHARES.map((value) => ({ value: String(value), label: `${Math.round(100 * value)} %` }))}
                  onChange={(value) => setShare(Number(value))}
                />
                <Choice label="Brush" value={radius} options={BRUSHES} onChange={setRadius} />
                <Box>
                  <Typography variant="caption" color="textSecondary">
                    Or fill a region with {Math.round(100 * share)} %
                  </Typography>
                  <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
                    {LENGTH_REGIONS.map((one) => (
                      <Button
                        key={one}
                        size="small"
                        variant="outlined"
                        color="inherit"
                        sx={{ borderColor: 'divider' }}
                        onClick={() => paint(ofRegion(one), WORDS.region[one])}
                      >
                        {WORDS.region[one]}
                      </Button>
                    ))}
                    <Button
                      size="small"
                      variant="outlined"
                      color="inherit"
                      sx={{ borderColor: 'divider' }}
                      onClick={() =>
                        paint(
                          SCALP_CELLS.map(({ index }) => index),
                          'whole head',
                        )
                      }
                    >
                      Whole head
                    </Button>
                  </Box>
                </Box>
                <Typography variant="caption" color="textSecondary">
                  Drag on the head. By keyboard: arrow keys move the brush, space paints.
                </Typography>
              </>
            )}
          </>
        )}
        {mode === 'regions' && (
          <>
            <Typography variant="caption" color="textSecondary">
              Stretched lengths, measured at each region. Tap one on the head to see its strand.
            </Typography>
            {(region === 'all' ? LENGTH_REGIONS : [region]).map((one) => (
              <RegionLength key={one} region={one} />
            ))}
          </>
        )}
        {mode === 'earlier' && (
          <Typography color="textSecondary">
            {open.lastVisit
              ? `“${open.lastVisit.document.name}”, carried out on ${dateInWords(open.lastVisit.on)}. Its foils lie under the next plan’s map too; what they took is a kind of hair of its own above.`
              : 'No plan has been recorded as carried out yet. When one is, under Overview, its foils show here and the hair they treated becomes a kind of its own.'}
          </Typography>
        )}
      </Stack>
    </Box>
  )
}

function RegionLength({ region }: { region: LengthRegion }) {
  const { store, writable } = useConsultation()
  const length = useEntry((state) => strandLength(mainStrand(state.entry.canvas, region).bands))
  return (
    <NumberField
      layout="row"
      label={WORDS.region[region]}
      value={length}
      limit={{ ...LIMITS.bandEdgeCm, min: 1 }}
      step={1}
      disabled={!writable}
      onChange={(cm) =>
        store.edit(`${WORDS.region[region]} ${cm} cm`, `length/${region}`, (entry) => ({
          ...entry,
          canvas: setLength(entry.canvas, region, cm),
        }))
      }
    />
  )
}

interface MapProps {
  mode: Mode
  paintable: boolean
  cursor: number | undefined
  onCursor: (cell: number) => void
  onCell: (cell: number) => void
}

/** The scalp in its cells. White is told by dots: as many of a hundred as hairs are white. */
function HeadMap({ mode, paintable, cursor, onCursor, onCell }: MapProps) {
  const { head } = useConsultation()
  const canvas = useEntry((state) => state.entry.canvas)
  const region = useEntry((state) => state.region)
  const svg = useRef<SVGSVGElement>(null)
  const painting = useRef<number>(undefined)
  const outline = useMemo(() => hairlineOutline(head, 180), [head])
  const cells = useMemo(
    () => SCALP_CELLS.map((cell) => ({ cell, d: pathOf(cellOutline(head, cell)), dots: dotsOf(head, cell) })),
    [head],
  )
  const edge = 1
  const left = Math.min(...outline.map(({ x }) => x)) - edge
  const top = -Math.max(...outline.map(({ y }) => y)) - edge
  const width = -2 * left
  const height = -Math.min(...outline.map(({ y }) => y)) + edge - top

  function cellUnder(event: PointerEvent): number | undefined {
    if (!svg.current) return undefined
    const { x, y } = placeUnder(svg.current, event)
    const place = placeFromMap(head, { x, y: -y })
    return place.s <= 1 ? cellAt(place) : undefined
  }

  function touch(event: PointerEvent, starts: 'starts' | 'goes on') {
    const cell = cellUnder(event)
    if (cell === undefined) return
    onCursor(cell)
    if (starts === 'goes on' && (painting.current === undefined || painting.current === cell || !paintable)) return
    painting.current = cell
    onCell(cell)
  }

  function walk(event: KeyboardEvent) {
    const at = cursor ?? cellAt({ psi: 0, s: 0.9 })
    if (event.key === ' ' || event.key === 'Enter') onCell(at)
    else {
      const to = neighbour(SCALP_CELLS[at]!, event.key)
      if (to === undefined) return
      onCursor(to)
    }
    event.preventDefault()
  }

  return (
    <svg
      ref={svg}
      viewBox={`${left} ${top} ${width} ${height}`}
      tabIndex={0}
      role="application"
      aria-label={
        mode === 'white'
          ? 'White hair on the scalp, face up, client’s left on the left. Arrow keys move, space paints.'
          : 'Regions of the scalp, face up. Arrow keys move, space chooses.'
      }
      style={{
        width: '100%',
        maxHeight: 'min(430px, 44dvh)',
        display: 'block',
        touchAction: paintable ? 'none' : 'auto',
        cursor: 'crosshair',
      }}
      onKeyDown={walk}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        touch(event, 'starts')
      }}
      onPointerMove={(event) => touch(event, 'goes on')}
      onPointerUp={() => (painting.current = undefined)}
      onPointerCancel={() => (painting.current = undefined)}
    >
      <path d={pathOf(outline)} fill={INK.paper} stroke={INK.strong} strokeWidth={0.08} />
      {cells.map(({ cell, d, dots }, i) => (
        <CellView
          key={i}
          d={d}
          dots={dots}
          share={mode === 'white' ? whiteOfCell(canvas.cells[i]!) : 0}
          shaded={mode === 'regions' ? (cell.region === region ? 'chosen' : 'other') : 'none'}
          odd={LENGTH_REGIONS.indexOf(cell.region) % 2 === 1}
        />
      ))}
      {cursor !== undefined && (
        <path d={cells[cursor]!.d} fill="none" stroke={INK.strong} strokeWidth={0.14} pointerEvents="none" />
      )}
      {mode === 'regions' &&
        REGION_LABELS.map(({ region: one, psi, s }) => {
          const { x, y } = mapFromPlace(head, { psi, s })
          return (
            <text
              key={one}
              x={x}
              y={-y}
              fontSize={0.85}
              textAnchor="middle"
              fill={INK.strong}
              stroke={INK.paper}
              strokeWidth={0.25}
              paintOrder="stroke"
              pointerEvents="none"
            >
              {WORDS.region[one]}
            </text>
          )
        })}
      <text x={0} y={top + 0.75} fontSize={0.6} textAnchor="middle" fill={INK.faint}>
        face
      </text>
    </svg>
  )
}

const REGION_LABELS: { region: LengthRegion; psi: number; s: number }[] = [
  { region: 'fringe', psi: 0, s: 0.88 },
  { region: 'front', psi: 0, s: 0.5 },
  { region: 'sides', psi: 1.5, s: 0.72 },
  { region: 'crown', psi: Math.PI, s: 0.12 },
  { region: 'back', psi: Math.PI, s: 0.6 },
  { region: 'nape', psi: Math.PI, s: 0.92 },
]

interface CellProps {
  d: string
  dots: readonly string[]
  share: number
  shaded: 'none' | 'chosen' | 'other'
  odd: boolean
}

const CellView = memo(function CellView({ d, dots, share, shaded, odd }: CellProps) {
  return (
    <>
      <path
        d={d}
        fill={shaded === 'none' ? 'transparent' : INK.strong}
        fillOpacity={shaded === 'chosen' ? 0.28 : odd ? 0.1 : 0.03}
        stroke={INK.faint}
        strokeOpacity={0.25}
        strokeWidth={0.03}
      />
      {share > 0 && (
        <path
          d={dots.slice(0, Math.ceil(share * dots.length)).join('')}
          stroke={INK.strong}
          strokeWidth={0.17}
          strokeLinecap="round"
          fill="none"
          pointerEvents="none"
        />
      )}
    </>
  )
})

/** Dots a cell shows when it is all white; scattered in a fixed order, so that a share is the first of them. */
const DOTS = 20
function dotsOf(head: Head, cell: ScalpCell): string[] {
  return Array.from({ length: DOTS }, (_, i) => {
    // Halton points (bases 2 and 3): evenly spread whatever their number.
    const { x, y } = mapFromPlace(head, {
      psi: cell.psi[0] + (cell.psi[1] - cell.psi[0]) * (0.06 + 0.88 * halton(i + 1, 2)),
      s: Math.sqrt(cell.s[0] ** 2 + (cell.s[1] ** 2 - cell.s[0] ** 2) * (0.06 + 0.88 * halton(i + 1, 3))),
    })
    return `M${round(x)} ${round(-y)}h0.01`
  })
}

function halton(index: number, base: number): number {
  let value = 0
  for (let i = index, f = 1 / base; i > 0; i = Math.floor(i / base), f /= base) value += f * (i % base)
  return value
}

/** Cells whose middle lies within a brush laid on a cell. */
function brushCells(head: Head, cell: number, radius: number): number[] {
  const at = mapFromPlace(head, SCALP_CELLS[cell]!.centre)
  return SCALP_CELLS.filter(({ index, centre }) => {
    if (index === cell) return true
    const { x, y } = mapFromPlace(head, centre)
    return Math.hypot(x - at.x, y - at.y) <= radius
  }).map(({ index }) => index)
}

/** The cell next to one in the direction of an arrow key, as the map is seen. */
function neighbour({ centre, s, psi }: ScalpCell, key: string): number | undefined {
  const step = { ArrowUp: [0, 1], ArrowDown: [0, -1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[key]
  if (!step) return undefined
  // On the disk of radius s: left on the map is the client's left, positive azimuth.
  const size = Math.max(s[1] - s[0], (psi[1] - psi[0]) * centre.s * 0.6)
  const x = -centre.s * Math.sin(centre.psi) + step[0]! * size
  const y = centre.s * Math.cos(centre.psi) + step[1]! * size
  return cellAt({ psi: Math.atan2(-x, y), s: Math.min(1, Math.hypot(x, y)) })
}

const pathOf = (points: readonly MapPoint[]): string =>
  `M${points.map(({ x, y }) => `${round(x)} ${round(-y)}`).join('L')}Z`
const round = (value: number): number => Math.round(value * 100) / 100
