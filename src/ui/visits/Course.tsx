'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import { courseOf, type Factor } from '@/core/record/learning'
import { INK } from '../theme'
import { dateInWords } from '../words'

/** Days that are drawn, the newest, and the least that make a course. Our choice. */
const MOST_DAYS = 24
const LEAST_DAYS = 3

/** How a figure came to be what it is: after each day with a job of it, with its range. */
export default function Course({ factor, others }: { factor: Factor; others: readonly Factor[] }) {
  const jobs = [factor, ...others].flatMap((one) => one.jobs.map(({ job }) => job))
  const points = courseOf(jobs, factor.who, MOST_DAYS).map(({ on, mean, low, high }) => ({
    ...{ on, mean },
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
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={points} margin={{ top: 8, right: 8, bottom: 0, left: -16 }} accessibilityLayer={false}>
            <CartesianGrid stroke="currentColor" strokeOpacity={0.12} vertical={false} />
            <XAxis dataKey="on" tickFormatter={dateInWords} minTickGap={60} fontSize={12} />
            <YAxis domain={['auto', 'auto']} fontSize={12} tickFormatter={(value: number) => value.toFixed(2)} />
            <ReferenceLine y={1} stroke="currentColor" strokeDasharray="4 4" />
            <Tooltip
              labelFormatter={(on) => dateInWords(String(on))}
              formatter={(value) =>
                Array.isArray(value) ? value.map((end) => Number(end).toFixed(2)).join('–') : Number(value).toFixed(2)
              }
            />
            <Area
              dataKey="range"
              name="range"
              stroke="none"
              fill={INK.strong}
              fillOpacity={0.18}
              isAnimationActive={false}
            />
            <Line
              dataKey="mean"
              name="figure"
              stroke={INK.strong}
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
          </ComposedChart>
        </ResponsiveContainer>
      </Box>
    </Box>
  )
}
