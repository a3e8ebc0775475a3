'use client'
import Box from '@mui/material/Box'
import { useRef, useState, type KeyboardEvent, type PointerEvent, type Ref } from 'react'
import { toBandEdge, moveEdge, toQuarterLevel, strandLength } from '@/core/hair/hairRecord'
import { hexFromLab, labOfHair } from '@/core/hair/colour'
import { LIMITS, type Band, type Strand } from '@/core/model'
import { useUnits } from '../hooks/useUnits'
import { useWidth } from '../hooks/useWidth'
import { inkOn } from '../parts'
import { INK } from '../theme'
import { historyWords, toneWords } from './context'

/** Heights of the drawing, px. */
const LABEL = 20
const BODY = 60
const RULER = 34
/** Width of what a finger can take hold of, px. */
const GRIP = 44
/** Steps of an edge by keyboard: with Shift the fine one, cm. */
const STEP_CM = 0.5
const FINE_STEP_CM = 0.1

interface Props {
  strand: Strand
  selected: number | undefined
  /** Band that limits the goal, if it is on this strand. */
  limiting: number | undefined
  writable: boolean
  onSelect: (band: number) => void
  onMove: (edge: number, bands: Band[]) => void
  onLevel: (band: number, level: number) => void
}

/** Where centimetres of the strand lie on the drawing, px. */
type ToX = (cm: number) => number

/** One kind of strand from the scalp to the tip, to scale; edges are dragged, levels stepped. */
export function StrandDiagram({ strand: { bands }, selected, limiting, writable, onSelect, onMove, onLevel }: Props) {
  const { ref, width } = useWidth()
  const { read } = useUnits()
  const svg = useRef<SVGSVGElement>(null)
  const groups = useRef<(SVGGElement | null)[]>([])
  const length = strandLength(bands)
  const inner = Math.max(1, width - GRIP)
  const x: ToX = (cm) => GRIP / 2 + (cm / length) * inner

  /** The place under a pointer, cm from the scalp. */
  const cmAt = ({ clientX }: PointerEvent) =>
    ((clientX - (svg.current?.getBoundingClientRect().left ?? 0) - GRIP / 2) / inner) * length

  function walk(to: number) {
    if (!bands[to]) return
    onSelect(to)
    groups.current[to]?.focus()
  }

  return (
    <Box ref={ref} sx={{ width: '100%', minHeight: LABEL + BODY + RULER }}>
      {width > 0 && (
        <svg
          ref={svg}
          width={width}
          height={LABEL + BODY + RULER}
          role="group"
          aria-label={read(`Strand of ${length} cm from the scalp to the tip`)}
          style={{ display: 'block', touchAction: 'pan-y', userSelect: 'none' }}
        >
          <HistoryPatterns />
          {bands.map((band, i) => (
            <BandShape
              key={i}
              ref={(element) => void (groups.current[i] = element)}
              band={band}
              index={i}
              count={bands.length}
              x={x}
              selected={i === selected}
              reachable={i === (selected ?? 0)}
              limits={i === limiting}
              onSelect={() => onSelect(i)}
              onWalk={(by) => walk(i + by)}
              onLevel={writable ? (level) => onLevel(i, level) : undefined}
            />
          ))}
          {writable &&
            bands
              .slice(0, -1)
              .map((_, i) => (
                <Edge
                  key={i}
                  bands={bands}
                  index={i}
                  x={x}
                  cmAt={cmAt}
                  onMove={(cm) => onMove(i, moveEdge(bands, i, cm))}
                />
              ))}
          <Ruler length={length} x={x} y={LABEL + BODY} />
        </svg>
      )}
    </Box>
  )
}

interface BandShapeProps {
  ref: Ref<SVGGElement>
  band: Band
  index: number
  count: number
  x: ToX
  selected: boolean
  /** Whether Tab comes to it. */
  reachable: boolean
  limits: boolean
  onSelect: () => void
  /** To the next band (1) or the one before (-1). */
  onWalk: (by: 1 | -1) => void
  onLevel: ((level: number) => void) | undefined
}

const ALONG: Partial<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowLeft: -1 }
const UP: Partial<Record<string, number>> = { ArrowUp: 0.25, ArrowDown: -0.25 }
/** Narrower than these a band has no room for its level, or for its tone in words, px. */
const FOR_LEVEL = 26
const FOR_WORDS = 90

