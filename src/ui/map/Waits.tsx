import Box from '@mui/material/Box'

/** Stands where something is still being fetched. */
export const Waits = ({ children }: { children: string }) => <Box sx={{ p: 2 }}>{children}</Box>
