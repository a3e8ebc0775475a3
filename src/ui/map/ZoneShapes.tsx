'use client'
import { memo, type CSSProperties, type KeyboardEvent } from 'react'
import { byId } from '@/core/model'
import type { ZoneDrawing } from '@/core/plan/sheets'
import { INK } from '../theme'
import { editStage, pick, stageOf, usePlan, usePlanStore, zonesInOrder } from './context'

/** One zone as a button. It is drawn again only when it changes itself. */
export const ZoneGroup = memo(function ZoneGroup({
  zone,
  turn,
  first,
}: {
  zone: ZoneDrawing
  turn: number
  first: boolean
}) {
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
      byId(draft.zones, id).placement.sequence = formula ? [formula.id] : []
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
export const ZoneNumber = memo(function ZoneNumber({
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
