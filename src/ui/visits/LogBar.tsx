'use client'
import Button from '@mui/material/Button'
import { Link } from '../link'
import type { ReactNode } from 'react'
import { PageBar } from '../parts'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'

const PLACES = [
  ['/log', 'Visits'],
  ['/log/formulas', 'Formulas'],
  ['/log/due', 'Who is due'],
  ['/log/outbox', 'Outbox'],
  ['/log/figures', 'Your figures'],
] as const

/** The bar of the log and of what follows from it. */
export function LogBar({ here, children }: { here: (typeof PLACES)[number][0]; children?: ReactNode }) {
  return (
    <PageBar>
      <Typography variant="h1" sx={{ fontSize: '1.25rem', mr: 2 }}>
        Log
      </Typography>
      <Box
        component="nav"
        aria-label="Of the log"
        sx={{ display: 'flex', flex: 1, minWidth: 0, overflowX: 'auto', '& a': { flexShrink: 0 } }}
      >
        {PLACES.map(([href, label]) => (
          <Button
            key={href}
            component={Link}
            href={href}
            color="inherit"
            aria-current={here === href ? 'page' : undefined}
            sx={{
              px: 1.25,
              fontWeight: here === href ? 700 : 500,
              borderRadius: 0,
              borderBottom: 3,
              borderColor: here === href ? 'text.primary' : 'transparent',
            }}
          >
            {label}
          </Button>
        ))}
      </Box>
      {children}
    </PageBar>
  )
}
