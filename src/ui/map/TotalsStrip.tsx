'use client'
import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { useCautions, usePlan, usePlanStore } from './context'
import { FormulaSample } from '../parts'
import { WORDS } from '../words'

/** The plan in figures. Every figure opens to what it came from; a selected zone shows its share of each. */
export function TotalsStrip() {
  const { store } = usePlanStore()
  const figures = usePlan((state) => state.answer?.figures)
  const drawing = usePlan((state) => state.answer?.drawing)
  const formulas = usePlan((state) => state.document.formulas)
  const open = usePlan((state) => state.openTotal)
  const selected = usePlan((state) => state.selectedZone)
  const acknowledged = usePlan((state) => state.acknowledgements)
  const cautions = useCautions()
  if (!figures || !drawing) return null
  const zone = figures.zones.find(({ id }) => id === selected)
  const waiting = cautions.filter(({ id, severity }) => severity === 'caution' && !acknowledged.some(({ cautionId }) => cautionId === id)).length
  const show = (total: string) => store.setState({ openTotal: total })

  return (
    <Box
      role="group"
      aria-label="Totals"
      sx={{ display: 'flex', overflowX: 'auto', borderTop: 1, borderColor: 'divider', bgcolor: 'background.paper', '& > *': { borderRight: 1, borderColor: 'divider' } }}
    >
      <Total id="foils" open={open} onOpen={show} name={`${figures.foils} foils`} part={zone && `${zone.foils} here`}>
        <Figure value={figures.foils} unit="foils" />
      </Total>
      {formulas.map((formula, i) => {
        const grams = figures.grams[formula.id]
        return (
          grams && (
            <Total
              key={formula.id}
              id={`grams:${formula.id}`}
              open={open}
              onOpen={show}
              name={`Formula ${formula.id}: ${grams.expected} grams, ${grams.low} to ${grams.high}`}
              part={zone && `${zone.grams[formula.id] ?? 0} g here`}
            >
              <FormulaSample id={formula.id} index={i} swatch={drawing.swatches[formula.id] ?? '#888888'} size={24} />
              <Figure value={grams.expected} unit="g" range={grams.expected > 0 ? `${grams.low}–${grams.high}` : undefined} />
            </Total>
          )
        )
      })}
      <Total
        id="minutes"
        open={open}
        onOpen={show}
        name={`Hands-on ${figures.minutes.expected} minutes, ${figures.minutes.low} to ${figures.minutes.high}`}
        part={zone && `${zone.minutes} min here`}
      >
        <Figure value={figures.minutes.expected} unit="min hands-on" range={figures.minutes.expected > 0 ? `${figures.minutes.low}–${figures.minutes.high}` : undefined} />
      </Total>
      <Total
        id="share"
        open={open}
        onOpen={show}
        name={`Share of hair: ${formulas.map(({ id }) => `${id} ${figures.sharePercent.byFormula[id]} %`).join(', ')}, left ${figures.sharePercent.left} %`}
        part={zone && `${Math.round(zone.takenFraction * 1000) / 10} % taken here`}
      >
        <Typography component="span">
          {formulas.map(({ id }) => (
            <span key={id}>
              {id} <b>{figures.sharePercent.byFormula[id]}</b> :{' '}
            </span>
          ))}
          left <b>{figures.sharePercent.left}</b> %
        </Typography>
      </Total>
      <Total id="look" open={open} onOpen={show} name={`How it will look: ${figures.look.lightPercent} % lighter, ${figures.look.lowPercent} % darker, contrast ${WORDS.contrastVerdict[figures.look.contrast]}`} part={`light ${figures.look.lightPercent} : low ${figures.look.lowPercent}`}>
        <Typography component="span" sx={{ whiteSpace: 'nowrap' }}>
          <b>{WORDS.contrastVerdict[figures.look.contrast]}</b>
          {figures.look.contrast !== 'none' && ' contrast'}
        </Typography>
      </Total>
      <Total
        id="cautions"
        open={open}
        onOpen={show}
        name={`${cautions.length} cautions and notes, ${waiting} to acknowledge`}
        part={waiting > 0 ? `${waiting} to acknowledge` : `${figures.advice.length} pieces of advice`}
        warn={waiting > 0}
      >
        <Figure value={cautions.length} unit={cautions.length === 1 ? 'caution' : 'cautions'} />
      </Total>
    </Box>
  )
}

function Figure({ value, unit, range }: { value: number; unit: string; range?: string | undefined }) {
  return (
    <Typography component="span" sx={{ whiteSpace: 'nowrap' }}>
      <b style={{ fontSize: '1.15rem' }}>{value}</b> {unit}
      {range && (
        <Typography component="span" variant="caption" color="textSecondary">
          {' '}
          ({range})
        </Typography>
      )}
    </Typography>
  )
}

interface TotalProps {
  id: string
  open: string | undefined
  onOpen: (id: string) => void
  /** What a screen reader says. */
  name: string
  /** The selected zone's share. */
  part: string | undefined
  warn?: boolean
  children: ReactNode
}

function Total({ id, open, onOpen, name, part, warn, children }: TotalProps) {
  return (
    <ButtonBase
      aria-label={`${name}. Open`}
      aria-expanded={open === id}
      onClick={() => onOpen(id)}
      sx={{ flex: '1 0 auto', minHeight: 56, px: { xs: 1, md: 1.5 }, py: 0.5, flexDirection: 'column', alignItems: 'flex-start', textAlign: 'left', '&:hover': { bgcolor: 'action.hover' } }}
    >
      <Box component="span" sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
        {children}
      </Box>
      <Typography component="span" variant="caption" color={warn ? 'warning' : 'textSecondary'} sx={{ fontWeight: warn ? 700 : 400 }}>
        {part ?? (id === 'foils' ? 'tap a figure to open it' : '\u00a0')}
      </Typography>
    </ButtonBase>
  )
}