/** One band: its colour, level and past; the arrows go along the strand and step its level. */
function BandShape({
  ref,
  band,
  index,
  count,
  x,
  selected,
  reachable,
  limits,
  onSelect,
  onWalk,
  onLevel,
}: BandShapeProps) {
  const { read } = useUnits()

  function press(event: KeyboardEvent) {
    const along = ALONG[event.key]
    const up = UP[event.key]
    if (event.key === 'Enter' || event.key === ' ') onSelect()
    else if (along) onWalk(along)
    else if (up && onLevel) onLevel(withinLevels(toQuarterLevel(band.level + up)))
    else return
    event.preventDefault()
  }

  return (
    <g
      ref={ref}
      role="button"
      tabIndex={reachable ? 0 : -1}
      aria-pressed={selected}
      aria-label={read(describe(band, index, count)) + (limits ? ', limits the goal' : '')}
      style={{ cursor: 'pointer' }}
      // At the touch and not at the click: a tap that the device takes for a long press makes no click.
      onPointerDown={onSelect}
      onKeyDown={press}
    >
      <BandDrawing band={band} index={index} x={x} selected={selected} limits={limits} />
    </g>
  )
}

const withinLevels = (level: number): number => Math.min(LIMITS.bandLevel.max, Math.max(LIMITS.bandLevel.min, level))

function BandDrawing({
  band,
  index,
  x,
  selected,
  limits,
}: Pick<BandShapeProps, 'band' | 'index' | 'x' | 'selected' | 'limits'>) {
  const from = x(band.fromCm)
  const wide = x(band.toCm) - from
  const swatch = hexFromLab(labOfHair(band.level, band.hue, band.strength))
  const ink = inkOn(swatch)
  return (
    <>
      <rect x={from} y={0} width={wide} height={LABEL + BODY} fill="transparent" />
      <rect x={from} y={LABEL} width={wide} height={BODY} fill={swatch} />
      <rect
        x={from}
        y={LABEL + BODY - 12}
        width={wide}
        height={12}
        fill={`url(#past-${patternOf(band)}-${ink === '#000000' ? 'dark' : 'light'})`}
      />
      <rect
        x={from + 0.5}
        y={LABEL + 0.5}
        width={Math.max(0, wide - 1)}
        height={BODY - 1}
        fill="none"
        stroke={INK.strong}
        strokeWidth={selected ? 3 : 1}
      />
      {wide > FOR_LEVEL && (
        <text x={from + wide / 2} y={LABEL + 30} textAnchor="middle" fontSize={18} fontWeight={700} fill={ink}>
          {band.level}
        </text>
      )}
      <text
        x={from + wide / 2}
        y={14}
        textAnchor="middle"
        fontSize={13}
        fontWeight={selected ? 700 : 500}
        fill={INK.strong}
      >
        {wide > FOR_WORDS ? `${index + 1} · ${toneWords(band)}` : index + 1}
        {limits && wide > FOR_LEVEL ? ' ◂ limits' : ''}
      </text>
    </>
  )
}

interface EdgeProps {
  bands: readonly Band[]
  index: number
  x: ToX
  cmAt: (event: PointerEvent) => number
  onMove: (cm: number) => void
}

const NUDGE: Partial<Record<string, 1 | -1>> = { ...ALONG, ArrowUp: 1, ArrowDown: -1 }

