'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Collapse from '@mui/material/Collapse'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useId, useState } from 'react'
import { toQuarterLevel } from '@/core/hair/hairRecord'
import { hexFromLab, exposedLab } from '@/core/hair/colour'
import { SCHOOL_MEANS, type Reason } from '@/core/judgement/feasibility'
import { LENGTH_REGIONS } from '@/core/model'
import { Read } from '../parts'
import { LINE } from '../theme'
import { REACH_WORDS, WORDS } from '../words'
import { useConsultation, useEntry } from './context'
import { useVerdict } from './useVerdict'

const MARK: Record<Reason['severity'], string> = { stop: 'Stop', caution: 'Caution', fact: 'Why' }
const span = (low: number, high: number) => (low === high ? String(low) : `${low}–${high}`)

/**
 * Whether the wish can be had: a range, the band that decides, every reason with its figures, and the way there visit
 * by visit.
 */
export function VerdictCard() {
  const verdict = useVerdict()
  const { store } = useConsultation()
  const school = useEntry((state) => state.entry.goal.school)
  const { reach, visits, atEnd, limiting, reasons, plan } = verdict
  const limits = limiting.state !== 'fine'
  return (
    <Stack spacing={2} component="section" aria-label="Verdict">
      <Box role="status">
        <Typography variant="h2" sx={{ fontSize: '1.35rem' }}>
          {REACH_WORDS[reach]}
        </Typography>
        <Typography color="textSecondary">
          {reach !== 'notNow' && `${span(visits.low, visits.high)} visit${visits.high === 1 ? '' : 's'}, `}
          {reach !== 'notNow' &&
            limits &&
            `the limiting band ends at level ${span(toQuarterLevel(atEnd.low), toQuarterLevel(atEnd.high))} of ${toQuarterLevel(limiting.required)}. `}
          {SCHOOL_MEANS[school].name} school.
        </Typography>
        {limits && (
          <Button
            variant="outlined"
            color="inherit"
            sx={{ mt: 1 }}
            onClick={() => store.setState({ region: 'all', strandId: limiting.strandId, band: limiting.index })}
          >
            Limited by <Read>{`${limiting.band.fromCm}–${limiting.band.toCm} cm`}</Read> (
            {limiting.regions.length === LENGTH_REGIONS.length
              ? 'everywhere'
              : limiting.regions.map((region) => WORDS.region[region].toLowerCase()).join(', ')}
            )
          </Button>
        )}
      </Box>
      <Box>
        <Typography variant="h3" sx={{ mb: 0.5 }}>
          Reasons
        </Typography>
        {reasons.map((reason, i) => (
          <OneReason key={`${reason.id}${i}`} reason={reason} />
        ))}
      </Box>
      {plan.length > 0 && (
        <Box>
          <Typography variant="h3" sx={{ mb: 0.5 }}>
            Visit by visit
          </Typography>
          {plan.map(({ number, need, steps, after }) => (
            <Box key={number} sx={{ borderTop: LINE, py: 1, display: 'flex', gap: 1.5 }}>
              <Box
                aria-hidden
                sx={{ width: 34, height: 34, border: LINE, flex: 'none', mt: 0.5 }}
                style={{ backgroundColor: hexFromLab(exposedLab(after.low)) }}
              />
              <Box>
                <Typography sx={{ fontWeight: 600 }}>
                  Visit {number}
                  {need === 'maybe' && ' (if the first lifts slowly)'}
                  {limits && `: canvas ${span(toQuarterLevel(after.low), toQuarterLevel(after.high))}`}
                </Typography>
                {steps.map((step) => (
                  <Typography key={step} variant="body2">
                    <Read>{step}</Read>
                  </Typography>
                ))}
              </Box>
            </Box>
          ))}
        </Box>
      )}
      <Typography variant="caption" color="textSecondary">
        A prediction from what is recorded, not a promise. The products’ instructions, a strand test and licensed
        practice come first.
      </Typography>
    </Stack>
  )
}

function OneReason({ reason: { severity, text, figures } }: { reason: Reason }) {
  const [open, setOpen] = useState(false)
  const id = useId()
  return (
    <Box
      sx={{
        borderTop: LINE,
        py: 0.75,
        borderLeft: 3,
        pl: 1.25,
        borderLeftColor: severity === 'stop' ? 'error.main' : severity === 'caution' ? 'warning.main' : 'divider',
        mb: 0.5,
      }}
    >
      <Typography variant="body2">
        <b>{MARK[severity]}. </b>
        <Read>{text}</Read>
      </Typography>
      <Button
        size="small"
        color="inherit"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
        sx={{ px: 0.5, minHeight: 32, fontWeight: 500, textDecoration: 'underline' }}
      >
        {open ? 'Hide the figures' : 'Figures'}
      </Button>
      <Collapse in={open} id={id}>
        <Box
          component="dl"
          sx={{
            m: 0,
            display: 'grid',
            gridTemplateColumns: '1fr auto',
            columnGap: 2,
            rowGap: 0.25,
            fontSize: '0.85rem',
          }}
        >
          {figures.map(({ label, value }) => (
            <Box key={label} sx={{ display: 'contents' }}>
              <Box component="dt" sx={{ color: 'text.secondary' }}>
                <Read>{label}</Read>
              </Box>
              <Box component="dd" sx={{ m: 0, textAlign: 'right' }}>
                <Read>{value}</Read>
              </Box>
            </Box>
          ))}
        </Box>
      </Collapse>
    </Box>
  )
}
