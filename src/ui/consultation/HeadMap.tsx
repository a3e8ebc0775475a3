'use client'
import { memo, useMemo, useRef, type KeyboardEvent, type PointerEvent, type RefObject } from 'react'
import { cellAt, cellOutline, SCALP_CELLS, whiteOfCell, type ScalpCell } from '@/core/hair/hairRecord'
import { hairlineOutline, mapFromPlace, placeFromMap, type Head } from '@/core/scalp/head'
import { LENGTH_REGIONS, type LengthRegion, type MapPoint } from '@/core/model'
import { placeUnder } from '../parts'
import { INK } from '../theme'
import { WORDS } from '../words'
import { useConsultation, useEntry } from './context'
import type { Mode } from './HeadPane'

interface MapProps {
  mode: Mode
  paintable: boolean
  cursor: number | undefined
  onCursor: (cell: number) => void
  onCell: (cell: number) => void
}

/** The scalp in its cells. White is told by dots: as many of a hundred as hairs are white. */
export function HeadMap({ mode, paintable, cursor, onCursor, onCell }: MapProps) {
  const { head } = useConsultation()
  const svg = useRef<SVGSVGElement>(null)
  const outline = useMemo(() => hairlineOutline(head, 180), [head])
  const cells = useMemo(
    () => SCALP_CELLS.map((cell) => ({ cell, d: pathOf(cellOutline(head, cell)), dots: dotsOf(head, cell) })),
    [head],
  )
  const box = boxAround(outline)
  const hand = useHand({ svg, paintable, cursor, onCursor, onCell })
  return (
    <svg
      ref={svg}
      viewBox={`${box.left} ${box.top} ${box.width} ${box.height}`}
      // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- its regions are gone through with arrow keys
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
      {...hand}
    >
      <path d={pathOf(outline)} fill={INK.paper} stroke={INK.strong} strokeWidth={0.08} />
      <Cells cells={cells} mode={mode} />
      {cursor !== undefined && (
        <path d={cells[cursor]!.d} fill="none" stroke={INK.strong} strokeWidth={0.14} pointerEvents="none" />
      )}
      {mode === 'regions' && <RegionNames head={head} />}
      <text x={0} y={box.top + 0.75} fontSize={0.6} textAnchor="middle" fill={INK.faint}>
        face
      </text>
    </svg>
  )
}

/** Room around the scalp, map cm. */
const EDGE = 1

function boxAround(outline: readonly MapPoint[]): { left: number; top: number; width: number; height: number } {
  const left = Math.min(...outline.map(({ x }) => x)) - EDGE
  const top = -Math.max(...outline.map(({ y }) => y)) - EDGE
  const height = -Math.min(...outline.map(({ y }) => y)) + EDGE - top
  return { left, top, width: -2 * left, height }
}

/** What a pointer and keys do on the map: they go from cell to cell, and press them. */
function useHand({
  svg,
  paintable,
  cursor,
  onCursor,
  onCell,
}: Omit<MapProps, 'mode'> & { svg: RefObject<SVGSVGElement | null> }) {
  const { head } = useConsultation()
  const painting = useRef<number>(undefined)

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

  const ends = () => {
    painting.current = undefined
  }

  return {
    onKeyDown(event: KeyboardEvent) {
      const at = cursor ?? cellAt({ psi: 0, s: 0.9 })
      const to = neighbour(SCALP_CELLS[at]!, event.key)
      if (event.key === ' ' || event.key === 'Enter') onCell(at)
      else if (to !== undefined) onCursor(to)
      else return
      event.preventDefault()
    },
    onPointerDown(event: PointerEvent) {
      event.currentTarget.setPointerCapture(event.pointerId)
      touch(event, 'starts')
    },
    onPointerMove: (event: PointerEvent) => touch(event, 'goes on'),
    onPointerUp: ends,
    onPointerCancel: ends,
  }
}

interface DrawnCell {
  cell: ScalpCell
  d: string
  dots: readonly string[]
}

function Cells({ cells, mode }: Pick<MapProps, 'mode'> & { cells: readonly DrawnCell[] }) {
  const canvas = useEntry((state) => state.entry.canvas)
  const region = useEntry((state) => state.region)
  return cells.map(({ cell, d, dots }, i) => (
    <CellView
      key={i}
      d={d}
      dots={dots}
      share={mode === 'white' ? whiteOfCell(canvas.cells[i]!) : 0}
      shaded={mode === 'regions' ? (cell.region === region ? 'chosen' : 'other') : 'none'}
      odd={LENGTH_REGIONS.indexOf(cell.region) % 2 === 1}
    />
  ))
}

function RegionNames({ head }: { head: Head }) {
  return REGION_LABELS.map(({ region, psi, s }) => {
    const { x, y } = mapFromPlace(head, { psi, s })
    return (
      <text
        key={region}
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
        {WORDS.region[region]}
      </text>
    )
  })
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
