'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'

/** A page that somebody's role does not show. */
export const NotForYou = ({ role }: { role: string }) => (
  <Box sx={{ p: { xs: 2, sm: 4 }, maxWidth: 720 }}>
    <Alert severity="info">As {role} you do not see this. Ask an owner or a colourist.</Alert>
  </Box>
)
