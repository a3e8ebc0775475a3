'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { callApi } from '../hooks/api'
import { useAttempt } from '../hooks/useAttempt'
import { useNotice } from '../notices'
import { momentInWords } from '../words'

/** A link by which one's bookings are followed in a calendar elsewhere; made anew or closed at any time. */
export function Calendar({ since }: { since: string | null }) {
  const notice = useNotice()
  const [link, setLink] = useState<string>()
  const { attempt, problem } = useAttempt()
  const open = () =>
    attempt(async () => setLink((await callApi<{ link: string }>('/api/account/calendar', 'POST')).link))
  const close = () =>
    attempt(async () => {
      await callApi('/api/account/calendar', 'DELETE')
      setLink(undefined)
      notice('The link is closed. Calendars that followed it get nothing any more.')
    })
  return (
    <Stack spacing={1.5} sx={{ alignItems: 'flex-start' }}>
      <Typography color="textSecondary">
        Your bookings in the calendar of your phone: it follows a link. Whoever has the link reads names and times of
        your clients, so keep it to yourself.
      </Typography>
      {problem && <Alert severity="error">{problem}</Alert>}
      {link && (
        <>
          <TextField
            label="Link, shown this once"
            value={link}
            fullWidth
            size="small"
            slotProps={{
              htmlInput: { readOnly: true, onFocus: ({ target }: { target: HTMLInputElement }) => target.select() },
            }}
          />
          <Typography>
            Add it in your calendar as a calendar from the internet. Bookings come within some hours.
          </Typography>
        </>
      )}
      {since && !link && <Typography>A link is open since {momentInWords(since)}.</Typography>}
      <Stack direction="row" spacing={1.5}>
        <Button variant="outlined" color="inherit" sx={{ borderColor: 'divider' }} onClick={() => void open()}>
          {since ? 'Make another link' : 'Make a link'}
        </Button>
        {since && (
          <Button color="inherit" onClick={() => void close()}>
            Close the link
          </Button>
        )}
      </Stack>
    </Stack>
  )
}
