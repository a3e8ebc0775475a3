'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { ScriptStep } from '@/core/time/run'
import { LINE } from '../theme'

/** Asks for the look across a section that has just been finished. */
export function CrossCheck({ step, onTell }: { step: ScriptStep; onTell: (note: string) => void }) {
  return (
    <Box component="section" aria-label="Cross-check" sx={{ px: 2, py: 1.25, border: LINE, borderRadius: 1, mt: 1.5 }}>
      <Typography sx={{ mb: 1 }}>
        <strong>Cross-check {step.about}</strong>: lift the rows across. No gap, no piece that slipped, the edges
        closed?
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        <Button variant="outlined" color="inherit" sx={{ minHeight: 52 }} onClick={() => onTell('')}>
          All well
        </Button>
        <Button variant="outlined" color="inherit" sx={{ minHeight: 52 }} onClick={() => onTell('mended')}>
          Found and mended
        </Button>
      </Box>
    </Box>
  )
}
