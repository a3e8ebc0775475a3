'use client'
import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import { useShallow } from 'zustand/react/shallow'
import type { ZoneFigures } from '@/core/plan/planner'
import type { Range } from '@/core/placement/quantity'
import { useUnits } from '../hooks/useUnits'
import { useCautions, usePlan, usePlanStore } from './context'
import { FormulaSample, Read } from '../parts'
import { LINE } from '../theme'
import { WORDS } from '../words'

/** The plan in figures. Every figure opens to what it came from; a selected zone shows its share of each. */
export function TotalsStrip() {
  const formulas = usePlan(useShallow((state) => state.document.formulas.map(({ id }) => id)))
  const isComputed = usePlan((state) => state.answer !== undefined)
  const isJudged = usePlan((state) => state.judged !== undefined)
  if (!isComputed) return null
  return (
    <Box role="group" aria-label="Totals" aria-busy={!isJudged} sx={STRIP}>
      <FoilsTotal />
      {formulas.map((id, i) => (
        <GramsTotal key={id} formulaId={id} index={i} />
      ))}
      <MinutesTotal />
      {isJudged ? (
        <>
          <ShareTotal />
          <LookTotal />
          <CautionsTotal />
        </>
      ) : (
        <small className="waiting">Counting what will be seen…</small>
      )}
    </Box>
  )
}

/** The figures follow every move of a hand, so they are plain elements whose looks are worked out once, here. */
const STRIP = {
  display: 'flex',
  overflowX: 'auto',
  borderTop: LINE,
  bgcolor: 'background.paper',
  '& > button': {
    flex: '1 0 auto',
    display: 'flex',
    flexDirection: 'column',
    alignItems: 'flex-start',
    justifyContent: 'center',
    minHeight: 56,
    px: { xs: 1, md: 1.5 },
    py: 0.5,
    border: 0,
    borderRight: LINE,
    background: 'none',
    color: 'inherit',
    font: 'inherit',
    textAlign: 'left',
    whiteSpace: 'nowrap',
    cursor: 'pointer',
    '&:hover': { bgcolor: 'action.hover' },
    '&:focus-visible': { outlineOffset: -2 },
  },
  '& .figure': { display: 'flex', gap: 0.75, alignItems: 'center', lineHeight: 1.5, typography: 'body1' },
  '& .figure b.large': { fontSize: '1.15rem' },
  '& .waiting': { alignSelf: 'center', px: 1.5 },
  '& .part, & small': { typography: 'caption', color: 'text.secondary' },
  '& .part[data-warn]': { color: 'warning.main', fontWeight: 700 },
} as const

/** A figure of the selected zone, ready to read, or nothing where none is selected. */
const useHere = (words: (zone: ZoneFigures) => string): string | undefined =>
  usePlan((state) => {
    const zone = state.answer?.figures.zones.find(({ id }) => id === state.selectedZone)
    return zone && words(zone)
  })

function FoilsTotal() {
  const foils = usePlan((state) => state.answer!.figures.foils)
  return (
    <Total
      id="foils"
      name={`${foils} foils`}
      part={useHere((zone) => `${zone.foils} here`) ?? 'tap a figure to open it'}
    >
      <Figure value={foils} unit="foils" />
    </Total>
  )
}

function GramsTotal({ formulaId, index }: { formulaId: string; index: number }) {
  const grams = usePlan(useShallow((state) => state.answer!.figures.grams[formulaId]))
  const swatch = usePlan((state) => state.answer!.drawing.swatches[formulaId])
  const part = useHere((zone) => `${zone.grams[formulaId] ?? 0} g here`)
  const { read } = useUnits()
  if (!grams || !swatch) return null
  return (
    <Total
      id={`grams:${formulaId}`}
      name={read(`Formula ${formulaId}: ${grams.expected} g (${grams.low}–${grams.high})`)}
      part={part}
    >
      <FormulaSample id={formulaId} index={index} swatch={swatch} size={24} />
      <Figure value={grams.expected} unit="g" range={grams} />
    </Total>
  )
}

function MinutesTotal() {
  const minutes = usePlan(useShallow((state) => state.answer!.figures.minutes))
  return (
    <Total
      id="minutes"
      name={`Hands-on ${minutes.expected} minutes, ${minutes.low} to ${minutes.high}`}
      part={useHere((zone) => `${zone.minutes} min here`)}
    >
      <Figure value={minutes.expected} unit="min hands-on" range={minutes} />
    </Total>
  )
}

function ShareTotal() {
  const { byFormula, left } = usePlan((state) => state.judged!.figures.sharePercent)
  const shares = Object.entries(byFormula)
  return (
    <Total
      id="share"
      name={`Share of hair: ${shares.map(([id, percent]) => `${id} ${percent} %`).join(', ')}, left ${left} %`}
      part={useHere((zone) => `${Math.round(zone.takenFraction * 1000) / 10} % taken here`)}
    >
      <span>
        {shares.map(([id, percent]) => (
          <span key={id}>
            {id} <b>{percent}</b> :{' '}
          </span>
        ))}
        left <b>{left}</b> %
      </span>
    </Total>
  )
}

function LookTotal() {
  const { lightPercent, lowPercent, contrast } = usePlan((state) => state.judged!.figures.look)
  const words = WORDS.contrastVerdict[contrast]
  return (
    <Total
      id="look"
      name={`How it will look: ${lightPercent} % lighter, ${lowPercent} % darker, contrast ${words}`}
      part={`light ${lightPercent} : low ${lowPercent}`}
    >
      <span>
        <b>{words}</b>
        {contrast !== 'none' && ' contrast'}
      </span>
    </Total>
  )
}

function CautionsTotal() {
  const acknowledged = usePlan((state) => state.acknowledgements)
  const pieces = usePlan((state) => state.judged!.figures.advice.length)
  const cautions = useCautions()
  const waiting = cautions.filter(
    ({ id, severity }) => severity === 'caution' && !acknowledged.some(({ cautionId }) => cautionId === id),
  ).length
  return (
    <Total
      id="cautions"
      name={`${cautions.length} cautions and notes, ${waiting} to acknowledge`}
      part={waiting > 0 ? `${waiting} to acknowledge` : `${pieces} pieces of advice`}
      warn={waiting > 0}
    >
      <Figure value={cautions.length} unit={cautions.length === 1 ? 'caution' : 'cautions'} />
    </Total>
  )
}

function Figure({ value, unit, range }: { value: number; unit: string; range?: Range }) {
  const { unit: inWhat, shown } = useUnits().field(unit)
  return (
    <span>
      <b className="large">{shown(value)}</b> {inWhat}
      {range && range.expected > 0 && (
        <small>
          {' '}
          ({shown(range.low)}–{shown(range.high)})
        </small>
      )}
    </span>
  )
}

interface TotalProps {
  id: string
  /** What a screen reader says. */
  name: string
  /** The selected zone's share. */
  part: string | undefined
  warn?: boolean
  children: ReactNode
}

function Total({ id, name, part, warn, children }: TotalProps) {
  const { store } = usePlanStore()
  const open = usePlan((state) => state.openTotal === id)
  return (
    <button
      type="button"
      aria-label={`${name}. Open`}
      aria-expanded={open}
      onClick={() => store.setState({ openTotal: id })}
    >
      <span className="figure">{children}</span>
      <span className="part" data-warn={warn || undefined}>
        {part === undefined ? '\u00a0' : <Read>{part}</Read>}
      </span>
    </button>
  )
}
