'use client'
import GlobalStyles from '@mui/material/GlobalStyles'
import { SnackbarProvider } from 'notistack'
import type { ReactNode } from 'react'

/** How long a notice can be read, ms; what can be undone stays longer. Our choice. */
const READ_MS = 4000
/** More at once would cover the work. */
const MOST = 3

const NOTICE_CLASS = 'falto-notices'

/** The page's own type, and clear of the rail that a phone has below. */
const NOTICE_SX = {
  [`.${NOTICE_CLASS}`]: { fontFamily: 'inherit' },
  [`.${NOTICE_CLASS} .notistack-MuiContent`]: { fontFamily: 'inherit', fontSize: '0.95rem' },
  '@media (max-width: 599px)': { [`.${NOTICE_CLASS}`]: { bottom: '64px !important' } },
} as const

/** Where short notices appear: at the foot of every page, above the rail of a phone. */
export function Notices({ children }: { children: ReactNode }) {
  return (
    <SnackbarProvider
      maxSnack={MOST}
      autoHideDuration={READ_MS}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      classes={{ containerRoot: NOTICE_CLASS }}
      preventDuplicate
      disableWindowBlurListener
    >
      <GlobalStyles styles={NOTICE_SX} />
      {children}
    </SnackbarProvider>
  )
}
