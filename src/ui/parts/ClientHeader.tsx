'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { usePathname } from 'next/navigation'
import type { ReactNode } from 'react'
import { LINE } from '../theme'

const TABS = [
  ['', 'Overview'],
  ['/consultation', 'Consultation'],
  ['/care', 'Care'],
  ['/pictures', 'Pictures'],
] as const

/** Name of a client, where one can go in her record, and room for what the page itself offers. */
export function ClientHeader({ id, name, children }: { id: string; name: string; children?: ReactNode }) {
  const path = usePathname()
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: { xs: 0.5, md: 2 },
        flexWrap: 'wrap',
        px: { xs: 1.5, md: 2 },
        minHeight: 56,
        borderBottom: LINE,
        bgcolor: 'background.paper',
      }}
    >
      <Typography variant="h1" sx={{ fontSize: '1.25rem' }}>
        {name}
      </Typography>
      <Box component="nav" aria-label="Record" sx={{ display: 'flex' }}>
        {TABS.map(([part, label]) => {
          const href = `/people/${id}${part}`
          const here = path === href
          return (
            <Button
              key={part}
              component={Link}
              href={href}
              color="inherit"
              aria-current={here ? 'page' : undefined}
              sx={{
                px: 1.25,
                fontWeight: here ? 700 : 500,
                borderRadius: 0,
                borderBottom: 3,
                borderColor: here ? 'text.primary' : 'transparent',
              }}
            >
              {label}
            </Button>
          )
        })}
      </Box>
      <Box sx={{ flex: 1 }} />
      {children}
    </Box>
  )
}
