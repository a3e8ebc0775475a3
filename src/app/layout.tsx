import InitColorSchemeScript from '@mui/material/InitColorSchemeScript'
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter'
import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import '@fontsource-variable/source-sans-3/wght.css'
import { NONCE } from '@/server/http'
import { AppTheme } from '@/ui/theme'

export const metadata: Metadata = {
  title: 'Falto',
  description: 'Placement, product and timing for dimensional colour.',
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get(NONCE) ?? ''
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="data" defaultMode="light" nonce={nonce} />
        {/* The style sheet of the notices asks for it by this name. */}
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: NOTICES_NONCE }} />
        <AppRouterCacheProvider options={{ nonce }}>
          <AppTheme nonce={nonce}>{children}</AppTheme>
        </AppRouterCacheProvider>
      </body>
    </html>
  )
}

const NOTICES_NONCE = 'window.__nonce__=document.currentScript.nonce'
