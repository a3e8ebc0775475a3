'use client'
import Box from '@mui/material/Box'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'

/** In the place of a page whose visits are being looked through. */
export function Waits() {
  return (
    <Box role="status" sx={{ maxWidth: 620, mx: 'auto', p: 3, display: 'grid', gap: 1.5 }}>
      <Typography>Looking through the visits…</Typography>
      <LinearProgress aria-label="Looking through the visits" />
    </Box>
  )
}
