'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { Link } from '../link'

/** A page that says why there is nothing to enter, and what to do. */
export const EntryNote = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', p: 2 }}>
    <Box sx={{ width: '100%', maxWidth: 480 }}>
      <Typography variant="h1">{title}</Typography>
      <Typography color="textSecondary" sx={{ mb: 3 }}>
        {children}
      </Typography>
      <Button color="inherit" variant="outlined" component={Link} href="/sign-in">
        To sign-in
      </Button>
    </Box>
  </Box>
)
