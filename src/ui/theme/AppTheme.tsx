'use client'
import CssBaseline from '@mui/material/CssBaseline'
import { ThemeProvider } from '@mui/material/styles'
import { createContext, useContext, useState, type ReactNode } from 'react'
import { theme } from './theme'

const Nonce = createContext('')

/** What a style sheet carries that a component makes for itself, so that the page's rules let it be. */
export const useNonce = (): string => useContext(Nonce)

export function AppTheme({ nonce, children }: { nonce: string; children: ReactNode }) {
  // What the document came with; a page that is asked for again brings another, which this document does not know.
  const [own] = useState(nonce)
  return (
    <Nonce value={own}>
      <ThemeProvider theme={theme} defaultMode="light">
        <CssBaseline enableColorScheme />
        {children}
      </ThemeProvider>
    </Nonce>
  )
}
