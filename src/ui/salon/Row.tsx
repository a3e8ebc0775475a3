'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { LINE } from '../theme'

/** One of a list: its name, what is known of it, and what can be done beside it. */
export const Row = ({ name, beside, children }: { name: string; beside: ReactNode; children: ReactNode }) => (
  <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', py: 1, borderTop: LINE }}>
    <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
      <Typography sx={{ fontWeight: 600 }}>{name}</Typography>
      <Typography variant="caption" color="textSecondary">
        {children}
      </Typography>
    </Box>
    {beside}
  </Box>
)
