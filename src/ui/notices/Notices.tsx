'use client'
import { SnackbarProvider } from 'notistack'
import type { ReactNode } from 'react'
import { NOTICE_CLASS, NOTICE_SX } from './look'
import GlobalStyles from '@mui/material/GlobalStyles'

/** How long a notice can be read, ms; what can be undone stays longer. Our choice. */
const READ_MS = 4000
/** More at once would cover the work. */
const MOST = 3

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
