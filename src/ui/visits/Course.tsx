'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { courseOf, type Factor } from '@/core/record/learning'
import { dateInWords } from '../words'

const CourseChart = dynamic(() => import('./CourseChart'), { ssr: false })

/** Days that are drawn, the newest, and the least that make a course. Our choice. */
const MOST_DAYS = 24
const LEAST_DAYS = 3

/** How a figure came to be what it is: after each day with a job of it, with its range. */
export function Course({ factor, others }: { factor: Factor; others: readonly Factor[] }) {
  const jobs = [factor, ...others].flatMap((one) => one.jobs.map(({ job }) => job))
  const points = courseOf(jobs, factor.who, MOST_DAYS).map(({ on, mean, low, high }) => ({
    on,
    mean,
    range: [low, high],
  }))
  if (points.length < LEAST_DAYS) return null
  const [first, last] = [points[0]!, points.at(-1)!]
  return (
    <Box sx={{ my: 1 }}>
      <Typography variant="body2" color="textSecondary">
        How it came to this
      </Typography>
      <Box
        role="img"
        aria-label={`From ${first.mean.toFixed(2)} on ${dateInWords(first.on)} to ${last.mean.toFixed(2)} on ${dateInWords(last.on)}`}
        sx={{ height: 150 }}
      >
        <CourseChart points={points} />
      </Box>
    </Box>
  )
}
