'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ClockFigures } from '@/core/plan/planner'
import { duration } from './words'

/** Other ways of doing the same, in figures. */
export function Compared({
  now,
  others,
  waiting,
}: {
  now: ClockFigures
  others: readonly { key: string; label: string; figures: ClockFigures }[]
  waiting: boolean
}) {
  const rows = [{ key: 'now', label: 'As it is', figures: now }, ...others]
  return (
    <Box component="section" aria-label="Compared" sx={{ p: 2 }} aria-busy={waiting}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Compared
      </Typography>
      <Box
        component="table"
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          '& td, & th': {
            py: 0.5,
            pr: 1,
            textAlign: 'left',
            verticalAlign: 'top',
            fontVariantNumeric: 'tabular-nums',
            borderBottom: 1,
            borderColor: 'divider',
          },
          '& th': { fontWeight: 600, fontSize: '0.8rem', color: 'text.secondary' },
        }}
      >
        <thead>
          <tr>
            <th>Way</th>
            <th>Whole visit</th>
            <th>Hands free</th>
            <th>Lightened to</th>
            <th>Strain</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, label, figures }) => (
            <tr key={key}>
              <td>
                {label}
                {!figures.fits && (
                  <Typography variant="caption" color="error" sx={{ display: 'block' }}>
                    does not fit
                  </Typography>
                )}
              </td>
              <td>{duration(figures.minutes.expected)}</td>
              <td>{duration(figures.handsFreeMinutes)}</td>
              <td>{evennessWords(figures)}</td>
              <td>
                {figures.zones.length > 0
                  ? `${Math.max(...figures.zones.map(({ strainPercent }) => strainPercent))} %`
                  : '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
      <Typography role="status" variant="caption" color="textSecondary">
        {waiting
          ? 'Working out the others…'
          : 'Lightened to: levels between which four fifths of it lies when it comes out. Strain: most anywhere, of what the hair stands.'}
      </Typography>
    </Box>
  )
}

function evennessWords({ evenness }: ClockFigures): string {
  const spans = Object.entries(evenness).map(([id, { p10, p90 }]) => `${id} ${p10}–${p90}`)
  return spans.length > 0 ? spans.join(', ') : '–'
}
