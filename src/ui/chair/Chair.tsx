'use client'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'

/** The page of a visit. Made in the browser alone: all it shows are times by the device's own clock. */
export const Chair = dynamic(() => import('./ChairPage').then((module) => module.ChairPage), {
  ssr: false,
  loading: () => (
    <Typography role="status" sx={{ p: 3 }}>
      Opening the visit…
    </Typography>
  ),
})