/** The end of a band: dragged, or moved by the arrows. */
function Edge({ bands, index, x, cmAt, onMove }: EdgeProps) {
  const { read } = useUnits()
  const [dragging, setDragging] = useState(false)
  const band = bands[index]!
  const at = x(band.toCm)
  const grip = gripOf(bands, index, x)

  function nudge(event: KeyboardEvent) {
    const along = NUDGE[event.key]
    if (!along) return
    event.preventDefault()
    onMove(band.toCm + along * (event.shiftKey ? FINE_STEP_CM : STEP_CM))
  }

  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`End of band ${index + 1}`}
      aria-valuenow={band.toCm}
      aria-valuemin={band.fromCm}
      aria-valuemax={bands[index + 1]!.toCm}
      aria-valuetext={read(`${band.toCm} cm from the scalp`)}
      style={{ cursor: 'ew-resize', touchAction: 'none' }}
      onKeyDown={nudge}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        setDragging(true)
      }}
      onPointerMove={(event) => dragging && onMove(toBandEdge(cmAt(event)))}
      onPointerUp={() => setDragging(false)}
      onPointerCancel={() => setDragging(false)}
    >
      <rect x={at - grip / 2} y={LABEL} width={grip} height={BODY + RULER} fill="transparent" />
      <line x1={at} x2={at} y1={LABEL - 2} y2={LABEL + BODY + 8} stroke={INK.strong} strokeWidth={dragging ? 4 : 2} />
      <path d={`M${at} ${LABEL + BODY + 4}l7 9h-14z`} fill={INK.strong} />
    </g>
  )
}

/** A grip is as wide as a finger unless its neighbour is nearer than that. */
function gripOf(bands: readonly Band[], index: number, x: (cm: number) => number): number {
  const here = x(bands[index]!.toCm)
  const before = index > 0 ? here - x(bands[index - 1]!.toCm) : Infinity
  const after = index < bands.length - 2 ? x(bands[index + 1]!.toCm) - here : Infinity
  return Math.min(GRIP, before, after)
}

const describe = (band: Band, i: number, count: number): string =>
  `Band ${i + 1} of ${count}, ${band.fromCm} to ${band.toCm} cm, level ${band.level}, ${toneWords(band)}, ${historyWords(band)}`

/** Room for the words at the tip and half a figure beside them. */
const TIP_WORDS = 88

function Ruler({ length, x, y }: { length: number; x: (cm: number) => number; y: number }) {
  const { read, field } = useUnits()
  const { kept, shown } = field('cm')
  const perCm = (x(length) - x(0)) / length
  const step = [1, 2, 5, 10, 20, 50].find((one) => kept(one) * perCm >= 34) ?? 100
  // A tick so near the tip that its figure would run into the tip's own is left out.
  const ticks = Array.from({ length: Math.floor(shown(length) / step) + 1 }, (_, i) => i * step).filter(
    (tick) => tick === 0 || (length - kept(tick)) * perCm > TIP_WORDS,
  )
  return (
    <g aria-hidden fill={INK.faint} fontSize={12}>
      {ticks.map((tick) => (
        <g key={tick}>
          <line x1={x(kept(tick))} x2={x(kept(tick))} y1={y} y2={y + 6} stroke={INK.faint} />
          <text x={x(kept(tick))} y={y + 28} textAnchor="middle">
            {tick === 0 ? 'scalp' : tick}
          </text>
        </g>
      ))}
      <text x={x(length)} y={y + 28} textAnchor="end">
        {read(`${length} cm, tip`)}
      </text>
    </g>
  )
}

/** What happened to a band, told without colour: a texture along its lower edge. */
const PATTERNS = {
  virgin: '',
  lightened: 'M0 6H8',
  dyed: 'M0 8L8 0',
  worn: 'M2 2h0.1M6 6h0.1',
  salts: 'M0 0L8 8M0 8L8 0',
} as const
type Pattern = keyof typeof PATTERNS

function patternOf({ treatments }: Band): Pattern {
  const kinds = treatments.map(({ kind }) => kind)
  if (kinds.includes('metallic')) return 'salts'
  if (
    kinds.some(
      (kind) => kind === 'permanent' || kind === 'boxDye' || kind === 'demi' || kind === 'henna' || kind === 'unknown',
    )
  )
    return 'dyed'
  if (kinds.includes('lightened')) return 'lightened'
  return kinds.length > 0 ? 'worn' : 'virgin'
}

function HistoryPatterns() {
  return (
    <defs>
      {Object.entries(PATTERNS).flatMap(([name, d]) =>
        (['dark', 'light'] as const).map((ink) => (
          <pattern key={name + ink} id={`past-${name}-${ink}`} width={8} height={8} patternUnits="userSpaceOnUse">
            <path
              d={d}
              stroke={ink === 'dark' ? '#000000' : '#ffffff'}
              strokeWidth={1.6}
              strokeLinecap="round"
              fill="none"
              opacity={0.75}
            />
          </pattern>
        )),
      )}
    </defs>
  )
}
