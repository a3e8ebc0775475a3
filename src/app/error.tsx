'use client'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import { Link } from '@/ui/link'

/** What is shown in place of a page that failed: on the server, which names its line in the log, or on the device. */
export default function Failed({ error }: { error: Error & { digest?: string } }) {
  return (
    <main style={{ padding: 32, maxWidth: 680 }}>
      <h1>This page could not be shown</h1>
      <p>
        {error.digest
          ? 'Falto may be starting, or cannot reach what it keeps at the moment. Nothing was changed.'
          : 'It stopped on this device. What was saved before is kept.'}{' '}
        Try again.
      </p>
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center' }}>
        <Button variant="contained" onClick={() => location.reload()}>
          Try again
        </Button>
        <Link href="/day">To Day</Link>
      </Stack>
      <p>
        If this stays, tell whoever runs Falto here
        {error.digest ? `, and name this line of its log: ${error.digest}.` : '.'}
      </p>
    </main>
  )
}
