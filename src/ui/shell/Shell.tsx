'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { Link } from '../link'
import { usePathname } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import type { ReadingUnits } from '@/core/units'
import { useNewestOfflineWorker } from '../hooks/useOfflineWorker'
import { useIsDrawing } from '../hooks/useIsDrawing'
import { UnitsProvider } from '../hooks/useUnits'
import { Notices } from '../notices'
import { LINE } from '../theme'
import { Guarded, type Guarding } from './Guarded'
import styles from './opening.module.css'
import { Calendar, Clock, Flask, Grid, History, People, Shelf } from '../parts/icons'

const AccountMenu = dynamic(() => import('./AccountMenu').then((module) => module.AccountMenu))
const UnitsDialog = dynamic(() => import('./UnitsDialog').then((module) => module.UnitsDialog))

interface Props {
  member: Guarding['member'] & { name: string; role: string; units: ReadingUnits }
  children: ReactNode
}

/**
 * The frame of every page: a narrow rail with where one can go and who one is. Nothing of it is drawn on the server,
 * which would spend most of its time on it; see docs/decisions/034-what-a-request-costs.md.
 */
export function Shell(props: Props) {
  return useIsDrawing() ? (
    <Guarded member={props.member}>
      <Frame {...props} />
    </Guarded>
  ) : (
    <div className={styles['opening']} aria-busy />
  )
}

function Frame({ member, children }: Props) {
  useNewestOfflineWorker()
  const path = usePathname()
  return (
    <UnitsProvider units={member.units}>
      <Box sx={{ display: 'flex', minHeight: '100dvh', flexDirection: { xs: 'column-reverse', sm: 'row' } }}>
        <Box
          component="nav"
          aria-label="Falto"
          sx={{
            width: { xs: '100%', sm: 72 },
            position: 'sticky',
            bottom: { xs: 0, sm: 'auto' },
            top: { sm: 0 },
            height: { sm: '100dvh' },
            zIndex: 2,
            display: 'flex',
            flexDirection: { xs: 'row', sm: 'column' },
            alignItems: 'center',
            gap: { xs: 0, sm: 0.5 },
            p: { xs: 0.5, sm: 1 },
            bgcolor: 'background.paper',
            borderRight: { sm: LINE },
            borderTop: { xs: LINE, sm: 'none' },
          }}
        >
          <Typography
            aria-hidden
            sx={{ fontWeight: 700, fontSize: '1.05rem', py: 1, display: { xs: 'none', sm: 'block' } }}
          >
            Falto
          </Typography>
          {railFor(path).map((link) => (
            <RailLink key={link.label} {...link} />
          ))}
          <Box sx={{ flex: 1 }} />
          <Account member={member} />
        </Box>
        <Box component="main" sx={{ flex: 1, minWidth: 0 }}>
          <Notices>{children}</Notices>
        </Box>
      </Box>
    </UnitsProvider>
  )
}

interface Place {
  href: string
  label: string
  Icon: typeof Calendar
  here: boolean
}

/** Where one can go from a page; from a plan also to its other pages. */
function railFor(path: string): Place[] {
  const plan = /^\/plans\/[^/]+/.exec(path)?.[0]
  const place = (href: string, label: string, Icon: Place['Icon'], here = path === href): Place => ({
    href,
    label,
    Icon,
    here,
  })
  return [
    place('/day', 'Day', Calendar),
    place('/people', 'People', People, path.startsWith('/people')),
    ...(plan
      ? [place(plan, 'Map', Grid), place(`${plan}/mix`, 'Mix', Flask), place(`${plan}/clock`, 'Clock', Clock)]
      : []),
    place('/log', 'Log', History, path.startsWith('/log') || path.startsWith('/visits')),
    place('/shelf', 'Shelf', Shelf, path.startsWith('/shelf')),
  ]
}

function RailLink({ href, label, Icon, here }: Place) {
  return (
    <Button
      component={Link}
      href={href}
      color="inherit"
      aria-current={here ? 'page' : undefined}
      sx={{
        // From a plan there are seven ways on, and all of them stand beside each other on a phone.
        minWidth: { xs: 44, sm: 56 },
        px: { xs: 0, sm: 0.5 },
        fontSize: { xs: '0.8rem', sm: '0.875rem' },
        flexDirection: 'column',
        lineHeight: 1.2,
        fontWeight: here ? 700 : 500,
        bgcolor: here ? 'action.selected' : 'transparent',
      }}
    >
      <Icon fontSize="small" />
      {label}
    </Button>
  )
}

function Account({ member: { name, role } }: Pick<Props, 'member'>) {
  const [anchor, setAnchor] = useState<HTMLElement>()
  const [choosing, setChoosing] = useState(false)
  return (
    <>
      <Button
        color="inherit"
        aria-label={`${name}, ${role}: account`}
        aria-haspopup="menu"
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{ minWidth: 48, borderRadius: '50%', height: 48, bgcolor: 'action.hover' }}
      >
        {name
          .split(/\s+/)
          .map((word) => word[0])
          .slice(0, 2)
          .join('')}
      </Button>
      {anchor && (
        <AccountMenu
          anchor={anchor}
          name={name}
          role={role}
          onClose={() => setAnchor(undefined)}
          onUnits={() => setChoosing(true)}
        />
      )}
      {choosing && <UnitsDialog onClose={() => setChoosing(false)} />}
    </>
  )
}
