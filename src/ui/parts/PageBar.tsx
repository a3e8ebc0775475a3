import Box from '@mui/material/Box'
import type { ReactNode } from 'react'

/** The bar at the top of a plan's pages. */
export const PageBar = ({ children }: { children: ReactNode }) => (
  <Box
    component="header"
    sx={{
      display: 'flex',
      alignItems: 'center',
      columnGap: 1,
      rowGap: 0,
      flexWrap: 'wrap',
      px: 1.5,
      py: 0.5,
      borderBottom: 1,
      borderColor: 'divider',
      bgcolor: 'background.paper',
    }}
  >
    {children}
  </Box>
)
