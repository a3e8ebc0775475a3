import Typography from '@mui/material/Typography'

export const FIELDS_GRID = {
  display: 'grid',
  gap: 1.5,
  gridTemplateColumns: 'repeat(auto-fill, minmax(210px, 1fr))',
  alignItems: 'start',
} as const

export const Heading = ({ children }: { children: string }) => (
  <Typography component="h2" sx={{ fontWeight: 600, mb: 0.5 }}>
    {children}
  </Typography>
)
