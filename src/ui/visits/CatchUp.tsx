'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { callApi, failureWords } from '../hooks/api'
import { LogBar } from './LogBar'

interface Props {
  here: Parameters<typeof LogBar>[0]['here']
  /** Visits that are not summed up yet. */
  behind: number
}

/** Sums up visits, some at a time, and says how far it is; then the page itself is opened. */
export function CatchUp({ here, behind }: Props) {
  const router = useRouter()
  const [left, setLeft] = useState(behind)
  const [trouble, setTrouble] = useState<string>()

  useEffect(() => {
    let isThere = true
    async function go() {
      try {
        for (let more = behind; more > 0 && isThere;) {
          const answer = await callApi<{ left: number }>('/api/visits/catch-up', 'POST')
          // None fewer: what is left cannot be summed up, and the page says so where it matters.
          if (answer.left >= more) break
          more = answer.left
          if (isThere) setLeft(more)
        }
        if (isThere) router.refresh()
      } catch (error) {
        if (isThere) setTrouble(failureWords(error))
      }
    }
    void go()
    return () => {
      isThere = false
    }
  }, [behind, router])

  return (
    <Box>
      <LogBar here={here} />
      <Box sx={{ maxWidth: 620, mx: 'auto', p: 3, display: 'grid', gap: 1.5 }}>
        {trouble && <Alert severity="error">{trouble} Open the page again to go on.</Alert>}
        <Typography>
          Summing up visits that nobody has looked at yet: {left} of {behind} are left. This is done once.
        </Typography>
        <LinearProgress
          variant="determinate"
          value={(100 * (behind - left)) / Math.max(1, behind)}
          aria-label="Summing up visits"
        />
      </Box>
    </Box>
  )
}
